import {
  type Habit,
  type MonthTarget,
  type PlainMonth,
  type Track,
  formatMonth,
  isActiveIn,
  monthSpan,
  planOf,
  rewardOfMonth,
  setTargetOf,
  withMonthTarget,
  withYearTarget,
  yearTargetOf,
} from '@wimbel/core';

/** What a field of the table sets. */
export type TargetColumn = 'days' | 'amount' | 'year';

/** A habit's line in the table: what is set, and what holds where nothing is. */
export type TargetLine = {
  track: Track;
  /** Days that the schedule comes to in the month. */
  planned: number;
  /** What holds of days, of the amount, and of the year's days; null where the plan does. */
  set: Record<TargetColumn, number | null>;
  /** The year's days without a target of its own: its months together. */
  yearPlanned: number;
  reward: string | null;
};

/** The habits that can have a target in a month, with what is set. */
export function targetLines(tracks: readonly Track[], month: PlainMonth, year: number): TargetLine[] {
  return tracks
    .filter((track) => isActiveIn(track, monthSpan(month)) && track.habit.archived !== true)
    .map((track) => {
      const { habit } = track;
      const set = setTargetOf(habit, month);
      return {
        track,
        planned: planOf(track, monthSpan(month)),
        set: {
          days: set?.days ?? null,
          amount: set?.amount ?? null,
          year: habit.yearTargets?.[yearText(year)]?.days ?? null,
        },
        yearPlanned: yearTargetOf({ ...track, habit: withYearTarget(habit, year, {}) }, year).days,
        reward: rewardOfMonth(habit, month),
      };
    });
}

const yearText = (year: number): string => String(year).padStart(4, '0');

/** What governs a month, as it can be set anew: with its reward, which stays. */
function wishOf(habit: Habit, month: PlainMonth): Omit<MonthTarget, 'onward'> {
  const { days, amount } = setTargetOf(habit, month) ?? {};
  const { reward, enjoyedOn } = habit.monthTargets?.[formatMonth(month)] ?? setTargetOf(habit, month) ?? {};
  return {
    ...(days === undefined ? {} : { days }),
    ...(amount === undefined ? {} : { amount }),
    ...(reward ? { reward } : {}),
    ...(enjoyedOn ? { enjoyedOn } : {}),
  };
}

const withField = <T extends object>(fields: T, name: string, value: number | null): T => {
  const { [name]: _, ...rest } = fields as Record<string, unknown>;
  return (value === null ? rest : { ...rest, [name]: value }) as T;
};

/** The habit with one field of the table set; null leaves it to the plan. */
export function withTarget(
  habit: Habit,
  column: TargetColumn,
  value: number | null,
  at: { month: PlainMonth; year: number; isOnward: boolean },
): Habit {
  if (column === 'year') {
    return withYearTarget(habit, at.year, withField(habit.yearTargets?.[yearText(at.year)] ?? {}, 'days', value));
  }
  return withMonthTarget(habit, at.month, withField(wishOf(habit, at.month), column, value), at.isOnward);
}

/** Habits with the month's targets as those of the month before; those that have them already are left out. */
export function asLastMonth(lines: readonly TargetLine[], month: PlainMonth, isOnward: boolean): Habit[] {
  return lines.flatMap(({ track: { habit }, set }) => {
    const before = setTargetOf(habit, month - 1);
    const [days, amount] = [before?.days ?? null, before?.amount ?? null];
    if (days === set.days && amount === set.amount) return [];
    const wish = withField(withField(wishOf(habit, month), 'days', days), 'amount', amount);
    return [withMonthTarget(habit, month, wish, isOnward)];
  });
}

/** Habits with the month's days as their schedule comes to; those with a target of their own are left out. */
export function asPlanned(lines: readonly TargetLine[], month: PlainMonth, isOnward: boolean): Habit[] {
  return lines.flatMap(({ track: { habit }, set, planned }) =>
    set.days !== null || planned === 0
      ? []
      : [withMonthTarget(habit, month, { ...wishOf(habit, month), days: planned }, isOnward)],
  );
}
