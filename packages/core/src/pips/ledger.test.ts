import fc from 'fast-check';
import { dayOf, formatDay } from '../calendar/plainDay.ts';
import { monthOf, monthSpan } from '../calendar/month.ts';
import { buildTrack } from '../habit/buildTrack.ts';
import type { Claim, Entry, Goal, Habit, Milestone, Reward, Terms } from '../record/records.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { balanceByDay, goodDayPips, goodDaysFor, ledgerOfDay, pipsByDay, pipsOver, rewardsStanding } from './ledger.ts';
import { pipsBalance, habitPipsByMonth, pipsByMonth } from './pips.ts';
import { pipsOfFullMonth, pipsOfFullWeek } from './pipsOfTerms.ts';
import { promisedRewards } from './promised.ts';

const TODAY = dayOf('2025-03-20');
const track = (differs: Partial<Habit>, entries: Entry[]) => buildTrack(aHabit(differs), entries, TODAY, 'monday');
const scales = track(
  {
    terms: [
      { from: '2025-03-01', schedule: { kind: 'daily' }, pips: 1 },
      { from: '2025-03-10', schedule: { kind: 'daily' }, pips: 2.5 },
    ],
  },
  doneOn('h', '2025-03-08', '2025-03-09', '2025-03-10', '2025-03-20', '2025-03-25'),
);
const milestones: Milestone[] = [
  { id: 'm', goalId: 'g', title: 'Afloat', order: 0, reachedOn: '2025-03-10', pips: 40, reward: 'Cake' },
  { id: 'n', goalId: 'g', title: 'Mast', order: 1, reachedOn: '2025-04-10', pips: 40 },
];
const claims: Claim[] = [
  { id: 'c', rewardId: 'bun', day: '2025-03-09', cost: 6 },
  { id: 'd', rewardId: 'bun', day: '2025-03-26', cost: 6 },
];
const sources = { tracks: [scales], milestones, claims, today: TODAY };
const byDay = pipsByDay(sources);

describe('the ledger', () => {
  it('has each day’s earnings by the terms of that day, reached milestones and claims; nothing after today', () => {
    expect(byDay.first).toBe(dayOf('2025-03-01'));
    expect(ledgerOfDay(sources, dayOf('2025-03-09'))).toEqual([
      { kind: 'habit', id: 'h', ofId: 'h', pips: 1 },
      { kind: 'claim', id: 'c', ofId: 'bun', pips: -6 },
    ]);
    expect(ledgerOfDay(sources, dayOf('2025-03-10')).map(({ kind, pips }) => [kind, pips])).toEqual([
      ['habit', 2.5],
      ['milestone', 40],
    ]);
    expect(ledgerOfDay(sources, dayOf('2025-03-25'))).toEqual([]);
    expect(ledgerOfDay(sources, dayOf('2025-03-26'))).toEqual([]);
    expect(pipsOver(byDay, { first: dayOf('2025-03-08'), last: dayOf('2025-03-10') })).toEqual({
      earned: 44.5,
      spent: 6,
      net: 38.5,
    });
    expect(pipsOver(byDay, monthSpan(monthOf('2025-04')))).toEqual({ earned: 0, spent: 0, net: 0 });
  });

  it('comes to the balance, day by day, which may be below zero', () => {
    const days = balanceByDay(byDay, { first: dayOf('2025-03-07'), last: dayOf('2025-03-31') });
    expect(days.slice(0, 4).map(({ balance }) => balance)).toEqual([0, 1, -4, 38.5]);
    expect(days.at(-1)).toEqual({ day: TODAY, balance: 41 });
    expect(balanceByDay(byDay, { first: dayOf('2025-02-01'), last: dayOf('2025-02-02') })).toEqual([
      { day: dayOf('2025-02-01'), balance: 0 },
      { day: dayOf('2025-02-02'), balance: 0 },
    ]);
    expect(pipsByDay({ tracks: [], milestones: [], claims: [], today: TODAY }).earned).toHaveLength(0);
  });

  it('comes to nothing where as much was spent as tenths were earned', () => {
    const own = track(
      { terms: [{ from: '2025-03-01', schedule: { kind: 'daily' }, pips: 1.2 }] },
      doneOn('h', ...Array.from({ length: 10 }, (_, at) => formatDay(TODAY - at))),
    );
    const spent = [{ id: 'c', rewardId: 'r', day: formatDay(TODAY), cost: 12 }];
    const all = pipsByDay({ tracks: [own], milestones: [], claims: spent, today: TODAY });
    expect(pipsOver(all, { first: all.first, last: TODAY })).toEqual({ earned: 12, spent: 12, net: 0 });
    expect(balanceByDay(all, { first: TODAY, last: TODAY })).toEqual([{ day: TODAY, balance: 0 }]);
  });

  it('agrees with the sums of the report, whatever was done and claimed', () => {
    const day = fc.integer({ min: -40, max: 5 }).map((back) => formatDay(TODAY + back));
    fc.assert(
      fc.property(
        fc.uniqueArray(day),
        fc.array(fc.tuple(day, fc.integer({ min: 0, max: 50 }))),
        fc.integer({ min: 0, max: 30 }),
        (done, spent, pips) => {
          const own = track(
            { terms: [{ from: '2025-03-01', schedule: { kind: 'daily' }, pips: pips / 10 }] },
            doneOn('h', ...done),
          );
          const made = spent.map(([on, cost], index) => ({ id: String(index), rewardId: 'r', day: on, cost }));
          const of = { tracks: [own], milestones, claims: made, today: TODAY };
          const column = { habits: [habitPipsByMonth(own)], milestones, claims: made, today: TODAY };
          const all = pipsByDay(of);
          const whole = pipsOver(all, { first: all.first, last: TODAY });
          const balance = pipsBalance(column);
          expect([whole.earned, whole.spent, whole.net]).toEqual([balance.earned, balance.spent, balance.balance]);
          for (const [month, sums] of pipsByMonth(column)) {
            const { earned, spent: less } = pipsOver(all, monthSpan(month));
            expect({ earned, spent: less }).toEqual(sums);
          }
        },
      ),
    );
  });
});

