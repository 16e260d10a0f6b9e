import {
  type CheckIn,
  DEFAULT_SETTINGS,
  type Entry,
  type EntryPart,
  type Goal,
  type Habit,
  type HabitNote,
  type PlainDay,
  type Records,
  dayOf,
  emptyRecords,
  formatDay,
  formatMonth,
  monthOfDay,
  partsOfDay,
  weekdayOf,
} from '@wimbel/core';
import seedrandom from 'seedrandom';
import { GOALS, KEY_RESULTS, MILESTONES, QUOTES, STEPS } from './goals.ts';
import { PROMPTS, journalPages, monthPages } from './journal.ts';
import { REWARDS, claims, enjoyed } from './rewards.ts';
import { reviews } from './reviews.ts';
import { seasonReviews, seasons } from './seasons.ts';
import { AREAS, HABITS, MISS_REASONS, NOTES, type SampleHabit } from './habits.ts';

const SEED = 'wimble';

/** How the months of the year go: a winter slump, a good spring. January first. */
const MONTHS = [0.72, 0.78, 1, 1.1, 1.12, 1.08, 1, 0.97, 0.98, 0.95, 0.9, 0.8];

/** This person counts more than most. */
const DAY_MARKS = [
  { atLeast: 2, symbol: '~' },
  { atLeast: 5, symbol: '≈' },
  { atLeast: 8, symbol: '≋' },
];

const firstDayOf = (habits: readonly Habit[]): PlainDay => Math.min(...habits.map(({ startsOn }) => dayOf(startsOn)));

/** A person's fourteen months up to `today`. The same day gives the same records, to the letter. */
export function sampleRecords(today: PlainDay): Records {
  const habits = HABITS.map((sample, order) => habitOf(sample, order, today));
  const entries = HABITS.flatMap((sample) => entriesOf(sample, today));
  const milestones = MILESTONES.map(({ due, reached, ...milestone }, order) => ({
    ...milestone,
    ...dated(today, { dueOn: due, reachedOn: reached }),
    order,
  }));
  return {
    ...emptyRecords(),
    settings: { ...DEFAULT_SETTINGS, currency: 'EUR', dayMarks: DAY_MARKS },
    areas: AREAS,
    habits: enjoyed(habits, entries, today),
    entries,
    habitNotes: HABITS.flatMap((sample) => notesOf(sample, today)),
    goals: goalsOf(today),
    keyResults: KEY_RESULTS.map(({ checkIns: _, checkpoints, ...keyResult }, order) => ({
      ...keyResult,
      ...(checkpoints
        ? {
            checkpoints: Object.fromEntries(
              checkpoints.map(([offset, value]) => [formatMonth(monthOfDay(today) + offset), value]),
            ),
          }
        : {}),
      order,
    })),
    steps: STEPS.map(({ starts, due, done, ...step }, order) => ({
      ...step,
      ...dated(today, { startsOn: starts, dueOn: due, doneOn: done }),
      order,
    })),
    milestones,
    rewards: REWARDS,
    claims: claims({ habits, entries, milestones }, today),
    quotes: QUOTES,
    prompts: PROMPTS,
    months: monthPages(today),
    journal: journalPages(firstDayOf(habits), today),
    seasons: seasons(today),
    reviews: [...reviews(firstDayOf(habits), today), ...seasonReviews(today)],
    checkIns: KEY_RESULTS.flatMap((keyResult) =>
      keyResult.checkIns.map(([offset, value, note], index): CheckIn => {
        const day = formatDay(today + offset);
        return {
          id: `${keyResult.id}-${index + 1}`,
          keyResultId: keyResult.id,
          day,
          value,
          ...(note ? { note } : {}),
          madeAt: `${day}T18:00:00Z`,
        };
      }),
    ),
  };
}

/** Days counted from today as they are written; those not given are left out. */
const dated = <K extends string>(today: PlainDay, offsets: Record<K, number | undefined>): Partial<Record<K, string>> =>
  Object.fromEntries(
    Object.entries<number | undefined>(offsets).flatMap(([key, offset]) =>
      offset === undefined ? [] : [[key, formatDay(today + offset)]],
    ),
  ) as Partial<Record<K, string>>;

const goalsOf = (today: PlainDay): Goal[] =>
  GOALS.map(({ starts, due, closed, turns, ...goal }, order) => ({
    ...goal,
    startsOn: formatDay(today + starts),
    ...dated(today, { dueOn: due, closedOn: closed }),
    order,
    ...(turns
      ? {
          turns: turns.map(({ on, dueWas, ...turn }) => ({
            ...turn,
            on: formatDay(today + on),
            ...dated(today, { dueWas }),
          })),
        }
      : {}),
  }));

