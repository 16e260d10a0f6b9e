import { type PlainMonth, daysInMonth, formatMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import { type PlainDay, WEEKDAYS, type Weekday, dayOf, weekdayOf } from '../calendar/plainDay.ts';
import { type DaySpan, eachDay } from '../calendar/span.ts';
import { weekSpan } from '../calendar/week.ts';
import { type Fraction, ONE, ZERO, fraction, minus, over, plus, times } from '../number/fraction.ts';
import type { Entry, Habit, Terms } from '../record/records.ts';

/**
 * The rules once more, word by word and day by day, with nothing shared with the code they check but fractions: slow, and
 * easy to hold against what is written. Check habits only; `today` is the day of the figures.
 */
export function literalHabit(habit: Habit, all: readonly Entry[], today: PlainDay, weekStart: Weekday = 'monday') {
  const entries = new Map(all.flatMap((entry) => (dayOf(entry.day) <= today ? [[dayOf(entry.day), entry]] : [])));
  const recorded = [...entries].flatMap(([day, entry]) => (entry.mark ? [day] : []));
  const first = Math.min(dayOf(habit.startsOn), ...recorded);
  const last = habit.endsOn ? dayOf(habit.endsOn) : Infinity;
  const isActive = (day: PlainDay) => (day >= first && day <= last) || (day > last && recorded.includes(day));
  const isPaused = (day: PlainDay) =>
    (habit.pauses ?? []).some(({ from, to }) => day >= dayOf(from) && day <= dayOf(to));
  const termsOn = (day: PlainDay): Terms =>
    [...habit.terms].reverse().find(({ from }) => dayOf(from) <= day) ?? habit.terms[0]!;
  const isDone = (day: PlainDay) => entries.get(day)?.mark === 'done';
  const isRest = (day: PlainDay) => entries.get(day)?.mark === 'rest';
  const isMissed = (day: PlainDay) => entries.get(day)?.mark === 'missed';
  const isOpen = (day: PlainDay) => day === today && !isDone(day) && !isRest(day) && !isMissed(day);
  const kindOn = (day: PlainDay) => termsOn(day).schedule.kind;
  const isFlexible = (day: PlainDay) => kindOn(day) === 'perWeek' || kindOn(day) === 'perMonth';

  /** The days that an interval asks, from the habit's first day to some weeks after today. */
  const intervalDays = new Set<PlainDay>();
  let [every, latest]: [number | null, PlainDay] = [null, -Infinity];
  for (let day = first; day <= today + 60; day++) {
    if (!isActive(day)) continue;
    const { schedule } = termsOn(day);
    if (schedule.kind !== 'interval') {
      every = null;
      continue;
    }
    if (schedule.every !== every) [every, latest] = [schedule.every, -Infinity];
    const isAsked = day >= latest + every && !isPaused(day);
    if (isAsked) intervalDays.add(day);
    if (latest === -Infinity) latest = day - every;
    if (isAsked || isDone(day)) latest = day;
  }

  const isNamed = (day: PlainDay): boolean => {
    const { schedule } = termsOn(day);
    if (schedule.kind === 'daily') return true;
    if (schedule.kind === 'weekdays') return schedule.days.includes(WEEKDAYS[weekdayOf(day)]!);
    return intervalDays.has(day);
  };
  const isDue = (day: PlainDay) => isNamed(day) && isActive(day) && !isPaused(day) && !isRest(day);
  const canCount = (day: PlainDay) => isFlexible(day) && isActive(day) && !isPaused(day);
  const whole = (n: number): Fraction => fraction(BigInt(n));
  const sum = (all: readonly Fraction[]): Fraction => all.reduce(plus, ZERO);
  /** What a flexible day owes. */
  const owed = (day: PlainDay): Fraction => {
    const { schedule } = termsOn(day);
    if (schedule.kind === 'perWeek') return fraction(BigInt(schedule.times), 7n);
    if (schedule.kind !== 'perMonth') return ZERO;
    const length = daysInMonth(monthOfDay(day));
    return fraction(BigInt(Math.min(schedule.times, length)), BigInt(length));
  };
  const roundedDown = ({ n, d }: Fraction): number => (n < 0n ? 0 : Number(n / d));
  const roundedUp = ({ n, d }: Fraction): number => (n <= 0n ? 0 : Number((n + d - 1n) / d));
  const halfUp = ({ n, d }: Fraction): number => Number((2n * n + d) / (2n * d));
  const rounded = (days: readonly PlainDay[]): number => halfUp(sum(days.map(owed)));

  const planOfDay = (day: PlainDay): Fraction => {
    if (!isActive(day) || isPaused(day)) return ZERO;
    const { schedule } = termsOn(day);
    if (schedule.kind === 'interval') return fraction(1n, BigInt(schedule.every));
    return isFlexible(day) ? owed(day) : isNamed(day) ? ONE : ZERO;
  };
  /** The target days set for a month, no more than it has of the active span; null where the plan rules. */
  const setDays = (month: PlainMonth): number | null => {
    const own = habit.monthTargets?.[formatMonth(month)];
    return own?.days === undefined ? null : Math.min(own.days, eachDay(monthSpan(month)).filter(isActive).length);
  };
  const monthPlans = new Map<PlainMonth, Fraction>();
  const monthPlan = (month: PlainMonth): Fraction => {
    const plan = monthPlans.get(month) ?? sum(eachDay(monthSpan(month)).map(planOfDay));
    monthPlans.set(month, plan);
    return plan;
  };
  const isSet = (day: PlainDay): boolean => setDays(monthOfDay(day)) !== null;
  /** What a day asks. */
  const asks = (day: PlainDay): Fraction => {
    const target = setDays(monthOfDay(day));
    if (target !== null) {
      const plan = monthPlan(monthOfDay(day));
      if (plan.n === 0n) return ZERO;
      const part = over(times(whole(target), planOfDay(day)), plan);
      return part.n > part.d ? ONE : part;
    }
    if (kindOn(day) !== 'interval') return isRest(day) ? ZERO : planOfDay(day);
    return isRest(day) && intervalDays.has(day) && !isPaused(day) ? minus(planOfDay(day), ONE) : planOfDay(day);
  };
  const isByMonth = (day: PlainDay): boolean => isSet(day) || kindOn(day) === 'perMonth';

  const kept = ({ first: a, last: b }: DaySpan) => {
    const days = eachDay({ first: Math.max(a, first), last: Math.min(b, today) });
    const settled = days.filter((day) => !isOpen(day));
    const isOfInterval = (day: PlainDay): boolean => !isSet(day) && kindOn(day) === 'interval';
    const asked =
      roundedDown(sum(settled.filter(isOfInterval).map(asks))) +
      halfUp(sum(settled.filter((day) => !isOfInterval(day)).map(asks)));
    const done = days.filter(isDone);
    const groups = new Map<string, { inSpan: number; asks: () => number }>();
    for (const day of done) {
      const month = monthOfDay(day);
      const week = weekSpan(day, weekStart);
      const key = isByMonth(day) ? `month ${month}` : `week ${week.first}`;
      const group = groups.get(key) ?? {
        inSpan: 0,
        asks: () =>
          roundedUp(
            sum(
              isByMonth(day)
                ? eachDay(monthSpan(month)).filter(isByMonth).map(asks)
                : eachDay(week)
                    .filter((each) => !isByMonth(each))
                    .map(asks),
            ),
          ),
      };
      group.inSpan++;
      groups.set(key, group);
    }
    const counted = [...groups.values()].reduce((all, group) => all + Math.min(group.inSpan, group.asks()), 0);
    return { asked, kept: Math.min(asked, counted) };
  };

  /** What the habit asks of a day as seen on it; null where it is not eligible. */
  const need = (day: PlainDay): number | null => {
    if (!canCount(day) || isRest(day)) return null;
    const kind = kindOn(day);
    const period = kind === 'perWeek' ? weekSpan(day, weekStart) : monthSpan(monthOfDay(day));
    const days = eachDay(period).filter((each) => kindOn(each) === kind);
    const eligible = days.filter((each) => canCount(each) && (each > day || !isRest(each)));
    const before = days.filter((each) => each < day && isDone(each)).length;
    const left = eligible.filter((each) => each >= day).length;
    return Math.min(1, Math.max(0, (rounded(eligible) - before) / left));
  };

  return { first, kept, need, isDue, isDone, isFlexible };
}

type LiteralHabit = ReturnType<typeof literalHabit>;

/** Numerator and denominator of a day's score over several habits. */
export function literalScore(habits: readonly LiteralHabit[], day: PlainDay): { done: number; due: number } {
  const due = habits.filter((habit) => habit.isDue(day));
  const flexible = habits.filter((habit) => habit.isFlexible(day) && habit.isDone(day)).length;
  const needs = habits.reduce((sum, habit) => sum + (habit.need(day) ?? 0), 0);
  return {
    done: due.filter((habit) => habit.isDone(day)).length + flexible,
    due: due.length + Math.max(flexible, Math.floor(needs + 1e-9)),
  };
}
