import { monthOfDay, monthSpan } from '../calendar/month.ts';
import { type PlainDay, WEEKDAYS, type Weekday, dayOf, weekdayOf } from '../calendar/plainDay.ts';
import { yearOfDay, yearSpan } from '../calendar/year.ts';
import { type EntryYears, entryYearsOf, firstOfYear, yearsOf } from '../record/entryYears.ts';
import type { Entry, Habit, Schedule } from '../record/records.ts';
import { OUTCOMES, type Outcome, recordedOutcome } from './outcome.ts';
import { layKept } from './keptPeriods.ts';
import { layPeriods, layPeriodsAgain } from './periods.ts';
import { type AskKind, PARTS_PER_DAY, askKindOf, owedParts } from './schedule.ts';
import { askSumsOf, hasTarget, layTargetMonths } from './targetMonths.ts';
import { type HeldTerms, heldTerms, termsIndexOn, termsOn } from './terms.ts';
import {
  ASKED,
  DUE,
  FLEXIBLE_MONTHLY,
  FLEXIBLE_WEEKLY,
  INTERVAL,
  type IntervalCourse,
  OWED,
  OWED_MONTHLY,
  OWED_WEEKLY,
  PLANNED,
  type Track,
  stepInterval,
} from './track.ts';

const CODES = Object.fromEntries(OUTCOMES.map((outcome, code) => [outcome, code])) as Record<Outcome, number>;
const codeOf = (outcome: Outcome): number => CODES[outcome];
const [OUTSIDE, BLANK, PAUSED, PART, DONE, REST] = (
  ['outside', 'blank', 'paused', 'part', 'done', 'rest'] as const
).map(codeOf) as [number, number, number, number, number, number];

/** Whether an entry is a record: one with a mark or an amount. A bare note is none. */
export const isRecord = (entry: Entry | null): boolean =>
  entry !== null && ((entry.mark ?? null) !== null || (entry.amount ?? null) !== null);

/** The first day up to `today` that has a record; null without any. */
function firstRecordOf(entries: EntryYears, today: PlainDay): PlainDay | null {
  for (const year of yearsOf(entries)) {
    const list = entries[year]!;
    const start = firstOfYear(year);
    for (let place = 0; place < list.length && start + place <= today; place++)
      if (isRecord(list[place]!)) return start + place;
  }
  return null;
}

/** The recorded days after a habit's last day, up to `today`. */
function recordsAfter(entries: EntryYears, last: PlainDay | null, today: PlainDay): Int32Array {
  if (last === null) return NO_DAYS;
  const days: PlainDay[] = [];
  for (const year of yearsOf(entries)) {
    const list = entries[year]!;
    const start = firstOfYear(year);
    for (let place = Math.max(0, last + 1 - start); place < list.length && start + place <= today; place++)
      if (isRecord(list[place]!)) days.push(start + place);
  }
  return Int32Array.from(days);
}

/** {@link buildTrackFromYears} of entries in any order. Entries of other habits must not be among them. */
export const buildTrack = (habit: Habit, entries: readonly Entry[], today: PlainDay, weekStart: Weekday): Track =>
  buildTrackFromYears(habit, entryYearsOf(entries), today, weekStart);

/**
 * Lays out a habit by day as of `today`; entries after it are not there yet. Throws a RangeError for a day that does not
 * exist.
 */
export function buildTrackFromYears(habit: Habit, entries: EntryYears, today: PlainDay, weekStart: Weekday): Track {
  const first = Math.min(dayOf(habit.startsOn), firstRecordOf(entries, today) ?? Infinity);
  const terms = heldTerms(habit.terms);
  const last = habit.endsOn ? dayOf(habit.endsOn) : null;
  // Six days past the year, so that a week across the year's end lies wholly inside.
  const horizon = yearSpan(yearOfDay(today)).last + 6;
  const length = Math.max(0, horizon - first + 1);
  const known = Math.max(0, today - first + 1);
  const kinds = new Set(terms.map(({ schedule }) => askKindOf(schedule)));
  const isFlexible = kinds.has('weeks') || kinds.has('months');
  const { outcomes, asks, planSums, doneSums } = columnsOf(length, known);
  // Listed field by field: object spread is much slower here.
  const track: Track = {
    terms,
    first,
    last,
    afterEnd: recordsAfter(entries, last, today),
    pauses: (habit.pauses ?? []).map((pause) => ({ first: dayOf(pause.from), last: dayOf(pause.to) })),
    habit,
    today,
    weekStart,
    horizon,
    counted: today,
    outcomes,
    asks,
    planSums,
    askSums: planSums,
    targets: null,
    doneSums,
    rests: NO_DAYS,
    keptWeeks: null,
    keptMonths: null,
    amounts: habit.measure.kind === 'amount' ? new Float64Array(known) : NO_AMOUNTS,
    weeks: null,
    months: null,
    needs: isFlexible ? new Uint16Array(known) : NO_NEEDS,
    course: { every: 0, next: 0 },
  };
  layOutcomes(track, entries);
  layAsks(track);
  track.targets = layTargetMonths(track);
  track.askSums = askSumsOf(track, track.targets);
  track.rests = restsOf(track);
  track.counted = countedOf(track);
  addUp(track, 0);
  layKept(track);
  if (kinds.has('weeks')) track.weeks = layPeriods(track, 'weeks');
  if (kinds.has('months')) track.months = layPeriods(track, 'months');
  return track;
}

