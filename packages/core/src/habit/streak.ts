import type { PlainDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { OUTCOMES } from './outcome.ts';
import { type PeriodKind, quotaSeenOn } from './periods.ts';
import type { AskKind } from './schedule.ts';
import { DUE, INTERVAL, type PeriodColumns, type Track, isOpen, streakUnitOn } from './track.ts';

const DONE = OUTCOMES.indexOf('done');

/** A row of kept days, weeks or months. `first` and `last` are days; of periods, the last is never after today. */
export type Run = { length: number; first: PlainDay; last: PlainDay; isAlive: boolean };

/** The current and the longest run of a habit, in its unit. */
export type Streak = {
  unit: AskKind;
  current: number;
  from: PlainDay | null;
  longest: number;
  longestFrom: PlainDay | null;
  longestTo: PlainDay | null;
};

/** Chains days, weeks or months into runs: fed in order which is kept and which breaks; only the last run can be alive. */
export class RunChain {
  readonly runs: Run[] = [];
  private open: Run | null = null;

  longer(first: PlainDay, last: PlainDay): void {
    if (this.open === null) this.runs.push((this.open = { length: 1, first, last, isAlive: true }));
    else {
      this.open.length++;
      this.open.last = last;
    }
  }

  end(): void {
    if (this.open !== null) this.open.isAlive = false;
    this.open = null;
  }
}

function dayRuns(track: Track, until: PlainDay): Run[] {
  const { asks, outcomes, first, today } = track;
  const chain = new RunChain();
  const known = Math.min(track.doneSums.length - 1, until - first + 1);
  for (let i = 0; i < known; i++) {
    const ask = asks[i]!;
    if ((ask & (DUE | INTERVAL)) === 0) continue;
    const day = first + i;
    if (outcomes[i] === DONE) chain.longer(day, day);
    else if ((ask & DUE) === 0) continue;
    else if (day !== today || !isOpen(track, day)) chain.end();
  }
  return chain.runs;
}

function periodRuns(track: Track, kind: PeriodKind, { starts, quotas, dones }: PeriodColumns, until: PlainDay): Run[] {
  const chain = new RunChain();
  for (let i = 0; i < quotas.length && starts[i]! <= until; i++) {
    const last = starts[i + 1]! - 1;
    // One that a past day lies in stands as it stood at that day's end.
    const isCut = last > until && until < track.today;
    const { quota, done } = isCut ? quotaSeenOn(track, kind, until) : { quota: quotas[i]!, done: dones[i]! };
    if (quota === 0) continue;
    if (done >= quota) chain.longer(starts[i]!, Math.min(last, until));
    else if (last < until || (last === until && until < track.today)) chain.end();
  }
  return chain.runs;
}

/**
 * Every run of a unit up to today, or up to the end of an earlier day, in order. Days go by due days: rest, pauses, extra
 * days and an open today pass through; under an interval every done day outside a pause lengthens. Weeks and months go by their quota; those that owe nothing and the unfinished
 * current one pass through.
 */
export function runsOf(track: Track, unit: AskKind, until: PlainDay = track.today): Run[] {
  if (unit === 'days') return dayRuns(track, until);
  const columns = track[unit];
  return columns === null ? [] : periodRuns(track, unit, columns, until);
}

/** Days of a span that lengthen a run of days: due days that were done, under an interval every done day outside a pause. */
export function runDaysIn({ asks, outcomes, first, today }: Track, span: DaySpan): number {
  let days = 0;
  for (let i = Math.max(0, span.first - first); i <= Math.min(span.last, today) - first; i++)
    if (outcomes[i] === DONE && (asks[i]! & (DUE | INTERVAL)) !== 0) days++;
  return days;
}

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
