import { type DaySpan, type Entry, type PlainDay, formatDay, habitBegunOn } from '@wimbel/core';
import { useMemo, useState } from 'react';
import { useStore } from 'react-redux';
import { counted } from '../../../text/format.ts';
import { changeTo, entryChange } from '../../../store/makeChange.ts';
import { selectEntry, selectToday, trackOf } from '../../../store/selectors.ts';
import type { RootState } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { useToast } from '../../../ui/Toast.tsx';
import { countFromWords, pastedWords } from './pasteWords.ts';
import type { Place } from '../placeLeft.ts';
import {
  type Cell,
  type Cells,
  asTheWeekBefore,
  checkedOff,
  drawnOver,
  emptied,
  marked,
  pasted,
  tableOf,
  textOf,
  withAmount,
} from './rangeEdit.ts';

/** A range of holes: of some rows, from one to the other, some days. */
export type Range = { rows: readonly [first: number, last: number]; days: DaySpan };

/** Actions on all days of a range. */
export type RangeDeed = 'check' | 'missed' | 'rest' | 'empty' | 'weekBefore' | 'draw';

const DEED_WORDS: Record<RangeDeed, string> = {
  check: 'checked off',
  missed: 'marked missed',
  rest: 'marked rest',
  empty: 'emptied',
  weekBefore: 'filled as the week before',
  draw: 'changed',
};

/**
 * The holes that are picked on the pegboard, between the one where picking began and the one it reached, and what is done
 * to them at once: one step to undo.
 */
export function useRange(habitIds: readonly string[], span: DaySpan) {
  const store = useStore<RootState>();
  const { change } = useRecording();
  const toast = useToast();
  const [begun, setBegun] = useState<readonly string[] | null>(null);
  const [picked, setPicked] = useState<{ from: Place; to: Place } | null>(null);

  const range = useMemo((): Range | null => {
    if (picked === null) return null;
    const [a, b] = [habitIds.indexOf(picked.from.habitId), habitIds.indexOf(picked.to.habitId)];
    if (a < 0 || b < 0) return null;
    const days = {
      first: Math.max(span.first, Math.min(picked.from.day, picked.to.day)),
      last: Math.min(span.last, Math.max(picked.from.day, picked.to.day)),
    };
    return days.first > days.last ? null : { rows: [Math.min(a, b), Math.max(a, b)], days };
  }, [picked, habitIds, span.first, span.last]);

  const cellAt = (row: number, day: PlainDay): Cell | null => {
    const state = store.getState();
    const habit = state.records.habits[habitIds[row] ?? ''];
    if (habit === undefined || day > selectToday(state) || day < span.first || day > span.last) return null;
    return { track: trackOf(state, habit), day, entry: selectEntry(state, habit.id, formatDay(day)) };
  };
  const cellsIn = ({ rows, days }: Range): Cells => {
    const found: Cell[][] = [];
    for (let row = rows[0]; row <= rows[1]; row++) {
      const cells: Cell[] = [];
      for (let { first: day } = days; day <= days.last; day++) {
        const cell = cellAt(row, day);
        if (cell !== null) cells.push(cell);
      }
      found.push(cells);
    }
    return found;
  };

  const keep = (entries: readonly Entry[], words: string): void => {
    if (entries.length === 0) return toast({ text: 'Nothing to change there' });
    toast({ text: `${counted(entries.length, 'day')} ${words}`, onUndo: change(...entries.map(entryChange)) });
  };

  const entriesOf = (deed: RangeDeed, cells: Cells): Entry[] => {
    switch (deed) {
      case 'check':
        return checkedOff(cells);
      case 'empty':
        return emptied(cells);
      case 'weekBefore':
        return asTheWeekBefore(cells, (habitId, day) => selectEntry(store.getState(), habitId, formatDay(day)));
      case 'draw':
        return drawnOver(cells);
      default:
        return marked(cells, deed);
    }
  };

  return {
    range,
    pick: (from: Place, to: Place): void => setPicked({ from, to }),
    /** Picks on to a place, from where picking began, else from `from`. */
    pickTo: (from: Place, to: Place): void => setPicked((before) => ({ from: before?.from ?? from, to })),
    clear: (): void => setPicked(null),
    /** Does something to a range, to the picked one if none is named. */
    apply: (deed: RangeDeed, own: Range | null = range): void => {
      if (own !== null) keep(entriesOf(deed, cellsIn(own)), DEED_WORDS[deed]);
    },
    fill: (amount: number, own: Range): void => keep(withAmount(cellsIn(own), amount), 'filled'),
    hasAmounts: (): boolean =>
      range !== null && cellsIn(range).some((row) => row[0]?.track.habit.measure.kind === 'amount'),
    text: (own: Range | null = range): string | null => (own === null ? null : textOf(cellsIn(own))),
    /** Takes in text with tabs, from the range's first hole on; the habits it marks count from its first day. */
    paste: (text: string, own: Range): void => {
      const at = (row: number, column: number) => cellAt(own.rows[0] + row, own.days.first + column);
      const { entries, cleared, unread, beyond, rows } = pasted(tableOf(text), cellsIn(own), at);
      const begun = rows.flatMap(({ habit, first }) =>
        first > own.days.first ? [habitBegunOn(habit, own.days.first)] : [],
      );
      if (entries.length === 0) return toast({ text: pastedWords({ pasted: 0, cleared: 0, unread, beyond }) });
      const onUndo = change(...begun.map((habit) => changeTo('habits', habit)), ...entries.map(entryChange));
      const words = pastedWords({ pasted: entries.length - cleared, cleared, unread, beyond });
      if (begun.length === 0) return toast({ text: words, onUndo });
      toast({
        text: `${words}. ${countFromWords(
          begun.map(({ name }) => name),
          own.days.first,
          selectToday(store.getState()),
        )}`,
        onUndo,
        action: { label: 'First days', onPress: () => setBegun(begun.map(({ id }) => id)) },
      });
    },
    /** Habits that a paste has begun, whose first days are looked over; null where they are not. */
    begun,
    forgetBegun: (): void => setBegun(null),
  };
}

export type Picking = ReturnType<typeof useRange>;