/** What every day came to: nothing yet, paused or outside, then what is recorded. */
function layOutcomes(track: Track, entries: EntryYears): void {
  const { outcomes, amounts, terms, first, last, today, pauses } = track;
  outcomes.fill(BLANK);
  for (const pause of pauses)
    outcomes.fill(PAUSED, Math.max(0, pause.first - first), Math.max(0, pause.last - first + 1));
  if (last !== null) {
    outcomes.fill(OUTSIDE, Math.max(0, last - first + 1));
    for (const day of track.afterEnd) outcomes[day - first] = BLANK;
  }
  let index = 0;
  for (const year of yearsOf(entries)) {
    const list = entries[year]!;
    const start = firstOfYear(year);
    const places = Math.min(list.length, today - start + 1);
    for (let place = 0; place < places; place++) {
      const entry = list[place]!;
      if (entry === null) continue;
      const day = start + place;
      while (index + 1 < terms.length && terms[index + 1]!.from <= day) index++;
      const outcome = recordedOutcome(entry, terms[index]!);
      if (outcome !== null) outcomes[day - first] = codeOf(outcome);
      if (amounts.length > 0) amounts[day - first] = entry.amount ?? 0;
    }
  }
}

const NO_DAYS = new Int32Array(0);
const NO_AMOUNTS = new Float64Array(0);
const NO_NEEDS = new Uint16Array(0);

/**
 * The columns that every track has, all in one buffer: each buffer of its own would take longer to make than to fill. Of
 * `length` days, `known` of them up to today.
 */
function columnsOf(length: number, known: number): Columns {
  const PlanSums = length * PARTS_PER_DAY < 2 ** 32 ? Uint32Array : Float64Array;
  const Sums = known + 1 < 2 ** 16 ? Uint16Array : Int32Array;
  // Bytes are read four at a time, so each column of them begins at a place of four.
  const bytes = Math.ceil(length / 4) * 4;
  const sumsAt = (length + 1) * PlanSums.BYTES_PER_ELEMENT;
  const outcomesAt = sumsAt + Math.ceil(((known + 1) * Sums.BYTES_PER_ELEMENT) / 4) * 4;
  const buffer = new ArrayBuffer(outcomesAt + 2 * bytes);
  return {
    planSums: new PlanSums(buffer, 0, length + 1),
    doneSums: new Sums(buffer, sumsAt, known + 1),
    outcomes: new Uint8Array(buffer, outcomesAt, length),
    asks: new Uint8Array(buffer, outcomesAt + bytes, length),
  };
}

type Columns = Pick<Track, 'planSums' | 'doneSums' | 'outcomes' | 'asks'>;

/** The ask bits of a day that asks something, by the schedule in force. */
const bitsOf = (kind: AskKind): { flexible: number; owed: number } =>
  kind === 'weeks'
    ? { flexible: FLEXIBLE_WEEKLY, owed: OWED_WEEKLY }
    : kind === 'months'
      ? { flexible: FLEXIBLE_MONTHLY, owed: OWED_MONTHLY }
      : { flexible: 0, owed: 0 };

/** Whether a schedule names each of the seven weekdays; null where it does not go by the weekday. */
function namedWeekdays(schedule: Schedule): boolean[] | null {
  switch (schedule.kind) {
    case 'daily':
      return WEEKDAYS.map(() => true);
    case 'weekdays':
      return WEEKDAYS.map((weekday) => schedule.days.includes(weekday));
    case 'interval':
    case 'perWeek':
    case 'perMonth':
      return null;
  }
}

