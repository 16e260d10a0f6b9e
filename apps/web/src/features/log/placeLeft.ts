import type { PlainDay } from '@wimbel/core';

/** A cell of the pegboard. */
export type Place = { habitId: string; day: PlainDay };

let place: Place | null = null;

/** Where the keyboard goes on in the pegboard of the span before or after, which is a board of its own. */
export const placeLeft = (): Place | null => place;

export function leavePlace(next: Place | null): void {
  place = next;
}
