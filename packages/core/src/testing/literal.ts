import { daysInMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import { type PlainDay, WEEKDAYS, type Weekday, dayOf, weekdayOf } from '../calendar/plainDay.ts';
import { type DaySpan, eachDay } from '../calendar/span.ts';
import { weekSpan } from '../calendar/week.ts';
import type { Entry, Habit, Terms } from '../record/records.ts';

/**
 * The rules once more, word by word and day by day, with nothing shared with the code they check: slow, and easy to hold
 * against what is written. Check habits only; `today` is the day of the figures.
 */
export function literalHabit(habit: Habit, all: readonly Entry[], today: PlainDay, weekStart: Weekday = 'monday') {
  const entries = new Map(all.flatMap((entry) => (dayOf(entry.day) <= today ? [[dayOf(entry.day), entry]] : [])));
  const recorded = [...entries.keys()];
  const first = Math.min(dayOf(habit.startsOn), ...recorded);
  const last = habit.endsOn ? Math.max(dayOf(habit.endsOn), ...recorded) : Infinity;
  const isActive = (day: PlainDay) => day >= first && day <= last;
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
  const isNamed = (day: PlainDay): boolean => {
    const { schedule, from } = termsOn(day);
    if (schedule.kind === 'daily') return true;
    if (schedule.kind === 'weekdays') return schedule.days.includes(WEEKDAYS[weekdayOf(day)]!);
    return schedule.kind === 'interval' && Math.abs(day - dayOf(from)) % schedule.every === 0;
  };
  const isDue = (day: PlainDay) => isNamed(day) && isActive(day) && !isPaused(day) && !isRest(day);
  const canCount = (day: PlainDay) => isFlexible(day) && isActive(day) && !isPaused(day);
  /** What a flexible day owes, in 7ths times 28·29·30·31 parts, so that sums are whole. */
  const WHOLE = 7n * 28n * 29n * 30n * 31n;
  const owed = (day: PlainDay): bigint => {
    const { schedule } = termsOn(day);
    if (schedule.kind === 'perWeek') return (BigInt(schedule.times) * WHOLE) / 7n;
    if (schedule.kind !== 'perMonth') return 0n;
    const length = daysInMonth(monthOfDay(day));
    return (BigInt(Math.min(schedule.times, length)) * WHOLE) / BigInt(length);
  };
  const rounded = (days: readonly PlainDay[]): number =>
    Number((2n * days.reduce((sum, day) => sum + owed(day), 0n) + WHOLE) / (2n * WHOLE));

  const kept = ({ first: a, last: b }: DaySpan) => {
    const days = eachDay({ first: Math.max(a, first), last: Math.min(b, today) }).filter((day) => !isOpen(day));
    const due = days.filter(isDue);
    const asked = rounded(days.filter((day) => canCount(day) && !isRest(day)));
    const done = days.filter((day) => isFlexible(day) && isDone(day)).length;
    return { asked: due.length + asked, kept: due.filter(isDone).length + Math.min(asked, done) };
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

export type LiteralHabit = ReturnType<typeof literalHabit>;

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
