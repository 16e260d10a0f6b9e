import {
  type PlainDay,
  type Run,
  type Track,
  WEEKDAYS,
  amountBetween,
  keptByWeekday,
  keptOver,
  keptSpans,
  habitWeek,
  setDaysOf,
  startOfWeek,
  weeksMetIn,
  yearOfDay,
  yearSpan,
  last30,
  monthFigures,
  monthOfDay,
  monthSpan,
  monthTargetOf,
  runsOf,
  streakUnitOn,
} from '@wimbel/core';
import Bookmark from 'lucide-react-native/icons/bookmark';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { keptFacts, streakFacts, type Fact } from '../../../text/habitFacts.ts';
import { selectSettings } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { weeksMetWords } from '../../../text/weekText.ts';
import { keptWords, targetWords } from '../../../text/keptText.ts';
import { amount, amountOf, compact, number, signed, readable, outOf } from '../../../text/amounts.ts';
import {
  capital,
  counted,
  monthAbbreviation,
  monthAndYear,
  percent,
  spanInWords,
  streakLength,
} from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { BarsAcross } from '../../../ui/BarsAcross.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { Facts } from '../../../components/figure/Facts.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { ProgressBar } from '../../../ui/ProgressBar.tsx';
import { Words } from '../../../ui/Words.tsx';
import { MonthCalendar } from './MonthCalendar.tsx';
import { Figure } from '../../../components/figure/Figure.tsx';
import { useExplainFigure } from '../../../components/figure/FigureHost.tsx';

type Props = { track: Track; color: string };

/** A month of the habit as a calendar, with what was kept of it, and its target where one is set. */
export function MonthCard({
  track,
  color,
  hasCords,
  onOpen,
}: Props & { hasCords: boolean; onOpen: (day: PlainDay) => void }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { passMark } = useAppSelector(selectSettings);
  const current = monthOfDay(track.today);
  const [month, setMonth] = useState(current);
  const figures = monthFigures(track, month, passMark);
  const { actual, left, rate, ribbon, amount: sum, amountTarget, weeklyAmountTarget } = figures;
  const set = setDaysOf(track, month);
  const unit = track.habit.measure.kind === 'amount' ? track.habit.measure.unit : '';
  const sumWords =
    sum === undefined
      ? null
      : amountTarget === null || amountTarget === undefined
        ? `${amount(sum, unit)} in all`
        : `${amountOf(sum, amountTarget, unit)}${weeklyAmountTarget ? `, about ${amount(readable(weeklyAmountTarget), unit)} a week` : ''}`;
  return (
    <Card label="Month" style={styles.card}>
      <CardHead
        title={monthAndYear(month)}
        aside={
          <View style={styles.arrows}>
            {month === current ? null : (
              <Button kind="bare" onPress={() => setMonth(current)}>
                Now
              </Button>
            )}
            <IconButton icon={ChevronLeft} label="The month before" onPress={() => setMonth(month - 1)} />
            <IconButton icon={ChevronRight} label="The month after" onPress={() => setMonth(month + 1)} />
          </View>
        }
      />
      <MonthCalendar track={track} month={month} color={color} hasCords={hasCords} onOpen={onOpen} />
      <View role="status" aria-label="The month in figures" style={styles.figures}>
        <Figure
          asked={{ figure: 'habitKept', habitId: track.habit.id, span: monthSpan(month) }}
          label={keptWords(figures)}
        >
          <View style={styles.figures}>
            <Words type="section">{percent(rate)}</Words>
            <Words tone="quiet">
              {rate === null ? 'nothing due yet' : `${outOf(figures.kept, figures.asked)} kept`}
            </Words>
          </View>
        </Figure>
        <View style={styles.grow} />
        {ribbon ? (
          <View role="img" aria-label="Ribbon" style={styles.arrows}>
            <Bookmark size={16} color={colors.brass} fill={colors.brass} />
            <Words type="label" tone="brassText">
              ribbon
            </Words>
          </View>
        ) : null}
      </View>
      <ProgressBar ratio={rate ?? 0} color={color} label={keptWords(figures)} heightPx={6} />
      {set === null ? null : (
        <Figure
          asked={{ figure: 'habitTarget', habitId: track.habit.id, kind: 'month', span: monthSpan(month) }}
          label={targetWords(actual, set, left, month < current)}
        >
          <Words type="quiet" tone="quiet">
            {targetWords(actual, set, left, month < current)}
          </Words>
        </Figure>
      )}
      {sumWords === null ? null : (
        <Figure asked={{ figure: 'habitAmount', habitId: track.habit.id, span: monthSpan(month) }} label={sumWords}>
          <Words type="quiet" tone="quiet">
            {sumWords}
          </Words>
        </Figure>
      )}
    </Card>
  );
}

const RUNS_SHOWN = 5;

