import type { PlainMonth } from '../calendar/month.ts';
import type { PlainDay, Weekday } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import type { Habit, Schedule } from '../record/records.ts';
import { OUTCOMES, type Outcome, thresholdRatio } from './outcome.ts';
import { type AskKind, PARTS_PER_DAY, askKindOf, namesDay, owedParts } from './schedule.ts';
import { type HeldTerms, termsOn } from './terms.ts';

/** How a day stands to what is asked; the bits of {@link Track.asks}. */
export const ASKED = 1;
/** Bit of a day: scheduled and not rest. */
export const DUE = 2;
/** Bit of a day: eligible for the quota of its week. */
export const OWED_WEEKLY = 4;
/** Bit of a day: eligible for the quota of its month. */
export const OWED_MONTHLY = 8;
/** Bit of a day: terms of so many days a week are in force, whatever the day came to. */
export const FLEXIBLE_WEEKLY = 16;
/** Bit of a day: terms of so many days a month are in force. */
export const FLEXIBLE_MONTHLY = 32;
/** Bit of a day: flexible terms, in the span, outside pauses, rest or not. */
export const PLANNED = 64;
/** Bit of a day: terms of every few days, in the span, outside pauses, asked or not. */
export const INTERVAL = 128;
/** Bits of a day that is eligible for a quota. */
export const OWED = OWED_WEEKLY | OWED_MONTHLY;
/** Bits of a day under flexible terms. */
export const FLEXIBLE = FLEXIBLE_WEEKLY | FLEXIBLE_MONTHLY;

/** Weeks or months in a row, each with its quota. `starts` has one place more: the first day after the last of them. */
export type PeriodColumns = {
  starts: Int32Array;
  /** Days owed, rounded half up. */
  quotas: Int16Array;
  /** Done days on which terms of this kind are in force. */
  dones: Int16Array;
  /** Eligible days still to come, today included while it is open. */
  remainings: Int16Array;
};

/** A running sum of days: as narrow as their number allows, since fifty habits of ten years are much to go through. */
export type Counts = Uint16Array | Int32Array;
/** A running sum of parts of a day. */
export type Parts = Uint32Array | Float64Array;

/**
 * Weeks or months in a row, each with the most of its done days that count as kept. `counts` is a running sum with one
 * place more than `caps`.
 */
export type CappedPeriods = {
  /** The first day of the first week, or the first month. */
  first: number;
  /** What each period asks as a whole, days to come included, rounded up. */
  caps: Uint8Array;
  /** Done days up to today, of each period no more than its cap. */
  counts: Counts;
};

/** Months with target days of their own, in a row from that of the track's first day to that of its horizon. */
export type TargetMonths = {
  first: PlainMonth;
  /** Target days, no more than the month has of the active span; −1 in a month without a target of its own. */
  days: Int8Array;
  /** The plan of each such month in parts of a day (PARTS_PER_DAY). */
  plans: Float64Array;
  /** Running sum of what these months ask, in days; one place more. */
  asks: Float64Array;
};

/** Where terms of every few days stand: the length they run on (0 for none) and the next day they ask. */
export type IntervalCourse = { every: number; next: PlainDay };

/**
 * One habit laid out by day, as of `today`: everything that its figures are read from. A track never changes; a changed
 * entry makes a new one that shares what it can (`trackAfter`).
 *
 * `outcomes`, `asks` and `planSums` run from `first` to `horizon` (the end of the last week of the year of today), the
 * rest to today; all are empty where `first` lies later. Running sums have one more place: `sums[i]` is the sum over the
 * first i days. Columns that a habit has no use for (amounts of a check, needs of fixed terms) are empty or null.
 */
