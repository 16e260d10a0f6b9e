import fc from 'fast-check';
import { dayOf, formatDay } from '../calendar/plainDay.ts';
import { entries, someDay } from '../testing/arbitraries.ts';
import type { Entry } from './records.ts';
import { changedDays, eachEntry, entryOn, entryYearsOf, withEntriesOn, yearsOf } from './entryYears.ts';

describe('entries by year', () => {
  it('hold every entry at its day, and tell them in order', () => {
    fc.assert(
      fc.property(entries, (list) => {
        const years = entryYearsOf(list);
        for (const entry of list) expect(entryOn(years, dayOf(entry.day))).toBe(entry);
        expect([...eachEntry(years)]).toEqual([...list].sort((a, b) => (a.day < b.day ? -1 : 1)));
      }),
    );
  });

  it('find the days on which two of them differ, and keep the years that do not', () => {
    fc.assert(
      fc.property(entries, fc.uniqueArray(someDay, { maxLength: 5 }), (list, days) => {
        const before = entryYearsOf(list);
        let after = before;
        for (const day of days)
          after = withEntriesOn(after, [[day, { habitId: 'h', day: formatDay(day), note: 'changed' }]]);
        expect(changedDays(before, after)).toEqual([...days].sort((a, b) => a - b));
        const touched = new Set(days.map((day) => Number(formatDay(day).slice(0, 4))));
        for (const year of yearsOf(before)) expect(after[year] === before[year]).toBe(!touched.has(year));
      }),
    );
  });

  it('take many days in at once as they would one after the other, and leave what they were as it was', () => {
    fc.assert(
      fc.property(entries, fc.array(fc.tuple(someDay, fc.boolean()), { maxLength: 20 }), (list, days) => {
        const before = entryYearsOf(list);
        const held = structuredClone(before);
        const made = days.map(([day, isGone], at): [number, Entry | null] => [
          day,
          isGone ? null : { habitId: 'h', day: formatDay(day), note: `${at}` },
        ]);
        const oneByOne = made.reduce((years, [day, entry]) => withEntriesOn(years, [[day, entry]]), before);
        expect(withEntriesOn(before, made)).toEqual(oneByOne);
        expect(before).toEqual(held);
      }),
    );
  });

  it('reach over a leap day and a turn of the year', () => {
    let years = entryYearsOf([]);
    for (const day of ['2024-02-29', '2024-12-31', '2025-01-01'])
      years = withEntriesOn(years, [[dayOf(day), { habitId: 'h', day, mark: 'done' }]]);
    expect([...eachEntry(years)].map(({ day }) => day)).toEqual(['2024-02-29', '2024-12-31', '2025-01-01']);
    years = withEntriesOn(years, [[dayOf('2024-12-31'), null]]);
    expect(entryOn(years, dayOf('2024-12-31'))).toBeNull();
    expect(entryOn(years, dayOf('2023-12-31'))).toBeNull();
  });
});
