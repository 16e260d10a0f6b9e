import { type PlainMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import { type DaySpan, daysIn } from '../calendar/span.ts';
import { type DayTotals, flexibleToGoOn, scoreOn } from '../day/dayScore.ts';
import { keptOver, keptSum } from '../habit/kept.ts';
import { type LogSpan, logTarget } from '../habit/logSpan.ts';
import type { Run } from '../habit/streak.ts';
import { type Figures, figuresAgainst, monthFigures, planOf, togetherOf } from '../habit/targets.ts';
import { DUE, FLEXIBLE, type Track, asksOn, doneBetween, isActiveIn, outcomeOn } from '../habit/track.ts';
import { type Breakdown, type BreakdownPart, chunksOf, cutInto, sumOf, withoutNothing } from './breakdown.ts';
import { keptOnWeekday } from './habitBreakdown.ts';

const ofHabit = (track: Track, ...numbers: number[]): BreakdownPart => ({
  of: { kind: 'habit', habitId: track.habit.id },
  numbers,
});

/**
 * The score of a day: what was due, what was done of habits without a fixed day, and what those ask beyond that. A part
 * for each habit that counts.
 */
export function scoreOfDay(tracks: readonly Track[], totals: DayTotals, day: PlainDay): Breakdown {
  const parts: BreakdownPart[] = [];
  for (const track of tracks) {
    const ask = asksOn(track, day);
    const isDone = outcomeOn(track, day) === 'done';
    if ((ask & DUE) !== 0) parts.push(ofHabit(track, isDone ? 1 : 0, 1));
    else if ((ask & FLEXIBLE) !== 0 && isDone) parts.push(ofHabit(track, 1, 1));
  }
  const wanted = flexibleToGoOn(totals, day);
  if (wanted > 0) parts.push({ of: { kind: 'canWait' }, numbers: [0, wanted] });
  const { done, due } = scoreOn(totals, day, 1);
  return sumOf(['done', 'asked'], parts, [done, due]);
}

/** What was kept of what was asked, habit by habit; those of whom nothing was asked are left out. */
export function keptByHabits(tracks: readonly Track[], span: DaySpan): Breakdown {
  const kept = tracks.map((track) => keptOver(track, span));
  const sum = keptSum(kept);
  const parts = tracks.map((track, index): BreakdownPart => {
    const own = kept[index]!;
    const beyond = doneBetween(track, span) - own.kept;
    return { ...ofHabit(track, own.kept, own.asked), ...(beyond > 0 ? { beyond } : {}) };
  });
  const told = parts.filter(({ numbers, beyond }) => beyond || numbers.some(Boolean));
  const done = tracks.reduce((all, track) => all + doneBetween(track, span), 0);
  return { ...sumOf(['done', 'asked'], told, [sum.kept, sum.asked]), beyond: done - sum.kept };
}

/** The same on one weekday (0 for Monday). */
export function keptByHabitsOn(tracks: readonly Track[], span: DaySpan, weekday: number): Breakdown {
  const all = tracks.map((track) => keptOnWeekday(track, span, weekday).total);
  const parts = tracks.map((track, index) => ofHabit(track, ...all[index]!));
  const sum = (column: number): number => all.reduce((total, numbers) => total + numbers[column]!, 0);
  return sumOf(['done', 'asked'], withoutNothing(parts), [sum(0), sum(1)]);
}

/** Habits together against targets: each counts no further than its own. */
function against(tracks: readonly Track[], figures: readonly Pick<Figures, 'actual' | 'target'>[]): Breakdown {
  const { actual, target } = togetherOf(figures);
  const parts = tracks.map((track, index): BreakdownPart => {
    const own = figures[index]!;
    const beyond = own.actual - own.target;
    return {
      ...ofHabit(track, Math.min(own.actual, own.target), own.target),
      ...(beyond > 0 ? { beyond } : {}),
    };
  });
  return sumOf(
    ['counted', 'planned'],
    parts.filter(({ numbers, beyond }) => beyond || numbers.some(Boolean)),
    [actual, target],
  );
}

/** Several habits over a span of the log, against their targets. */
export const togetherInSpan = (tracks: readonly Track[], kind: LogSpan, span: DaySpan): Breakdown =>
  against(
    tracks,
    tracks.map((track) => figuresAgainst(track, span, logTarget(track, kind, span))),
  );

/** Several habits over any days, against their plan. */
export const togetherInDays = (tracks: readonly Track[], span: DaySpan): Breakdown =>
  against(
    tracks,
    tracks.map((track) => ({ actual: doneBetween(track, span), target: planOf(track, span) })),
  );

const MOST_DAYS_NAMED = 31;

/** The full (or bright) days of a span: each named, or of many how many each month had. */
export function countedDays(
  totals: DayTotals,
  span: DaySpan,
  passMark: number,
  which: 'fullDays' | 'brightDays',
): Breakdown {
  const days: PlainDay[] = [];
  for (let day = Math.max(span.first, totals.first); day <= Math.min(span.last, totals.today); day++) {
    const { full, bright } = scoreOn(totals, day, passMark);
    if (which === 'fullDays' ? full : bright) days.push(day);
  }
  const [first, last] = [days[0], days.at(-1)];
  if (first === undefined || last === undefined) return sumOf([which], [], [0]);
  const chunks =
    daysIn({ first, last }) <= MOST_DAYS_NAMED
      ? days.map((day) => ({ first: day, last: day }))
      : cutInto({ first, last }, (day) => monthSpan(monthOfDay(day)));
  const parts = chunks.map((chunk): BreakdownPart => ({
    of: { kind: 'days', span: chunk },
    numbers: [days.filter((day) => day >= chunk.first && day <= chunk.last).length],
  }));
  return sumOf([which], withoutNothing(parts), [days.length]);
}

/** Ribbons of some months, habit by habit. */
export function ribbonsOfMonths(tracks: readonly Track[], months: readonly PlainMonth[], passMark: number): Breakdown {
  const counts = tracks.map(
    (track) =>
      months.filter((month) => isActiveIn(track, monthSpan(month)) && monthFigures(track, month, passMark).ribbon)
        .length,
  );
  const parts = tracks.map((track, index) => ofHabit(track, counts[index]!));
  return sumOf(['ribbons'], withoutNothing(parts), [counts.reduce((sum, count) => sum + count, 0)]);
}

/** A run of full days, by its days, weeks, months or years; days of which nothing was asked do not count. */
export function runOfFullDays(totals: DayTotals, run: Run, weekStart: Track['weekStart']): Breakdown {
  const parts = chunksOf(run, weekStart).map((span): BreakdownPart => {
    let days = 0;
    for (let day = span.first; day <= span.last; day++) if (scoreOn(totals, day, 1).full) days++;
    return { of: { kind: 'days', span }, numbers: [days] };
  });
  return sumOf(['days'], withoutNothing(parts), [run.length]);
}
