import fc from 'fast-check';
import { daysInMonth, formatMonth, monthOf, monthOfDay, monthSpan, parseMonth } from './month.ts';
import {
  LAST_DAY,
  WEEKDAYS,
  dayFromParts,
  dayOf,
  formatDay,
  isLeapYear,
  parseDay,
  partsOfDay,
  weekdayOf,
} from './plainDay.ts';
import { daysIn, eachDay, holdsDay, overlaps } from './span.ts';
import { isoWeekNumber, startOfWeek, weekSpan } from './week.ts';
import { monthsOfYear, quarterOfMonth, yearOfDay, yearSpan } from './year.ts';

const days = fc.integer({ min: dayOf('0001-01-01'), max: LAST_DAY });

describe('days', () => {
  it('count from 1970-01-01', () => {
    expect(dayOf('1970-01-01')).toBe(0);
    expect(dayOf('2000-03-01')).toBe(11017);
    expect(formatDay(LAST_DAY)).toBe('9999-12-31');
    expect(formatDay(-1)).toBe('1969-12-31');
  });

  it('come back from their parts and from their text, over all years', () => {
    fc.assert(
      fc.property(days, (day) => {
        const { year, month, date } = partsOfDay(day);
        expect(dayFromParts(year, month, date)).toBe(day);
        expect(parseDay(formatDay(day))).toBe(day);
      }),
    );
  });

  it('follow each other as the calendar of the platform has them', () => {
    fc.assert(
      fc.property(days, (day) => {
        const there = new Date(day * 86_400_000);
        expect(partsOfDay(day)).toEqual({
          year: there.getUTCFullYear(),
          month: there.getUTCMonth() + 1,
          date: there.getUTCDate(),
        });
        expect(weekdayOf(day)).toBe((there.getUTCDay() + 6) % 7);
      }),
    );
  });

  it.each([
    '2025-02-29',
    '1900-02-29',
    '2025-00-10',
    '2025-13-01',
    '2025-04-31',
    '2025-1-1',
    '2025-01-1x',
    ' 2025-01-01',
    '2025/01/01',
    '',
  ])('that do not exist are no day: "%s"', (text) => {
    expect(parseDay(text)).toBeNull();
    expect(() => dayOf(text)).toThrow(RangeError);
  });

  it('have a 29 February in leap years only', () => {
    expect([1900, 2000, 2023, 2024, 2100].map(isLeapYear)).toEqual([false, true, false, true, false]);
    expect(parseDay('2024-02-29')).not.toBeNull();
    expect(parseDay('2000-02-29')).not.toBeNull();
  });

  it('outside four digits of year cannot be written', () => {
    expect(() => formatDay(LAST_DAY + 1)).toThrow(RangeError);
    expect(() => formatDay(NaN)).toThrow(RangeError);
  });
});

describe('weeks', () => {
  it('start on the weekday that is set, and hold the day', () => {
    fc.assert(
      fc.property(days, fc.constantFrom(...WEEKDAYS), (day, weekStart) => {
        const first = startOfWeek(day, weekStart);
        expect(WEEKDAYS[weekdayOf(first)]).toBe(weekStart);
        expect(holdsDay(weekSpan(day, weekStart), day)).toBe(true);
        expect(daysIn(weekSpan(day, weekStart))).toBe(7);
      }),
    );
  });

  it.each([
    ['2024-12-30', 1],
    ['2026-01-01', 1],
    ['2027-01-01', 53],
    ['2023-01-01', 52],
    ['2026-11-24', 48],
  ])('carry the ISO number: %s is in week %i', (text, week) => expect(isoWeekNumber(dayOf(text))).toBe(week));
});

describe('months, quarters and years', () => {
  it('months come back from their text and hold their days', () => {
    fc.assert(
      fc.property(days, (day) => {
        const month = monthOfDay(day);
        expect(parseMonth(formatMonth(month))).toBe(month);
        expect(holdsDay(monthSpan(month), day)).toBe(true);
        expect(daysIn(monthSpan(month))).toBe(daysInMonth(month));
        expect(monthSpan(month).last + 1).toBe(monthSpan(month + 1).first);
      }),
    );
  });

  it.each(['2025-00', '2025-13', '2025-1', '25-01', '2025-01-01', ''])('"%s" is no month', (text) => {
    expect(parseMonth(text)).toBeNull();
    expect(() => monthOf(text)).toThrow(RangeError);
  });

  it('a year has twelve months and 365 or 366 days', () => {
    expect(daysIn(yearSpan(2024))).toBe(366);
    expect(daysIn(yearSpan(2025))).toBe(365);
    expect(monthsOfYear(2025).map(formatMonth).at(0)).toBe('2025-01');
    expect(monthsOfYear(2025)).toHaveLength(12);
    expect(yearOfDay(dayOf('2025-12-31'))).toBe(2025);
  });

  it('quarters are those of the calendar', () => {
    const { first, last } = quarterOfMonth(monthOf('2025-05'));
    expect([formatMonth(first), formatMonth(last)]).toEqual(['2025-04', '2025-06']);
  });

  it('spans know their days and whether they meet', () => {
    expect(eachDay({ first: 3, last: 5 })).toEqual([3, 4, 5]);
    expect(eachDay({ first: 3, last: 2 })).toEqual([]);
    expect(overlaps({ first: 1, last: 3 }, { first: 3, last: 4 })).toBe(true);
    expect(overlaps({ first: 1, last: 2 }, { first: 3, last: 4 })).toBe(false);
  });
});
