import type { DaySpan, PlainDay } from '@wimbel/core';
import type { HabitLine } from '../logRows.ts';
import { type KeyDeed, deedOf } from './pegboardKeys.ts';
import type { Place } from '../placeLeft.ts';
import type { BoardFocus } from './useBoardFocus.ts';
import type { CellDeeds } from './useCellDeeds.ts';
import type { Picking, Range } from '../range/useRange.ts';

/** A range of one hole. */
export function rangeOf({ habitId, day }: Place, habits: readonly HabitLine[]): Range {
  const row = habits.findIndex(({ track }) => track.habit.id === habitId);
  return { rows: [row, row], days: { first: day, last: day } };
}

/** Selection that keys on a pegboard act on. */
type BoardOfKeys = {
  habits: readonly HabitLine[];
  span: DaySpan;
  today: PlainDay;
  focus: BoardFocus;
  picking: Picking;
  deeds: CellDeeds;
  /** Types an amount over a hole, or over all that are picked. */
  onDigit: (text: string, place: Place, range: Range | null) => void;
  onSpan: (by: -1 | 1, place: Place) => void;
  onToday: (place: Place) => void;
  onHelp: () => void;
  onAskHabit: (habitId: string) => void;
  onAskDay: (day: PlainDay) => void;
};

/** Does what a key means at the cell that has the focus; keys that mean nothing here go on to others. */
export function boardKeyDown(board: BoardOfKeys, event: React.KeyboardEvent): void {
  const { habits, span, today, focus, picking } = board;
  const { place } = focus;
  if (place === null || event.altKey || (event.target as HTMLElement).dataset.day === undefined) return;
  const isCtrl = event.ctrlKey || event.metaKey;
  if (isCtrl && event.key.toLowerCase() === 'a' && habits.length > 0) {
    event.preventDefault();
    const last = { habitId: habits.at(-1)!.track.habit.id, day: Math.min(span.last, Math.max(span.first, today)) };
    return picking.pick({ habitId: habits[0]!.track.habit.id, day: span.first }, last);
  }
  if (isCtrl) return;
  const row = Math.max(
    0,
    habits.findIndex(({ track }) => track.habit.id === place.habitId),
  );
  const at = { row, day: place.day, rows: habits.length, span, today, isShift: event.shiftKey };
  const deed = deedOf(event.key, at);
  if (deed === null) return;
  event.preventDefault();
  event.stopPropagation();
  if (goes(board, place, deed)) return;
  if (picking.range !== null) doToRange(board, place, picking.range, deed);
  else if (place.day <= today) doToCell(board, place, row, deed);
}

/** Moves about the board and beyond it; whether the deed was one of these. */
function goes(board: BoardOfKeys, place: Place, deed: KeyDeed): boolean {
  const { habits, focus, picking } = board;
  switch (deed.kind) {
    case 'move':
      picking.clear();
      focus.moveTo(deed.row, deed.day);
      return true;
    case 'pick':
      picking.pickTo(place, { habitId: habits[deed.row]!.track.habit.id, day: deed.day });
      focus.moveTo(deed.row, deed.day);
      return true;
    case 'letGo':
      picking.clear();
      return true;
    case 'weekBefore':
      picking.apply('weekBefore', picking.range ?? rangeOf(place, habits));
      return true;
    case 'span':
      board.onSpan(deed.by, place);
      return true;
    case 'today':
      board.onToday(place);
      return true;
    case 'help':
      board.onHelp();
      return true;
    case 'askHabit':
      board.onAskHabit(place.habitId);
      return true;
    default:
      return false;
  }
}

function doToRange({ picking, onDigit }: BoardOfKeys, place: Place, range: Range, deed: KeyDeed): void {
  switch (deed.kind) {
    case 'check':
    case 'empty':
      return picking.apply(deed.kind);
    case 'mark':
      if (deed.mark !== 'done') picking.apply(deed.mark);
      return;
    case 'digit':
      return onDigit(deed.text, place, range);
  }
}

function doToCell({ habits, deeds, onDigit, onAskDay }: BoardOfKeys, place: Place, row: number, deed: KeyDeed): void {
  switch (deed.kind) {
    case 'check':
      return deeds.press(place);
    case 'open':
      return deeds.open(place);
    case 'askDay':
      return onAskDay(place.day);
    case 'note':
      return deeds.note(place);
    case 'empty':
      return deeds.empty(place);
    case 'mark':
      return deeds.mark(place, deed.mark);
    case 'digit': {
      const { measure, variants = [] } = habits[row]!.track.habit;
      if (measure.kind === 'amount' && variants.length === 0) onDigit(deed.text, place, null);
    }
  }
}
