import { type PlainMonth, monthSpan } from '../calendar/month.ts';
import type { DaySpan } from '../calendar/span.ts';
import type { DayTotals } from '../day/dayScore.ts';
import { type Ranked, rankHabits } from '../habit/ranking.ts';
import { earnsRibbon } from '../habit/targets.ts';
import { isActiveIn } from '../habit/track.ts';
import { isAtLeast, shareOf } from '../number/exact.ts';
import { type HabitFigures, monthDaysOf } from './habitFigures.ts';

/** Several habits together: against their targets, each no further than its own, and what was kept of what was asked. */
export type Together = {
  actual: number;
  target: number;
  share: number | null;
  kept: number;
  asked: number;
  rate: number | null;
};

/** A month over all habits that take part in it: those whose active span has a day of it. */
export type MonthSummary = Together & {
  fullDays: number;
  brightDays: number;
  ribbons: number;
  ranking: string[];
  /** By area id, `none` for habits without one. */
  areas: Record<string, Together>;
};

/** What the habits came to in a month, without its days. */
export function monthTogether(
  habits: readonly HabitFigures[],
  month: PlainMonth,
  passMark: number,
): Omit<MonthSummary, 'fullDays' | 'brightDays'> {
  const span = monthSpan(month);
  const byArea = new Map<string, Sums>();
  const all = noSums();
  const ranked: Ranked[] = [];
  let ribbons = 0;
  for (let place = 0; place < habits.length; place++) {
    const figures = habits[place]!;
    const { habit } = figures.track;
    if (!isActiveIn(figures.track, span)) continue;
    const { actual, target, kept, asked } = monthDaysOf(figures, month);
    if (earnsRibbon(figures.track, month, shareOf(actual, target), passMark)) ribbons++;
    ranked.push({ id: habit.id, rate: shareOf(kept, asked), actual, order: habit.order, place });
    const area = habit.areaId ?? 'none';
    const own = byArea.get(area) ?? noSums();
    byArea.set(area, own);
    for (const sum of [all, own]) {
      sum.actual += Math.min(actual, target);
      sum.target += target;
      sum.kept += kept;
      sum.asked += asked;
    }
  }
  return {
    ...withRatios(all),
    ribbons,
    ranking: rankHabits(ranked),
    areas: Object.fromEntries([...byArea].map(([area, sum]) => [area, withRatios(sum)])),
  };
}

type Sums = Omit<Together, 'share' | 'rate'>;

const noSums = (): Sums => ({ actual: 0, target: 0, kept: 0, asked: 0 });

const withRatios = (sums: Sums): Together => ({
  ...sums,
  share: shareOf(sums.actual, sums.target),
  rate: shareOf(sums.kept, sums.asked),
});

/** Full and bright days of a span up to today. */
export function dayCounts(
  totals: DayTotals,
  span: DaySpan,
  passMark: number,
): { fullDays: number; brightDays: number } {
  let [fullDays, brightDays] = [0, 0];
  const { first, done, due } = totals;
  const to = Math.min(span.last - first, due.length - 1);
  for (let i = Math.max(0, span.first - first); i <= to; i++) {
    if (due[i] === 0) continue;
    if (done[i] === due[i]) fullDays++;
    if (isAtLeast(done[i]! / due[i]!, passMark)) brightDays++;
  }
  return { fullDays, brightDays };
}
