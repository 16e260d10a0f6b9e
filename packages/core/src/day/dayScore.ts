import type { PlainDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { DUE, FLEXIBLE, type Track } from '../habit/track.ts';
import { chainRuns, type Run } from '../habit/streak.ts';
import { OUTCOMES } from '../habit/outcome.ts';
import { isAtLeast, shareOf } from '../number/exact.ts';

const DONE = OUTCOMES.indexOf('done');

/** A day over all habits: numerator and denominator of its score, as running columns from `first`. */
export type DayTotals = {
  first: PlainDay;
  done: Uint16Array;
  due: Uint16Array;
  /** All habits done that day, extra days included: what day marks go by. */
  doneHabits: Uint16Array;
};

export type DayScore = {
  done: number;
  due: number;
  /** None where nothing was due or done. */
  score: number | null;
  full: boolean;
  bright: boolean;
};

/** Adds up the tracks over the days of `span`. Days after the tracks' today come out as nothing due. */
export function totalsOf(tracks: Iterable<Track>, span: DaySpan): DayTotals {
  const length = Math.max(0, span.last - span.first + 1);
  const done = new Uint16Array(length);
  const due = new Uint16Array(length);
  const doneHabits = new Uint16Array(length);
  for (const track of tracks) {
    const from = Math.max(span.first, track.first);
    const to = Math.min(span.last, track.today, track.first + track.outcomes.length - 1);
    for (let day = from; day <= to; day++) {
      const ask = track.asks[day - track.first]!;
      const isDone = track.outcomes[day - track.first] === DONE;
      if (isDone) doneHabits[day - span.first]!++;
      if ((ask & DUE) !== 0) {
        due[day - span.first]!++;
        if (isDone) done[day - span.first]!++;
      } else if ((ask & FLEXIBLE) !== 0 && isDone) {
        due[day - span.first]!++;
        done[day - span.first]!++;
      }
    }
  }
  return { first: span.first, done, due, doneHabits };
}

/** The score of a day: done of due, where a flexible habit counts on the days it is done. */
export function scoreOn(totals: DayTotals, day: PlainDay, passMark: number): DayScore {
  const done = totals.done[day - totals.first] ?? 0;
  const due = totals.due[day - totals.first] ?? 0;
  const score = shareOf(done, due);
  return { done, due, score, full: due > 0 && done === due, bright: score !== null && isAtLeast(score, passMark) };
}

/** Runs of full days in order: days without a score and a today not yet full pass through. */
export function fullDayRuns(totals: DayTotals, today: PlainDay): Run[] {
  return chainRuns(
    (function* () {
      for (let i = 0; i < totals.due.length; i++) {
        const day = totals.first + i;
        if (totals.due[i] === 0 || day > today) continue;
        if (totals.done[i] === totals.due[i]) yield { kind: 'longer' as const, first: day, last: day };
        else if (day !== today) yield { kind: 'ended' as const };
      }
    })(),
  );
}
