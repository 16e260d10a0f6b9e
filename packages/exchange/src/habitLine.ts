import { type Habit, type PartOfDay, type Schedule, WEEKDAYS, type Weekday } from '@wimbel/core';
import { bareLine } from './stepLines.ts';

/** What a line says about a habit. */
export type LineHabit = {
  name: string;
  aim: Habit['aim'];
  schedule: Schedule;
  partOfDay: PartOfDay;
  /** An amount that makes a day done; null for a habit that is checked off. */
  amount: { limit: 'atLeast' | 'atMost'; value: number; unit: string; step: number } | null;
  /** The area that the line names, of those it may name. */
  areaId: string | null;
};

const NUMBER_WORDS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
const COUNT = `(\\d{1,3}|${NUMBER_WORDS.join('|')})`;
const countOf = (text: string): number =>
  NUMBER_WORDS.includes(text.toLowerCase()) ? NUMBER_WORDS.indexOf(text.toLowerCase()) + 1 : Number(text);

/** Units as people write them, by the name that the app shows. */
const TYPED_UNITS: Record<string, string> = {
  min: 'min',
  mins: 'min',
  minute: 'min',
  minutes: 'min',
  h: 'h',
  hr: 'h',
  hrs: 'h',
  hour: 'h',
  hours: 'h',
  m: 'm',
  km: 'km',
  mi: 'mi',
  miles: 'miles',
  page: 'pages',
  pages: 'pages',
  words: 'words',
  lines: 'lines',
  steps: 'steps',
  reps: 'reps',
  lengths: 'lengths',
  laps: 'laps',
  glasses: 'glasses',
  cups: 'cups',
  pieces: 'pieces',
  birds: 'birds',
  l: 'l',
  ml: 'ml',
  kg: 'kg',
  g: 'g',
  kcal: 'kcal',
  '€': '€',
  $: '$',
  '£': '£',
};
const UNIT = Object.keys(TYPED_UNITS)
  .sort((a, b) => b.length - a.length)
  .map((unit) => unit.replace('$', '\\$'))
  .join('|');
const AMOUNT = new RegExp(
  `(?:(at least|min\\.?|at most|up to|max\\.?|no more than)\\s+)?(\\d+(?:[.,]\\d+)?)\\s*(${UNIT})$`,
  'i',
);
/** In a field of its own any one word may be the unit. */
const AMOUNT_ALONE =
  /^(?:(at least|min\.?|at most|up to|max\.?|no more than)\s+)?(\d+(?:[.,]\d+)?)\s*([\p{L}€$£]+)?$/iu;

const WEEKDAY = WEEKDAYS.map(
  (day) => `${day.slice(0, 3)}(?:${day.slice(3)}|${day.slice(3, 4)}|${day.slice(3, 5)})?s?`,
).join('|');
const weekdayOf = (text: string): Weekday => WEEKDAYS.find((day) => text.toLowerCase().startsWith(day.slice(0, 3)))!;
const WEEKDAY_LIST = new RegExp(`(?:on\\s+)?\\b((?:${WEEKDAY})(?:\\s*(?:,|&|/|\\+|and|\\s)\\s*(?:${WEEKDAY}))*)$`, 'i');
const WEEKDAY_RUN = new RegExp(`(?:on\\s+)?\\b(${WEEKDAY})\\s*(?:-|–|to)\\s*(${WEEKDAY})$`, 'i');

type Reading = { [K in 'schedule' | 'partOfDay' | 'amount']?: LineHabit[K] };
type Rule = { pattern: RegExp; read: (found: RegExpMatchArray) => Reading | null };

const weekly = (times: number): Schedule | null =>
  times >= 1 && times <= 7 ? (times === 7 ? { kind: 'daily' } : { kind: 'perWeek', times }) : null;
const asSchedule = (schedule: Schedule | null): Reading | null => (schedule === null ? null : { schedule });
const onDays = (days: readonly Weekday[]): Reading => ({
  schedule:
    days.length === 7 ? { kind: 'daily' } : { kind: 'weekdays', days: WEEKDAYS.filter((day) => days.includes(day)) },
});

function runOf(first: Weekday, last: Weekday): Weekday[] {
  const [from, to] = [WEEKDAYS.indexOf(first), WEEKDAYS.indexOf(last)];
  return WEEKDAYS.filter((_, index) => (from <= to ? index >= from && index <= to : index >= from || index <= to));
}

/** A step that a few taps make the whole of: 5 for 20, 1 for 3. */
function stepFor(value: number): number {
  for (const step of [100, 50, 10, 5, 1]) if (value >= step * 3 && Number.isInteger(value / step)) return step;
  return value >= 1 ? 1 : value;
}

function amountFound([, limit = '', digits = '', unit = '']: RegExpMatchArray): Reading | null {
  const value = Number(digits.replace(',', '.'));
  const isMost = /most|up to|max|no more/i.test(limit);
  if (!isMost && value === 0) return null;
  const amount = {
    limit: isMost ? ('atMost' as const) : ('atLeast' as const),
    value,
    unit: TYPED_UNITS[unit.toLowerCase()] ?? unit,
    step: stepFor(value),
  };
  return { amount };
}

