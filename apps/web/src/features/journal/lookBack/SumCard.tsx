import {
  type DaySpan,
  type HabitReview,
  type LookBackSpan,
  type SpanReview,
  dayCounts,
  type Track,
  eachDay,
  formatDay,
  isActiveIn,
  monthOfDay,
  mostImproved,
  ribbonsOfMonths,
  streakUnitOn,
  weeksMetIn,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';
import { outOf } from '../../../text/amounts.ts';
import { Figure, FigureWords } from '../../../components/figure/Figure.tsx';
import { counted, percent } from '../../../text/format.ts';
import { PATHS, habitPath } from '../../../platform/paths.ts';
import { selectSettings, selectToday, selectTotals, selectTracks } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { Words } from '../../../ui/Words.tsx';
import { beforeWords, changeWords } from '../../../text/spanText.ts';
import { weeksMetWords } from '../../../text/weekText.ts';

/** What was kept of what was asked, the full and bright days, and the habits that stand out. */
export function SumCard({ kind, span, review }: { kind: LookBackSpan; span: DaySpan; review: SpanReview }) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const { passMark } = useAppSelector(selectSettings);
  const totals = useAppSelector(selectTotals);
  const tracks = useAppSelector(selectTracks);
  const { fullDays, brightDays } = dayCounts(totals, span, passMark);
  const months = useMemo(
    () => [...new Set(eachDay({ first: span.first, last: Math.min(span.last, today) }).map(monthOfDay))],
    [span, today],
  );
  const ribbons = useMemo(
    () => (kind === 'week' ? null : (ribbonsOfMonths(tracks, months, passMark).total[0] ?? 0)),
    [kind, tracks, months, passMark],
  );
  const { rate, kept, asked } = review.kept;
  if (rate === null) {
    return (
      <Card label="What was kept">
        <Words tone="quiet">Nothing was due in these days{span.last >= today ? ' so far' : ''}.</Words>
      </Card>
    );
  }
  const before = review.keptBefore?.rate ?? null;
  const when = beforeWords(kind, review.isByNow);
  const change =
    before === null
      ? ''
      : percent(before) === percent(rate)
        ? `, as ${when}`
        : `, ${rate > before ? 'up' : 'down'} from ${percent(before)} ${when}`;
  const improved = mostImproved(review);
  const [best, most, least] = [review.habits.find((each) => each.kept.rate !== null), improved[0], improved.at(-1)];
  return (
    <Card style={styles.card} label="What was kept">
      <Figure
        asked={{ figure: 'kept', span }}
        label={`${percent(rate)} kept, ${outOf(kept, asked)}${change}`}
        style={styles.main}
      >
        <Words type="display">{percent(rate)}</Words>
        <Words tone="quiet" style={styles.told}>
          kept, {kept} of {asked}
          {change}
        </Words>
      </Figure>
      <View style={styles.counts}>
        <FigureWords asked={{ figure: 'fullDays', span }} words={counted(fullDays, 'full day')} />
        <FigureWords asked={{ figure: 'brightDays', span }} words={counted(brightDays, 'bright day')} />
        {ribbons === null ? null : (
          <FigureWords asked={{ figure: 'ribbons', span }} words={counted(ribbons, 'ribbon')} />
        )}
      </View>
      <View style={styles.habits}>
        {best === undefined ? null : <Outstanding name="Best" habit={best} told={percent(best.kept.rate)} />}
        {most === undefined || most.change <= 0 ? null : (
          <Outstanding name="Most improved" habit={most.habit} told={changeWords(most.change)} />
        )}
        {least === undefined || least.change >= 0 ? null : (
          <Outstanding name="Slipped most" habit={least.habit} told={changeWords(least.change)} />
        )}
      </View>
      {kind === 'week' ? null : <WeeksMetLines span={span} tracks={tracks} />}
    </Card>
  );
}

const MOST_BY_WEEK = 6;

/** How many weeks each habit of so many days a week met in a span; a few of many, and the page of all. */
function WeeksMetLines({ span, tracks }: { span: DaySpan; tracks: readonly Track[] }) {
  const styles = useStyles();
  const router = useRouter();
  const lines = tracks.flatMap((track) => {
    if (!isActiveIn(track, span) || streakUnitOn(track, Math.min(track.today, span.last)) !== 'weeks') return [];
    const met = weeksMetIn(track, span);
    return met.of === 0 ? [] : [{ id: track.habit.id, name: track.habit.name, words: weeksMetWords(met) }];
  });
  if (lines.length === 0) return null;
  return (
    <View role="group" aria-label="Habits by weeks" style={styles.habits}>
      {lines.slice(0, MOST_BY_WEEK).map(({ id, name, words }) => (
        <View key={id} style={styles.line}>
          <Words style={styles.title} numberOfLines={1}>
            {name}
          </Words>
          <Words type="quiet" tone="quiet">
            {words}
          </Words>
        </View>
      ))}
      <Button
        kind="bare"
        style={{ alignSelf: 'flex-start' }}
        onPress={() => router.push(`${PATHS.weeks}?day=${formatDay(span.last)}`)}
      >
        Every habit by weeks
      </Button>
    </View>
  );
}

function Outstanding({ name, habit, told }: { name: string; habit: HabitReview; told: string }) {
  const styles = useStyles();
  const router = useRouter();
  const title = useAppSelector((state) => state.records.habits[habit.id]?.name ?? '');
  return (
    <Pressable
      role="link"
      aria-label={`${name}: ${title}, ${told}`}
      onPress={() => router.push(habitPath(habit.id))}
      style={styles.line}
    >
      <Words type="quiet" tone="quiet" style={styles.name}>
        {name}
      </Words>
      <Words type="strong" style={styles.title}>
        {title}
      </Words>
      <Words type="quiet" tone="quiet">
        {told}
      </Words>
    </Pressable>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  main: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'baseline',
    justifyContent: 'flex-start',
    columnGap: SPACE.m,
    borderBottomWidth: 0,
  },
  told: { flexShrink: 1 },
  counts: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.xl, rowGap: SPACE.xs },
  habits: { gap: 2 },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: 32 },
  name: { width: 104 },
  title: { flex: 1, minWidth: 0 },
}));
