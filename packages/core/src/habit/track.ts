import { monthOfDay, monthSpan } from '../calendar/month.ts';
import { type PlainDay, type Weekday, dayOf } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { yearOfDay, yearSpan } from '../calendar/year.ts';
import type { Entry, Habit } from '../record/records.ts';
import { OUTCOMES, type Outcome, recordedOutcome, thresholdRatio } from './outcome.ts';
import { type AskKind, PARTS_PER_DAY, askKindOf, namesDay, owedParts } from './schedule.ts';
import { type HeldTerms, heldTerms, termsIndexOn, termsOn } from './terms.ts';

const OUTSIDE = OUTCOMES.indexOf('outside');
const BLANK = OUTCOMES.indexOf('blank');
const PAUSED = OUTCOMES.indexOf('paused');
const PART = OUTCOMES.indexOf('part');
const DONE = OUTCOMES.indexOf('done');
const REST = OUTCOMES.indexOf('rest');
const CODES = Object.fromEntries(OUTCOMES.map((outcome, code) => [outcome, code])) as Record<Outcome, number>;

/** How a day stands to what is asked; the bits of {@link Track.asks}. */
export const ASKED = 1; // scheduled: the fixed terms in force name it, in the span, outside pauses
export const DUE = 2; // scheduled and not rest
export const OWED_WEEKLY = 4; // eligible for the quota of its week
export const OWED_MONTHLY = 8; // eligible for the quota of its month
export const FLEXIBLE = 16; // flexible terms are in force, whatever the day came to

/**
 * One habit laid out by day, as of `today`: everything that its figures are read from.
 *
 * The arrays run from `first` to `horizon` (the end of the last week of the year of today) and are empty where `first` lies later.
 * Running sums have one more place: `sums[i]` is the sum over the first i days.
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
  doneSums: Int32Array;
  /** Due days up to today, without today while it is open; and those of them that are done. */
  dueSums: Int32Array;
  keptSums: Int32Array;
  /** Scheduled and flexible days, rest or not, in parts of a day (PARTS_PER_DAY). */
  planSums: Float64Array;
  amountSums: Float64Array;
  pipsSums: Float64Array;
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

/**
 * Lays out a habit by day as of `today`. Entries of other habits must not be among `entries`; those after today are
 * not there yet. Throws a RangeError for a day that does not exist.
 */
export function buildTrack(habit: Habit, entries: readonly Entry[], today: PlainDay, weekStart: Weekday): Track {
  const days = new Int32Array(entries.length);
  let firstRecord = Infinity;
  let lastRecord = -Infinity;
  for (let i = 0; i < entries.length; i++) {
    const day = dayOf(entries[i]!.day);
    days[i] = day;
    if (day > today) continue;
    if (day < firstRecord) firstRecord = day;
    if (day > lastRecord) lastRecord = day;
  }
  const frame: SpanFrame = {
    terms: heldTerms(habit.terms),
    first: Math.min(dayOf(habit.startsOn), firstRecord),
    last: habit.endsOn === undefined || habit.endsOn === null ? null : Math.max(dayOf(habit.endsOn), lastRecord),
    pauses: (habit.pauses ?? []).map((pause) => ({ first: dayOf(pause.from), last: dayOf(pause.to) })),
  };
  // Six days past the year, so that a week across the year's end lies wholly inside.
  const horizon = yearSpan(yearOfDay(today)).last + 6;
  const length = Math.max(0, horizon - frame.first + 1);
  const track: Track = {
    ...frame,
    habit,
    today,
    weekStart,
    horizon,
    outcomes: new Uint8Array(length),
    asks: new Uint8Array(length),
    doneSums: new Int32Array(length + 1),
    dueSums: new Int32Array(length + 1),
    keptSums: new Int32Array(length + 1),
    planSums: new Float64Array(length + 1),
    amountSums: new Float64Array(length + 1),
    pipsSums: new Float64Array(length + 1),
  };
  const known = new Array<Entry | undefined>(length);
  for (let i = 0; i < entries.length; i++) if (days[i]! <= today) known[days[i]! - frame.first] = entries[i];
  fillTrack(track, known);
  return track;
}

