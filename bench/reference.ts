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

export type ReferenceRow = {
  weeks: Int32Array;
  months: Int32Array;
  years: Int32Array;
  done: number;
  due: number;
  kept: number;
  current: number;
  longest: number;
  /** By day: due, done of due, done under flexible terms, and what those ask. */
  dueOn: Uint8Array;
  doneOn: Uint8Array;
  needOn: Float64Array;
};

export type ReferenceTotals = { done: Uint16Array; due: Uint16Array; full: number; fullRun: number };

const places = (of: Int32Array): number => of[of.length - 1]! + 1;

/** One pass over one row. */
export function scanRow(book: ReferenceBook, row: ReferenceBook['rows'][number]): ReferenceRow {
  const { days, weekOf, monthOf, yearOf, daysInMonth, weekEnd, monthEnd } = book;
  const { kind, times, done: marks } = row;
  const weeks = new Int32Array(places(weekOf));
  const months = new Int32Array(places(monthOf));
  const years = new Int32Array(places(yearOf));
  const dueOn = new Uint8Array(days);
  const doneOn = new Uint8Array(days);
  const needOn = new Float64Array(days);
  let [done, due, kept, run, longest, inPeriod, quota, left] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (let i = 0; i < days; i++) {
    const isDone = marks[i]!;
    weeks[weekOf[i]!]! += isDone;
    months[monthOf[i]!]! += isDone;
    years[yearOf[i]!]! += isDone;
    done += isDone;
    doneOn[i] = isDone;
    if (kind === 'daily' || kind === 'secondDay') {
      if (kind === 'secondDay' && (i & 1) === 1) {
        doneOn[i] = 0;
        continue;
      }
      dueOn[i] = 1;
      if (i === days - 1 && isDone === 0) continue;
      due++;
      kept += isDone;
      run = isDone === 1 ? run + 1 : 0;
      if (run > longest) longest = run;
      continue;
    }
    const isWeekly = kind === 'perWeek';
    const end = isWeekly ? weekEnd[i]! : monthEnd[i]!;
    if (i === 0 || end !== (isWeekly ? weekEnd[i - 1]! : monthEnd[i - 1]!)) {
      left = end - i + 1;
      quota = isWeekly ? Math.floor((2 * times * left + 7) / 14) : Math.floor((2 * times * left + daysInMonth[i]!) / (2 * daysInMonth[i]!));
      inPeriod = 0;
    }
    const wanted = quota - inPeriod;
    needOn[i] = wanted <= 0 ? 0 : wanted >= left ? 1 : wanted / left;
    left--;
    inPeriod += isDone;
    if (i === end || i === days - 1) {
      if (inPeriod >= quota) run++;
      else if (i === end) run = 0;
      if (run > longest) longest = run;
    }
  }
  return { weeks, months, years, done, due, kept, current: run, longest, dueOn, doneOn, needOn };
}

/** Every row, and the scores of the days over all of them. */
export function scanAll(book: ReferenceBook): { rows: ReferenceRow[]; totals: ReferenceTotals } {
  const { days } = book;
  const done = new Uint16Array(days);
  const due = new Uint16Array(days);
  const flexible = new Uint16Array(days);
  const needs = new Float64Array(days);
  const rows = book.rows.map((row) => {
    const scanned = scanRow(book, row);
    const isFixed = row.kind === 'daily' || row.kind === 'secondDay';
    for (let i = 0; i < days; i++) {
      if (isFixed) {
        due[i]! += scanned.dueOn[i]!;
        done[i]! += scanned.doneOn[i]!;
      } else {
        flexible[i]! += scanned.doneOn[i]!;
        needs[i]! += scanned.needOn[i]!;
      }
    }
    return scanned;
  });
  let [full, run, fullRun] = [0, 0, 0];
  for (let i = 0; i < days; i++) {
    const need = Math.floor(needs[i]! + 1e-9);
    due[i]! += Math.max(flexible[i]!, need);
    done[i]! += flexible[i]!;
    if (due[i] === 0) continue;
    const isFull = due[i] === done[i];
    if (isFull) full++;
    run = isFull ? run + 1 : 0;
    if (run > fullRun) fullRun = run;
  }
  return { rows, totals: { done, due, full, fullRun } };
}
