import {
  type Entry,
  type Habit,
  type MonthTarget,
  type PlainDay,
  dayOf,
  daysInMonth,
  formatDay,
  habitBegunOn,
  monthOf,
  monthOfDay,
  monthSpan,
  termsOn,
  heldTerms,
} from '@wimbel/core';
import { distance } from 'fastest-levenshtein';
import type { GridReading, ReadCell } from './reading.ts';

/**
 * Where the days of a name go: to a habit that is there, to a new one, or nowhere. `from` is the day that it counts from,
 * where somebody chose another than the table gives.
 */
export type NameChoice =
  | { to: 'habit'; id: string; from?: string }
  | { to: 'new'; name: string; kind: 'check' | 'amount'; unit: string; least: number | null; from?: string }
  | { to: 'nowhere' };

/** What comes of a reading: new habits, habits with month targets, days; and how many cells of it are left out. */
export type Brought = {
  habits: Habit[];
  changed: Habit[];
  entries: Entry[];
  /** By name, the day that a new habit counts from, or one that is there and begins earlier by this; else null. */
  starts: (string | null)[];
  /** By name, the day of its first mark; null without any. */
  marks: (string | null)[];
  /** Days that take the place of what is recorded there. */
  replaced: number;
  /** Cells that say nothing clear, of names that go nowhere, and after today. */
  left: { unclear: number; nowhere: number; future: number };
};

/** What is there already. */
export type Here = {
  habits: readonly Habit[];
  entryAt: (habitId: string, day: string) => Entry | undefined;
  today: PlainDay;
  newId: () => string;
};

