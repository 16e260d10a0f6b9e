import { type PlainDay, type Weekday, dayOf, formatDay } from '../calendar/plainDay.ts';
import { type PlainMonth, formatMonth, monthOfDay } from '../calendar/month.ts';
import { yearSpan } from '../calendar/year.ts';
import type { Habit, Schedule } from '../record/records.ts';
import { withFirstTermsFrom } from './firstTerms.ts';
import { buildTrack } from './buildTrack.ts';
import { withYearTarget } from './settingTargets.ts';
import { setTargetOf } from './targetMonths.ts';
import { yearTargetOf } from './targets.ts';
import { heldTerms, termsOn } from './terms.ts';

/** What somebody wants of a habit in a year: how often (null: as it is), how many days (null: as that plans), or no more of it. */
export type YearWish = { schedule: Schedule | null; days: number | null; isOver: boolean };

/**
 * A habit as it is to be in a year: with other terms from its first day on (from `today`, where it has begun), with the
 * days aimed at, or ended with the year before. What is past stays as it was. `start` is the first day of its record.
 */
export function habitNextYear(before: Habit, start: PlainDay, year: number, wish: YearWish, today: PlainDay): Habit {
  const habit = withFirstTermsFrom(before, start);
  const { first } = yearSpan(year);
  if (wish.isOver) return { ...habit, endsOn: formatDay(Math.max(first - 1, today, dayOf(habit.startsOn))) };
  const from = Math.max(first, today);
  const day = formatDay(from);
  const inForce = termsOn(heldTerms(habit.terms), from);
  const held = habit.terms.find((each) => dayOf(each.from) === inForce.from)!;
  const terms =
    wish.schedule === null
      ? habit.terms
      : [...habit.terms.filter((each) => each.from !== day), { ...held, from: day, schedule: wish.schedule }].sort(
          (a, b) => (a.from < b.from ? -1 : 1),
        );
  const next = wish.schedule === null ? { ...habit, terms } : withPlanFrom({ ...habit, terms }, monthOfDay(from));
  return wish.days === null ? next : withYearTarget(next, year, { ...habit.yearTargets?.[year], days: wish.days });
}

/** A habit whose days from a month on are those that its terms plan, where a target set before would hold on. */
function withPlanFrom(habit: Habit, month: PlainMonth): Habit {
  const held = setTargetOf(habit, month);
  if (held?.days === undefined || held.days === null) return habit;
  const { days: _, ...others } = held;
  return { ...habit, monthTargets: { ...habit.monthTargets, [formatMonth(month)]: { ...others, onward: true } } };
}

/** How many days a year aims at for a habit as it is laid down: what is set, else what its terms plan; 0 where it is over. */
export const daysAimedIn = (habit: Habit, year: number, today: PlainDay, weekStart: Weekday): number =>
  yearTargetOf(buildTrack(habit, [], today, weekStart), year).days;
