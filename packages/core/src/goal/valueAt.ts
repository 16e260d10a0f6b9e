import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { type Track, amountBetween, doneBetween } from '../habit/track.ts';
import { tidySum } from '../number/exact.ts';
import { type Fraction, ZERO, fraction, sumOfDecimals } from '../number/fraction.ts';
import type { CheckIn } from '../record/records.ts';

/** An instant as text that sorts in time: the fraction is filled up, so that `…00Z` and `…00.000Z` are the same. */
export function instantKey(instant: string): string {
  const [seconds = '', fraction = ''] = instant.replace(/Z$/, '').split('.');
  return `${seconds}.${fraction.padEnd(9, '0')}`;
}

/** A value that was checked in on a day. */
export type DatedValue = { day: PlainDay; value: number };

/** Check-ins in time order: by day, then by the instant made, then by place in the file; those after today left out. */
export function valuesInOrder(checkIns: readonly CheckIn[], today: PlainDay): DatedValue[] {
  return checkIns
    .map((checkIn, place) => ({
      day: dayOf(checkIn.day),
      value: checkIn.value,
      made: instantKey(checkIn.madeAt),
      place,
    }))
    .filter((each) => each.day <= today)
    .sort((a, b) => a.day - b.day || (a.made < b.made ? -1 : a.made > b.made ? 1 : a.place - b.place))
    .map(({ day, value }) => ({ day, value }));
}

/** The last value of a day up to `day`; `start` without any. `values` must be in order. */
export function valueOn(values: readonly DatedValue[], day: PlainDay, start: number): number {
  let low = 0;
  let high = values.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (values[middle]!.day <= day) low = middle + 1;
    else high = middle;
  }
  return low === 0 ? start : values[low - 1]!.value;
}

/** Done days (or the sum of amounts) of a habit from a key result's start to its end or today; extra days included. */
export function habitValue(track: Track | undefined, kind: 'habitDays' | 'habitAmount', span: DaySpan): number {
  if (track === undefined) return 0;
  return kind === 'habitDays' ? doneBetween(track, span) : tidySum(amountBetween(track, span));
}

/** The same, exact. */
export function exactHabitValue(
  track: Track | undefined,
  kind: 'habitDays' | 'habitAmount',
  { first, last }: DaySpan,
): Fraction {
  if (track === undefined) return ZERO;
  if (kind === 'habitDays') return fraction(BigInt(doneBetween(track, { first, last })));
  const from = Math.max(0, first - track.first);
  return sumOfDecimals(track.amounts.subarray(from, Math.max(from, last - track.first + 1)));
}
