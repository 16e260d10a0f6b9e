import type { PlainDay } from '@wimbel/core';

/** A cell of the pegboard. */
export type Place = { habitId: string; day: PlainDay };

let place: Place | null = null;

/** Focus after a step to the previous or next span, which is another board. */
export const placeLeft = (): Place | null => place;

export function leavePlace(next: Place | null): void {
  place = next;
}
