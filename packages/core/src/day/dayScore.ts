import type { PlainDay } from '../calendar/plainDay.ts';
import { PARTS_PER_NEED, type PeriodKind, needOf, periodOf } from '../habit/periods.ts';
import { askKindOf } from '../habit/schedule.ts';
import { DUE, FLEXIBLE, type Track } from '../habit/track.ts';
import { RunChain, type Run } from '../habit/streak.ts';
import { OUTCOMES } from '../habit/outcome.ts';
import { TOLERANCE, isAtLeast, shareOf } from '../number/exact.ts';

const DONE = OUTCOMES.indexOf('done');

/**
 * Every day over all habits, from the first day of any to today, in columns: numerator and denominator of its score, and
 * what they are made from.
 */
export type DayTotals = {
  first: PlainDay;
  today: PlainDay;
  /** Numerator and denominator of the score. */
  done: Uint16Array;
  due: Uint16Array;
  /** All habits done that day, extra days included: what day marks go by. */
  doneHabits: Uint16Array;
  /** Due days of fixed terms, and those of them that are done. */
  fixedDue: Uint16Array;
  fixedDone: Uint16Array;
  /** Done days under flexible terms, and what these ask of the day together, in PARTS_PER_NEED. */
  flexibleDone: Uint16Array;
  needs: Float64Array;
};

/** What a day asked and what of it was done; `score` is null where nothing was due. */
export type DayScore = {
  done: number;
  due: number;
  /** None where nothing was due or done. */
  score: number | null;
  full: boolean;
  bright: boolean;
};

/** Adds a track's days to the columns, or with `by` −1 takes them away; `from` and `to` are places in the columns. */
function addTrack(totals: DayTotals, track: Track, by: 1 | -1, from: number, to: number): void {
  const { doneHabits, fixedDue, fixedDone, flexibleDone, needs } = totals;
  const { asks, outcomes, needs: ownNeeds } = track;
  const shift = totals.first - track.first;
  for (let i = Math.max(from, -shift); i <= to; i++) {
    const at = i + shift;
    const ask = asks[at]!;
    const done = outcomes[at] === DONE ? by : 0;
    doneHabits[i]! += done;
    if ((ask & DUE) !== 0) {
      fixedDue[i]! += by;
      fixedDone[i]! += done;
    } else if ((ask & FLEXIBLE) !== 0) {
      flexibleDone[i]! += done;
      needs[i]! += by * needOf(ownNeeds[at]!);
    }
  }
}

/** Whole days that flexible terms ask of a day together: rounded down, dust aside. */
const wholeNeed = (parts: number): number => Math.floor(parts / PARTS_PER_NEED + TOLERANCE);

/** Works out the scores of some places of the columns. Source: "Day score". */
function score(totals: DayTotals, from: number, to: number): void {
  const { done, due, fixedDue, fixedDone, flexibleDone, needs } = totals;
  for (let i = from; i <= to; i++) {
    done[i] = fixedDone[i]! + flexibleDone[i]!;
    due[i] = fixedDue[i]! + Math.max(flexibleDone[i]!, wholeNeed(needs[i]!));
  }
}

const firstOf = (tracks: readonly Track[], today: PlainDay): PlainDay =>
  tracks.reduce((first, track) => Math.min(first, track.first), today + 1);

/** Adds up all habits over every day there is a record of. `today` is that of the tracks. */
export function totalsOf(tracks: readonly Track[], today: PlainDay): DayTotals {
  const first = firstOf(tracks, today);
  const length = today - first + 1;
  const totals: DayTotals = {
    first,
    today,
    done: new Uint16Array(length),
    due: new Uint16Array(length),
    doneHabits: new Uint16Array(length),
    fixedDue: new Uint16Array(length),
    fixedDone: new Uint16Array(length),
    flexibleDone: new Uint16Array(length),
    needs: new Float64Array(length),
  };
  for (const track of tracks) addTrack(totals, track, 1, 0, length - 1);
  score(totals, 0, length - 1);
  return totals;
}

const wordsOf = (bytes: Uint8Array): Uint32Array => new Uint32Array(bytes.buffer, bytes.byteOffset, bytes.length >> 2);

/** The first and last of the places up to `to` at which two columns differ; null where none does. */
function placesThatDiffer(was: Uint8Array, is: Uint8Array, to: number): { from: number; to: number } | null {
  let from = 0;
  // Four days at a time while nothing differs.
  const [wordsOfWas, wordsOfIs] = [wordsOf(was), wordsOf(is)];
  while (from + 3 <= to && wordsOfWas[from >> 2] === wordsOfIs[from >> 2]) from += 4;
  while (from <= to && was[from] === is[from]) from++;
  while (to >= from && was[to] === is[to]) to--;
  return from > to ? null : { from, to };
}

const hasInterval = ({ terms }: Track): boolean => terms.some(({ schedule }) => schedule.kind === 'interval');

