type Ordered = { id: string; order: number };

/**
 * The records whose `order` must change so that those named by `ids` stand in that sequence, in the places they hold
 * among `all`. `all` is in the present order. Where orders are shared, all are numbered anew.
 */
export function reordered<R extends Ordered>(all: readonly R[], ids: readonly string[]): R[] {
  const moving = new Set(ids);
  const byId = new Map(all.map((each) => [each.id, each]));
  const queue = ids.flatMap((id) => byId.get(id) ?? []);
  const sequence = all.map((each) => (moving.has(each.id) ? queue.shift()! : each));
  const isDistinct = new Set(all.map((each) => each.order)).size === all.length;
  const orders = all.map((each, index) => (isDistinct ? each.order : index));
  return sequence.flatMap((each, index) => (each.order === orders[index] ? [] : [{ ...each, order: orders[index]! }]));
}

/** A list with one item moved from a place to another. */
export function moved<T>(list: readonly T[], from: number, to: number): T[] {
  const rest = list.filter((_, index) => index !== from);
  const item = list[from];
  if (item === undefined || to < 0 || to >= list.length) return [...list];
  return [...rest.slice(0, to), item, ...rest.slice(to)];
}
