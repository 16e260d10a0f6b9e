import type { PlainDay } from '../calendar/plainDay.ts';
import type { Track } from './track.ts';

/** The day on which a number of done days in all was reached; null while it is not, or for 0 days. */
export function dayOfDone(track: Track, days: number): PlainDay | null {
  const { doneSums, first } = track;
  const total = doneSums[doneSums.length - 1] ?? 0;
  if (!(days > 0) || total < days) return null;
  let low = 0;
  let high = doneSums.length - 1;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (doneSums[middle]! >= days) high = middle;
    else low = middle + 1;
  }
  return first + low - 1;
}

/** The day the habit's finish line was reached, if it has one. */
export const finishedOn = (track: Track): PlainDay | null =>
  track.habit.finishLine ? dayOfDone(track, track.habit.finishLine.days) : null;
