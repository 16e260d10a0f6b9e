import { monthOfDay, monthSpan } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { weekSpan } from '../calendar/week.ts';
import { roundRatio } from '../number/exact.ts';
import { OUTCOMES } from './outcome.ts';
import { PARTS_PER_DAY } from './schedule.ts';
import {
  FLEXIBLE_MONTHLY,
  FLEXIBLE_WEEKLY,
  OWED_MONTHLY,
  OWED_WEEKLY,
  PLANNED,
  type PeriodColumns,
  type Track,
  isOpen,
} from './track.ts';

const DONE = OUTCOMES.indexOf('done');

/** What a quota is given for. */
export type PeriodKind = 'weeks' | 'months';

/**
 * Parts of one in which needs are counted, so that what several habits ask of a day adds up in whole numbers: the least
 * common multiple of 1 to 31, since a need is some days over at most 31 days.
 */
export const PARTS_PER_NEED = 72201776446800;

/** A need of so many days over so many left (both up to 31), as one number; {@link needOf} tells it. */
const needCode = (wanted: number, left: number): number => wanted * 32 + left;

/** What every code comes to: the whole of a day where no fewer days are left than wanted. */
const NEEDS = Float64Array.from({ length: 1024 }, (_, code) => {
  const [wanted, left] = [Math.floor(code / 32), code % 32];
  if (wanted === 0 || left === 0) return 0;
  return wanted >= left ? PARTS_PER_NEED : wanted * (PARTS_PER_NEED / left);
});

/** A day's need in PARTS_PER_NEED, from its code in {@link Track.needs}. */
export const needOf = (code: number): number => NEEDS[code]!;

/** The period of a kind that a day lies in. */
export const periodOf = (track: Pick<Track, 'weekStart'>, kind: PeriodKind, day: PlainDay): DaySpan =>
  kind === 'weeks' ? weekSpan(day, track.weekStart) : monthSpan(monthOfDay(day));

/** The ask bits that tell a kind: its terms are in force; the day counts for its quota. */
const bitsOf = (kind: PeriodKind): { flexible: number; owed: number } =>
  kind === 'weeks'
    ? { flexible: FLEXIBLE_WEEKLY, owed: OWED_WEEKLY }
    : { flexible: FLEXIBLE_MONTHLY, owed: OWED_MONTHLY };

/** What a period owes and has, counted over its days that the track has laid out. */
function countPeriod(track: Track, kind: PeriodKind, period: DaySpan) {
  const { first, today, asks, outcomes, planSums } = track;
  const { flexible, owed } = bitsOf(kind);
  const to = Math.min(period.last - first, asks.length - 1);
  let [parts, done, remaining] = [0, 0, 0];
  for (let i = Math.max(0, period.first - first); i <= to; i++) {
    const ask = asks[i]!;
    if ((ask & flexible) === 0) continue;
    if (outcomes[i] === DONE) done++;
    if ((ask & owed) === 0) continue;
    parts += planSums[i + 1]! - planSums[i]!;
    if (first + i > today || isOpen(track, first + i)) remaining++;
  }
  return { quota: roundRatio(parts, PARTS_PER_DAY), done, remaining };
}

/** How a period of a flexible habit stands. */
export type QuotaStanding = {
  period: DaySpan;
  /** Days owed by the period, rounded half up. */
  quota: number;
  /** Done days on which terms of this kind are in force. */
  done: number;
  /** Eligible days still to come, today included while it is open. */
  remaining: number;
};

/**
 * Quota, done days and days remaining of one week or month, as of the track's today. A habit that starts mid-period owes
 * its share; a rest day lowers what is owed only when the rounding says so. A period without eligible days has the quota 0.
 */
export const quotaStanding = (track: Track, kind: PeriodKind, period: DaySpan): QuotaStanding => ({
  period,
  ...countPeriod(track, kind, period),
});

/**
 * The same as seen at the end of a day of the period: what was recorded for later days is not there yet, and rest marked
 * on them does not reach back. `remaining` are the eligible days after it; `done` holds the day itself.
 */
export function quotaSeenOn(track: Track, kind: PeriodKind, day: PlainDay): QuotaStanding {
  const { first, asks, outcomes, planSums } = track;
  const { flexible, owed } = bitsOf(kind);
  const period = periodOf(track, kind, day);
  const to = Math.min(period.last - first, asks.length - 1);
  let [parts, done, remaining] = [0, 0, 0];
  for (let i = Math.max(0, period.first - first); i <= to; i++) {
    const ask = asks[i]!;
    if ((ask & flexible) === 0) continue;
    const isLater = first + i > day;
    if (!isLater && outcomes[i] === DONE) done++;
    if (isLater ? (ask & PLANNED) === 0 : (ask & owed) === 0) continue;
    parts += planSums[i + 1]! - planSums[i]!;
    if (isLater) remaining++;
  }
  return { period, quota: roundRatio(parts, PARTS_PER_DAY), done, remaining };
}