/** Of a habit that goes by weeks, how many of the last eight and of this year it met. */
function weeksFacts(track: Track): Fact[] {
  const { today, weekStart } = track;
  if (streakUnitOn(track, today) !== 'weeks') return [];
  const last = startOfWeek(today, weekStart) + 6;
  // The running week counts once it is met; until then the eight before it do.
  const isMet = habitWeek(track, { first: last - 6, last }).verdict === 'met';
  const eight = weeksMetIn(track, { first: last + 1 - (isMet ? 8 : 9) * 7, last });
  return [
    ['Last 8 weeks', weeksMetWords(eight)],
    ['This year', weeksMetWords(weeksMetIn(track, yearSpan(yearOfDay(today))))],
  ];
}

/** The streak now, the longest, and every run with its dates, the longest first. */
export function StreakCard({ track }: { track: Track }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const [showsAll, setShowsAll] = useState(false);
  const unit = streakUnitOn(track, track.today);
  const runs = useMemo(
    () => [...runsOf(track, unit)].sort((a, b) => b.length - a.length || b.first - a.first),
    [track, unit],
  );
  const longest = runs[0]?.length ?? 1;
  const words = (run: Run): string =>
    `${streakLength(run.length, unit)}, ${spanInWords(run, track.today)}${run.isAlive ? ', still alive' : ''}`;
  return (
    <Card label="Streak" style={styles.card}>
      <CardHead title="Streak" />
      <Facts facts={[...streakFacts(track), ...weeksFacts(track)]} />
      {runs.length > 1 ? (
        <View role="list" aria-label="All runs" style={styles.runs}>
          {runs.slice(0, showsAll ? undefined : RUNS_SHOWN).map((run) => (
            <View key={run.first} role="listitem" style={styles.run}>
              <Figure asked={{ figure: 'habitRun', habitId: track.habit.id, run }} label={words(run)}>
                <Words type="quiet" tone="quiet">
                  {words(run)}
                </Words>
              </Figure>
              <View
                style={[
                  styles.cord,
                  {
                    width: `${Math.max(3, (run.length / longest) * 100)}%`,
                    backgroundColor: run.isAlive ? colors.brass : colors.rim,
                  },
                ]}
              />
            </View>
          ))}
        </View>
      ) : null}
      {runs.length > RUNS_SHOWN ? (
        <View style={styles.arrows}>
          <Button kind="bare" onPress={() => setShowsAll(!showsAll)}>
            {showsAll ? 'The longest only' : `All ${runs.length} runs`}
          </Button>
        </View>
      ) : null}
    </Card>
  );
}

/** How much of what was due was kept, over the usual spans. */
export function KeptCard({ track, color }: Props) {
  const styles = useStyles();
  const spans = keptSpans(track);
  const rates = [spans.last7, spans.last30, spans.month, spans.year, spans.all].map(
    (span) => keptOver(track, span).rate,
  );
  return (
    <Card label="Kept" style={styles.card}>
      <CardHead title="Kept" aside="of what was due" />
      {keptFacts(track).map(([name, value, asked], index) => (
        <View key={name} style={styles.kept}>
          <View style={styles.keptLine}>
            <Words type="quiet" tone="quiet">
              {name}
            </Words>
            {asked ? (
              <Figure asked={asked} label={`${name}: ${value}`}>
                <Words type="label">{value}</Words>
              </Figure>
            ) : (
              <Words type="label">{value}</Words>
            )}
          </View>
          <ProgressBar ratio={rates[index] ?? 0} color={color} label={`${name}: ${value}`} heightPx={4} />
        </View>
      ))}
    </Card>
  );
}

/** The last 30 days beside the 30 before. */
export function RecentCard({ track, color }: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { done, sum, meanPerDoneDay, change } = last30(track);
  const { measure } = track.habit;
  const before = done - change.done;
  const most = Math.max(1, done, before);
  const isAmount = measure.kind === 'amount';
  const write = (value: number): string => amount(value, isAmount ? measure.unit : '');
  const of = { habitId: track.habit.id, span: keptSpans(track).last30 };
  const facts: Fact[] = [
    ['Done', `${counted(done, 'day')}, ${signed(change.done)}`, { figure: 'habitDone', ...of }],
    ...(isAmount
      ? [['Amount', `${write(sum)}, ${signed(change.sum, write)}`, { figure: 'habitAmount', ...of }] satisfies Fact]
      : []),
    ...(isAmount && meanPerDoneDay !== null
      ? [
          [
            'On a done day',
            `about ${write(readable(meanPerDoneDay))}`,
            { figure: 'habitMean', habitId: track.habit.id },
          ] satisfies Fact,
        ]
      : []),
  ];
  return (
    <Card label="30 days" style={styles.card}>
      <CardHead title="30 days" aside="against the 30 before" />
      <View style={styles.versus}>
        <Words type="small" tone="quiet" style={styles.versusName}>
          Last 30
        </Words>
        <View style={styles.grow}>
          <View style={[styles.versusBar, { width: `${(done / most) * 100}%`, backgroundColor: color }]} />
        </View>
        <Words type="label">{number(done)}</Words>
      </View>
      <View style={styles.versus}>
        <Words type="small" tone="quiet" style={styles.versusName}>
          Before
        </Words>
        <View style={styles.grow}>
          <View style={[styles.versusBar, { width: `${(before / most) * 100}%`, backgroundColor: colors.rim }]} />
        </View>
        <Words type="label" tone="quiet">
          {number(before)}
        </Words>
      </View>
      <Facts facts={facts} />
    </Card>
  );
}

