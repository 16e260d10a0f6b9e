import { type PlainMonth, monthSpan } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { type DayTotals, scoreOn } from '../day/dayScore.ts';
import { type Ranked, rankHabits } from '../habit/ranking.ts';
import { togetherOf } from '../habit/targets.ts';
import { isActiveIn } from '../habit/track.ts';
import { type HabitReckoning, monthOfReckoning } from './habitReckoning.ts';

export type Together = { actual: number; target: number; share: number | null };

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
  habits: readonly HabitReckoning[],
  month: PlainMonth,
  passMark: number,
): Omit<MonthSummary, 'fullDays' | 'brightDays'> {
  const span = monthSpan(month);
  const byArea = new Map<string, Together[]>();
  const ranked: Ranked[] = [];
  const all: Together[] = [];
  let ribbons = 0;
  habits.forEach((reckoning, place) => {
    const { habit } = reckoning.track;
    if (!isActiveIn(reckoning.track, span)) return;
    const figures = monthOfReckoning(reckoning, month, passMark);
    all.push(figures);
    if (figures.ribbon) ribbons++;
    ranked.push({ id: habit.id, share: figures.share, actual: figures.actual, order: habit.order, place });
    const area = habit.areaId ?? 'none';
    const members = byArea.get(area);
    if (members) members.push(figures);
    else byArea.set(area, [figures]);
  });
  return {
    ...togetherOf(all),
    ribbons,
    ranking: rankHabits(ranked),
    areas: Object.fromEntries([...byArea].map(([area, members]) => [area, togetherOf(members)])),
  };
}

/** Full and bright days of a span up to today. */
export function dayCounts(
  totals: DayTotals,
  span: DaySpan,
  today: PlainDay,
  passMark: number,
): { fullDays: number; brightDays: number } {
  let fullDays = 0;
  let brightDays = 0;
  for (let day = Math.max(span.first, totals.first); day <= Math.min(span.last, today); day++) {
    const { full, bright } = scoreOn(totals, day, passMark);
    if (full) fullDays++;
    if (bright) brightDays++;
  }
  return { fullDays, brightDays };
}
