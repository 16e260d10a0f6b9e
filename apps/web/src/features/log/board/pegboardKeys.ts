import type { DaySpan, Mark, PlainDay } from '@wimbel/core';

/** What a key does in the pegboard, in the words of the help panel. */
export const KEYS: readonly (readonly [keys: string, does: string])[] = [
  ['← → ↑ ↓', 'to the next day or habit; past the edge, to the next span'],
  ['Home, End', 'to the first and the last day'],
  ['Page Up, Page Down', 'ten habits up or down'],
  ['Space', 'check off, or undo it'],
  ['0 to 9', 'type an amount; Enter keeps it'],
  ['R', 'a rest day'],
  ['M', 'missed; then write the reason'],
  ['N', 'write a note'],
  ['Delete', 'empty the day'],
  ['Enter', 'everything about the day'],
  ['Shift and a move', 'pick several days; what follows is done to all of them'],
  ['Ctrl A', 'pick the whole board; Escape lets go'],
  ['F', 'fill empty days as the week before'],
  ['Ctrl C, Ctrl V', 'copy, and paste, also to and from a spreadsheet'],
  ['W, D', 'what the habit’s and the day’s figures are made of'],
  ['T', 'to today'],
  ['Ctrl Z', 'undo'],
  ['?', 'this help'],
];

const PAGE_ROWS = 10;

export type KeyDeed =
  | { kind: 'move'; row: number; day: PlainDay }
  /** Picks on from where picking began to here. */
  | { kind: 'pick'; row: number; day: PlainDay }
  | { kind: 'span'; by: -1 | 1 }
  | { kind: 'today' }
  | { kind: 'check' | 'open' | 'note' | 'empty' | 'weekBefore' | 'letGo' | 'help' | 'askHabit' | 'askDay' }
  | { kind: 'mark'; mark: Mark }
  | { kind: 'digit'; text: string };

type At = { row: number; day: PlainDay; rows: number; span: DaySpan; today: PlainDay; isShift?: boolean };

/** What a key means at a cell; null for keys that mean nothing here. Days to come cannot be reached. */
export function deedOf(key: string, { row, day, rows, span, today, isShift = false }: At): KeyDeed | null {
  const last = Math.min(span.last, today);
  const to = (toRow: number, toDay: PlainDay): KeyDeed => ({
    kind: isShift ? 'pick' : 'move',
    row: Math.max(0, Math.min(rows - 1, toRow)),
    day: Math.max(span.first, Math.min(last, toDay)),
  });
  switch (key) {
    case 'ArrowLeft':
      return day === span.first && !isShift ? { kind: 'span', by: -1 } : to(row, day - 1);
    case 'ArrowRight':
      return day === span.last && day < today && !isShift ? { kind: 'span', by: 1 } : to(row, day + 1);
    case 'ArrowUp':
      return to(row - 1, day);
    case 'ArrowDown':
      return to(row + 1, day);
    case 'Home':
      return to(row, span.first);
    case 'End':
      return to(row, last);
    case 'PageUp':
      return to(row - PAGE_ROWS, day);
    case 'PageDown':
      return to(row + PAGE_ROWS, day);
    case 'Enter':
      return { kind: 'open' };
    case ' ':
      return { kind: 'check' };
    case 'Delete':
    case 'Backspace':
      return { kind: 'empty' };
    case 'Escape':
      return { kind: 'letGo' };
    case '?':
      return { kind: 'help' };
  }
  if (/^[0-9]$/.test(key)) return { kind: 'digit', text: key };
  switch (key.toLowerCase()) {
    case 'r':
      return { kind: 'mark', mark: 'rest' };
    case 'm':
      return { kind: 'mark', mark: 'missed' };
    case 'f':
      return { kind: 'weekBefore' };
    case 'n':
      return { kind: 'note' };
    case 'w':
      return { kind: 'askHabit' };
    case 'd':
      return { kind: 'askDay' };
    case 't':
      return today >= span.first && today <= span.last ? to(row, today) : { kind: 'today' };
  }
  return null;
}
