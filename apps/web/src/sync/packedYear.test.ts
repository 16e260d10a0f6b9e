import { type Entry, dayOf, firstOfYear, formatDay, isLeapYear } from '@wimbel/core';
import fc from 'fast-check';
import { unpackYear, packYear } from './packedYear.ts';

const lengthOf = (year: number): number => (isLeapYear(year) ? 366 : 365);

/** An entry of a day, from nothing but a mark to all there can be, in any order of its keys. */
const entryOn = (day: string): fc.Arbitrary<Entry> =>
  fc.oneof(
    fc.constantFrom('done', 'missed', 'rest').map((mark) => ({ habitId: 'h', day, mark }) as Entry),
    fc.constantFrom('done', 'rest').map((mark) => ({ mark, day, habitId: 'h' }) as Entry),
    fc
      .record({ amount: fc.double({ min: 0, noNaN: true }), note: fc.string() })
      .map((more) => ({ habitId: 'h', day, ...more })),
    fc.string().map((note): Entry => ({ habitId: 'h', day, mark: 'missed', note })),
    fc.constant({ habitId: 'h', day }),
  );

const someYear = fc.integer({ min: 2015, max: 2032 }).chain((year) =>
  fc
    .uniqueArray(fc.nat({ max: lengthOf(year) - 1 }), { maxLength: 60 })
    .chain((places) =>
      fc.tuple(...places.map((at) => entryOn(formatDay(firstOfYear(year) + at)).map((entry) => [at, entry] as const))),
    )
    .map((placed) => {
      const days = new Array<Entry | null>(lengthOf(year)).fill(null);
      for (const [at, entry] of placed) days[at] = entry;
      return { year, days };
    }),
);

describe('a year as the device keeps it', () => {
  it('comes back as it was, to the order of its keys', () => {
    fc.assert(
      fc.property(someYear, ({ year, days }) => {
        const kept = packYear('h', year, days);
        expect(JSON.stringify(unpackYear(kept))).toBe(JSON.stringify(days));
        // What is a mark alone costs a letter and no more.
        const alone = days.filter((entry) => JSON.stringify(Object.keys(entry ?? {})) === '["habitId","day","mark"]');
        expect(Object.keys(kept.others)).toHaveLength(days.filter((entry) => entry !== null).length - alone.length);
      }),
    );
  });

  it('that was kept as a list of entries is read as well', () => {
    const days = new Array<Entry | null>(365).fill(null);
    days[3] = { habitId: 'h', day: '2026-01-04', mark: 'done' };
    expect(unpackYear({ habitId: 'h', year: 2026, days })).toEqual(days);
    expect(dayOf(days[3].day) - firstOfYear(2026)).toBe(3);
  });

  it('is damaged where any of it is not what it should be', () => {
    const whole = packYear('h', 2026, [{ habitId: 'h', day: '2026-01-01', note: 'first' }]);
    expect(unpackYear(whole)?.[0]).toEqual({ habitId: 'h', day: '2026-01-01', note: 'first' });
    for (const wrong of [
      undefined,
      'x',
      {},
      { ...whole, habitId: 1 },
      { ...whole, year: '2026' },
      { ...whole, marks: whole.marks.slice(1) },
      { ...whole, marks: `${whole.marks}.` },
      { ...whole, marks: whole.marks.replace('.', 'x') },
      { ...whole, others: {} },
      { ...whole, others: null },
    ])
      expect(unpackYear(wrong)).toBeNull();
  });
});
