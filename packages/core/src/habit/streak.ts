import type { PlainDay } from '../calendar/plainDay.ts';
import { holdsDay } from '../calendar/span.ts';
import { quotaHistory } from './quota.ts';
import type { AskKind } from './schedule.ts';
import { OUTCOMES } from './outcome.ts';
import { DUE, type Track, isOpen, streakUnitOn } from './track.ts';

const DONE = OUTCOMES.indexOf('done');

/** A row of kept days, weeks or months. `first` and `last` are days; of periods, the last is never after today. */
export type Run = { length: number; first: PlainDay; last: PlainDay; isAlive: boolean };

export type Streak = {
  unit: AskKind;
  current: number;
  from: PlainDay | null;
  longest: number;
  longestFrom: PlainDay | null;
  longestTo: PlainDay | null;
};

/** What the next day or period does to a run: one longer, nothing, or the end of it. */
type Turn = { kind: 'longer'; first: PlainDay; last: PlainDay } | { kind: 'ended' };

/** Chains turns into runs, in order; only the last can still be alive. */
export function chainRuns(turns: Iterable<Turn>): Run[] {
  const runs: Run[] = [];
  let open: Run | null = null;
  for (const turn of turns) {
    if (turn.kind === 'ended') {
      if (open !== null) open.isAlive = false;
      open = null;
    } else if (open === null) {
      open = { length: 1, first: turn.first, last: turn.last, isAlive: true };
      runs.push(open);
    } else {
      open.length++;
      open.last = turn.last;
    }
  }
  return runs;
}

function* dayTurns(track: Track): Generator<Turn> {
  const { asks, outcomes, first, today } = track;
  const end = Math.min(asks.length - 1, today - first);
  for (let i = 0; i <= end; i++) {
    if ((asks[i]! & DUE) === 0) continue;
    const day = first + i;
    if (outcomes[i] === DONE) yield { kind: 'longer', first: day, last: day };
    else if (!isOpen(track, day)) yield { kind: 'ended' };
  }
}

function* periodTurns(track: Track, unit: 'weeks' | 'months'): Generator<Turn> {
  for (const { period, quota, done } of quotaHistory(track, unit)) {
    if (quota === 0) continue;
    if (done >= quota) yield { kind: 'longer', first: period.first, last: Math.min(period.last, track.today) };
    else if (!holdsDay(period, track.today)) yield { kind: 'ended' };
  }
}

/**
 * Every run of a unit up to today, in order. Days go by due days: rest, pauses, extra days and an open today pass
 * through. Weeks and months go by their quota; those that owe nothing and the unfinished current one pass through.
 */
export const runsOf = (track: Track, unit: AskKind): Run[] =>
  chainRuns(unit === 'days' ? dayTurns(track) : periodTurns(track, unit));

/** The longest run, the earliest of equals; null without any. */
export function longestRun(runs: readonly Run[]): Run | null {
  let longest: Run | null = null;
  for (const run of runs) if (longest === null || run.length > longest.length) longest = run;
  return longest;
}

/** The run that nothing has ended; null where there is none. */
export function aliveRun(runs: readonly Run[]): Run | null {
  const last = runs[runs.length - 1];
  return last !== undefined && last.isAlive ? last : null;
}

/** Current and longest streak in the unit of the terms in force today. */
export function streakOf(track: Track): Streak {
  const unit = streakUnitOn(track, track.today);
  const runs = runsOf(track, unit);
  const current = aliveRun(runs);
  const longest = longestRun(runs);
  return {
    unit,
    current: current?.length ?? 0,
    from: current?.first ?? null,
    longest: longest?.length ?? 0,
    longestFrom: longest?.first ?? null,
    longestTo: longest?.last ?? null,
  };
}
