import { type Habit, type Reward, type Schedule, type Settings, type Track, heldTerms, termsOn } from '@wimbel/core';
import { pipsWords } from '../../text/pipsText.ts';

/** From so many minutes on something takes an hour. */
const HOUR = 60;
const HALF_YEAR = 182;

type Held = { habit: Habit; pips: number; schedule: Schedule; minutes: number };

function heldToday({ habit, today }: Track): Held {
  const { schedule, pips, atLeast } = termsOn(heldTerms(habit.terms), today);
  const isMinutes = habit.measure.kind === 'amount' && /^min(ute)?s?$/i.test(habit.measure.unit.trim());
  return { habit, pips, schedule, minutes: isMinutes ? (atLeast ?? 0) : 0 };
}

/** What a look at all habits together says about their pips: a small daily thing that earns more than one of an hour. */
export function pipsHints(tracks: readonly Track[]): string[] {
  const all = tracks.filter(({ habit }) => !habit.archived).map(heldToday);
  const long = all.filter(({ minutes, pips }) => minutes >= HOUR && pips > 0);
  return all.flatMap(({ habit, pips, schedule, minutes }) => {
    if (schedule.kind !== 'daily' || minutes >= HOUR) return [];
    const less = long.find((each) => each.pips < pips);
    return less === undefined
      ? []
      : [`${habit.name} is due every day and earns more than ${less.habit.name}, which takes an hour.`];
  });
}

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .filter((word) => word.length >= 4 && !COMMON.has(word));
/** Words that say little of what something is. */
const COMMON = new Set([
  'after',
  'before',
  'with',
  'without',
  'from',
  'than',
  'more',
  'less',
  'that',
  'this',
  'every',
  'each',
  'into',
  'over',
  'nothing',
  'only',
]);

/**
 * What is worth a second thought about a reward: that it undoes what a habit is for, or costs less than a day or more than
 * half a year earns. Hints only: any reward can be set.
 */
export function rewardHints(
  { title, cost }: Pick<Reward, 'title' | 'cost'>,
  {
    habits,
    goodDay,
    settings,
  }: { habits: readonly Habit[]; goodDay: number | null; settings: Pick<Settings, 'pipsName'> },
): string[] {
  const own = new Set(wordsOf(title));
  const undone = habits.find(
    ({ aim, archived, name }) => aim === 'quit' && !archived && wordsOf(name).some((word) => own.has(word)),
  );
  return [
    ...(undone === undefined ? [] : [`It may undo what “${undone.name}” is for.`]),
    ...(goodDay !== null && cost > 0 && cost < goodDay
      ? [`A good day earns more: ${pipsWords(settings, Math.round(goodDay))}.`]
      : []),
    ...(goodDay !== null && cost > goodDay * HALF_YEAR ? ['It is more than half a year of good days away.'] : []),
  ];
}
