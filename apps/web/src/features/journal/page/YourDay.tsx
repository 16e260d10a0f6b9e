import {
  type PlainDay,
  type Track,
  entryOn,
  fillRatio,
  formatDay,
  isActiveIn,
  outcomeOn,
  pegStateOf,
  scoreOn,
  shownText,
} from '@wimbel/core';
import { Fragment } from 'react';
import { Pressable, View } from 'react-native';
import { Figure } from '../../../components/figure/Figure.tsx';
import { amount } from '../../../text/amounts.ts';
import { OUTCOME_WORDS, percent } from '../../../text/format.ts';
import { goalPath } from '../../../platform/paths.ts';
import { selectEntries, selectSettings, selectTotals, selectTracks } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { SPACE, TOUCH_PX } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { PegPicture } from '../../../ui/Peg.tsx';
import { Words } from '../../../ui/Words.tsx';
import { valueWords } from '../../../text/goalText.ts';

/** The day as it was: its habits as pegs, their amounts and notes, check-ins and steps, each leading to where it is changed. */
export function YourDay({
  day,
  onOpen,
  onGo,
}: {
  day: PlainDay;
  onOpen: (habitId: string) => void;
  onGo: (path: string) => void;
}) {
  const styles = useStyles();
  const { passMark } = useAppSelector(selectSettings);
  const tracks = useAppSelector(selectTracks).filter((track) => isActiveIn(track, { first: day, last: day }));
  const { done, due, score } = scoreOn(useAppSelector(selectTotals), day, passMark);
  return (
    <View style={styles.section}>
      <View style={styles.head}>
        <Words type="label" tone="quiet" heading={2} style={styles.grow}>
          Your day
        </Words>
        {score === null ? null : (
          <Figure asked={{ figure: 'dayScore', day }} label={`${done} of ${due}, ${percent(score)}`}>
            <Words type="label" tone="quiet">
              {done} of {due}, {percent(score)}
            </Words>
          </Figure>
        )}
      </View>
      <Card style={styles.card} label="Your day">
        {tracks.length === 0 ? (
          <Words tone="quiet">No habits on this day.</Words>
        ) : (
          <View style={styles.pegs}>
            {tracks.map((track) => (
              <DayPeg key={track.habit.id} track={track} day={day} onOpen={onOpen} />
            ))}
          </View>
        )}
        {tracks.map((track) => (
          <DayLine key={track.habit.id} track={track} day={day} />
        ))}
        <GoalLines day={day} onGo={onGo} />
      </Card>
    </View>
  );
}

function DayPeg({ track, day, onOpen }: { track: Track; day: PlainDay; onOpen: (habitId: string) => void }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { habit } = track;
  const area = useAppSelector((state) => state.records.areas[habit.areaId ?? '']);
  const entries = useAppSelector((state) => selectEntries(state, habit.id));
  return (
    <Pressable
      role="button"
      aria-label={`${habit.name}: ${OUTCOME_WORDS[outcomeOn(track, day)]}`}
      onPress={() => onOpen(habit.id)}
      style={styles.peg}
    >
      <PegPicture
        state={pegStateOf(track, day)}
        sizePx={28}
        color={dyeColor(colors, area?.color)}
        ratio={fillRatio(track, day, entryOn(entries, day)?.amount ?? null)}
      />
    </Pressable>
  );
}

/** What was recorded of a habit beside its mark: an amount, a note, the reason of a miss. */
function DayLine({ track, day }: { track: Track; day: PlainDay }) {
  const { habit } = track;
  const entry = useAppSelector((state) => entryOn(selectEntries(state, habit.id), day));
  const { measure } = habit;
  const words = [
    measure.kind === 'amount' && entry?.amount !== undefined ? amount(entry.amount, measure.unit) : '',
    entry?.mark === 'missed' ? 'missed' : '',
  ].filter(Boolean);
  if (words.length === 0 && !entry?.note) return null;
  return (
    <Words type="quiet" tone="quiet">
      {[habit.name, ...words].join(', ')}
      {entry?.note ? `: ${shownText(entry.note)}` : ''}
    </Words>
  );
}

/** Check-ins and steps of the day. */
function GoalLines({ day, onGo }: { day: PlainDay; onGo: (path: string) => void }) {
  const styles = useStyles();
  const text = formatDay(day);
  const keyResults = useAppSelector((state) => state.records.keyResults);
  const checkIns = useAppSelector((state) => state.records.checkIns);
  const steps = useAppSelector((state) => state.records.steps);
  const lines = [
    ...Object.values(checkIns).flatMap(({ id, day: on, keyResultId, value, note }) => {
      const keyResult = keyResults[keyResultId];
      if (on !== text || keyResult === undefined) return [];
      const words = `${keyResult.title}: ${valueWords(keyResult, value)}${note ? `, ${note}` : ''}`;
      return [{ id, words, goalId: keyResult.goalId }];
    }),
    ...Object.values(steps).flatMap(({ id, doneOn, title, goalId }) =>
      doneOn === text ? [{ id, words: `Step done: ${title}`, goalId }] : [],
    ),
  ];
  return (
    <Fragment>
      {lines.map(({ id, words, goalId }) => (
        <Pressable key={id} role="link" aria-label={words} onPress={() => onGo(goalPath(goalId))} style={styles.link}>
          <Words type="quiet" tone="working">
            {words}
          </Words>
        </Pressable>
      ))}
    </Fragment>
  );
}

const useStyles = themed(() => ({
  section: { gap: SPACE.s },
  head: { flexDirection: 'row', alignItems: 'center', paddingHorizontal: SPACE.xs },
  grow: { flex: 1 },
  card: { gap: SPACE.s },
  pegs: { flexDirection: 'row', flexWrap: 'wrap', marginHorizontal: -SPACE.s },
  peg: { width: TOUCH_PX, height: TOUCH_PX, alignItems: 'center', justifyContent: 'center' },
  link: { minHeight: 32, justifyContent: 'center' },
}));