describe('a reward', () => {
  const reward = (id: string, cost: number, order: number, retired = false): Reward => ({
    id,
    title: id,
    cost,
    order,
    retired,
  });

  it('that can be afforded comes first; the others say how far; retired ones are left out', () => {
    const standing = rewardsStanding(
      [reward('lamp', 50, 0), reward('bun', 6, 2), reward('old', 1, 1, true), reward('record', 20.3, 3)],
      20.3,
    );
    expect(standing.map(({ reward: { id }, missing }) => [id, missing])).toEqual([
      ['bun', 0],
      ['record', 0],
      ['lamp', 29.7],
    ]);
  });

  it('is so many good days away, by the days that earned something lately', () => {
    // 1, 1, 42.5 and 2.5 on four days.
    expect(goodDayPips(byDay, TODAY)).toBe(47 / 4);
    expect([goodDaysFor(29.7, 10), goodDaysFor(30, 10), goodDaysFor(0, 10), goodDaysFor(5, null)]).toEqual([
      3,
      3,
      0,
      null,
    ]);
    expect(goodDayPips(pipsByDay({ ...sources, tracks: [], milestones: [] }), TODAY)).toBeNull();
  });
});

it('a full week and month of terms earn by how often they ask, a month by its own days', () => {
  const of = (schedule: Terms['schedule'], month = '2026-12') => {
    const terms = { schedule, pips: 2 };
    return [pipsOfFullWeek(terms, dayOf(`${month}-01`)), pipsOfFullMonth(terms, monthOf(month))];
  };
  expect([of({ kind: 'daily' }), of({ kind: 'daily' }, '2027-02')]).toEqual([
    [14, 62],
    [14, 56],
  ]);
  // December 2026 has four Mondays and Fridays.
  expect(of({ kind: 'weekdays', days: ['monday', 'friday'] })).toEqual([4, 16]);
  // 31 / 3 and 7 / 3 days, rounded down; 3 × 31 / 7 = 13.3; 10 × 7 / 31 = 2.3.
  expect(of({ kind: 'interval', every: 3 })).toEqual([4, 20]);
  expect(of({ kind: 'perWeek', times: 3 })).toEqual([6, 26]);
  expect(of({ kind: 'perMonth', times: 10 })).toEqual([4, 20]);
  expect(pipsOfFullWeek({ schedule: { kind: 'daily' } }, TODAY)).toBe(0);
});

it('promised rewards stand with those earned and not enjoyed first', () => {
  const month = track(
    {
      monthTargets: { '2025-03': { days: 2, reward: 'Strings' }, '2025-02': { days: 3, reward: 'Rosin' } },
      startsOn: '2025-02-01',
      finishLine: { days: 10, reward: 'Concert' },
    },
    doneOn('h', '2025-03-08', '2025-03-09'),
  );
  const goals: Goal[] = [
    {
      id: 'g',
      title: 'Sail',
      startsOn: '2025-01-01',
      state: 'reached',
      closedOn: '2025-03-01',
      reward: 'Lamp',
      enjoyedOn: '2025-03-02',
      order: 0,
    },
    { id: 'o', title: 'Swim', startsOn: '2025-01-01', state: 'dropped', reward: 'Boat', order: 1 },
  ];
  expect(
    promisedRewards([month], milestones, goals, TODAY).map(({ reward, state, left }) => [reward, state, left]),
  ).toEqual([
    ['Strings', 'earned', 0],
    ['Cake', 'earned', null],
    ['Concert', 'open', 8],
    ['Lamp', 'earned', null],
    ['Rosin', 'missed', 3],
    ['Boat', 'missed', null],
  ]);
});
