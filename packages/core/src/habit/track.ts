import type { PlainDay, Weekday } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import type { Habit } from '../record/records.ts';
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
 * One habit laid out by day, as of `today`: everything that its figures are read from. A track never changes; a changed
 * entry makes a new one that shares what it can (`trackAfter`).
 *
 * `outcomes`, `asks` and `planSums` run from `first` to `horizon` (the end of the last week of the year of today), the
 * rest to today; all are empty where `first` lies later. Running sums have one more place: `sums[i]` is the sum over the
 * first i days. Columns that a habit has no use for (amounts of a check, what is kept of flexible terms) are empty.
 */
export type Track = {
  habit: Habit;
  terms: HeldTerms[];
  today: PlainDay;
  weekStart: Weekday;
  /** The active span; `last` is null while it has no end. */
  first: PlainDay;
  last: PlainDay | null;
  pauses: DaySpan[];
  horizon: PlainDay;
  /** The last day that counts in what was asked: today once it is settled, the day before while it is open. */
  counted: PlainDay;
  outcomes: Uint8Array;
  asks: Uint8Array;
  /** Scheduled and flexible days, rest or not, in parts of a day (PARTS_PER_DAY). */
  planSums: Parts;
  doneSums: Counts;
  /** Due days of fixed terms that are done. */
  keptSums: Counts;
  /** Days up to today that were planned and marked rest, in order. */
  rests: Int32Array;
  /** What is recorded by day, 0 where nothing is. */
  amounts: Float64Array;
  /** Every week and month up to that of today with its quota; null where no terms are of that kind. */
  weeks: PeriodColumns | null;
  months: PeriodColumns | null;
  /** What flexible terms ask of each day: so many days over so many, told by `needOf`. */
  needs: Uint16Array;
};

type SpanFrame = Pick<Track, 'terms' | 'first' | 'last' | 'pauses'>;

const isActive = (frame: SpanFrame, day: PlainDay): boolean =>
  day >= frame.first && (frame.last === null || day <= frame.last);

const isPaused = (frame: SpanFrame, day: PlainDay): boolean =>
  frame.pauses.some((pause) => day >= pause.first && day <= pause.last);

/** What a day adds to the plan, in parts of a day, by the terms alone. */
function plannedParts(frame: SpanFrame, day: PlainDay): number {
  if (!isActive(frame, day) || isPaused(frame, day)) return 0;
  const terms = termsOn(frame.terms, day);
  return namesDay(terms.schedule, terms.from, day) ? PARTS_PER_DAY : owedParts(terms.schedule, day);
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
  if (!isActive(track, day)) return 'outside';
  return isPaused(track, day) ? 'paused' : 'blank';
}

/** The ask bits of a day up to the horizon; 0 outside the track. */
export const asksOn = (track: Track, day: PlainDay): number => track.asks[day - track.first] ?? 0;

/** Whether the fixed terms in force name the day, in the active span and outside pauses; beyond the horizon too. */
export const isScheduledOn = (track: Track, day: PlainDay): boolean =>
  day <= track.horizon
    ? (asksOn(track, day) & ASKED) !== 0
    : plannedParts(track, day) > 0 && askKindOf(termsOn(track.terms, day).schedule) === 'days';

/** A day is open if it is today and nothing, or only a part, is recorded for it. */
export function isOpen(track: Track, day: PlainDay): boolean {
  const outcome = day === track.today ? outcomeOn(track, day) : 'outside';
  return outcome === 'blank' || outcome === 'part';
}

/** The unit a streak counts in on a day: that of the terms in force. */
export const streakUnitOn = (track: Track, day: PlainDay): AskKind => askKindOf(termsOn(track.terms, day).schedule);

/** Whether the active span has a day in `span`. */
export const isActiveIn = (track: Track, span: DaySpan): boolean =>
  span.last >= track.first && (track.last === null || span.first <= track.last) && span.first <= span.last;

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
  for (let index = 0; index < terms.length; index++) {
    const first = index === 0 ? span.first : Math.max(span.first, terms[index]!.from);
    const last = index + 1 < terms.length ? Math.min(span.last, terms[index + 1]!.from - 1) : span.last;
    if (first <= last) visit(terms[index]!, first, last);
  }
}

/** Done days on which flexible terms are in force. */
export function flexibleDoneBetween(track: Track, span: DaySpan): number {
  let done = 0;
  eachTerms(track, span, ({ schedule }, first, last) => {
    if (askKindOf(schedule) !== 'days') done += doneBetween(track, { first, last });
  });
  return done;
}

/** Pips that the done days of a span earn, each by the terms in force on it. */
export function pipsBetween(track: Track, span: DaySpan): number {
  let sum = 0;
  eachTerms(track, span, ({ pips }, first, last) => {
    if (pips !== 0) sum += pips * doneBetween(track, { first, last });
  });
  return sum;
}

/** What the days marked rest would have added to the plan of [first, last], in parts of a day. */
function restParts(track: Track, first: PlainDay, last: PlainDay): number {
  const { rests, planSums } = track;
  let parts = 0;
  for (let i = 0; i < rests.length && rests[i]! <= last; i++) {
    const at = rests[i]! - track.first;
    if (rests[i]! >= first) parts += planSums[at + 1]! - planSums[at]!;
  }
  return parts;
}

/**
 * What a span has asked up to the last day that counts: due days of fixed terms, and what the eligible days of flexible
 * ones owe, in parts of a day.
 */
export function askedBetween(track: Track, span: DaySpan): { due: number; owed: number } {
  let [due, owed] = [0, 0];
  eachTerms(track, { first: span.first, last: Math.min(span.last, track.counted) }, ({ schedule }, first, last) => {
    const parts = sumBetween(track, track.planSums, first, last) - restParts(track, first, last);
    if (askKindOf(schedule) === 'days') due += parts / PARTS_PER_DAY;
    else owed += parts;
  });
  return { due, owed };
}

/** Due days of fixed terms up to the last day that counts that were done. */
export const keptBetween = (track: Track, span: DaySpan): number =>
  sumBetween(track, track.keptSums, span.first, span.last);

/** The plan of a run of days in parts of a day, also beyond the horizon. */
export function planPartsBetween(track: Track, span: DaySpan): number {
  let parts = sumBetween(track, track.planSums, span.first, Math.min(span.last, track.horizon));
  for (let day = Math.max(span.first, track.horizon + 1); day <= span.last; day++) parts += plannedParts(track, day);
  return parts;
}

/** How full a day's peg is by its amount, 0–1, under the terms in force. */
export const fillRatio = (track: Track, day: PlainDay, amount: number | null): number =>
  thresholdRatio(termsOn(track.terms, day), amount);