/**
 * Counts a period, and what each of its days up to today asks, as seen on it: what the quota leaves over the eligible days
 * from it on, 0 to 1. Source: "Day score".
 */
function layPeriod(track: Track, kind: PeriodKind, index: number, columns: PeriodColumns): void {
  const { first, today, asks, outcomes, planSums, needs } = track;
  const { flexible, owed } = bitsOf(kind);
  const from = Math.max(0, columns.starts[index]! - first);
  const to = Math.min(columns.starts[index + 1]! - 1 - first, asks.length - 1);
  let [parts, left, rest] = [0, 0, 0];
  for (let i = from; i <= to; i++) {
    if ((asks[i]! & flexible) === 0 || (asks[i]! & PLANNED) === 0) continue;
    const own = planSums[i + 1]! - planSums[i]!;
    parts += own;
    left++;
    if ((asks[i]! & owed) === 0) rest += own;
  }
  const quota = roundRatio(parts - rest, PARTS_PER_DAY);
  let seen = roundRatio(parts, PARTS_PER_DAY);
  let [done, remaining] = [0, 0];
  for (let i = from; i <= to; i++) {
    const ask = asks[i]!;
    if ((ask & flexible) === 0) continue;
    const isPlanned = (ask & PLANNED) !== 0;
    const isOwed = (ask & owed) !== 0;
    if (isPlanned && !isOwed) {
      parts -= planSums[i + 1]! - planSums[i]!;
      seen = roundRatio(parts, PARTS_PER_DAY);
    }
    if (i < needs.length) needs[i] = isOwed ? needCode(Math.max(0, seen - done), left) : 0;
    if (isPlanned) left--;
    if (outcomes[i] === DONE) done++;
    if (isOwed && first + i >= today && (first + i > today || isOpen(track, today))) remaining++;
  }
  columns.quotas[index] = quota;
  columns.dones[index] = done;
  columns.remainings[index] = remaining;
}

/** Every week or month from the track's first day to the one of today, and the needs of their days. */
export function layPeriods(track: Track, kind: PeriodKind): PeriodColumns {
  const starts: PlainDay[] = [];
  let start = periodOf(track, kind, track.first).first;
  for (; start <= track.today; start = periodOf(track, kind, start).last + 1) starts.push(start);
  const columns: PeriodColumns = {
    starts: Int32Array.from([...starts, start]),
    quotas: new Int16Array(starts.length),
    dones: new Int16Array(starts.length),
    remainings: new Int16Array(starts.length),
  };
  for (let index = 0; index < starts.length; index++) layPeriod(track, kind, index, columns);
  return columns;
}

/** The place of the period that a day lies in; −1 before the first. */
export function periodIndexOf({ starts }: PeriodColumns, day: PlainDay): number {
  let [low, high] = [0, starts.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (starts[middle]! <= day) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/** The same columns after the record of some days changed: only the periods of those days are counted again. */
export function layPeriodsAgain(
  track: Track,
  kind: PeriodKind,
  before: PeriodColumns,
  days: readonly PlainDay[],
): PeriodColumns {
  const columns: PeriodColumns = {
    starts: before.starts,
    quotas: before.quotas.slice(),
    dones: before.dones.slice(),
    remainings: before.remainings.slice(),
  };
  for (const index of new Set(days.map((day) => periodIndexOf(before, day)))) layPeriod(track, kind, index, columns);
  return columns;
}

/** Every week (or month) from the habit's first day to the one of today, in order; empty where no terms are of that kind. */
export function quotaHistory(track: Track, kind: PeriodKind): QuotaStanding[] {
  const columns = track[kind];
  if (columns === null) return [];
  return Array.from(columns.quotas, (quota, index) => ({
    period: { first: columns.starts[index]!, last: columns.starts[index + 1]! - 1 },
    quota,
    done: columns.dones[index]!,
    remaining: columns.remainings[index]!,
  }));
}

/**
 * What a habit asks of a day, 0–1, as seen on it: 1 where it can no longer wait, 0 where its quota is met, of fixed terms
 * and after today, too.
 */
export const needOn = (track: Track, day: PlainDay): number =>
  needOf(track.needs[day - track.first] ?? 0) / PARTS_PER_NEED;

/** Whether what a period owes is done, can still be done, or can no longer be. */
export type QuotaVerdict = 'met' | 'open' | 'lost';

/** Of a past period there are no days left, so it is met or lost. */
export function quotaVerdict({ quota, done, remaining }: Omit<QuotaStanding, 'period'>): QuotaVerdict {
  if (done >= quota) return 'met';
  return quota - done <= remaining ? 'open' : 'lost';
}
