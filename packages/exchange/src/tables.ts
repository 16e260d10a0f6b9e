import {
  type DaySpan,
  type Entry,
  type Habit,
  type Mark,
  type Records,
  type Report,
  dayOf,
  formatDay,
  holdsDay,
  monthOf,
  monthSpan,
  overlaps,
  type Ordered,
  compareByOrder,
  isSpanMeasure,
  unitOfMeasure,
} from '@wimbel/core';
import Papa from 'papaparse';

/** A value in a table: text, a number, or nothing. Days are written YYYY-MM-DD, shares are fractions of one. */
export type Cell = string | number | null;

/** One kind of record as rows under named columns. */
export type Table = { columns: string[]; rows: Cell[][] };

/** The tables that records can be written as. */
export const TABLES = ['days', 'board', 'goals', 'checkIns', 'journal', 'rewards', 'ledger'] as const;
/** The name of a table. */
export type TableKind = (typeof TABLES)[number];

const MARKS: Record<Mark, string> = { done: 'done', missed: 'missed', rest: 'rest' };

const inSpan = (span: DaySpan | null, day: string): boolean => span === null || holdsDay(span, dayOf(day));

const byDay = <T extends { day: string }>(a: T, b: T): number => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0);

/** Records in the person's own order; of the same place by id. */
export const inOrder = <T extends Ordered>(all: readonly T[]): T[] => [...all].sort(compareByOrder);

/** What was recorded, a line for each habit and day. */
function daysTable({ habits, areas, entries }: Records, span: DaySpan | null): Table {
  const areaOf = new Map(areas.map(({ id, name }) => [id, name]));
  const habitOf = new Map(inOrder(habits).map((habit, index) => [habit.id, { habit, index }]));
  const habitIndexOf = ({ habitId }: Entry): number => habitOf.get(habitId)?.index ?? 0;
  const rows = entries
    .filter(({ day, habitId }) => inSpan(span, day) && habitOf.has(habitId))
    .sort((a, b) => byDay(a, b) || habitIndexOf(a) - habitIndexOf(b))
    .map((entry): Cell[] => {
      const { habit } = habitOf.get(entry.habitId)!;
      const unit = habit.measure.kind === 'amount' ? habit.measure.unit : '';
      return [
        entry.day,
        habit.name,
        areaOf.get(habit.areaId ?? '') ?? '',
        entry.mark === undefined ? '' : MARKS[entry.mark],
        entry.amount ?? null,
        unit,
        entry.note ?? '',
      ];
    });
  return { columns: ['Day', 'Habit', 'Area', 'Mark', 'Amount', 'Unit', 'Note'], rows };
}

/** What was recorded as a board: days down, habits across; an amount where there is one, else the mark. */
function boardTable({ habits, entries }: Records, span: DaySpan | null): Table {
  const own = entries.filter(({ day }) => inSpan(span, day));
  const recorded = new Set(own.map(({ habitId }) => habitId));
  const shown = inOrder(habits).filter(({ id }) => recorded.has(id));
  const byPlace = new Map(own.map((entry) => [`${entry.day} ${entry.habitId}`, entry]));
  const days = [...new Set(own.map(({ day }) => day))].sort();
  const first = span === null ? days[0] : formatDay(span.first);
  const last = span === null ? days.at(-1) : formatDay(span.last);
  const rows: Cell[][] = [];
  if (first !== undefined && last !== undefined && shown.length > 0) {
    for (let day = dayOf(first); day <= dayOf(last); day++) {
      const text = formatDay(day);
      rows.push([
        text,
        ...shown.map(({ id }): Cell => {
          const entry = byPlace.get(`${text} ${id}`);
          return entry?.amount ?? (entry?.mark === undefined ? null : MARKS[entry.mark]);
        }),
      ]);
    }
  }
  const unitOf = ({ name, measure }: Habit): string =>
    measure.kind === 'amount' && measure.unit !== '' ? `${name} (${measure.unit})` : name;
  return { columns: ['Day', ...shown.map(unitOf)], rows };
}

/** Goals with their key results and how far each is by the report, a line for each key result; a goal without any has one. */
function goalsTable({ goals, keyResults, areas }: Records, report: Report): Table {
  const areaOf = new Map(areas.map(({ id, name }) => [id, name]));
  const rows = inOrder(goals).flatMap((goal): Cell[][] => {
    const figures = report.goals[goal.id];
    const head: Cell[] = [
      goal.title,
      areaOf.get(goal.areaId ?? '') ?? '',
      goal.state,
      goal.startsOn,
      goal.dueOn ?? '',
      figures?.progress ?? null,
    ];
    const own = inOrder(keyResults.filter(({ goalId }) => goalId === goal.id));
    if (own.length === 0) return [[...head, '', null, null, '', null, null]];
    return own.map(({ id, title, measure }) => {
      const told = figures?.keyResults[id];
      return [
        ...head,
        title,
        isSpanMeasure(measure) ? measure.start : null,
        'target' in measure ? measure.target : null,
        unitOfMeasure(measure) ?? '',
        told?.current ?? null,
        told?.progress ?? null,
      ];
    });
  });
  return {
    columns: [
      'Goal',
      'Area',
      'State',
      'From',
      'Due',
      'Progress',
      'Key result',
      'Start',
      'Target',
      'Unit',
      'Now',
      'Key result progress',
    ],
    rows,
  };
}