/** Days of a track that can ask nothing, by their place: 1 where one lies in a pause; null without pauses. */
function pausedDays({ first, outcomes, pauses }: Track): Uint8Array | null {
  if (pauses.length === 0) return null;
  const paused = new Uint8Array(outcomes.length);
  for (const pause of pauses) paused.fill(1, Math.max(0, pause.first - first), Math.max(0, pause.last - first + 1));
  return paused;
}

/** What each day asks, and the running plan, stretch by stretch of the same terms. */
function layAsks(track: Track): void {
  const { terms, first, outcomes } = track;
  const paused = pausedDays(track);
  const course: IntervalCourse = { every: 0, next: 0 };
  let i = 0;
  for (let index = termsIndexOn(terms, first); index < terms.length && i < outcomes.length; index++) {
    const end = index + 1 < terms.length ? Math.min(outcomes.length, terms[index + 1]!.from - first) : outcomes.length;
    if (end <= i) continue;
    const { schedule } = terms[index]!;
    if (schedule.kind === 'interval') layInterval(track, schedule.every, course, paused, i, end);
    else {
      if (askKindOf(schedule) === 'days') layFixed(track, terms[index]!, paused, i, end);
      else layFlexible(track, schedule, paused, i, end);
      // An interval begins anew after another schedule, but not after one that held on no day of the active span.
      if (hasActiveDay(outcomes, i, end)) course.every = 0;
    }
    i = end;
  }
  track.course = course;
}

function hasActiveDay(outcomes: Uint8Array, from: number, end: number): boolean {
  for (let i = from; i < end; i++) if (outcomes[i] !== OUTSIDE) return true;
  return false;
}

/** What an interval asks of the days from place `from` up to `end`, by what was done. */
function layInterval(
  track: Track,
  every: number,
  course: IntervalCourse,
  paused: Uint8Array | null,
  from: number,
  end: number,
): void {
  const { first, outcomes, asks, planSums } = track;
  let plan = planSums[from]!;
  for (let i = from; i < end; i++) {
    const outcome = outcomes[i]!;
    let ask = 0;
    if (outcome !== OUTSIDE) {
      const isPaused = paused?.[i] === 1;
      const isAsked = stepInterval(course, first + i, every, { isPaused, isDone: outcome === DONE });
      if (!isPaused) {
        plan += PARTS_PER_DAY;
        ask = !isAsked ? INTERVAL : outcome === REST ? INTERVAL | ASKED : INTERVAL | ASKED | DUE;
      }
    }
    asks[i] = ask;
    planSums[i + 1] = plan;
  }
}

/** What daily terms, or those on weekdays, ask of the days from place `from` up to `end`. */
function layFixed(track: Track, terms: HeldTerms, paused: Uint8Array | null, from: number, end: number): void {
  const { first, outcomes, asks, planSums } = track;
  const { schedule } = terms;
  let plan = planSums[from]!;
  // Where every day is asked, which is most, few of them have to be looked at.
  const daily = schedule.kind === 'daily' && paused === null ? insideOf(track, from, end) : from;
  asks.fill(ASKED | DUE, from, daily);
  for (let i = from; i < daily; i++) planSums[i + 1] = plan += PARTS_PER_DAY;
  for (let i = outcomes.indexOf(REST, from); i >= 0 && i < daily; i = outcomes.indexOf(REST, i + 1)) asks[i] = ASKED;
  const named = namedWeekdays(schedule)!;
  let weekday = weekdayOf(first + daily);
  for (let i = daily; i < end; i++) {
    const outcome = outcomes[i]!;
    const isNamed = named[weekday]!;
    weekday = weekday === 6 ? 0 : weekday + 1;
    const isAsked = isNamed && outcome !== OUTSIDE && paused?.[i] !== 1;
    asks[i] = !isAsked ? 0 : outcome === REST ? ASKED : ASKED | DUE;
    if (isAsked) plan += PARTS_PER_DAY;
    planSums[i + 1] = plan;
  }
}

/** What flexible terms ask of the days from place `from` up to `end`. */
function layFlexible(track: Track, schedule: Schedule, paused: Uint8Array | null, from: number, end: number): void {
  const { first, outcomes, asks, planSums } = track;
  const { flexible, owed } = bitsOf(askKindOf(schedule));
  let plan = planSums[from]!;
  let i = from;
  while (i < end) {
    // What a flexible day owes is the same all month.
    const parts = owedParts(schedule, first + i);
    const monthEnd = Math.min(end, monthSpan(monthOfDay(first + i)).last - first + 1);
    for (; i < monthEnd; i++) {
      const outcome = outcomes[i]!;
      const asksSomething = outcome !== OUTSIDE && paused?.[i] !== 1;
      if (asksSomething) plan += parts;
      asks[i] = !asksSomething ? flexible : outcome === REST ? flexible | PLANNED : flexible | PLANNED | owed;
      planSums[i + 1] = plan;
    }
  }
}