const RULES: Rule[] = [
  { pattern: /\b(?:every day|daily|each day)$/i, read: () => ({ schedule: { kind: 'daily' } }) },
  { pattern: /\b(?:on )?(?:workdays|weekdays)$/i, read: () => onDays(WEEKDAYS.slice(0, 5)) },
  { pattern: /\b(?:on |at )?(?:the )?weekends?$/i, read: () => onDays(WEEKDAYS.slice(5)) },
  {
    pattern: new RegExp(
      `\\b(?:(once|twice)|${COUNT}\\s*(?:x|×|times?|days?)?)\\s*(?:a|per|each|/|every)\\s*(week|wk|month)$`,
      'i',
    ),
    read: ([, word, count, span]) => {
      const times = word === undefined ? countOf(count!) : word.toLowerCase() === 'once' ? 1 : 2;
      if (!/month/i.test(span!)) return asSchedule(weekly(times));
      return asSchedule(times >= 1 && times <= 31 ? { kind: 'perMonth', times } : null);
    },
  },
  { pattern: /\b(?:weekly|every week)$/i, read: () => asSchedule(weekly(1)) },
  { pattern: /\b(?:monthly|every month)$/i, read: () => ({ schedule: { kind: 'perMonth', times: 1 } }) },
  { pattern: /\bevery (?:other|second|2nd) day$/i, read: () => ({ schedule: { kind: 'interval', every: 2 } }) },
  { pattern: /\bevery third day$/i, read: () => ({ schedule: { kind: 'interval', every: 3 } }) },
  {
    pattern: new RegExp(`\\bevery ${COUNT} days$`, 'i'),
    read: ([, count]) => {
      const every = countOf(count!);
      return asSchedule(every >= 2 && every <= 365 ? { kind: 'interval', every } : null);
    },
  },
  { pattern: WEEKDAY_RUN, read: ([, first, last]) => onDays(runOf(weekdayOf(first!), weekdayOf(last!))) },
  {
    pattern: WEEKDAY_LIST,
    read: ([, list]) => onDays([...list!.matchAll(new RegExp(WEEKDAY, 'gi'))].map(([day]) => weekdayOf(day))),
  },
  { pattern: /\b(?:in the )?mornings?$/i, read: () => ({ partOfDay: 'morning' }) },
  { pattern: /\b(?:at )?(?:midday|noon|lunch)$|\b(?:in the )?afternoons?$/i, read: () => ({ partOfDay: 'midday' }) },
  { pattern: /\b(?:in the )?evenings?$|\bat night$/i, read: () => ({ partOfDay: 'evening' }) },
  { pattern: /\bany ?time$/i, read: () => ({ partOfDay: 'any' }) },
  { pattern: AMOUNT, read: amountFound },
];

/** Reads what stands at the end of a text, again and again; gives what is left of it. Nothing is read twice. */
function readEnd(text: string, reading: Reading, isWhole: boolean): string {
  let rest = text;
  for (let isReading = true; isReading;) {
    isReading = false;
    for (const { pattern, read } of RULES) {
      const found = pattern.exec(rest);
      if (found === null) continue;
      const left = rest.slice(0, found.index).replace(/[\s,;:·–-]+$/, '');
      // The name itself is not read away: "Evening" is a habit of that name.
      if (left === '' && !isWhole) continue;
      const said = read(found);
      const [field] = Object.keys(said ?? {}) as (keyof Reading)[];
      if (said === null || field === undefined || reading[field] !== undefined) continue;
      Object.assign(reading, said);
      rest = left;
      isReading = rest !== '';
      break;
    }
  }
  return rest;
}

/**
 * Reads a line as people write habits down: a name, then in any order and mostly parted by commas how often, when in the
 * day, how much, and an area ("Cello 20 min, 3 a week, evenings"). What is not understood stays in the name. A name that
 * begins with "no", "stop", "quit" or "without" is something to quit. Null for a line without a name.
 */
export function habitOfLine(line: string, areas: readonly { id: string; name: string }[] = []): LineHabit | null {
  const [first = '', ...fields] = bareLine(line)
    .split(/\s*(?:[;\t|·]|(?<!\d),|,(?!\d))\s*/)
    .filter((field) => field !== '');
  const reading: Reading = {};
  let areaId: string | null = null;
  const unread: string[] = [];
  // Weekdays stand in fields of their own: "Mon, Wed".
  for (const field of joinedWeekdays(fields)) {
    const area = areas.find(({ name }) => name.toLowerCase() === field.toLowerCase());
    if (area !== undefined && areaId === null) {
      areaId = area.id;
      continue;
    }
    const alone = AMOUNT_ALONE.exec(field);
    const said = alone !== null && reading.amount === undefined && !isScheduleWord(field) ? amountFound(alone) : null;
    if (said !== null) Object.assign(reading, said);
    else {
      const rest = readEnd(field, reading, true);
      if (rest !== '') unread.push(rest);
    }
  }
  const name = [readEnd(first, reading, false), ...unread].filter(Boolean).join(', ');
  if (name === '') return null;
  return {
    name: name.charAt(0).toUpperCase() + name.slice(1),
    aim: /^(?:no|stop|quit|without)\s/i.test(name) ? 'quit' : 'build',
    schedule: reading.schedule ?? { kind: 'daily' },
    partOfDay: reading.partOfDay ?? 'any',
    amount: reading.amount ?? null,
    areaId,
  };
}

const isScheduleWord = (field: string): boolean => new RegExp(`^${COUNT}\\s*(?:x|×|times?|days?)$`, 'i').test(field);

function joinedWeekdays(fields: readonly string[]): string[] {
  const only = new RegExp(`^(?:on\\s+)?(?:${WEEKDAY})(?:\\s*(?:&|/|\\+|and|\\s)\\s*(?:${WEEKDAY}))*$`, 'i');
  return fields.reduce<string[]>((list, field) => {
    const before = list.at(-1);
    if (before !== undefined && only.test(field) && only.test(before.replaceAll(',', ' ')))
      return [...list.slice(0, -1), `${before}, ${field}`];
    return [...list, field];
  }, []);
}