/** The days of a track that lie in a pause, marked with 1; null without any. */
function pausedDays({ pauses, first, outcomes }: Track): Uint8Array | null {
  if (pauses.length === 0) return null;
  const paused = new Uint8Array(outcomes.length);
  for (const pause of pauses) paused.fill(1, Math.max(0, pause.first - first), Math.max(0, pause.last - first + 1));
  return paused;
}

function fillTrack(track: Track, known: readonly (Entry | undefined)[]): void {
  const { terms, first, today, outcomes, asks } = track;
  const { doneSums, dueSums, keptSums, planSums, amountSums, pipsSums } = track;
  const paused = pausedDays(track);
  const lastActive = track.last ?? Infinity;
  let termsIndex = termsIndexOn(terms, first);
  let held = terms[termsIndex]!;
  let kind = askKindOf(held.schedule);
  let owed = 0;
  let owedUntil = -Infinity;
  for (let i = 0; i < outcomes.length; i++) {
    const day = first + i;
    if (termsIndex + 1 < terms.length && terms[termsIndex + 1]!.from <= day) {
      held = terms[++termsIndex]!;
      kind = askKindOf(held.schedule);
      owedUntil = -Infinity;
    }
    // What a flexible day owes is the same all month.
    if (kind !== 'days' && day > owedUntil) {
      owed = owedParts(held.schedule, day);
      owedUntil = monthSpan(monthOfDay(day)).last;
    }
    const active = day <= lastActive;
    const isOut = paused !== null && paused[i] === 1;
    const entry = known[i];
    const recorded = entry === undefined ? null : recordedOutcome(entry, held);
    const outcome = !active ? OUTSIDE : recorded !== null ? CODES[recorded] : isOut ? PAUSED : BLANK;
    outcomes[i] = outcome;

    const asksSomething = active && !isOut;
    const isScheduled = asksSomething && kind === 'days' && namesDay(held.schedule, held.from, day);
    const isDue = isScheduled && outcome !== REST;
    let ask = kind === 'days' ? 0 : FLEXIBLE;
    if (isScheduled) ask |= ASKED;
    if (isDue) ask |= DUE;
    if (kind !== 'days' && asksSomething && outcome !== REST) ask |= kind === 'weeks' ? OWED_WEEKLY : OWED_MONTHLY;
    asks[i] = ask;

    const isDone = outcome === DONE ? 1 : 0;
    const counted = isDue && (day < today || (day === today && outcome !== BLANK && outcome !== PART)) ? 1 : 0;
    const planned = isScheduled ? PARTS_PER_DAY : kind !== 'days' && asksSomething ? owed : 0;
    doneSums[i + 1] = doneSums[i]! + isDone;
    dueSums[i + 1] = dueSums[i]! + counted;
    keptSums[i + 1] = keptSums[i]! + (counted & isDone);
    planSums[i + 1] = planSums[i]! + planned;
    amountSums[i + 1] = amountSums[i]! + (entry?.amount ?? 0);
    pipsSums[i + 1] = pipsSums[i]! + isDone * held.pips;
  }
}

/** The part of a running sum that falls in [first, last]; days outside the track add nothing. */
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
  sumBetween(track, track.doneSums, span.first, Math.min(span.last, track.today));

/** Sum of every recorded amount, whatever the days came to, in the habit's unit. */
export const amountBetween = (track: Track, span: DaySpan): number =>
  sumBetween(track, track.amountSums, span.first, Math.min(span.last, track.today));

export const pipsBetween = (track: Track, span: DaySpan): number =>
  sumBetween(track, track.pipsSums, span.first, Math.min(span.last, track.today));

/** The plan of a run of days in parts of a day, also beyond the horizon. */
export function planPartsBetween(track: Track, span: DaySpan): number {
  let parts = sumBetween(track, track.planSums, span.first, Math.min(span.last, track.horizon));
  for (let day = Math.max(span.first, track.horizon + 1); day <= span.last; day++) parts += plannedParts(track, day);
  return parts;
}

/** How full a day's peg is by its amount, 0–1, under the terms in force. */
export const fillRatio = (track: Track, day: PlainDay, amount: number | null): number =>
  thresholdRatio(termsOn(track.terms, day), amount);
