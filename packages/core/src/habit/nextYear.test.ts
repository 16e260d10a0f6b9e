import { dayOf } from '../calendar/plainDay.ts';
import { aHabit } from '../testing/samples.ts';
import { daysAimedIn, habitNextYear } from './nextYear.ts';

const TODAY = dayOf('2025-12-28');
const START = dayOf('2025-03-01');
const asNow = { schedule: null, days: null, isOver: false };
const aimed = (habit: ReturnType<typeof aHabit>, year = 2026, today = TODAY) =>
  daysAimedIn(habit, year, today, 'monday');

describe('a habit in the next year', () => {
  it('has other terms from its first day on, and the days that those plan', () => {
    const weekly = habitNextYear(aHabit(), START, 2026, { ...asNow, schedule: { kind: 'perWeek', times: 3 } }, TODAY);
    expect(weekly.terms).toEqual([
      { from: '2025-03-01', schedule: { kind: 'daily' } },
      { from: '2026-01-01', schedule: { kind: 'perWeek', times: 3 } },
    ]);
    // 365 × 3 / 7 = 156.4
    expect(aimed(weekly)).toBe(156);
    expect(aimed(habitNextYear(aHabit(), START, 2026, asNow, TODAY))).toBe(365);
    expect(aimed(weekly, 2025)).toBe(306);
    const limit = aHabit({
      measure: { kind: 'amount', unit: 'min', step: 5 },
      terms: [{ from: '2025-03-01', schedule: { kind: 'daily' }, atLeast: 20, pips: 2 }],
    });
    const kept = habitNextYear(limit, START, 2026, { ...asNow, schedule: { kind: 'interval', every: 2 } }, TODAY);
    expect(kept.terms[1]).toEqual({
      from: '2026-01-01',
      schedule: { kind: 'interval', every: 2 },
      atLeast: 20,
      pips: 2,
    });
  });

  it('plans by its new terms, where days set for a month would hold on; what that asked of amounts stays', () => {
    const set = aHabit({ monthTargets: { '2025-06': { days: 24, amount: 300, onward: true } } });
    expect(aimed(set)).toBe(288);
    const weekly = habitNextYear(set, START, 2026, { ...asNow, schedule: { kind: 'perWeek', times: 3 } }, TODAY);
    expect(aimed(weekly)).toBe(156);
    expect(weekly.monthTargets).toEqual({ ...set.monthTargets, '2026-01': { amount: 300, onward: true } });
    expect(aimed(habitNextYear(set, START, 2026, asNow, TODAY))).toBe(288);
  });

  it('holds from today where the year has begun, in place of terms that began today', () => {
    const today = dayOf('2026-01-05');
    const schedule = { kind: 'perWeek', times: 2 } as const;
    const once = habitNextYear(aHabit(), START, 2026, { ...asNow, schedule }, today);
    expect(once.terms.at(-1)).toEqual({ from: '2026-01-05', schedule });
    expect(habitNextYear(once, START, 2026, { ...asNow, schedule: { kind: 'daily' } }, today).terms).toHaveLength(2);
  });

  it('has the days that are aimed at instead, or ends with the year before', () => {
    const set = habitNextYear(aHabit(), START, 2026, { ...asNow, days: 200 }, TODAY);
    expect([set.yearTargets, aimed(set)]).toEqual([{ '2026': { days: 200 } }, 200]);
    const over = habitNextYear(aHabit(), START, 2026, { ...asNow, isOver: true }, TODAY);
    expect([over.endsOn, aimed(over)]).toEqual(['2025-12-31', 0]);
    expect(habitNextYear(aHabit(), START, 2026, { ...asNow, isOver: true }, dayOf('2026-01-05')).endsOn).toBe(
      '2026-01-05',
    );
  });
});