/** The first and last place at which two tracks of the same first day and today may count differently; null where none. */
function differingPlaces(a: Track, b: Track): { from: number; to: number } | null {
  let [from, to] = [0, a.today - a.first];
  if (a.habit !== b.habit) return { from, to };
  // What an interval asks goes by what was done before, so there the asks are compared as well.
  const asks = hasInterval(a) ? placesThatDiffer(a.asks, b.asks, to) : null;
  const outcomes = placesThatDiffer(a.outcomes, b.outcomes, to);
  if (outcomes === null && asks === null) return null;
  from = Math.min(outcomes?.from ?? Infinity, asks?.from ?? Infinity);
  to = Math.max(outcomes?.to ?? -1, asks?.to ?? -1);
  // What a flexible habit asks of the other days of the week and month goes by the days that changed.
  const wide = (kind: PeriodKind, place: number) => periodOf(a, kind, a.first + place);
  for (const kind of ['weeks', 'months'] as const) {
    if (b[kind] === null) continue;
    [from, to] = [Math.min(from, wide(kind, from).first - a.first), Math.max(to, wide(kind, to).last - a.first)];
  }
  return { from: Math.max(0, from), to: Math.min(to, a.today - a.first) };
}

/** The columns that tracks add to, copied; those that none of them touches are shared. */
function copyFor(totals: DayTotals, tracks: readonly Track[]): DayTotals {
  const isFlexible = tracks.some((track) => track.weeks !== null || track.months !== null);
  const isFixed = tracks.some(({ terms }) => terms.some(({ schedule }) => askKindOf(schedule) === 'days'));
  return {
    ...totals,
    done: totals.done.slice(),
    due: totals.due.slice(),
    doneHabits: totals.doneHabits.slice(),
    ...(isFixed ? { fixedDue: totals.fixedDue.slice(), fixedDone: totals.fixedDone.slice() } : {}),
    ...(isFlexible ? { flexibleDone: totals.flexibleDone.slice(), needs: totals.needs.slice() } : {}),
  };
}

/**
 * The totals after some tracks were replaced (each `before[i]` by `after[i]`), by difference; the days that count
 * differently are added to `moved`. Null where days or habits were added or taken away or the week starts on another day, so that
 * all has to be added up.
 */
export function totalsAfter(
  totals: DayTotals,
  before: readonly Track[],
  after: readonly Track[],
  moved: Set<PlainDay> = new Set(),
): DayTotals | null {
  if (before.length !== after.length || firstOf(after, totals.today) !== totals.first) return null;
  const pairs: { was: Track; is: Track }[] = [];
  for (let i = 0; i < after.length; i++) {
    const [was, is] = [before[i]!, after[i]!];
    if (was === is) continue;
    if (was.first !== is.first || was.weekStart !== is.weekStart) return null;
    if (is.today !== totals.today || was.today !== totals.today) return null;
    pairs.push({ was, is });
  }
  const next = copyFor(
    totals,
    pairs.flatMap(({ was, is }) => [was, is]),
  );
  for (const { was, is } of pairs) {
    const places = differingPlaces(was, is);
    if (places === null) continue;
    const [from, to] = [places.from + is.first - totals.first, places.to + is.first - totals.first];
    addTrack(next, was, -1, from, to);
    addTrack(next, is, 1, from, to);
    score(next, from, to);
    for (let i = from; i <= to; i++) moved.add(totals.first + i);
  }
  return next;
}

/** The score of a day: done of due. Nothing before the first day and after today. */
export function scoreOn(totals: DayTotals, day: PlainDay, passMark: number): DayScore {
  const done = totals.done[day - totals.first] ?? 0;
  const due = totals.due[day - totals.first] ?? 0;
  const ratio = shareOf(done, due);
  return {
    done,
    due,
    score: ratio,
    full: due > 0 && done === due,
    bright: ratio !== null && isAtLeast(ratio, passMark),
  };
}

/** How a day counts in the streak of full days: full, not full, or (null) not at all. */
export const fullnessOn = ({ first, done, due }: DayTotals, day: PlainDay): boolean | null => {
  const i = day - first;
  return (due[i] ?? 0) === 0 ? null : done[i] === due[i];
};

/** Habits done on a day, extra days included. */
export const doneHabitsOn = (totals: DayTotals, day: PlainDay): number => totals.doneHabits[day - totals.first] ?? 0;

/** Whole days that flexible habits ask of a day together, done on it or not. */
export const flexibleNeedOn = (totals: DayTotals, day: PlainDay): number =>
  wholeNeed(totals.needs[day - totals.first] ?? 0);

/** Whole days that flexible habits still ask of a day, beyond those done on it. */
export const flexibleToGoOn = (totals: DayTotals, day: PlainDay): number => {
  const i = day - totals.first;
  return Math.max(0, wholeNeed(totals.needs[i] ?? 0) - (totals.flexibleDone[i] ?? 0));
};

/**
 * Runs of full days in order, up to today or an earlier day: days without a score and a today not yet full pass through.
 */
export function fullDayRuns({ first, today, done, due }: DayTotals, until: PlainDay = today): Run[] {
  const chain = new RunChain();
  for (let i = 0; i < due.length && first + i <= until; i++) {
    if (due[i] === 0) continue;
    const day = first + i;
    if (done[i] === due[i]) chain.longer(day, day);
    else if (day !== today) chain.end();
  }
  return chain.runs;
}