const plain = (name: string): string =>
  name
    .toLowerCase()
    .replaceAll(/[([].*?[)\]]/g, '')
    .replaceAll(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** How alike two names are, 0 to 1. Source: one less the Levenshtein distance over the longer length. */
export function likeness(a: string, b: string): number {
  const [one, two] = [plain(a), plain(b)];
  if (one === '' || two === '') return 0;
  if (one === two) return 1;
  if (Math.min(one.length, two.length) >= 4 && (one.includes(two) || two.includes(one))) return 0.9;
  return 1 - distance(one, two) / Math.max(one.length, two.length);
}

const LIKE = 0.7;

/** Where names go unless somebody says otherwise: to the habit most like each, each habit once; else to new ones. */
export function choicesFor({ names }: GridReading, habits: readonly Habit[]): NameChoice[] {
  const taken = new Set<string>();
  const pairs = names
    .flatMap(({ name }, at) => habits.map((habit) => ({ at, id: habit.id, like: likeness(name, habit.name) })))
    .filter(({ like }) => like >= LIKE)
    .sort((a, b) => b.like - a.like);
  const chosen = new Map<number, string>();
  for (const { at, id } of pairs) {
    if (chosen.has(at) || taken.has(id)) continue;
    chosen.set(at, id);
    taken.add(id);
  }
  return names.map(({ name, kind, unit, least, days }, at): NameChoice => {
    const id = chosen.get(at);
    if (days === 0) return { to: 'nowhere' };
    return id === undefined ? { to: 'new', name: name.slice(0, 80), kind, unit, least } : { to: 'habit', id };
  });
}

/** The amount that a tap adds: about a quarter of what counts as done. */
const stepFor = (least: number | null): number => {
  const quarter = (least ?? 1) / 4;
  return quarter <= 1 ? 1 : quarter < 5 ? Math.round(quarter) : Math.round(quarter / 5) * 5;
};

/** What a cell makes of a day of a habit; null where it says that nothing was done. Of an amount habit the number decides. */
function recordOf(
  { said }: ReadCell,
  habit: Habit,
  day: PlainDay,
  isNoMissed: boolean,
): Pick<Entry, 'mark' | 'amount'> | null {
  const isAmount = habit.measure.kind === 'amount';
  const { atLeast, atMost } = termsOn(heldTerms(habit.terms), day);
  switch (said.kind) {
    case 'missed':
    case 'rest':
      return { mark: said.kind };
    case 'done':
      return isAmount ? { amount: atLeast ?? 0 } : { mark: 'done' };
    case 'no':
      if (isAmount && atMost !== null) return { amount: 0 };
      return isNoMissed ? { mark: 'missed' } : null;
    case 'amount':
      return isAmount ? { amount: said.amount } : { mark: 'done' };
    case 'share':
      return null;
  }
}

/** A month's target: days, or an amount where it is more than the month has days and amounts are counted. */
const targetOf = (habit: Habit, month: string, value: number): MonthTarget | null => {
  if (Number.isInteger(value) && value <= daysInMonth(monthOf(month))) return { days: value };
  return habit.measure.kind === 'amount' ? { amount: value } : null;
};

/** The day of the first mark of each name of a reading, up to today; null without any. */
function firstMarksOf(reading: GridReading, isNoMissed: boolean, today: PlainDay): (PlainDay | null)[] {
  const marks = new Map<number, PlainDay>();
  for (const { name, day, said } of reading.cells) {
    if ((said.kind === 'no' && !isNoMissed) || day > today) continue;
    marks.set(name, Math.min(marks.get(name) ?? Infinity, day));
  }
  return reading.names.map((_, at) => marks.get(at) ?? null);
}

/**
 * The day that a name counts from: the first of the month of its first mark, but never before the table itself. So the
 * blank days of its first month were asked too.
 */
const startOf = (mark: PlainDay, table: PlainDay): PlainDay =>
  Math.max(monthSpan(monthOfDay(mark)).first, Math.min(table, mark));

/** Adds the months' targets of a reading to the habits that its names go to, in `changed` by id. */
function addMonthTargets(reading: GridReading, habits: readonly (Habit | null)[], changed: Map<string, Habit>): void {
  for (const [at, { targets: months }] of reading.names.entries()) {
    const habit = habits[at];
    if (!habit) continue;
    for (const [month, value] of Object.entries(months)) {
      const target = targetOf(habit, month, value);
      if (target === null) continue;
      const now = changed.get(habit.id) ?? habit;
      changed.set(habit.id, {
        ...now,
        monthTargets: { ...now.monthTargets, [month]: { ...now.monthTargets?.[month], ...target } },
      });
    }
  }
}

/**
 * What a reading brings, name by name as chosen. A new habit counts from its start by the table, and one that is there
 * begins no later. A day's note stays; its mark and amount are what the grid says, but a cell
 * that says no leaves them as they are (unless `isNoMissed`) and brings its note alone. Of two cells for one day of a habit the
 * last holds.
 */
export function broughtByGrid(
  reading: GridReading,
  choices: readonly NameChoice[],
  { isNoMissed = false }: { isNoMissed?: boolean },
  here: Here,
): Brought {
  const marks = firstMarksOf(reading, isNoMissed, here.today);
  const table = reading.days.flat().reduce<PlainDay>((first, day) => Math.min(first, day ?? Infinity), Infinity);
  const starts = marks.map((mark, at) => {
    const choice = choices[at];
    const chosen = choice === undefined || choice.to === 'nowhere' ? undefined : choice.from;
    return mark === null ? null : chosen === undefined ? startOf(mark, table) : Math.min(mark, dayOf(chosen));
  });
  const told = reading.names.map((): string | null => null);
  const byId = new Map(here.habits.map((each) => [each.id, each]));
  let order = here.habits.reduce((most, each) => Math.max(most, each.order), -1) + 1;
  const habits: Habit[] = [];
  const targets = reading.names.map((_, at): Habit | null => {
    const choice = choices[at] ?? { to: 'nowhere' };
    if (choice.to === 'habit') return byId.get(choice.id) ?? null;
    const first = starts[at] ?? null;
    if (choice.to === 'nowhere' || first === null) return null;
    told[at] = formatDay(first);
    const isAmount = choice.kind === 'amount';
    const habit: Habit = {
      id: here.newId(),
      name: choice.name,
      order: order++,
      aim: 'build',
      partOfDay: 'any',
      measure: isAmount ? { kind: 'amount', unit: choice.unit, step: stepFor(choice.least) } : { kind: 'check' },
      terms: [
        {
          from: formatDay(first),
          schedule: { kind: 'daily' },
          ...(isAmount ? { atLeast: choice.least ?? 1 } : {}),
        },
      ],
      startsOn: formatDay(first),
    };
    habits.push(habit);
    return habit;
  });
  const withTargets = new Map<string, Habit>();
  for (const [at, habit] of targets.entries()) {
    const start = starts[at] ?? null;
    if (!habit || start === null || !byId.has(habit.id)) continue;
    const now = withTargets.get(habit.id) ?? habit;
    if (dayOf(now.startsOn) <= start) continue;
    told[at] = formatDay(start);
    withTargets.set(habit.id, habitBegunOn(now, start));
  }
  addMonthTargets(reading, targets, withTargets);
  const entries = new Map<string, Entry>();
  const replaced = new Set<string>();
  const left = { unclear: reading.unclear.length, nowhere: 0, future: 0 };
  for (const cell of reading.cells) {
    const habit = targets[cell.name];
    if (!habit) {
      if (cell.said.kind !== 'no') left.nowhere++;
      continue;
    }
    if (cell.day > here.today) {
      if (cell.said.kind !== 'no') left.future++;
      continue;
    }
    const record = recordOf(cell, habit, cell.day, isNoMissed);
    if (record === null && !cell.note) continue;
    const day = formatDay(cell.day);
    const key = `${day} ${habit.id}`;
    const was = here.entryAt(habit.id, day);
    const note = cell.note ?? was?.note;
    // A cell that says no and brings a note says nothing against a mark that is there.
    const kept = record === null ? (entries.get(key) ?? was) : undefined;
    const entry: Entry = { ...kept, habitId: habit.id, day, ...record, ...(note ? { note } : {}) };
    if (was && was.mark === entry.mark && was.amount === entry.amount && was.note === entry.note) continue;
    if (was && record !== null && (was.mark !== undefined || was.amount !== undefined)) replaced.add(key);
    entries.set(key, entry);
  }
  return {
    habits: habits.map((habit) => withTargets.get(habit.id) ?? habit),
    changed: [...withTargets.values()].filter(({ id }) => byId.has(id)),
    entries: [...entries.values()],
    starts: told,
    marks: marks.map((mark) => (mark === null ? null : formatDay(mark))),
    replaced: replaced.size,
    left,
  };
}
