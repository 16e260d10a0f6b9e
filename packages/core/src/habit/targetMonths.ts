import { type PlainMonth, monthOf, monthOfDay, monthSpan } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import type { Habit, MonthTarget } from '../record/records.ts';
import { type TargetMonths, type Track, activeDaysIn, eachTerms, planUnit, sumBetween } from './track.ts';

/** Whether what was put down for a month says anything of days or amounts; a reward alone does not. */
export const setsSomething = ({ days, amount, onward }: MonthTarget): boolean =>
  (days ?? amount ?? null) !== null || onward === true;

/** What is set by month, in order, for each habit that was asked about. */
const setMonths = new WeakMap<Habit, { month: PlainMonth; target: MonthTarget }[]>();

function setMonthsOf(habit: Habit): { month: PlainMonth; target: MonthTarget }[] {
  const known = setMonths.get(habit);
  if (known !== undefined) return known;
  const months = Object.entries(habit.monthTargets ?? {})
    .filter(([, target]) => setsSomething(target))
    .map(([text, target]) => ({ month: monthOf(text), target }))
    .sort((a, b) => a.month - b.month);
  setMonths.set(habit, months);
  return months;
}

/** What governs a month: what the user set for it, else for the latest earlier month onward; null where the plan rules. */
export function setTargetOf(habit: Habit, month: PlainMonth): MonthTarget | null {
  let found: MonthTarget | null = null;
  for (const each of setMonthsOf(habit)) {
    if (each.month > month) break;
    if (each.month === month || each.target.onward === true) found = each.target;
  }
  return found;
}

/** Target days set for a month, no more than it has of the active span; null where none are set. */
export function setDaysOf(track: Track, month: PlainMonth): number | null {
  const days = setTargetOf(track.habit, month)?.days ?? null;
  return days === null ? null : Math.min(days, activeDaysIn(track, monthSpan(month)));
}

/** The plan of a run of days in parts of a day, none of it rounded. */
function planParts(track: Track, { first, last }: DaySpan): number {
  let sum = 0;
  eachTerms(track, { first, last }, ({ schedule }, from, to) => {
    const parts = sumBetween(track, track.planSums, from, to);
    sum += schedule.kind === 'interval' ? parts / schedule.every : parts;
  });
  return sum;
}

/** What some days of one month with a target ask, in days: each its part of the target by the plan, never more than 1. */
function askedWithin(track: Track, span: DaySpan, target: number, plan: number): number {
  if (plan === 0) return 0;
  let sum = 0;
  eachTerms(track, span, ({ schedule }, first, last) => {
    const unit = planUnit(schedule, first);
    const days = sumBetween(track, track.planSums, first, last) / unit;
    const own = schedule.kind === 'interval' ? unit / schedule.every : unit;
    sum += days * Math.min(1, (target * own) / plan);
  });
  return sum;
}

/** Lays out the months of a track that have target days of their own; null where none has. */
export function layTargetMonths(track: Track): TargetMonths | null {
  const { first, horizon, habit } = track;
  if (habit.monthTargets === undefined || first > horizon) return null;
  const from = monthOfDay(first);
  const count = monthOfDay(horizon) - from + 1;
  const months: TargetMonths = {
    first: from,
    days: new Int8Array(count).fill(-1),
    plans: new Float64Array(count),
    asks: new Float64Array(count + 1),
  };
  let any = false;
  for (let i = 0; i < count; i++) {
    const target = setDaysOf(track, from + i);
    if (target !== null) {
      any = true;
      const span = monthSpan(from + i);
      months.days[i] = target;
      months.plans[i] = planParts(track, span);
      months.asks[i + 1] = askedWithin(track, span, target, months.plans[i]!);
    }
    months.asks[i + 1]! += months.asks[i]!;
  }
  return any ? months : null;
}

/** Whether a month has target days of its own. */
export const hasTarget = ({ targets }: Track, month: PlainMonth): boolean =>
  targets !== null && (targets.days[month - targets.first] ?? -1) >= 0;

/** What the months with a target of their own ask of a run of days, in days, not rounded. */
export function targetAsksBetween(track: Track, first: PlainDay, last: PlainDay): number {
  const { targets } = track;
  if (targets === null || last < first) return 0;
  const place = (day: PlainDay): number => monthOfDay(day) - targets.first;
  const from = Math.max(first, track.first);
  const [low, high] = [place(from), Math.min(place(last), targets.days.length - 1)];
  if (high < low) return 0;
  const within = (i: number): number => {
    if (targets.days[i]! < 0) return 0;
    const month = monthSpan(targets.first + i);
    const span = { first: Math.max(from, month.first), last: Math.min(last, month.last) };
    return span.first === month.first && span.last === month.last
      ? targets.asks[i + 1]! - targets.asks[i]!
      : askedWithin(track, span, targets.days[i]!, targets.plans[i]!);
  };
  if (low === high) return within(low);
  return within(low) + (targets.asks[high]! - targets.asks[low + 1]!) + within(high);
}

/** Calls `visit` for the stretches of a run of days, in order, with whether they lie in a month with a target of its own. */
export function eachTargetStretch(
  track: Track,
  span: DaySpan,
  visit: (first: PlainDay, last: PlainDay, isSet: boolean) => void,
): void {
  if (track.targets === null) return visit(span.first, span.last, false);
  for (let first = span.first; first <= span.last;) {
    const month = monthOfDay(first);
    const last = Math.min(span.last, monthSpan(month).last);
    visit(first, last, hasTarget(track, month));
    first = last + 1;
  }
}

/** `planSums` without the months that have a target of their own. */
export function askSumsOf(track: Track, targets: TargetMonths | null): Track['askSums'] {
  const { planSums, first } = track;
  if (targets === null) return planSums;
  const sums = planSums.slice();
  let taken = 0;
  for (let i = 0; i < targets.days.length; i++) {
    const month = monthSpan(targets.first + i);
    const from = Math.max(0, month.first - first);
    const to = Math.min(planSums.length - 1, month.last - first + 1);
    const isSet = targets.days[i]! >= 0;
    for (let place = from; place < to; place++) {
      if (isSet) taken += planSums[place + 1]! - planSums[place]!;
      sums[place + 1] = planSums[place + 1]! - taken;
    }
  }
  return sums;
}
