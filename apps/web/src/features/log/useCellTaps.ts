import { useEffect, useMemo, useRef } from 'react';
import type { Place } from './placeLeft.ts';

const LONG_MS = 450;
const STILL_PX = 8;

type Pointer = { target: EventTarget; clientX: number; clientY: number };
type Mouse = Pointer & { preventDefault: () => void };

/** The cell of the pegboard that an event happened on. */
function cellOf(target: EventTarget | null): Place | null {
  const node = (target as HTMLElement | null)?.closest?.<HTMLElement>('[data-day]');
  const { habit, day } = node?.dataset ?? {};
  return habit === undefined || day === undefined ? null : { habitId: habit, day: Number(day) };
}

/**
 * Taps on cells, taken once for the whole pegboard so that a cell costs nothing but its element: a tap, and a long one
 * or the other mouse button.
 */
export function useCellTaps(onTap: (cell: Place) => void, onLong: (cell: Place) => void) {
  const handlers = useRef({ onTap, onLong });
  useEffect(() => {
    handlers.current = { onTap, onLong };
  });
  const gesture = useRef({ timer: undefined as ReturnType<typeof setTimeout> | undefined, x: 0, y: 0, wasLong: false });
  return useMemo(() => {
    const forget = (): void => clearTimeout(gesture.current.timer);
    const long = (cell: Place): void => {
      gesture.current.wasLong = true;
      handlers.current.onLong(cell);
    };
    return {
      onPointerDown: (event: Pointer): void => {
        forget();
        gesture.current.wasLong = false;
        const cell = cellOf(event.target);
        if (cell === null) return;
        gesture.current = { ...gesture.current, x: event.clientX, y: event.clientY };
        gesture.current.timer = setTimeout(() => long(cell), LONG_MS);
      },
      onPointerMove: (event: Pointer): void => {
        if (Math.hypot(event.clientX - gesture.current.x, event.clientY - gesture.current.y) > STILL_PX) forget();
      },
      onPointerUp: forget,
      onPointerCancel: forget,
      onClick: (event: Mouse): void => {
        forget();
        const cell = cellOf(event.target);
        if (cell !== null && !gesture.current.wasLong) handlers.current.onTap(cell);
      },
      onContextMenu: (event: Mouse): void => {
        const cell = cellOf(event.target);
        if (cell === null) return;
        event.preventDefault();
        forget();
        if (!gesture.current.wasLong) long(cell);
      },
    };
  }, []);
}
