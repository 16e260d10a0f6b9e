import { monthOfDay, monthSpan } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import { type DaySpan, daysIn } from '../calendar/span.ts';
import { weekSpan } from '../calendar/week.ts';
import { askedBetween, wholeAsked } from '../habit/asked.ts';
import { isDueByCalendar, keptOver } from '../habit/kept.ts';
import { countedDone } from '../habit/keptPeriods.ts';
import { type LogSpan, logTarget } from '../habit/logSpan.ts';
import { type PeriodKind, periodOf, quotaSeenOn, quotaStanding } from '../habit/periods.ts';
import { type Run, runDaysIn } from '../habit/streak.ts';
import { eachTargetStretch, setDaysOf } from '../habit/targetMonths.ts';
import { planOf } from '../habit/targets.ts';
import {
  FLEXIBLE_MONTHLY,
  FLEXIBLE_WEEKLY,
  OWED,
  PLANNED,
  type Track,
  amountBetween,
  asksOn,
  doneBetween,
  eachTerms,
  outcomeOn,
  streakUnitOn,
} from '../habit/track.ts';
import { last30 } from '../habit/recent.ts';
import { tidySum } from '../number/exact.ts';
import {
  type Adjustment,
  type Breakdown,
  type BreakdownPart,
  chunksOf,
  cutInto,
  sumOf,
  withoutNothing,
} from './breakdown.ts';

const ofDays = (span: DaySpan, ...numbers: number[]): BreakdownPart => ({ of: { kind: 'days', span }, numbers });

const adjusted = (...all: (Adjustment | false)[]): Adjustment[] =>
  all.filter((each): each is Adjustment => each !== false && Math.abs(each.by) > 1e-9);

/** The part of a span in which a habit can have figures: from its first day to today. */
const known = (track: Track, { first, last }: DaySpan): DaySpan => ({
  first: Math.max(first, track.first),
  last: Math.min(last, track.today),
});

/** Whether what a habit asks of a span is known by day: by named days alone, without targets of whole months. */
function isByDay(track: Track, span: DaySpan): boolean {
  let named = true;
  eachTerms(track, span, ({ schedule }) => (named &&= schedule.kind === 'daily' || schedule.kind === 'weekdays'));
  eachTargetStretch(track, span, (_first, _last, isSet) => (named &&= !isSet));
  return named;
}

/**
 * What was kept of what was asked of a habit over a span, by its days, weeks, months or years. Each part gives the done days
 * that count, those that do not (`beyond`), and the whole days asked. The adjustments are the difference between the sums of
 * the parts and the figures of the whole span.
 */
export function keptOfHabit(track: Track, span: DaySpan): Breakdown {
  const { kept, asked } = keptOver(track, span);
  const days = known(track, span);
  const chunks = chunksOf(days, track.weekStart);
  const byDay = chunks.every(({ first, last }) => first === last);
  const parts = (byDay && !isByDay(track, days) ? cutInto(days, (day) => weekSpan(day, track.weekStart)) : chunks).map(
    (chunk): BreakdownPart => {
      const done = doneBetween(track, chunk);
      const counted = chunk.first === chunk.last ? done : countedDone(track, chunk);
      const part = ofDays(chunk, counted, wholeAsked(askedBetween(track, chunk)));
      return done > counted ? { ...part, beyond: done - counted } : part;
    },
  );
  const sum = (column: number): number => parts.reduce((all, { numbers }) => all + numbers[column]!, 0);
  return {
    how: 'sum',
    columns: ['done', 'asked'],
    parts: withoutNothing(parts),
    adjustments: adjusted(
      { column: 1, by: asked - sum(1), why: 'rounded' },
      { column: 0, by: kept - sum(0), why: 'moreThanAsked' },
    ),
    total: [kept, asked],
    beyond: doneBetween(track, span) - kept,
  };
}

/**
 * The quota of the week or month that a day lies in, as seen at its end, and the days done in it one by one. Of today as
 * of now: what was decided on it counts.
 */
export function quotaOfHabit(track: Track, kind: PeriodKind, day: PlainDay): Breakdown {
  const { period, quota, done } =
    day === track.today ? quotaStanding(track, kind, periodOf(track, kind, day)) : quotaSeenOn(track, kind, day);
  const parts: BreakdownPart[] = [];
  let eligible = 0;
  for (let each = Math.max(period.first, track.first); each <= period.last; each++) {
    const ask = asksOn(track, each);
    if ((ask & (kind === 'weeks' ? FLEXIBLE_WEEKLY : FLEXIBLE_MONTHLY)) === 0) continue;
    if (each <= day && outcomeOn(track, each) === 'done') parts.push(ofDays({ first: each, last: each }, 1, 0));
    if (each <= day ? (ask & OWED) !== 0 : (ask & PLANNED) !== 0) eligible++;
  }
  parts.push({ of: { kind: 'quota', period: kind, eligible, length: daysIn(period) }, numbers: [0, quota] });
  return sumOf(['done', 'asked'], parts, [done, quota]);
}

/**
 * Done days of a habit over a span of the log against its target: a quarter and a year by their months, the others by days
 * or weeks, each with what is planned for it.
 */
