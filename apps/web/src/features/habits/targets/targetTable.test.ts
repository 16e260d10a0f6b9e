import { type Habit, NO_ENTRIES, dayOf, monthOf, setTargetOf, buildTrackFromYears } from '@wimbel/core';
import { asLastMonth, asPlanned, targetLines, withTarget } from './targetTable.ts';

const TODAY = dayOf('2026-11-24');
const NOVEMBER = monthOf('2026-11');
const at = (isOnward: boolean) => ({ month: NOVEMBER, year: 2026, isOnward });
const habit = (more: Partial<Habit> = {}): Habit => ({
  id: 'h',
  name: 'Scales',
  order: 0,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'amount', unit: 'min', step: 5 },
  terms: [{ from: '2026-10-01', schedule: { kind: 'daily' }, atLeast: 20 }],
  startsOn: '2026-10-01',
  ...more,
});
const linesOf = (...habits: Habit[]) =>
  targetLines(
    habits.map((each) => buildTrackFromYears(each, NO_ENTRIES, TODAY, 'monday')),
    NOVEMBER,
    2026,
  );

describe('the table of targets', () => {
  it('shows the plan where nothing is set, and leaves archived and later habits out', () => {
    const [line, ...others] = linesOf(
      habit(),
      habit({ id: 'a', archived: true, endsOn: '2026-11-20' }),
      habit({
        id: 'b',
        startsOn: '2026-12-01',
        terms: [{ from: '2026-12-01', schedule: { kind: 'daily' }, atLeast: 20 }],
      }),
    );
    expect(line).toMatchObject({ planned: 30, yearPlanned: 92, set: { days: null, amount: null, year: null } });
    expect(others).toEqual([]);
  });

  it('sets one field and keeps the others, with the reward', () => {
    const first = withTarget(
      habit({ monthTargets: { '2026-11': { days: 20, reward: 'New strings', onward: true } } }),
      'amount',
      500,
      at(true),
    );
    expect(first.monthTargets).toEqual({ '2026-11': { days: 20, amount: 500, reward: 'New strings', onward: true } });
    expect(withTarget(first, 'days', null, at(true)).monthTargets).toEqual({
      '2026-11': { amount: 500, reward: 'New strings', onward: true },
    });
    const year = withTarget(habit({ yearTargets: { '2026': { amount: 9000 } } }), 'year', 80, at(true));
    expect(year.yearTargets).toEqual({ '2026': { amount: 9000, days: 80 } });
    expect(withTarget(year, 'year', null, at(true)).yearTargets).toEqual({ '2026': { amount: 9000 } });
  });

  it('set for this month only, lets the next go on as before', () => {
    const next = withTarget(habit({ monthTargets: { '2026-10': { days: 25, onward: true } } }), 'days', 10, at(false));
    expect([NOVEMBER - 1, NOVEMBER, NOVEMBER + 1].map((month) => setTargetOf(next, month)?.days)).toEqual([25, 10, 25]);
  });

  it('takes over last month, or the plan where nothing is set', () => {
    const lines = linesOf(
      habit({ id: 'a', monthTargets: { '2026-10': { days: 12, amount: 300 } } }),
      habit({ id: 'b', monthTargets: { '2026-10': { days: 8, onward: true } } }),
    );
    const taken = asLastMonth(lines, NOVEMBER, false);
    expect(taken.map((each) => [each.id, setTargetOf(each, NOVEMBER)])).toEqual([['a', { days: 12, amount: 300 }]]);
    const planned = asPlanned(lines, NOVEMBER, true);
    expect(
      planned.map((each) => [each.id, setTargetOf(each, NOVEMBER)?.days, setTargetOf(each, NOVEMBER + 1)?.days]),
    ).toEqual([['a', 30, 30]]);
  });
});
