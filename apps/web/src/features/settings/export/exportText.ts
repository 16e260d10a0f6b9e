import type { CalendarKind, TableKind } from '@wimbel/exchange';

/** The tables one can take out, with what each holds. */
export const TABLE_WORDS: Record<TableKind, { label: string; holds: string }> = {
  days: { label: 'Days, line by line', holds: 'Each recorded day of each habit: its mark, amount and note.' },
  board: { label: 'Days, as a board', holds: 'A line for each day, a column for each habit.' },
  goals: { label: 'Goals', holds: 'All goals with their key results, targets and progress.' },
  checkIns: { label: 'Check-ins', holds: 'Each value you checked in, with its goal and note.' },
  journal: { label: 'Journal', holds: 'Moods, feelings, what you wrote, and your answers.' },
  ledger: { label: 'Earned and spent', holds: 'What each month earned and spent, and what was left.' },
  rewards: { label: 'Rewards', holds: 'Each reward you took, and what it cost.' },
};

export const CALENDAR_WORDS: Record<CalendarKind, string> = {
  due: 'What is due',
  milestones: 'Milestones',
  seasons: 'Weeks of seasons',
  habits: 'Planned habits',
};

export const SPANS = ['month', 'year', 'all'] as const;
export type ExportSpan = (typeof SPANS)[number];
export const SPAN_WORDS: Record<ExportSpan, string> = { month: 'This month', year: 'This year', all: 'Everything' };
