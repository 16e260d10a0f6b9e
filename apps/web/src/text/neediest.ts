import type { FiguredGoal, KeyResult } from '@wimbel/core';

/** Text for a key result that takes no check-ins. */
export const FED_BY_ITSELF: Partial<Record<KeyResult['measure']['kind'], string>> = {
  habitDays: 'Updates automatically: each day the habit is done counts.',
  habitAmount: 'Updates automatically from the amounts of its habit.',
  steps: 'This one follows its steps.',
};

/** Whether a key result is fed by check-ins. */
export const isFedByCheckIns = ({ measure }: KeyResult): boolean => FED_BY_ITSELF[measure.kind] === undefined;

/** The key result most in need of a check-in: of those fed by them and not reached, the one furthest behind. */
export function neediest({ records, figures }: FiguredGoal): KeyResult | null {
  const lag = ({ id }: KeyResult): number => {
    const { progress, expected } = figures.keyResults[id]!;
    return progress >= 1 ? -2 : (expected ?? 0) - progress;
  };
  const fed = records.keyResults.filter(isFedByCheckIns);
  return fed.reduce<KeyResult | null>((most, each) => (most === null || lag(each) > lag(most) ? each : most), null);
}
