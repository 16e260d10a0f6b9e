import {
  monthOfDay,
  monthRewards,
  monthSpan,
  withRewardEnjoyed,
  type Claim,
  type Entry,
  type Habit,
  type Milestone,
  type PlainDay,
  type Reward,
  buildTrack,
  dayOf,
  formatDay,
  pipsByDay,
  pipsOver,
} from '@wimbel/core';

/** Rewards of a workshop by the sea; one is no longer wanted. */
export const REWARDS: Reward[] = [
  { id: 'bun', title: 'Cinnamon bun at the quay', cost: 60, icon: 'utensils', order: 0 },
  { id: 'record', title: 'A record from the market', cost: 240, icon: 'music', order: 1 },
  { id: 'lamp', title: 'Brass lamp for the cabin', cost: 340, icon: 'sun', order: 2 },
  { id: 'island', title: 'A night on the outer island', cost: 900, icon: 'anchor', order: 3 },
  { id: 'paper', title: 'The weekend paper', cost: 30, icon: 'book', order: 4, retired: true },
];

/** What was claimed when: so many days ago, some in good months, once more than there was. */
const CLAIMED: readonly [rewardId: string, daysAgo: number][] = [
  ['paper', 320],
  ['bun', 300],
  ['bun', 266],
  ['record', 226],
  ['bun', 190],
  ['record', 150],
  ['bun', 118],
  ['island', 100],
  ['bun', 94],
  ['record', 78],
  ['bun', 70],
  ['record', 61],
  ['bun', 48],
  ['bun', 34],
  ['record', 22],
  ['bun', 12],
  ['bun', 3],
];

/** How far below zero the dearest claim went, so that the next weeks climbed back. */
const BELOW = 18;
const DEAREST_AGO = 258;

/** Habits whose rewards of months longer past are enjoyed: soon after the month was over. */
export function enjoyed(habits: readonly Habit[], entries: readonly Entry[], today: PlainDay): Habit[] {
  return habits.map((habit) => {
    const own = entries.filter(({ habitId }) => habitId === habit.id);
    return monthRewards(buildTrack(habit, own, today, 'monday'))
      .filter(({ state, month }) => state === 'earned' && month < monthOfDay(today) - 1)
      .reduce(
        (next, { month }) => withRewardEnjoyed(next, month, formatDay(monthSpan(month).last + 1 + (month % 5))),
        habit,
      );
  });
}

/** Claims at what things cost then; one of them went below zero. */
export function claims(
  {
    habits,
    entries,
    milestones,
  }: { habits: readonly Habit[]; entries: readonly Entry[]; milestones: readonly Milestone[] },
  today: PlainDay,
): Claim[] {
  const made = CLAIMED.map(([rewardId, daysAgo]): Claim => ({
    id: `claim-${daysAgo}`,
    rewardId,
    day: formatDay(today - daysAgo),
    cost: REWARDS.find(({ id }) => id === rewardId)!.cost - (daysAgo > 200 && rewardId === 'bun' ? 10 : 0),
  }));
  const tracks = habits.map((habit) =>
    buildTrack(
      habit,
      entries.filter(({ habitId }) => habitId === habit.id),
      today,
      'monday',
    ),
  );
  const day = today - DEAREST_AGO;
  const byDay = pipsByDay({ tracks, milestones, claims: made.filter(({ day: on }) => dayOf(on) <= day), today });
  const { net } = pipsOver(byDay, { first: byDay.first, last: day });
  const dearest: Claim = {
    id: `claim-${DEAREST_AGO}`,
    rewardId: 'lamp',
    day: formatDay(day),
    cost: Math.round(net + BELOW),
  };
  return dearest.cost > 0 ? [...made, dearest] : made;
}
