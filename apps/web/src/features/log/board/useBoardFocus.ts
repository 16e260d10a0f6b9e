import { type DaySpan, type PlainDay, holdsDay } from '@wimbel/core';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { cellId } from './PegboardRow.tsx';
import { type Place, leavePlace, placeLeft } from '../placeLeft.ts';
import type { BoardLayout } from './useBoardLayout.ts';

/** Where to scroll so that a stretch lies in the room that is seen, going no further than needed. */
const into = (at: number, length: number, from: number, room: number): number =>
  at < from ? at : at + length > from + room ? at + length - room : from;

/**
 * Where the keyboard is on a pegboard, and what of it is scrolled to: one cell can be entered at, and gets the focus as
 * soon as it is drawn.
 */
export function useBoardFocus(layout: BoardLayout, span: DaySpan, today: PlainDay, at: PlainDay | null) {
  const { box, boxSize, size, days, habits, isWide } = layout;
  const [focus, setFocus] = useState<Place | null>(placeLeft);
  /** The cell that the keyboard goes to, until it is drawn and has the focus. */
  const wanted = useRef<Place | null>(placeLeft());
  const isHere =
    focus !== null && holdsDay(span, focus.day) && habits.some(({ track }) => track.habit.id === focus.habitId);
  const firstHabit = habits[0]?.track.habit.id;
  const place: Place | null = isHere
    ? focus
    : firstHabit === undefined
      ? null
      : { habitId: focus?.habitId ?? firstHabit, day: Math.min(span.last, Math.max(span.first, at ?? today)) };

  const focusOn = (to: Place): void => {
    wanted.current = to;
    setFocus(to);
  };
  const moveTo = (row: number, day: PlainDay): void => {
    const line = habits[row];
    const node = box.current;
    if (line === undefined || !node) return;
    focusOn({ habitId: line.track.habit.id, day });
    const column = days.columns[day - span.first];
    if (column === undefined) return;
    const rightEdge = node.clientWidth - size.namesPx - (isWide ? size.figuresPx : 0);
    const bottomEdge = node.clientHeight - size.headPx - (isWide ? size.footPx : 0);
    node.scrollTo({
      left: into(column.x, size.cellPx, node.scrollLeft, rightEdge),
      top: into(line.y, size.rowPx, node.scrollTop, bottomEdge),
    });
  };

  const atX = at !== null && at !== today && holdsDay(span, at) ? days.columns[at - span.first]!.x : null;
  const todayX = holdsDay(span, today) ? days.columns[today - span.first]!.x : null;
  const viewPx = boxSize.widthPx - size.namesPx - (isWide ? size.figuresPx : 0);
  const hasWidth = boxSize.widthPx > 0;
  useEffect(() => {
    if (!hasWidth) return;
    const goal = wanted.current && days.columns.find((column) => column.day === wanted.current!.day);
    if (goal) {
      // The keyboard came here from the span before or after.
      box.current?.scrollTo({ left: into(goal.x, size.cellPx, box.current.scrollLeft, viewPx) });
      return;
    }
    const seenX = atX ?? todayX;
    const least = seenX === null ? 0 : Math.max(0, seenX - viewPx + size.cellPx * 2.4);
    // From the edge of a day, so that none is cut in two beside the names.
    box.current?.scrollTo({ left: days.columns.find((column) => column.x >= least)?.x ?? 0 });
  }, [atX, todayX, viewPx, hasWidth, size.cellPx, days, box]);

  /** The cell that the keyboard enters at. Marked here and not by its row, which need not be drawn anew for it. */
  const entered = useRef<HTMLElement | null>(null);
  useLayoutEffect(() => {
    const node = place === null ? null : document.getElementById(cellId(place.habitId, place.day));
    if (entered.current !== null && entered.current !== node) entered.current.tabIndex = -1;
    if (node !== null) node.tabIndex = 0;
    entered.current = node;
  });

  useEffect(() => leavePlace(null), []);
  useEffect(() => {
    if (wanted.current === null) return;
    if (!habits.some((line) => line.track.habit.id === wanted.current!.habitId)) wanted.current = place;
    if (wanted.current === null) return;
    const node = document.getElementById(cellId(wanted.current.habitId, wanted.current.day));
    if (node === null) return;
    wanted.current = null;
    node.focus({ preventScroll: true });
  });
  return {
    place,
    atX,
    todayX,
    /** The focus came to a cell by itself. */
    focused: setFocus,
    /** Puts the focus on a cell once it is drawn. */
    focusOn,
    /** Goes to a cell and scrolls it into view. */
    moveTo,
    /** Puts the focus back on a cell after something over it is gone. */
    returnTo: (to: Place): void => {
      wanted.current = to;
    },
  };
}

export type BoardFocus = ReturnType<typeof useBoardFocus>;
