/** Something in a picture that can be pointed at: its key (a day, or a place in the picture) and its middle. */
export type MarkAt = { key: number; x: number; y: number };

/** How marks are found: along the picture alone, or by both lengths. */
export type MarkBy = 'x' | 'both';

const distance = (mark: MarkAt, x: number, y: number, by: MarkBy): number =>
  by === 'x' ? Math.abs(mark.x - x) : Math.hypot(mark.x - x, mark.y - y);

/** The key of the mark nearest to a point, no farther than `reachPx`; null where there is none. */
export function nearestMark(
  marks: readonly MarkAt[],
  { x, y }: { x: number; y: number },
  by: MarkBy,
  reachPx = Infinity,
): number | null {
  let best: { key: number; far: number } | null = null;
  for (const mark of marks) {
    const far = distance(mark, x, y, by);
    if (far <= reachPx && (best === null || far < best.far)) best = { key: mark.key, far };
  }
  return best?.key ?? null;
}

/** The mark in the next row above or below, nearest along it; null where there is no such row. */
function inRowBeside(marks: readonly MarkAt[], from: MarkAt, side: -1 | 1): number | null {
  const beyond = marks.filter((mark) => (mark.y - from.y) * side > 1);
  const row = beyond.reduce((y, mark) => ((mark.y - y) * side < 0 ? mark.y : y), side * Infinity);
  return nearestMark(
    beyond.filter((mark) => Math.abs(mark.y - row) <= 1),
    from,
    'x',
  );
}

/**
 * Where a key of the keyboard leads from a mark: left and right to the one before and after in their order, up and down to
 * the row beside (or by `rowStep` marks), page up and down by thirty, Home and End to the first and last. Null where the key leads nowhere.
 */
export function markAfterKey(marks: readonly MarkAt[], at: number, pressed: string, rowStep?: number): number | null {
  const place = marks.findIndex((mark) => mark.key === at);
  const from = marks[place];
  if (from === undefined) return null;
  const by = (step: number): number => marks[Math.max(0, Math.min(marks.length - 1, place + step))]!.key;
  switch (pressed) {
    case 'ArrowLeft':
      return by(-1);
    case 'ArrowRight':
      return by(1);
    case 'ArrowUp':
      return rowStep === undefined ? inRowBeside(marks, from, -1) : by(-rowStep);
    case 'ArrowDown':
      return rowStep === undefined ? inRowBeside(marks, from, 1) : by(rowStep);
    case 'PageUp':
      return by(-30);
    case 'PageDown':
      return by(30);
    case 'Home':
      return by(-Infinity);
    case 'End':
      return by(Infinity);
    default:
      return null;
  }
}
