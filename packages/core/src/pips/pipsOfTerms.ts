import { type PlainMonth, daysInMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import { type PlainDay, WEEKDAYS, weekdayOf } from '../calendar/plainDay.ts';
import { eachDay } from '../calendar/span.ts';
import { roundRatio, tidySum } from '../number/exact.ts';
import type { Terms } from '../record/records.ts';

type Earning = Pick<Terms, 'schedule' | 'pips'>;

/** Days that terms plan over a whole month: those they name, else in whole days what they ask of its days. */
function daysOfFullMonth({ schedule }: Earning, month: PlainMonth): number {
  const length = daysInMonth(month);
  switch (schedule.kind) {
    case 'daily':
      return length;
    case 'weekdays':
      return eachDay(monthSpan(month)).filter((day) => schedule.days.includes(WEEKDAYS[weekdayOf(day)]!)).length;
    case 'interval':
      return Math.floor(length / schedule.every);
    case 'perWeek':
      return roundRatio(schedule.times * length, 7);
    case 'perMonth':
      return Math.min(schedule.times, length);
  }
}

/** Days that terms plan over a whole week; of so many a month by the month that `day` lies in. */
function daysOfFullWeek({ schedule }: Earning, day: PlainDay): number {
  switch (schedule.kind) {
    case 'daily':
      return 7;
    case 'weekdays':
      return schedule.days.length;
    case 'interval':
      return Math.floor(7 / schedule.every);
    case 'perWeek':
      return schedule.times;
    case 'perMonth': {
      const length = daysInMonth(monthOfDay(day));
      return roundRatio(Math.min(schedule.times, length) * 7, length);
    }
  }
}

/** What a month earns under terms that hold in all of it, every planned day done. */
export const pipsOfFullMonth = (terms: Earning, month: PlainMonth): number =>
  tidySum((terms.pips ?? 0) * daysOfFullMonth(terms, month));

/** What a week earns under terms that hold in all of it, every planned day done. */
export const pipsOfFullWeek = (terms: Earning, day: PlainDay): number =>
  tidySum((terms.pips ?? 0) * daysOfFullWeek(terms, day));
