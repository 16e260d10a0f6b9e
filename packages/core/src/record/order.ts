/** A record that the person can move: its place in their order, and its id. */
export type Ordered = { id: string; order: number };

/** Compares by the person's order; equal places by id, so that the order is total. */
export const compareByOrder = (a: Ordered, b: Ordered): number => a.order - b.order || (a.id < b.id ? -1 : 1);