const MONTHS_SHOWN = 12;

/** What each of the last twelve months came to in amount, with its target as a line. */
export function AmountsCard({ track, color }: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { measure } = track.habit;
  const ask = useExplainFigure();
  if (measure.kind !== 'amount') return null;
  const current = monthOfDay(track.today);
  const months = Array.from({ length: MONTHS_SHOWN }, (_, index) => current - MONTHS_SHOWN + 1 + index);
  const sums = months.map((month) => amountBetween(track, monthSpan(month)));
  const targets = months.map((month) => monthTargetOf(track, month).amount);
  const most = Math.max(1e-9, ...sums, ...targets.map((target) => target ?? 0));
  const all = amountBetween(track, { first: track.first, last: track.today });
  return (
    <Card label="Amounts by month" style={styles.card}>
      <CardHead
        title="Amounts by month"
        aside={
          <View style={styles.headFigure}>
            <Figure
              asked={{
                figure: 'habitAmount',
                habitId: track.habit.id,
                span: { first: track.first, last: track.today },
              }}
              label={`${amount(Math.round(all * 100) / 100, measure.unit)} in all`}
            >
              <Words type="quiet" tone="quiet">
                {amount(Math.round(all * 100) / 100, measure.unit)} in all
              </Words>
            </Figure>
          </View>
        }
      />
      <BarsAcross
        label="Amounts of the last twelve months"
        markColor={colors.brass}
        bars={months.map((month, index) => {
          const sum = Math.round(sums[index]! * 1e6) / 1e6;
          const target = targets[index] ?? null;
          const words = target === null ? amount(sum, measure.unit) : amountOf(sum, target, measure.unit);
          return {
            key: String(month),
            label: monthAbbreviation(month).slice(0, 1),
            value: index === MONTHS_SHOWN - 1 || sum === Math.max(...sums) ? compact(sum) : '\u00a0',
            words: `${monthAndYear(month)}: ${words}`,
            ratio: sum / most,
            color,
            mark: target === null ? null : target / most,
            onPress: () => ask({ figure: 'habitAmount', habitId: track.habit.id, span: monthSpan(month) }),
          };
        })}
      />
    </Card>
  );
}

/** Kept of asked by weekday over twelve weeks, for terms that name days. */
export function WeekdaysCard({ track, color }: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const ask = useExplainFigure();
  const byWeekday = keptByWeekday(track);
  const begins = WEEKDAYS.indexOf(track.weekStart);
  const weekdays = WEEKDAYS.map((_, index) => WEEKDAYS[(begins + index) % 7]!);
  if (weekdays.every((each) => byWeekday[each].asked === 0)) return null;
  return (
    <Card label="Weekdays" style={styles.card}>
      <CardHead title="Weekdays" aside="kept, last 12 weeks" />
      <BarsAcross
        label="Kept by weekday"
        markColor={colors.brass}
        bars={weekdays.map((each) => {
          const { kept, asked, rate } = byWeekday[each];
          return {
            key: each,
            label: capital(each).slice(0, 2),
            value: asked === 0 ? '–' : `${kept}/${asked}`,
            words: `${capital(each)}: ${asked === 0 ? 'nothing due' : `${outOf(kept, asked)}, ${percent(rate)}`}`,
            ratio: rate,
            color,
            ...(asked === 0
              ? {}
              : {
                  onPress: () =>
                    ask({
                      figure: 'habitKeptOnWeekday',
                      habitId: track.habit.id,
                      weekday: WEEKDAYS.indexOf(each),
                      span: { first: track.today - 83, last: track.today },
                    }),
                }),
          };
        })}
      />
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  arrows: { flexDirection: 'row', alignItems: 'center' },
  figures: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s },
  headFigure: { paddingVertical: 10, paddingRight: SPACE.s },
  grow: { flex: 1, minWidth: 0 },
  runs: { gap: SPACE.s },
  run: { gap: 3 },
  cord: { height: 4, borderRadius: 2 },
  kept: { gap: 4 },
  keptLine: { flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.s },
  versus: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s },
  versusName: { width: 46 },
  versusBar: { height: 10, borderRadius: 5, minWidth: 2 },
}));
