/** The user's scale of symbols by the number of habits done on a day, ascending. */
export type DayMarkScale = readonly { atLeast: number; symbol: string }[];

/** The scale of someone who has not made their own: the sea rising. An empty scale of one's own means no marks. */
export const DEFAULT_DAY_MARKS: DayMarkScale = [
  { atLeast: 1, symbol: '~' },
  { atLeast: 3, symbol: '≈' },
  { atLeast: 5, symbol: '≋' },
];

/** The symbol of the highest step reached, or null below the first. */
export function dayMarkOf(scale: DayMarkScale, doneHabits: number): string | null {
  let symbol: string | null = null;
  let highest = -Infinity;
  for (const step of scale) {
    if (doneHabits < step.atLeast || step.atLeast < highest) continue;
    symbol = step.symbol;
    highest = step.atLeast;
  }
  return symbol;
}
