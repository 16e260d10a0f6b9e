/**
 * Moves middles apart so that no two are nearer than `gap`, in their order and as little as a pass from the top allows; all
 * of them stay within 0 and `most` as long as they fit. Same length and order as given.
 */
export function spread(middles: readonly number[], gap: number, most: number): number[] {
  const order = middles.map((_, index) => index).sort((a, b) => middles[a]! - middles[b]! || a - b);
  const moved = [...middles];
  let floor = -Infinity;
  for (const index of order) {
    moved[index] = Math.max(moved[index]!, floor);
    floor = moved[index]! + gap;
  }
  let ceiling = most;
  for (const index of order.reverse()) {
    moved[index] = Math.min(moved[index]!, ceiling);
    ceiling = moved[index]! - gap;
  }
  return moved;
}
