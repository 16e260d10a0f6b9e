import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import { type Track, doneBetween } from '../habit/track.ts';
import { type Fraction, ZERO, billionths, billionthsOf, fraction } from '../number/fraction.ts';
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

/** Every amount of a track summed from its first day, to the billionth ({@link billionthsOf}): `sums[i]` is before day `first + i`. */
function amountSums({ amounts }: Track): bigint[] {
  const sums = [0n];
  let sum = 0n;
  for (const amount of amounts) {
    if (amount !== 0) sum += billionthsOf(amount);
    sums.push(sum);
  }
  return sums;
}

/**
 * Done days (or the sum of amounts) of a habit from `first` to a day, exact; extra days included, 0 before `first` and for a
 * habit that is not there. The sums are laid out once, when the first day is asked for.
 */
export function habitValueBy(
  track: Track | undefined,
  kind: 'habitDays' | 'habitAmount',
  first: PlainDay,
): (last: PlainDay) => Fraction {
  if (track === undefined) return () => ZERO;
  if (kind === 'habitDays') return (last) => fraction(BigInt(doneBetween(track, { first, last })));
  let sums: bigint[] | null = null;
  return (last) => {
    sums ??= amountSums(track);
    const at = (day: PlainDay): number => Math.min(Math.max(0, day - track.first), sums!.length - 1);
    const [from, to] = [at(first), at(last + 1)];
    return to <= from ? ZERO : billionths(sums[to]! - sums[from]!);
  };
}
