import { daysInMonth, monthOfDay } from '../calendar/month.ts';
import { type PlainDay, WEEKDAYS, weekdayOf } from '../calendar/plainDay.ts';
import type { Schedule } from '../record/records.ts';

/** What a schedule counts in: fixed schedules name days, flexible ones give a quota for weeks or months. */
export type AskKind = 'days' | 'weeks' | 'months';

/** What a schedule counts in. */
export function askKindOf(schedule: Schedule): AskKind {
  switch (schedule.kind) {
    case 'daily':
    case 'weekdays':
    case 'interval':
      return 'days';
    case 'perWeek':
      return 'weeks';
    case 'perMonth':
      return 'months';
  }
}

/**
 * Whether a schedule names `day` by the calendar alone: every day, or a weekday. The days of an interval go by what was
 * done, and a flexible schedule names no day: false.
 */
export function namesDay(schedule: Schedule, day: PlainDay): boolean {
  switch (schedule.kind) {
    case 'daily':
      return true;
    case 'weekdays':
      return schedule.days.includes(WEEKDAYS[weekdayOf(day)]!);
    case 'interval':
    case 'perWeek':
    case 'perMonth':
      return false;
  }
}

/**
 * Parts of one day in which plans and quotas are counted, so that sevenths of weeks and fractions of months of
 * 28, 29, 30 and 31 days add up in whole numbers: the least common multiple of 7, 28, 29, 30 and 31.
 */
export const PARTS_PER_DAY = 377580;

/** What one day of a flexible schedule owes, in parts of a day: n/7, or min(n, days in the month) / days in the month. */
export function owedParts(schedule: Schedule, day: PlainDay): number {
  switch (schedule.kind) {
    case 'daily':
    case 'weekdays':
    case 'interval':
      return 0;
    case 'perWeek':
      return (schedule.times * PARTS_PER_DAY) / 7;
    case 'perMonth': {
      const length = daysInMonth(monthOfDay(day));
      return (Math.min(schedule.times, length) * PARTS_PER_DAY) / length;
    }
  }
}
