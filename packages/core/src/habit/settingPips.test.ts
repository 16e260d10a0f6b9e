import type { Habit, Terms } from '../record/records.ts';
import { dayOf } from '../calendar/plainDay.ts';
import { withPipsFrom } from './settingPips.ts';

const TODAY = dayOf('2026-11-24');
const terms = (from: string, pips?: number): Terms => ({
  from,
  schedule: { kind: 'daily' },
  ...(pips ? { pips } : {}),
});
const after = (all: Terms[], pips: number, first = all[0]!.from) =>
  withPipsFrom({ terms: all } as Habit, dayOf(first), TODAY, pips).terms;

describe('pips set from a day on', () => {
  it('leaves what earlier days earned, and keeps the rest of the terms', () => {
    expect(after([terms('2026-01-01', 1)], 3)).toEqual([terms('2026-01-01', 1), terms('2026-11-24', 3)]);
    expect(after([terms('2026-01-01', 1)], 0)).toEqual([terms('2026-01-01', 1), terms('2026-11-24')]);
  });

  it('pays nothing for days that came in after the habit was made', () => {
    expect(after([terms('2026-11-24')], 3, '2026-09-01')).toEqual([terms('2026-09-01'), terms('2026-11-24', 3)]);
  });

  it('goes into terms that begin on that day or later, and makes none for a habit still to begin', () => {
    expect(after([terms('2026-01-01'), terms('2026-11-24', 1), terms('2027-01-01')], 2)).toEqual([
      terms('2026-01-01'),
      terms('2026-11-24', 2),
      terms('2027-01-01', 2),
    ]);
    expect(after([terms('2026-12-01')], 2)).toEqual([terms('2026-12-01', 2)]);
  });
});