export type Track = {
  habit: Habit;
  terms: HeldTerms[];
  today: PlainDay;
  weekStart: Weekday;
  /** The active span; `last` is null while it has no end. */
  first: PlainDay;
  last: PlainDay | null;
  /** Recorded days after `last`, in order: each is active, but none of the days around it. */
  afterEnd: Int32Array;
  pauses: DaySpan[];
  horizon: PlainDay;
  /** The last day that counts in what was asked: today once it is settled, the day before while it is open. */
  counted: PlainDay;
  outcomes: Uint8Array;
  asks: Uint8Array;
  /**
   * Planned days, rest or not, in parts of a day (PARTS_PER_DAY). Days under an interval count whole here; whoever reads
   * them divides by its length.
   */
  planSums: Parts;
  /** The same without the months that have target days of their own; the same column where there are none. */
  askSums: Parts;
  targets: TargetMonths | null;
  doneSums: Counts;
  /** Days up to today that were asked or planned and marked rest, outside months with a target of their own, in order. */
  rests: Int32Array;
  /** What counts as kept by week, and by month; null where no day goes by it. */
  keptWeeks: CappedPeriods | null;
  keptMonths: CappedPeriods | null;
  /** What is recorded by day, 0 where nothing is. */
  amounts: Float64Array;
  /** Every week and month up to that of today with its quota; null where no terms are of that kind. */
  weeks: PeriodColumns | null;
  months: PeriodColumns | null;
  /** What flexible terms ask of each day: so many days over so many, from `needOf`. */
  needs: Uint16Array;
  /** Where an interval stands after the horizon. */
  course: IntervalCourse;
};

type SpanFrame = Pick<Track, 'terms' | 'first' | 'last' | 'afterEnd' | 'pauses'>;

/** Whether a day lies in the active span. */
export const isActiveOn = (frame: SpanFrame, day: PlainDay): boolean =>
  day >= frame.first && (frame.last === null || day <= frame.last || frame.afterEnd.includes(day));

const isPaused = (frame: SpanFrame, day: PlainDay): boolean =>
  frame.pauses.some((pause) => day >= pause.first && day <= pause.last);

/** What one planned day adds to {@link Track.planSums} under a schedule. */
export const planUnit = (schedule: Schedule, day: PlainDay): number =>
  askKindOf(schedule) === 'days' ? PARTS_PER_DAY : owedParts(schedule, day);

/** What a day adds to {@link Track.planSums}, by the terms alone. */
function plannedParts(frame: SpanFrame, day: PlainDay): number {
  if (!isActiveOn(frame, day) || isPaused(frame, day)) return 0;
  const { schedule } = termsOn(frame.terms, day);
  if (schedule.kind === 'weekdays' && !namesDay(schedule, day)) return 0;
  return planUnit(schedule, day);
}

/**
 * Takes an interval one active day further and says whether that day is asked: the first day of the schedule, then so
 * many days after the last one asked or done. Inactive days are left out by the caller; a paused one asks nothing, and
 * the next day outside the pause is asked instead. Source: "Habits", interval.
 */
export function stepInterval(
  course: IntervalCourse,
  day: PlainDay,
  every: number,
  { isPaused: paused, isDone }: { isPaused: boolean; isDone: boolean },
): boolean {
  if (course.every !== every) {
    course.every = every;
    course.next = day;
  }
  const isAsked = day >= course.next && !paused;
  if (isAsked || isDone) course.next = day + every;
  return isAsked;
}

/** Whether an interval asks a day after the horizon, of which nothing is recorded yet. */
function isIntervalDayBeyond(track: Track, day: PlainDay): boolean {
  const course = { ...track.course };
  let isAsked = false;
  for (let each = track.horizon + 1; each <= day; each++) {
    isAsked = false;
    if (!isActiveOn(track, each)) continue;
    const { schedule } = termsOn(track.terms, each);
    if (schedule.kind !== 'interval') course.every = 0;
    else isAsked = stepInterval(course, each, schedule.every, { isPaused: isPaused(track, each), isDone: false });
  }
  return isAsked;
}

/** The part of a running sum that falls in [first, last]; days outside the sums add nothing. */
export function sumBetween(track: Pick<Track, 'first'>, sums: Counts | Parts, first: PlainDay, last: PlainDay): number {
  const size = sums.length - 1;
  const from = Math.min(size, Math.max(0, first - track.first));
  const to = Math.min(size, Math.max(0, last - track.first + 1));
  return to > from ? sums[to]! - sums[from]! : 0;
}

/** What a day came to; `outside` before the active span and after it. Days after today are blank, paused or outside. */
export function outcomeOn(track: Track, day: PlainDay): Outcome {
  const code = track.outcomes[day - track.first];
  if (code !== undefined) return OUTCOMES[code]!;
  if (!isActiveOn(track, day)) return 'outside';
  return isPaused(track, day) ? 'paused' : 'blank';
}

/** The ask bits of a day up to the horizon; 0 outside the track. */
export const asksOn = (track: Track, day: PlainDay): number => track.asks[day - track.first] ?? 0;

