import {
  type DaySpan,
  type PlainDay,
  dayOfNeighbour,
  feelingFigures,
  formatDay,
  logSpanOf,
  monthOfDay,
  monthsOfYear,
  moodByDay,
  moodOver,
  parseDay,
  yearOfDay,
  daysCompared,
  holdsDay,
  dayOf,
} from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { MoodPlatePicture } from '../../../charts/MoodPlatePicture.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { SpanHead } from '../../../components/page/SpanHead.tsx';
import { counted, dayInWords } from '../../../text/format.ts';
import { PATHS, journalPath } from '../../../platform/paths.ts';
import { selectJournal, selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useIsWide } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { EmptyState } from '../../../ui/EmptyState.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import { Words } from '../../../ui/Words.tsx';
import { MOODS, meanWords, moodWord } from '../../../text/moodText.ts';
import { beforeWords, spanTitle } from '../../../text/spanText.ts';
import { JournalTabs } from '../JournalTabs.tsx';

type Kind = 'month' | 'year';

/** A month or a year of moods as one picture, their mean, and what was felt. */
export function MoodsScreen() {
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const params = useLocalSearchParams<{ span?: string; day?: string }>();
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const journal = useAppSelector(selectJournal);
  const moods = useMemo(() => moodByDay(journal), [journal]);
  const kind: Kind = params.span === 'year' ? 'year' : 'month';
  const day = Math.min(today, parseDay(params.day ?? '') ?? today);
  const span = useMemo(() => logSpanOf(kind, day, weekStart), [kind, day, weekStart]);
  const go = (next: Kind, to: PlainDay): void => {
    const isNow = holdsDay(logSpanOf(next, to, weekStart), today);
    router.push(`${PATHS.moods}?span=${next}${isNow ? '' : `&day=${formatDay(to)}`}`);
  };
  return (
    <Page>
      <SpanHead
        kind={kind}
        span={span}
        onBeside={(by) => go(kind, dayOfNeighbour(kind, span, by))}
        onNow={() => go(kind, today)}
      />
      <View style={[styles.choices, isWide && styles.choicesWide]}>
        <JournalTabs at={PATHS.moods} />
        <Segments<Kind>
          label="Span of moods"
          value={kind}
          choices={[
            { value: 'month', label: 'Month' },
            { value: 'year', label: 'Year' },
          ]}
          onChange={(next) => go(next, day)}
        />
      </View>
      {moods.size === 0 ? (
        <EmptyState
          title="No moods yet"
          text="Tap how a day was on its page. A month of suns shows more than one day can."
        >
          <Button kind="main" onPress={() => router.push(PATHS.journal)}>
            Open today’s page
          </Button>
        </EmptyState>
      ) : (
        <View style={isWide ? styles.columns : styles.stack}>
          <View style={styles.broad}>
            <MoodsCard kind={kind} span={span} moods={moods} />
          </View>
          <View style={styles.narrow}>
            <MoodCounts span={span} moods={moods} />
            <FeelingsCard span={span} moods={moods} />
          </View>
        </View>
      )}
    </Page>
  );
}

type OfMoods = { span: DaySpan; moods: ReadonlyMap<PlainDay, number> };