function habitOf(sample: SampleHabit, order: number, today: PlainDay): Habit {
  return {
    ...sample.record,
    order,
    terms: sample.terms.map(({ daysAgo, ...terms }) => ({ ...terms, from: formatDay(today - daysAgo) })),
    startsOn: formatDay(today - sample.startedDaysAgo),
    ...(sample.endedDaysAgo === undefined ? {} : { endsOn: formatDay(today - sample.endedDaysAgo) }),
    ...(sample.pauses
      ? {
          pauses: sample.pauses.map(({ fromDaysAgo, toDaysAgo, why }) => ({
            from: formatDay(today - fromDaysAgo),
            to: formatDay(today - toDaysAgo),
            why,
          })),
        }
      : {}),
    ...(sample.monthTargets
      ? {
          monthTargets: Object.fromEntries(
            sample.monthTargets.map(({ monthsAgo, ...target }) => [formatMonth(monthOfDay(today) - monthsAgo), target]),
          ),
        }
      : {}),
    ...(sample.yearTarget ? { yearTargets: { [partsOfDay(today).year]: sample.yearTarget } } : {}),
  };
}

/** What the person wrote about a habit. */
const notesOf = (sample: SampleHabit, today: PlainDay): HabitNote[] =>
  (sample.notes ?? []).map(({ daysAgo, ...note }, index) => ({
    id: `${sample.record.id}-note-${index + 1}`,
    habitId: sample.record.id,
    day: formatDay(today - daysAgo),
    ...note,
  }));

/** The ways of a habit that a day's amount fell to: one, or two that share it. */
function partsOf(sample: SampleHabit, total: number, luck: number, day: PlainDay): EntryPart[] {
  const variants = sample.record.variants ?? [];
  const { step } = sample.amount!;
  const variantId = (by: number): string => variants[(day + by) % variants.length]!.id;
  const first = Math.round((total * 0.6) / step) * step;
  if (luck < 0.55 || first === 0 || first === total) return [{ variantId: variantId(0), amount: total }];
  return [
    { variantId: variantId(0), amount: first },
    { variantId: variantId(1), amount: total - first },
  ];
}

/** Whether the habit's schedule leaves a day out, roughly: the person mostly does what was asked. */
function isAskedOn(sample: SampleHabit, day: PlainDay, today: PlainDay): boolean {
  const daysAgo = today - day;
  const terms = sample.terms.filter((each) => each.daysAgo >= daysAgo).at(-1) ?? sample.terms[0]!;
  if (terms.schedule.kind === 'interval') return (day - (today - terms.daysAgo)) % terms.schedule.every === 0;
  if (terms.schedule.kind !== 'weekdays') return true;
  const isWeekend = weekdayOf(day) >= 5;
  return isWeekend ? terms.schedule.days.includes('saturday') : terms.schedule.days.includes('monday');
}

function entriesOf(sample: SampleHabit, today: PlainDay): Entry[] {
  const { id, measure } = sample.record;
  const random = seedrandom(`${SEED} ${id}`);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const entries: Entry[] = [];
  let momentum = 0;
  for (let daysAgo = sample.startedDaysAgo; daysAgo >= (sample.endedDaysAgo ?? 0); daysAgo--) {
    const day = today - daysAgo;
    const [luck, second, third, fourth] = [random(), random(), random(), random()];
    const isPaused = sample.pauses?.some((pause) => daysAgo <= pause.fromDaysAgo && daysAgo >= pause.toDaysAgo);
    if (isPaused || (!isAskedOn(sample, day, today) && luck > 0.03)) continue;
    const season = MONTHS[partsOfDay(day).month - 1]!;
    const weekend = weekdayOf(day) >= 5 ? sample.weekend : 0;
    const likely = Math.min(0.95, (sample.likely + weekend) * season * 0.94 + momentum);
    // Today is only half over: the evening is still to come.
    if (daysAgo === 0 && (sample.record.partOfDay === 'evening' || second < 0.12)) continue;
    const base = { habitId: id, day: formatDay(day) };
    const note = third < 0.02 ? { note: pick(NOTES) } : {};
    if (luck < likely) {
      momentum = Math.min(0.07, momentum + 0.012);
      entries.push(
        measure.kind === 'check'
          ? { ...base, mark: 'done', ...note }
          : amountEntry(sample, { ...base, ...note }, amountOf(sample, second, true), fourth, day),
      );
    } else {
      momentum = Math.max(-0.06, momentum - 0.05);
      if (daysAgo === 0) continue;
      if (fourth < 0.08) entries.push({ ...base, mark: 'rest' });
      else if (fourth < 0.2) entries.push({ ...base, mark: 'missed', note: pick(MISS_REASONS) });
      else if (measure.kind === 'amount' && fourth < 0.6)
        entries.push(amountEntry(sample, base, amountOf(sample, second, false), 0, day));
    }
  }
  return entries;
}

/** An entry with its amount, told by ways where the habit has them. */
const amountEntry = (sample: SampleHabit, entry: Entry, amount: number, luck: number, day: PlainDay): Entry =>
  sample.record.variants ? { ...entry, amount, parts: partsOf(sample, amount, luck, day) } : { ...entry, amount };

function amountOf(sample: SampleHabit, luck: number, isGood: boolean): number {
  const { typical, spread, step } = sample.amount!;
  const quit = sample.record.aim === 'quit';
  const raw = isGood
    ? typical + (luck - (quit ? 1 : 0.25)) * spread
    : quit
      ? typical * 2 + luck * spread
      : typical * luck * 0.7;
  return Math.max(quit && isGood ? 0 : step, Math.round(raw / step) * step);
}
