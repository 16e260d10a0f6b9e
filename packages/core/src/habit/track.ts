import type { PlainDay, Weekday } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import type { Habit } from '../record/records.ts';
import { OUTCOMES, type Outcome, thresholdRatio } from './outcome.ts';
import { type AskKind, PARTS_PER_DAY, askKindOf, namesDay, owedParts } from './schedule.ts';
import { type HeldTerms, termsOn } from './terms.ts';

/** How a day stands to what is asked; the bits of {@link Track.asks}. */
export const ASKED = 1; // scheduled: the fixed terms in force name it, in the span, outside pauses
export const DUE = 2; // scheduled and not rest
export const OWED_WEEKLY = 4; // eligible for the quota of its week
export const OWED_MONTHLY = 8; // eligible for the quota of its month
export const FLEXIBLE_WEEKLY = 16; // terms of so many days a week are in force, whatever the day came to
export const FLEXIBLE_MONTHLY = 32; // the same of a month
export const PLANNED = 64; // flexible terms, in the span, outside pauses, rest or not
export const OWED = OWED_WEEKLY | OWED_MONTHLY;
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

/**
 * One habit laid out by day, as of `today`: everything that its figures are read from. A track never changes; a changed
 * entry makes a new one that shares what it can (`trackAfter`).
 *
 * `outcomes`, `asks` and `planSums` run from `first` to `horizon` (the end of the last week of the year of today), the
 * rest to today; all are empty where `first` lies later. Running sums have one more place: `sums[i]` is the sum over the
 * first i days. Columns that a habit has no use for (amounts of a check, what fixed terms are due) are empty: no sum.
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
  outcomes: Uint8Array;
  asks: Uint8Array;
  /** Scheduled and flexible days, rest or not, in parts of a day (PARTS_PER_DAY). */
  planSums: Float64Array;
  doneSums: Int32Array;
  /** Due days, without today while it is open; and those of them that are done. */
  dueSums: Int32Array;
  keptSums: Int32Array;
  /** What eligible flexible days owe, without today while it is open, in parts of a day. */
  owedSums: Float64Array;
  amounts: Float64Array;
  amountSums: Float64Array;
  /** Every week and month up to that of today with its quota; null where no terms are of that kind. */
  weeks: PeriodColumns | null;
  months: PeriodColumns | null;
  /** What flexible terms ask of each day, 0–1, in PARTS_PER_NEED. */
  needs: Float64Array;
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
export function sumBetween(track: Track, sums: Int32Array | Float64Array, first: PlainDay, last: PlainDay): number {
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

export const doneBetween = (track: Track, span: DaySpan): number =>
  sumBetween(track, track.doneSums, span.first, span.last);

/** Sum of every recorded amount, whatever the days came to, in the habit's unit. */
export const amountBetween = (track: Track, span: DaySpan): number =>
  sumBetween(track, track.amountSums, span.first, span.last);

/** A sum over the stretches of terms in a span: of each its done days times what `each` gives for its terms. */
function doneByTerms(track: Track, span: DaySpan, each: (terms: HeldTerms) => number): number {
  const { terms } = track;
  let sum = 0;
  for (let index = 0; index < terms.length; index++) {
    const worth = each(terms[index]!);
    if (worth === 0) continue;
    const first = index === 0 ? span.first : Math.max(span.first, terms[index]!.from);
    const last = index + 1 < terms.length ? Math.min(span.last, terms[index + 1]!.from - 1) : span.last;
    if (first <= last) sum += worth * doneBetween(track, { first, last });
  }
  return sum;
}

/** Done days on which flexible terms are in force. */
export const flexibleDoneBetween = (track: Track, span: DaySpan): number =>
  track.owedSums.length === 1
    ? 0
    : doneByTerms(track, span, ({ schedule }) => (askKindOf(schedule) === 'days' ? 0 : 1));

/** Pips that the done days of a span earn, each by the terms in force on it. */
export const pipsBetween = (track: Track, span: DaySpan): number => doneByTerms(track, span, ({ pips }) => pips);

/** The plan of a run of days in parts of a day, also beyond the horizon. */
export function planPartsBetween(track: Track, span: DaySpan): number {
  let parts = sumBetween(track, track.planSums, span.first, Math.min(span.last, track.horizon));
  for (let day = Math.max(span.first, track.horizon + 1); day <= span.last; day++) parts += plannedParts(track, day);
  return parts;
}

/** How full a day's peg is by its amount, 0–1, under the terms in force. */
export const fillRatio = (track: Track, day: PlainDay, amount: number | null): number =>
  thresholdRatio(termsOn(track.terms, day), amount);
