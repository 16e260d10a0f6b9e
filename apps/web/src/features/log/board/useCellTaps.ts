import { useEffect, useMemo, useRef } from 'react';
import type { Place } from '../placeLeft.ts';

const LONG_MS = 450;
const STILL_PX = 8;
/** Distance from the edge at which a drag scrolls the board, and the step. */
const EDGE_PX = 28;
const SCROLL_PX = 14;

type Pointer = {
  target: EventTarget;
  currentTarget: HTMLElement;
  clientX: number;
  clientY: number;
  pointerType?: string;
  button?: number;
  buttons?: number;
  shiftKey?: boolean;
};
type Mouse = Pointer & { preventDefault: () => void };

/** The cell of the pegboard that an element belongs to. */
function cellOf(target: EventTarget | null): Place | null {
  const node = (target as HTMLElement | null)?.closest?.<HTMLElement>('[data-day]');
  const { habit, day } = node?.dataset ?? {};
  return habit === undefined || day === undefined ? null : { habitId: habit, day: Number(day) };
}

const isSameCell = (a: Place, b: Place): boolean => a.habitId === b.habitId && a.day === b.day;

/** Scrolls a board on where a drag comes near its edge. */
function scrollNear(board: HTMLElement, x: number, y: number): void {
  const { left, right, top, bottom } = board.getBoundingClientRect();
  const by = (at: number, low: number, high: number): number =>
    at < low + EDGE_PX ? -SCROLL_PX : at > high - EDGE_PX ? SCROLL_PX : 0;
  board.scrollBy(by(x, left, right), by(y, top, bottom));
}

type Deeds = {
  onTap: (cell: Place) => void;
  /** A long press that stayed where it was, or the other mouse button. */
  onLong: (cell: Place) => void;
  /** A drag with the mouse, with a finger after a long press, or any finger while `draws`; goes on while it moves. */
  onDrag: (from: Place, to: Place) => void;
  onDragEnd: (from: Place, to: Place, isDrawn: boolean) => void;
  /** A click or tap with Shift held. */
  onReach: (cell: Place) => void;
};

/**
 * Taps and drags on cells, taken once for the whole pegboard so that a cell costs nothing but its element. While `draws`,
 * a finger marks days instead of moving the board.
 */
export function useCellTaps(box: React.RefObject<HTMLElement | null>, deeds: Deeds, draws: boolean) {
  const latest = useRef({ deeds, draws });
  useEffect(() => {
    latest.current = { deeds, draws };
  });
  const gesture = useRef({
    timer: undefined as ReturnType<typeof setTimeout> | undefined,
    x: 0,
    y: 0,
    from: null as Place | null,
    to: null as Place | null,
    isFinger: false,
    isHeld: false,
    /** Whether what comes of the press has been done, so that the click after it means nothing. */
    isOver: false,
  });

  useEffect(() => {
    const node = box.current;
    // A finger that holds a cell picks on and does not move the board; only a listener that may refuse can say so.
    const hold = (event: TouchEvent): void => {
      if (gesture.current.isHeld && event.cancelable) event.preventDefault();
    };
    node?.addEventListener('touchmove', hold, { passive: false });
    return () => node?.removeEventListener('touchmove', hold);
  }, [box]);

  return useMemo(() => {
    const own = (): typeof gesture.current => gesture.current;
    const end = (): void => {
      clearTimeout(own().timer);
      Object.assign(own(), { from: null, to: null, isHeld: false });
    };
    return {
      onPointerDown: (event: Pointer): void => {
        end();
        const { pointerType, button, shiftKey } = event;
        own().isOver = false;
        const cell = cellOf(event.target);
        if (cell === null || button === 2) return;
        const isFinger = pointerType !== 'mouse';
        if (!isFinger && shiftKey) {
          own().isOver = true;
          latest.current.deeds.onReach(cell);
          return;
        }
        Object.assign(own(), { x: event.clientX, y: event.clientY, from: cell, to: cell, isFinger });
        if (isFinger && latest.current.draws) own().isHeld = true;
        else {
          own().timer = setTimeout(() => {
            own().isHeld = true;
            if (isFinger) latest.current.deeds.onDrag(cell, cell);
          }, LONG_MS);
        }
      },
      onPointerMove: (event: Pointer): void => {
        const { from, to, isFinger, isHeld } = own();
        if (from === null || to === null) return;
        const isAway = Math.hypot(event.clientX - own().x, event.clientY - own().y) > STILL_PX;
        if (isFinger && !isHeld) {
          if (isAway) end();
          return;
        }
        if (!isFinger && (event.buttons ?? 1) !== 1) return end();
        const over = cellOf(document.elementFromPoint(event.clientX, event.clientY));
        if (own().isOver) scrollNear(event.currentTarget, event.clientX, event.clientY);
        if (over === null || isSameCell(over, to)) return;
        clearTimeout(own().timer);
        Object.assign(own(), { to: over, isOver: true });
        latest.current.deeds.onDrag(from, over);
      },
      onPointerUp: (): void => {
        const { from, to, isHeld, isOver, isFinger } = own();
        const { deeds: now, draws: isDrawing } = latest.current;
        end();
        if (from === null || to === null) return;
        if (isOver) now.onDragEnd(from, to, isFinger && isDrawing);
        else if (isHeld && !(isFinger && isDrawing)) {
          own().isOver = true;
          now.onLong(from);
        }
      },
      onPointerCancel: end,
      onClick: (event: Mouse): void => {
        const cell = cellOf(event.target);
        if (cell !== null && !own().isOver) latest.current.deeds.onTap(cell);
      },
      onContextMenu: (event: Mouse): void => {
        const cell = cellOf(event.target);
        if (cell === null) return;
        event.preventDefault();
        // Where fingers hold, this comes besides; the press itself says what was meant.
        if (own().from !== null && own().isFinger) return;
        end();
        latest.current.deeds.onLong(cell);
      },
    };
  }, []);
}