/** The end of those of some places that lie in the active span. */
const insideOf = ({ first, last }: Track, from: number, end: number): number =>
  last === null ? end : Math.max(from, Math.min(end, last - first + 1));

/** Days up to today that were asked or planned and are marked rest, outside months with a target of their own. */
function restsOf(track: Track): Int32Array {
  const { first, doneSums, outcomes, asks, targets } = track;
  const known = doneSums.length - 1;
  let at = outcomes.indexOf(REST);
  if (at < 0 || at >= known) return NO_DAYS;
  const days: PlainDay[] = [];
  for (; at >= 0 && at < known; at = outcomes.indexOf(REST, at + 1))
    if ((asks[at]! & (ASKED | PLANNED)) !== 0 && (targets === null || !hasTarget(track, monthOfDay(first + at))))
      days.push(first + at);
  return Int32Array.from(days);
}

/** An open today does not count yet. */
function countedOf({ first, today, outcomes }: Track): PlainDay {
  const code = outcomes[today - first];
  return code === BLANK || code === PART ? today - 1 : today;
}

/** Fills the running sum of done days from place `from` on; what stands before is right. */
function addUp({ outcomes, doneSums }: Track, from: number): void {
  const known = doneSums.length - 1;
  // After the last day that is done nothing is added any more.
  const end = Math.max(from, Math.min(known, outcomes.lastIndexOf(DONE) + 1));
  let done = doneSums[from]!;
  for (let i = from; i < end; i++) {
    if (outcomes[i] === DONE) done++;
    doneSums[i + 1] = done;
  }
  doneSums.fill(done, end + 1);
}

/** An entry of a day as it is now; null where there is none any more. */
export type ChangedEntry = { day: PlainDay; entry: Entry | null };

/**
 * The track after some entries changed: only the sums from the first of their days on and the weeks and months around
 * them are made anew. Null where the active span might move, so that the habit has to be laid out whole.
 */
export function trackAfter(track: Track, changes: readonly ChangedEntry[]): Track | null {
  const { habit, terms, first, today, pauses } = track;
  const felt = changes.filter(({ day }) => day <= today);
  if (felt.length === 0) return track;
  const ends = habit.endsOn ? dayOf(habit.endsOn) : Infinity;
  if (felt.some(({ day }) => day < dayOf(habit.startsOn) || day > ends)) return null;
  const outcomes = track.outcomes.slice();
  const asks = track.asks.slice();
  const amounts = track.amounts.slice();
  let from = Infinity;
  for (const { day, entry } of felt) {
    const i = day - first;
    const recorded = entry === null ? null : recordedOutcome(entry, termsOn(terms, day));
    const isOut = pauses.some((pause) => day >= pause.first && day <= pause.last);
    outcomes[i] = recorded !== null ? codeOf(recorded) : isOut ? PAUSED : BLANK;
    if (amounts.length > 0) amounts[i] = entry?.amount ?? 0;
    const isRest = recorded === 'rest';
    const was = asks[i]!;
    if ((was & ASKED) !== 0) asks[i] = isRest ? was & ~DUE : was | DUE;
    else if ((was & PLANNED) !== 0)
      asks[i] = (was & ~OWED) | (isRest ? 0 : (was & FLEXIBLE_WEEKLY) !== 0 ? OWED_WEEKLY : OWED_MONTHLY);
    from = Math.min(from, i);
  }
  const after: Track = {
    ...track,
    outcomes,
    asks,
    amounts,
    doneSums: track.doneSums.slice(),
    needs: track.needs.slice(),
  };
  // The days of an interval go by what was done before them.
  if (terms.some(({ schedule }) => schedule.kind === 'interval')) {
    after.planSums = track.planSums.slice();
    layAsks(after);
  }
  after.rests = restsOf(after);
  after.counted = countedOf(after);
  addUp(after, from);
  layKept(after);
  const days = felt.map(({ day }) => day);
  if (track.weeks !== null) after.weeks = layPeriodsAgain(after, 'weeks', track.weeks, days);
  if (track.months !== null) after.months = layPeriodsAgain(after, 'months', track.months, days);
  return after;
}
