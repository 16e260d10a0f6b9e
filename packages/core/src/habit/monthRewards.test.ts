import { monthOf } from '../calendar/month.ts';
import { dayOf } from '../calendar/plainDay.ts';
import type { Entry, Habit } from '../record/records.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { buildTrack } from './buildTrack.ts';
import { isTargetReached, monthRewards, withRewardEnjoyed } from './monthRewards.ts';
import { monthTargetOf, rewardOfMonth } from './targets.ts';

const TODAY = dayOf('2026-11-24');
const trackOf = (habit: Habit, entries: Entry[] = []) => buildTrack(habit, entries, TODAY, 'monday');
const told = (habit: Habit, entries: Entry[] = []) =>
  monthRewards(trackOf(habit, entries)).map(({ reward, state, left }) => [reward, state, left]);

describe('the rewards of months', () => {
  const habit = aHabit({
    startsOn: '2026-08-20',
    terms: [{ from: '2026-08-20', schedule: { kind: 'daily' } }],
    monthTargets: { '2026-09': { days: 2, reward: 'Cake', onward: true }, '2026-10': { days: 3, reward: 'A bow' } },
  });
  const done = doneOn('h', '2026-09-01', '2026-09-02', '2026-10-05', '2026-11-03');

  it('are earned, missed or still to be earned, the latest month first', () => {
    expect(told(habit, done)).toEqual([
      ['Cake', 'open', 1],
      ['A bow', 'missed', 2],
      ['Cake', 'earned', 0],
    ]);
    expect(told(habit, [...done, ...doneOn('h', '2026-11-24')])[0]).toEqual(['Cake', 'earned', 0]);
  });

  it('stand for no month without one, nor one in which the habit has no day', () => {
    expect(told(aHabit({ monthTargets: { '2026-10': { days: 3 } } }))).toEqual([]);
    expect(told({ ...habit, endsOn: '2026-10-31' }, done.slice(0, 3))).toHaveLength(2);
  });

  it('want the amount, too, where one is aimed at', () => {
    const figures = { target: 3, left: 0 };
    expect(isTargetReached(figures)).toBe(true);
    expect(isTargetReached({ ...figures, amount: 80, amountTarget: 90 })).toBe(false);
    expect(isTargetReached({ ...figures, amount: 90, amountTarget: 90 })).toBe(true);
    expect(isTargetReached({ target: 0, left: 0 })).toBe(false);
  });

  it('are enjoyed on a day and not yet again, without moving any target', () => {
    const month = monthOf('2026-11');
    const enjoyed = withRewardEnjoyed(habit, month, '2026-11-24');
    expect(monthRewards(trackOf(enjoyed, done))[0]!.enjoyedOn).toBe('2026-11-24');
    expect(monthTargetOf(trackOf(enjoyed), month)).toEqual(monthTargetOf(trackOf(habit), month));
    expect(rewardOfMonth(enjoyed, month + 1)).toBe('Cake');
    expect(monthRewards(trackOf(withRewardEnjoyed(enjoyed, month, null), done))[0]!.enjoyedOn).toBeNull();
    const own = withRewardEnjoyed(habit, monthOf('2026-10'), '2026-11-01');
    expect(own.monthTargets!['2026-10']).toEqual({ days: 3, reward: 'A bow', enjoyedOn: '2026-11-01' });
  });
});