export function againstTarget(track: Track, kind: LogSpan, span: DaySpan): Breakdown {
  const target = logTarget(track, kind, span).days;
  const isByMonth = kind === 'quarter' || kind === 'year';
  const chunks = isByMonth ? cutInto(span, (day) => monthSpan(monthOfDay(day))) : chunksOf(span, track.weekStart);
  const parts = chunks.map((chunk) => {
    const set = isByMonth ? setDaysOf(track, monthOfDay(chunk.first)) : null;
    return ofDays(chunk, doneBetween(track, chunk), set ?? planOf(track, chunk));
  });
  const planned = parts.reduce((sum, { numbers }) => sum + numbers[1]!, 0);
  const isSet = isSetWhole(track, kind, span);
  return {
    how: 'sum',
    columns: ['done', 'planned'],
    parts: withoutNothing(parts),
    adjustments: adjusted({ column: 1, by: target - planned, why: isSet ? 'set' : 'rounded' }),
    total: [doneBetween(track, span), target],
  };
}

/** Done days of a habit over any days against what is planned for them. */
export function againstPlan(track: Track, span: DaySpan): Breakdown {
  const planned = planOf(track, span);
  const parts = chunksOf(span, track.weekStart).map((chunk) =>
    ofDays(chunk, doneBetween(track, chunk), planOf(track, chunk)),
  );
  const sum = parts.reduce((all, { numbers }) => all + numbers[1]!, 0);
  return {
    how: 'sum',
    columns: ['done', 'planned'],
    parts: withoutNothing(parts),
    adjustments: adjusted({ column: 1, by: planned - sum, why: 'rounded' }),
    total: [doneBetween(track, span), planned],
  };
}

/** Whether the target of a month or year as a whole was set by the person. */
function isSetWhole(track: Track, kind: LogSpan, span: DaySpan): boolean {
  const month = monthOfDay(span.first);
  if (kind === 'month') return setDaysOf(track, month) !== null;
  return (
    kind === 'year' && track.habit.yearTargets?.[String(Math.floor(month / 12)).padStart(4, '0')]?.days !== undefined
  );
}

/** A run by its days (weeks, months, years of days), or by its weeks or months. */
export function runOfHabit(track: Track, run: Run, unit = streakUnitOn(track, track.today)): Breakdown {
  const columns = track[unit === 'days' ? 'weeks' : unit];
  if (unit === 'days' || columns === null) {
    const parts = chunksOf(run, track.weekStart).map((chunk) => ofDays(chunk, runDaysIn(track, chunk)));
    return sumOf(['days'], withoutNothing(parts), [run.length]);
  }
  const parts: BreakdownPart[] = [];
  for (let i = 0; i < columns.quotas.length; i++) {
    const span = { first: columns.starts[i]!, last: columns.starts[i + 1]! - 1 };
    if (columns.quotas[i]! === 0 || span.first < run.first || span.first > run.last) continue;
    parts.push(ofDays(span, 1));
  }
  return sumOf([unit], parts, [run.length]);
}

/** Everything recorded of an amount habit over a span. */
export const amountsOfHabit = (track: Track, span: DaySpan): Breakdown =>
  sumOf(
    ['amount'],
    withoutNothing(
      chunksOf(known(track, span), track.weekStart).map((chunk) => ofDays(chunk, tidySum(amountBetween(track, chunk)))),
    ),
    [tidySum(amountBetween(track, span))],
  );

/** Done days of a habit over a span, extra days included. */
export const doneOfHabit = (track: Track, span: DaySpan): Breakdown =>
  sumOf(
    ['done'],
    withoutNothing(
      chunksOf(known(track, span), track.weekStart).map((chunk) => ofDays(chunk, doneBetween(track, chunk))),
    ),
    [doneBetween(track, span)],
  );

/** What a done day of the last 30 brought on the mean; null without one. */
export function meanOfDoneDays(track: Track): Breakdown | null {
  const { done, meanPerDoneDay } = last30(track);
  if (meanPerDoneDay === null) return null;
  let sum = 0;
  for (let day = Math.max(track.first, track.today - 29); day <= track.today; day++)
    if (outcomeOn(track, day) === 'done') sum += track.amounts[day - track.first] ?? 0;
  return {
    how: 'ratio',
    columns: ['amount'],
    parts: [
      { of: { kind: 'amountOfDoneDays' }, numbers: [tidySum(sum)] },
      { of: { kind: 'doneDays' }, numbers: [done] },
    ],
    adjustments: [],
    total: [meanPerDoneDay],
  };
}

/** Due days of daily and weekday terms on one weekday of a span, and those of them done, date by date. */
export function keptOnWeekday(track: Track, span: DaySpan, weekday: number): Breakdown {
  const { first, last } = known(track, span);
  const parts: BreakdownPart[] = [];
  // Day 0 was a Thursday, the weekday 3 from Monday.
  for (let day = first + ((((weekday - 3 - first) % 7) + 7) % 7); day <= last; day += 7) {
    if (day > track.counted || !isDueByCalendar(track, day)) continue;
    parts.push(ofDays({ first: day, last: day }, outcomeOn(track, day) === 'done' ? 1 : 0, 1));
  }
  const sum = (column: number): number => parts.reduce((all, { numbers }) => all + numbers[column]!, 0);
  return sumOf(['done', 'asked'], parts, [sum(0), sum(1)]);
}