function MoodsCard({ kind, span, moods }: OfMoods & { kind: Kind }) {
  const styles = useStyles();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const settings = useAppSelector(selectSettings);
  const { weekStart } = settings;
  const choice = useMarks(`moods ${kind} ${span.first}`);
  const mean = moodOver(moods, span, today);
  const { compared, isByNow } = daysCompared(kind, span, weekStart, today);
  const before = compared === null ? null : moodOver(moods, compared, today);
  const told =
    mean === null
      ? 'No day of it has a mood.'
      : `Mean ${meanWords(mean)}${before === null ? '' : `; ${beforeWords(kind, isByNow)} ${meanWords(before)}`}.`;
  const at = choice.at;
  const mood = at === null ? null : (moods.get(at) ?? null);
  const moodOf = useMemo(() => (day: PlainDay) => moods.get(day) ?? null, [moods]);
  const months = useMemo(
    () => (kind === 'year' ? monthsOfYear(yearOfDay(span.first)) : [monthOfDay(span.first)]),
    [kind, span],
  );
  const asWeeks = useMemo(() => (kind === 'month' ? { span, weekStart } : undefined), [kind, span, weekStart]);
  return (
    <Card style={styles.card} label={kind === 'year' ? 'The year in moods' : 'The month in moods'}>
      <CardHead title={kind === 'year' ? 'The year in moods' : 'The month in moods'} />
      <Words type="quiet" tone="quiet">
        {`${told} The higher the sun, the better the day; a ring below the line is the lowest.`}
      </Words>
      <MoodPlatePicture
        months={months}
        {...(asWeeks ? { asWeeks } : {})}
        today={today}
        moodOf={moodOf}
        label={`Moods of ${spanTitle(kind, span, today)} as suns over the sea: the higher, the better. ${told} Arrow keys go from day to day.`}
        choice={choice}
      />
      <View role="status" aria-live="polite" style={styles.told}>
        <Words type="label" tone={at === null ? 'quiet' : 'ink'} style={styles.grow}>
          {at === null
            ? 'Choose a day to see it.'
            : `${dayInWords(at)}: ${at > today ? 'still to come' : mood === null ? 'no mood' : moodWord(settings, MOODS[Math.round(mood) - 1]!)}`}
        </Words>
        {at === null || at > today || at !== choice.chosen ? null : (
          <Button kind="bare" onPress={() => router.push(journalPath(formatDay(at)))}>
            Open its page
          </Button>
        )}
      </View>
    </Card>
  );
}

/** How many days had each mood, the best first. */
function MoodCounts({ span, moods }: OfMoods) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const settings = useAppSelector(selectSettings);
  const counts = MOODS.map(
    (mood) =>
      [...moods].filter(([day, each]) => holdsDay(span, day) && day <= today && Math.round(each) === mood).length,
  );
  const most = Math.max(1, ...counts);
  return (
    <Card style={styles.card} label="Days by mood">
      <CardHead title="Days by mood" />
      {[...MOODS].reverse().map((mood) => (
        <Row
          key={mood}
          name={moodWord(settings, mood)}
          ratio={counts[mood - 1]! / most}
          value={String(counts[mood - 1])}
        />
      ))}
    </Card>
  );
}

/** So many feelings are shown before the others are asked for. */
const MOST_FEELINGS = 12;

/** Feelings by the days they were written on, with the mean mood of those days. */
function FeelingsCard({ span, moods }: OfMoods) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const journal = useAppSelector(selectJournal);
  const figures = useMemo(() => {
    const within = journal.filter(({ day }) => holdsDay(span, dayOf(day)));
    return [...feelingFigures(within, moods, today)].sort((a, b) => b[1].days - a[1].days || a[0].localeCompare(b[0]));
  }, [journal, moods, span, today]);
  if (figures.length === 0) return null;
  const most = figures[0]![1].days;
  return (
    <Card style={styles.card} label="Feelings">
      <CardHead title="Feelings" aside="days, mean mood" />
      {figures.slice(0, MOST_FEELINGS).map(([feeling, { days, mood }]) => (
        <Row
          key={feeling}
          name={feeling}
          ratio={days / most}
          value={`${counted(days, 'day')}${mood === null ? '' : `, ${mood.toFixed(1)}`}`}
        />
      ))}
    </Card>
  );
}

function Row({ name, ratio, value }: { name: string; ratio: number; value: string }) {
  const styles = useStyles();
  return (
    <View style={styles.row}>
      <Words style={styles.name}>{name}</Words>
      <View style={styles.room}>
        <View style={[styles.bar, { width: `${ratio * 100}%` }]} />
      </View>
      <Words type="quiet" tone="quiet" style={styles.value}>
        {value}
      </Words>
    </View>
  );
}

const useStyles = themed((colors) => ({
  choices: { gap: SPACE.l },
  choicesWide: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'space-between' },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  stack: { gap: SPACE.l },
  broad: { flex: 5, minWidth: 0, gap: SPACE.l },
  narrow: { flex: 3, minWidth: 0, gap: SPACE.l },
  card: { gap: SPACE.m },
  told: { flexDirection: 'row', alignItems: 'center', minHeight: 44, flexWrap: 'wrap' },
  grow: { flex: 1, minWidth: 160 },
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s },
  name: { width: 92 },
  room: { flex: 1, height: 6, borderRadius: 3, backgroundColor: colors.hole },
  bar: { height: 6, borderRadius: 3, backgroundColor: colors.brass },
  value: { minWidth: 32, textAlign: 'right' },
}));
