import {
  type FiguredSeason,
  type FiguredGoal,
  type Goal,
  type KeyResult,
  monthOf,
  monthOfDay,
  seasonSpan,
  isSpanMeasure,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { BoringPicture } from '../../../charts/BoringPicture.tsx';
import { KeyResultForm } from '../../../components/keyResultForm/KeyResultForm.tsx';
import { CheckpointsCard } from '../../../components/goals/CheckpointsCard.tsx';
import { percent } from '../../../text/format.ts';
import { goalPath, seasonEditPath } from '../../../platform/paths.ts';
import { selectFiguredGoals } from '../../../store/goalSelectors.ts';
import { changeTo } from '../../../store/makeChange.ts';
import { selectHabits, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import { PACE_WORDS, STATE_WORDS, dueWords, holeColor, paceTone, shareWords } from '../../../text/goalText.ts';

/** The goals of a season as planks with their pace, and month by month what their key results were to come to. */
export function SeasonGoals({ figured: { season, standing } }: { figured: FiguredSeason }) {
  const router = useRouter();
  const all = useAppSelector(selectFiguredGoals);
  const goals = season.goalIds.flatMap((id) => all.get(id) ?? []);
  const span = seasonSpan(season);
  const months = { first: monthOfDay(span.first), last: monthOfDay(span.last) };
  return (
    <>
      <SectionCard
        title={standing.phase === 'over' ? 'Its goals as they are now' : 'Its goals'}
        isFlush={goals.length > 0}
      >
        {goals.length === 0 ? (
          <View style={{ gap: SPACE.s, alignItems: 'flex-start' }}>
            <Words tone="quiet">No goal yet: its weeks are scored over all habits.</Words>
            <Button onPress={() => router.push(seasonEditPath(season.id))}>Choose goals</Button>
          </View>
        ) : (
          goals.map((each, place) => <Plank key={each.records.goal.id} figured={each} isParted={place > 0} />)
        )}
      </SectionCard>
      {goals.map((each) => (
        <CheckpointsCard key={each.records.goal.id} figured={each} months={months} title={each.records.goal.title} />
      ))}
      {standing.phase === 'over' ? null : <WithoutMonths goals={goals} months={months} />}
    </>
  );
}

/** Numbers and money that nothing is aimed at for in these months, and the way to do so. */
function WithoutMonths({ goals, months }: { goals: readonly FiguredGoal[]; months: { first: number; last: number } }) {
  const { change } = useRecording();
  const toast = useToast();
  const habits = useAppSelector(selectHabits).filter(({ archived }) => archived !== true);
  const [edited, setEdited] = useState<{ goal: Goal; keyResult: KeyResult } | null>(null);
  const without = goals.flatMap(({ records: { goal, keyResults } }) =>
    goal.state !== 'open'
      ? []
      : keyResults
          .filter(
            ({ measure, checkpoints = {} }) =>
              isSpanMeasure(measure) &&
              !Object.keys(checkpoints).some((text) => monthOf(text) >= months.first && monthOf(text) <= months.last),
          )
          .map((keyResult) => ({ goal, keyResult })),
  );
  if (without.length === 0) return null;
  return (
    <SectionCard title="Not aimed at month by month yet">
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {without.map((each) => (
          <Button
            key={each.keyResult.id}
            label={`Aim at ${each.keyResult.title} month by month`}
            onPress={() => setEdited(each)}
          >
            {each.keyResult.title}
          </Button>
        ))}
      </View>
      {edited === null ? null : (
        <KeyResultForm
          goal={edited.goal}
          keyResult={edited.keyResult}
          nextOrder={edited.keyResult.order}
          habits={habits}
          onClose={() => setEdited(null)}
          onSave={(next) => {
            toast({ text: `${next.title} is changed`, onUndo: change(changeTo('keyResults', next)) });
            setEdited(null);
          }}
        />
      )}
    </SectionCard>
  );
}

function Plank({ figured, isParted }: { figured: FiguredGoal; isParted: boolean }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const { records, figures } = figured;
  const { goal } = records;
  const isOpen = goal.state === 'open';
  const pace = isOpen ? figures.pace : null;
  const paceWords = pace === null ? (isOpen ? '' : STATE_WORDS[goal.state]) : PACE_WORDS[pace];
  const parts = records.keyResults.map((keyResult, place) => {
    const { progress, expected } = figures.keyResults[keyResult.id]!;
    return { id: keyResult.id, progress, expected: isOpen ? expected : null, color: holeColor(colors, place) };
  });
  return (
    <Pressable
      role="link"
      aria-label={[goal.title, percent(figures.progress), paceWords].filter(Boolean).join(', ')}
      onPress={() => router.push(goalPath(goal.id))}
      style={({ pressed }) => [styles.goal, isParted && styles.parted, pressed && styles.pressed]}
    >
      <View style={styles.line}>
        <Words type="name" style={styles.grow}>
          {goal.title}
        </Words>
        <Words type="strong">{percent(figures.progress)}</Words>
        {paceWords === '' ? null : (
          <Words type="label" tone={paceTone(pace)}>
            {paceWords}
          </Words>
        )}
      </View>
      {parts.length === 0 ? null : (
        <BoringPicture parts={parts} heightPx={44} isSmall label={`The plank of ${goal.title}`} />
      )}
      <Words type="quiet" tone="quiet">
        {[shareWords(figured, today), dueWords(goal, figures, today)].filter(Boolean).join(' · ')}
      </Words>
    </Pressable>
  );
}

const useStyles = themed((colors) => ({
  goal: { gap: SPACE.xs, paddingHorizontal: SPACE.l, paddingVertical: SPACE.m },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  pressed: { backgroundColor: colors.wash },
  line: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s },
  grow: { flex: 1, minWidth: 0 },
}));
