/**
 * What the figures cost at the least: one pass over typed arrays, a row a habit and a place a day, for the same totals,
 * weeks, months, years, streaks and day scores. It knows nothing but check marks, every day, every second day, and so many
 * a week or month; no terms that change, no pauses, no rest, no dates of records. Its numbers are held against the core's.
 */

export type ReferenceKind = 'daily' | 'secondDay' | 'perWeek' | 'perMonth';

export type ReferenceBook = {
  days: number;
  /** The place of each day's week, month and year, counted from the first. */
  weekOf: Int32Array;
  monthOf: Int32Array;
  yearOf: Int32Array;
  daysInMonth: Int32Array;
  /** The last place of each day's week and month, within the days there are or beyond. */
  weekEnd: Int32Array;
  monthEnd: Int32Array;
  rows: { kind: ReferenceKind; times: number; done: Uint8Array }[];
};

type ReferenceRow = {
  weeks: Int32Array;
  months: Int32Array;
  years: Int32Array;
  done: number;
  due: number;
  kept: number;
  current: number;
  longest: number;
};

/** By day over all rows: done and due of the score, and what flexible rows did and ask. */
type ReferenceDays = { done: Uint16Array; due: Uint16Array; flexible: Uint16Array; needs: Float64Array };

const places = (of: Int32Array): number => of[of.length - 1]! + 1;

export const emptyDays = (days: number): ReferenceDays => ({
  done: new Uint16Array(days),
  due: new Uint16Array(days),
  flexible: new Uint16Array(days),
  needs: new Float64Array(days),
});

/** One pass over one row; its days are added to `all`. */
export function scanRow(book: ReferenceBook, row: ReferenceBook['rows'][number], all: ReferenceDays): ReferenceRow {
  return row.kind === 'daily' || row.kind === 'secondDay' ? scanFixed(book, row, all) : scanFlexible(book, row, all);
}

function scanFixed(book: ReferenceBook, row: ReferenceBook['rows'][number], all: ReferenceDays): ReferenceRow {
  const { days, weekOf, monthOf, yearOf } = book;
  const marks = row.done;
  const every = row.kind === 'daily' ? 1 : 2;
  const weeks = new Int32Array(places(weekOf));
  const months = new Int32Array(places(monthOf));
  const years = new Int32Array(places(yearOf));
  let [done, due, kept, run, longest, next] = [0, 0, 0, 0, 0, 0];
  for (let i = 0; i < days; i++) {
    const isDone = marks[i]!;
    if (isDone === 1) {
      weeks[weekOf[i]!]!++;
      months[monthOf[i]!]!++;
      years[yearOf[i]!]!++;
      done++;
    }
    // The next day is so many days after the last one asked or done; every done day makes the run longer.
    const isAsked = i >= next;
    if (isAsked || isDone === 1) next = i + every;
    if (!isAsked) {
      if (isDone === 1 && ++run > longest) longest = run;
      continue;
    }
    all.due[i]!++;
    if (isDone === 1) {
      all.done[i]!++;
      due++;
      kept++;
      if (++run > longest) longest = run;
    } else if (i < days - 1) {
      due++;
      run = 0;
    }
  }
  return { weeks, months, years, done, due, kept, current: run, longest };
}

function scanFlexible(book: ReferenceBook, row: ReferenceBook['rows'][number], all: ReferenceDays): ReferenceRow {
  const { days, weekOf, monthOf, yearOf, daysInMonth } = book;
  const { times, done: marks } = row;
  const isWeekly = row.kind === 'perWeek';
  const ends = isWeekly ? book.weekEnd : book.monthEnd;
  const weeks = new Int32Array(places(weekOf));
  const months = new Int32Array(places(monthOf));
  const years = new Int32Array(places(yearOf));
  let [done, run, longest, inPeriod, quota, left, end] = [0, 0, 0, 0, 0, 0, -1];
  for (let i = 0; i < days; i++) {
    const isDone = marks[i]!;
    if (i > end) {
      end = ends[i]!;
      left = end - i + 1;
      const length = isWeekly ? 7 : daysInMonth[i]!;
      quota = Math.floor((2 * times * left + length) / (2 * length));
      inPeriod = 0;
    }
    const wanted = quota - inPeriod;
    if (wanted > 0) all.needs[i]! += wanted >= left ? 1 : wanted / left;
    left--;
    if (isDone === 1) {
      weeks[weekOf[i]!]!++;
      months[monthOf[i]!]!++;
      years[yearOf[i]!]!++;
      all.flexible[i]!++;
      done++;
      inPeriod++;
    }
    if (i === end || i === days - 1) {
      if (inPeriod >= quota) run++;
      else if (i === end) run = 0;
      if (run > longest) longest = run;
    }
  }
  return { weeks, months, years, done, due: 0, kept: 0, current: run, longest };
}

/** Every row, and the scores of the days over all of them. */
export function scanAll(book: ReferenceBook) {
  const all = emptyDays(book.days);
  const { done, due, flexible, needs } = all;
  const rows = book.rows.map((row) => scanRow(book, row, all));
  let [full, run, fullRun] = [0, 0, 0];
  for (let i = 0; i < book.days; i++) {
    due[i]! += Math.max(flexible[i]!, Math.floor(needs[i]! + 1e-9));
    done[i]! += flexible[i]!;
    if (due[i] === 0) continue;
    const isFull = due[i] === done[i];
    if (isFull) full++;
    run = isFull ? run + 1 : 0;
    if (run > fullRun) fullRun = run;
  }
  return { rows, totals: { done, due, full, fullRun } };
}