/** Whether the fixed terms in force name the day, in the active span and outside pauses; beyond the horizon too. */
export function isScheduledOn(track: Track, day: PlainDay): boolean {
  if (day <= track.horizon) return (asksOn(track, day) & ASKED) !== 0;
  const { schedule } = termsOn(track.terms, day);
  if (schedule.kind === 'interval') return isIntervalDayBeyond(track, day);
  return askKindOf(schedule) === 'days' && plannedParts(track, day) > 0;
}

/** A day is open if it is today and nothing, or only a part, is recorded for it. */
export function isOpen(track: Track, day: PlainDay): boolean {
  const outcome = day === track.today ? outcomeOn(track, day) : 'outside';
  return outcome === 'blank' || outcome === 'part';
}

/** The unit a streak counts in on a day: that of the terms in force. */
export const streakUnitOn = (track: Track, day: PlainDay): AskKind => askKindOf(termsOn(track.terms, day).schedule);

/** How many days of a span lie in the active span. */
export function activeDaysIn(track: Track, span: DaySpan): number {
  const to = track.last === null ? span.last : Math.min(span.last, track.last);
  let days = Math.max(0, to - Math.max(span.first, track.first) + 1);
  for (const day of track.afterEnd) if (day >= span.first && day <= span.last) days++;
  return days;
}

/** Whether the active span has a day in `span`. */
export const isActiveIn = (track: Track, span: DaySpan): boolean => activeDaysIn(track, span) > 0;

/** How many days of a span are done, extra days and those to come included where they are recorded. */
export const doneBetween = (track: Track, span: DaySpan): number =>
  sumBetween(track, track.doneSums, span.first, span.last);

/** Sum of every recorded amount, whatever the days came to, in the habit's unit. */
export function amountBetween(track: Track, span: DaySpan): number {
  const { amounts, first } = track;
  const to = Math.min(amounts.length - 1, span.last - first);
  let sum = 0;
  for (let i = Math.max(0, span.first - first); i <= to; i++) sum += amounts[i]!;
  return sum;
}

/** The stretches of a span by the terms in force on them, in order; before the first terms the first hold. */
export function eachTerms(
  track: Track,
  span: DaySpan,
  visit: (terms: HeldTerms, first: PlainDay, last: PlainDay) => void,
): void {
  const { terms } = track;
  if (terms.length === 1) {
    if (span.first <= span.last) visit(terms[0]!, span.first, span.last);
    return;
  }
  for (let index = 0; index < terms.length; index++) {
    const first = index === 0 ? span.first : Math.max(span.first, terms[index]!.from);
    const last = index + 1 < terms.length ? Math.min(span.last, terms[index + 1]!.from - 1) : span.last;
    if (first <= last) visit(terms[index]!, first, last);
  }
}

/** Pips that the done days of a span earn, each by the terms in force on it. */
export function pipsBetween(track: Track, span: DaySpan): number {
  let sum = 0;
  eachTerms(track, span, ({ pips }, first, last) => {
    if (pips !== 0) sum += pips * doneBetween(track, { first, last });
  });
  return sum;
}

/**
 * The days that a habit plans over a run of days, rest or not: those of an interval in days, all others in parts of a day
 * (PARTS_PER_DAY). Beyond the horizon too.
 */
export function plannedBetween(track: Track, span: DaySpan): { parts: number; intervalDays: number } {
  const planned = { parts: 0, intervalDays: 0 };
  eachTerms(track, span, ({ schedule }, first, last) => {
    let parts = sumBetween(track, track.planSums, first, Math.min(last, track.horizon));
    for (let day = Math.max(first, track.horizon + 1); day <= last; day++) parts += plannedParts(track, day);
    if (schedule.kind === 'interval') planned.intervalDays += parts / PARTS_PER_DAY / schedule.every;
    else planned.parts += parts;
  });
  return planned;
}

/** How full a day's peg is by its amount, 0–1, under the terms in force. */
export const fillRatio = (track: Track, day: PlainDay, amount: number | null): number =>
  thresholdRatio(termsOn(track.terms, day), amount);

/** Whether two tracks are active on the same days. */
export const hasSameActiveDays = (a: Track, b: Track): boolean =>
  a.first === b.first && a.last === b.last && a.afterEnd.join() === b.afterEnd.join();