function checkInsTable({ goals, keyResults, checkIns }: Records, span: DaySpan | null): Table {
  const goalOf = new Map(goals.map((goal) => [goal.id, goal.title]));
  const ofKey = new Map(keyResults.map((each) => [each.id, each]));
  const rows = checkIns
    .filter(({ day }) => inSpan(span, day))
    .sort((a, b) => byDay(a, b) || (a.madeAt < b.madeAt ? -1 : 1))
    .map(({ day, keyResultId, value, note }): Cell[] => {
      const keyResult = ofKey.get(keyResultId);
      return [day, goalOf.get(keyResult?.goalId ?? '') ?? '', keyResult?.title ?? '', value, note ?? ''];
    });
  return { columns: ['Day', 'Goal', 'Key result', 'Value', 'Note'], rows };
}

/** The journal: a line for what was written freely, and one for each answer. */
function journalTable({ journal, prompts }: Records, span: DaySpan | null): Table {
  const promptOf = new Map(prompts.map(({ id, text }) => [id, text]));
  const rows = journal
    .filter(({ day }) => inSpan(span, day))
    .sort((a, b) => byDay(a, b) || (a.part < b.part ? -1 : 1))
    .flatMap(({ day, part, mood, feelings = [], text, answers = [] }): Cell[][] => {
      const head: Cell[] = [day, part, mood ?? null, feelings.join(', ')];
      const lines = answers.map(({ promptId, promptText, text: said, items = [] }): Cell[] => [
        ...head,
        promptText ?? promptOf.get(promptId) ?? '',
        said ?? items.map((item) => `${item.done ? '[x] ' : ''}${item.text}`).join('\n'),
      ]);
      return text !== undefined || lines.length === 0 ? [[...head, '', text ?? ''], ...lines] : lines;
    });
  return { columns: ['Day', 'Part', 'Mood', 'Feelings', 'Prompt', 'Text'], rows };
}

function rewardsTable({ rewards, claims }: Records, span: DaySpan | null): Table {
  const nameOf = new Map(rewards.map(({ id, title }) => [id, title]));
  const rows = claims
    .filter(({ day }) => inSpan(span, day))
    .sort(byDay)
    .map(({ day, rewardId, cost }): Cell[] => [day, nameOf.get(rewardId) ?? '', cost]);
  return { columns: ['Day', 'Reward', 'Pips spent'], rows };
}

/** What each month earned and spent, and what is left after it, by the report. Of a span the months that it touches. */
function ledgerTable({ pips }: Report, span: DaySpan | null): Table {
  let balance = 0;
  const rows = Object.keys(pips.months)
    .sort()
    .flatMap((month): Cell[][] => {
      const { earned, spent } = pips.months[month]!;
      balance += earned - spent;
      const days = monthSpan(monthOf(month));
      return span === null || overlaps(span, days) ? [[month, earned, spent, balance]] : [];
    });
  return { columns: ['Month', 'Earned', 'Spent', 'Balance'], rows };
}

/**
 * Some records as a table. Of a span only what has its day in it; goals are always all of them, with the progress that the
 * report tells.
 */
export function tableOf(kind: TableKind, records: Records, report: () => Report, span: DaySpan | null): Table {
  switch (kind) {
    case 'days':
      return daysTable(records, span);
    case 'board':
      return boardTable(records, span);
    case 'goals':
      return goalsTable(records, report());
    case 'checkIns':
      return checkInsTable(records, span);
    case 'journal':
      return journalTable(records, span);
    case 'rewards':
      return rewardsTable(records, span);
    case 'ledger':
      return ledgerTable(report(), span);
  }
}

/** What a spreadsheet takes for a formula; a number below nothing is none. */
const FORMULA = /^[=+\-@\t\r]/;

/**
 * A table as CSV (RFC 4180: commas, quotes doubled, lines that end with CR LF), with its columns' names above. Text that a
 * spreadsheet would run as a formula has an apostrophe before it.
 */
export const csvOf = ({ columns, rows }: Table): string =>
  `${Papa.unparse({ fields: columns, data: rows }, { newline: '\r\n', escapeFormulae: FORMULA })}\r\n`;
