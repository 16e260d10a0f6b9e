import { type PlainMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { keptOver } from '../habit/kept.ts';
import { type LogSpan, logTarget } from '../habit/logSpan.ts';
import { OUTCOMES } from '../habit/outcome.ts';
import { type PeriodKind, periodOf, quotaSeenOn, quotaStanding } from '../habit/periods.ts';
import { PARTS_PER_DAY } from '../habit/schedule.ts';
import type { Run } from '../habit/streak.ts';
import { planOf, setTargetOf } from '../habit/targets.ts';
import {
  DUE,
  FLEXIBLE_MONTHLY,
  FLEXIBLE_WEEKLY,
  OWED,
  PLANNED,
  type Track,
  amountBetween,
  askedBetween,
  asksOn,
  doneBetween,
  flexibleDoneBetween,
  isActiveIn,
  keptBetween,
  outcomeOn,
  planPartsBetween,
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

/** What was kept of what was asked of a habit over a span, by its days, weeks, months or years. */
export function keptOfHabit(track: Track, span: DaySpan): Breakdown {
  const { kept, asked } = keptOver(track, span);
  const parts = chunksOf(known(track, span), track.weekStart).map((chunk) => {
    const { due, owed } = askedBetween(track, chunk);
    return ofDays(chunk, keptBetween(track, chunk) + flexibleDoneBetween(track, chunk), due + owed / PARTS_PER_DAY);
  });
  const { due, owed } = askedBetween(track, span);
  const done = keptBetween(track, span) + flexibleDoneBetween(track, span);
  return {
    how: 'sum',
    columns: ['done', 'asked'],
    parts: withoutNothing(parts),
    adjustments: adjusted(
      { column: 1, by: asked - due - owed / PARTS_PER_DAY, why: 'rounded' },
      { column: 0, by: kept - done, why: 'moreThanAsked' },
    ),
    total: [kept, asked],
  };
}

/**
 * The quota of the week or month that a day lies in, as seen at its end, and the days done in it, by days or weeks. Of
 * today as of now: what was decided on it counts.
 */
export function quotaOfHabit(track: Track, kind: PeriodKind, day: PlainDay): Breakdown {
  const { period, quota, done } =
    day === track.today ? quotaStanding(track, kind, periodOf(track, kind, day)) : quotaSeenOn(track, kind, day);
  const parts = chunksOf({ first: Math.max(period.first, track.first), last: period.last }, track.weekStart).map(
    (chunk) => {
      let [own, owed] = [0, 0];
      for (let each = chunk.first; each <= chunk.last; each++) {
        const ask = asksOn(track, each);
        const isOfKind = (ask & (kind === 'weeks' ? FLEXIBLE_WEEKLY : FLEXIBLE_MONTHLY)) !== 0;
        if (isOfKind && each <= day && outcomeOn(track, each) === 'done') own++;
        const counts = each <= day ? (ask & OWED) !== 0 : (ask & PLANNED) !== 0;
        if (isOfKind && counts) owed += planPartsBetween(track, { first: each, last: each });
      }
      return ofDays(chunk, own, owed / PARTS_PER_DAY);
    },
  );
  const owed = parts.reduce((sum, { numbers }) => sum + numbers[1]!, 0);
  return {
    how: 'sum',
    columns: ['done', 'asked'],
    parts: withoutNothing(parts),
    adjustments: adjusted({ column: 1, by: quota - owed, why: 'rounded' }),
    total: [done, quota],
  };
}

/** Months whose target days were set by the person, in a span. */
const setDaysIn = (track: Track, month: PlainMonth): number | null =>
  isActiveIn(track, monthSpan(month)) ? (setTargetOf(track.habit, month)?.days ?? null) : null;

/**
 * Done days of a habit over a span of the log against its target: a quarter and a year by their months, the others by days
 * or weeks, each with what is planned for it.
 */
export function againstTarget(track: Track, kind: LogSpan, span: DaySpan): Breakdown {
  const target = logTarget(track, kind, span).days;
  const isByMonth = kind === 'quarter' || kind === 'year';
  const chunks = isByMonth ? cutInto(span, (day) => monthSpan(monthOfDay(day))) : chunksOf(span, track.weekStart);
  const parts = chunks.map((chunk) => {
    const set = isByMonth ? setDaysIn(track, monthOfDay(chunk.first)) : null;
    return ofDays(chunk, doneBetween(track, chunk), set ?? planPartsBetween(track, chunk) / PARTS_PER_DAY);
  });
  const planned = parts.reduce((sum, { numbers }) => sum + numbers[1]!, 0);
  const isSet = Math.abs(target - planned) > 0.5 + 1e-9 || isSetWhole(track, kind, span);
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
    ofDays(chunk, doneBetween(track, chunk), planPartsBetween(track, chunk) / PARTS_PER_DAY),
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
  if (kind === 'month') return setDaysIn(track, month) !== null;
  return (
    kind === 'year' && track.habit.yearTargets?.[String(Math.floor(month / 12)).padStart(4, '0')]?.days !== undefined
  );
}

/** A run by its days (weeks, months, years of days), or by its weeks or months. */
export function runOfHabit(track: Track, run: Run, unit = streakUnitOn(track, track.today)): Breakdown {
  const columns = track[unit === 'days' ? 'weeks' : unit];
  if (unit === 'days' || columns === null) {
    const parts = chunksOf(run, track.weekStart).map((chunk) => ofDays(chunk, keptDueDays(track, chunk)));
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

const DONE = OUTCOMES.indexOf('done');

/** Due days that were done, an open today aside. */
function keptDueDays(track: Track, span: DaySpan): number {
  let days = 0;
  for (let day = span.first; day <= span.last; day++)
    if (track.outcomes[day - track.first] === DONE && (asksOn(track, day) & DUE) !== 0) days++;
  return days;
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

/** What a habit kept of what was asked on one weekday of a span, date by date. */
export function keptOnWeekday(track: Track, span: DaySpan, weekday: number): Breakdown {
  const { first, last } = known(track, span);
  const parts: BreakdownPart[] = [];
  // Day 0 was a Thursday, the weekday 3 from Monday.
  for (let day = first + ((((weekday - 3 - first) % 7) + 7) % 7); day <= last; day += 7) {
    const one = { first: day, last: day };
    const { due } = askedBetween(track, one);
    if (due > 0) parts.push(ofDays(one, keptBetween(track, one), due));
  }
  const sum = (column: number): number => parts.reduce((all, { numbers }) => all + numbers[column]!, 0);
  return sumOf(['done', 'asked'], parts, [sum(0), sum(1)]);
}
