import { type Season, carryingTracks, seasonSpan } from '@wimbel/core';
import { View } from 'react-native';
import { dayAndMonth, percent } from '../../../text/format.ts';
import { selectFiguredGoals } from '../../../store/goalSelectors.ts';
import { selectKeyResults, selectTracks } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import { Words } from '../../../ui/Words.tsx';
import { STATE_WORDS } from '../../../text/goalText.ts';
import { askedWords } from '../../../text/termsText.ts';
import type { SeasonDraft } from './seasonDraft.ts';

/** What of a season goes on in the next: its goals one by one, and its habits. */
export function CarryPage({
  draft,
  set,
  before,
}: {
  draft: SeasonDraft;
  set: (part: Partial<SeasonDraft>) => void;
  before: Season;
}) {
  const figured = useAppSelector(selectFiguredGoals);
  const tracks = useAppSelector(selectTracks);
  const keyResults = useAppSelector(selectKeyResults);
  const { last } = seasonSpan(before);
  const goals = before.goalIds.flatMap((id) => figured.get(id) ?? []);
  const habits = carryingTracks(before.goalIds, tracks, keyResults)
    .map(({ habit }) => habit)
    .filter((habit) => habit.archived !== true && habit.endsOn === undefined);
  return (
    <>
      <SectionCard title="Goals" isFlush>
        {goals.length === 0 ? <Empty>It had no goal.</Empty> : null}
        {goals.map(({ records: { goal }, figures }, place) => (
          <Line
            key={goal.id}
            title={goal.title}
            words={goal.state === 'open' ? `${percent(figures.progress)} so far` : STATE_WORDS[goal.state]}
            isParted={place > 0}
            value={draft.goalIds.includes(goal.id)}
            choices={['Goes on', 'Not this time']}
            onChange={(isOn) =>
              set({
                goalIds: isOn ? [...draft.goalIds, goal.id] : draft.goalIds.filter((id) => id !== goal.id),
              })
            }
          />
        ))}
      </SectionCard>
      <SectionCard title="Habits" isFlush>
        {habits.length === 0 ? <Empty>No habit carried its goals.</Empty> : null}
        {habits.map((habit, place) => {
          const isEnded = draft.ended.includes(habit.id);
          return (
            <Line
              key={habit.id}
              title={habit.name}
              words={isEnded ? `ends on ${dayAndMonth(last)}; its past stays` : askedWords(habit)}
              isParted={place > 0}
              value={!isEnded}
              choices={['Goes on', 'Ends']}
              onChange={(isOn) =>
                set({ ended: isOn ? draft.ended.filter((id) => id !== habit.id) : [...draft.ended, habit.id] })
              }
            />
          );
        })}
      </SectionCard>
    </>
  );
}

function Empty({ children }: { children: string }) {
  return (
    <Words tone="quiet" style={{ padding: SPACE.l }}>
      {children}
    </Words>
  );
}

function Line({
  title,
  words,
  value,
  choices: [on, off],
  isParted,
  onChange,
}: {
  title: string;
  words: string;
  value: boolean;
  choices: [on: string, off: string];
  isParted: boolean;
  onChange: (isOn: boolean) => void;
}) {
  const styles = useStyles();
  return (
    <View style={[styles.line, isParted && styles.parted]}>
      <View style={styles.words}>
        <Words type="name">{title}</Words>
        <Words type="quiet" tone="quiet">
          {words}
        </Words>
      </View>
      <Segments
        label={title}
        value={value ? 'on' : 'off'}
        choices={[
          { value: 'on', label: on },
          { value: 'off', label: off },
        ]}
        onChange={(chosen) => onChange(chosen === 'on')}
        isWrapping
      />
    </View>
  );
}

const useStyles = themed((colors) => ({
  line: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: SPACE.s,
    paddingHorizontal: SPACE.l,
    paddingVertical: SPACE.s,
  },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  words: { flexGrow: 1, flexShrink: 1, flexBasis: 160, minWidth: 0 },
}));
