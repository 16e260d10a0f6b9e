/** What a habit is ranked by; `place` is its place in the file. */
export type Ranked = { id: string; rate: number | null; actual: number; order: number; place: number };

/** Best first: by kept rate (none last), then by actual, then by the user's order, then by place. */
export function rankHabits(habits: readonly Ranked[]): string[] {
  return [...habits]
    .sort((a, b) => byRate(a.rate, b.rate) || b.actual - a.actual || a.order - b.order || a.place - b.place)
    .map((each) => each.id);
}

function byRate(a: number | null, b: number | null): number {
  if (a === null || b === null) return (a === null ? 1 : 0) - (b === null ? 1 : 0);
  return b - a;
}
