import type { PlainDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { TOLERANCE, floorExact, roundRatio } from '../number/exact.ts';
import type { Schedule } from '../record/records.ts';
import { OUTCOMES } from './outcome.ts';
import { PARTS_PER_DAY } from './schedule.ts';
import { targetAsksBetween } from './targetMonths.ts';
import { ASKED, INTERVAL, type Track, asksOn, eachTerms, sumBetween } from './track.ts';

const [BLANK, PART, PAUSED] = [OUTCOMES.indexOf('blank'), OUTCOMES.indexOf('part'), OUTCOMES.indexOf('paused')];

/**
 * What a run of days asks, kept apart by how it is rounded: days of an interval; days of months with a target of their
 * own; all others in parts of a day (PARTS_PER_DAY).
 */
export type Asked = { parts: number; intervalDays: number; targetDays: number };

/** What rest days take off a stretch under the same terms: parts of a day, of an interval asked days. */
function restsWithin({ rests, first: start, planSums }: Track, first: PlainDay, last: PlainDay, isInterval: boolean) {
  let sum = 0;
  for (let i = 0; i < rests.length && rests[i]! <= last; i++) {
    const at = rests[i]! - start;
    if (rests[i]! >= first) sum += isInterval ? 1 : planSums[at + 1]! - planSums[at]!;
  }
  return sum;
}

/** What some days under the same terms ask outside months with a target of their own: in days of an interval, else in parts. */
function askedUnder(track: Track, schedule: Schedule, first: PlainDay, last: PlainDay): number {
  const parts = sumBetween(track, track.askSums, first, last);
  const isInterval = schedule.kind === 'interval';
  const rests = track.rests.length === 0 ? 0 : restsWithin(track, first, last, isInterval);
  return isInterval ? parts / PARTS_PER_DAY / schedule.every - rests : parts - rests;
}

/** What the days of a span ask outside months with a target of their own, rest taken off, under terms that are counted. */
export function askedByTerms(
  track: Track,
  span: DaySpan,
  isCounted: ((kind: Schedule['kind']) => boolean) | null = null,
): Asked {
  const asked: Asked = { parts: 0, intervalDays: 0, targetDays: 0 };
  eachTerms(track, span, ({ schedule }, first, last) => {
    if (isCounted !== null && !isCounted(schedule.kind)) return;
    if (schedule.kind === 'interval') asked.intervalDays += askedUnder(track, schedule, first, last);
    else asked.parts += askedUnder(track, schedule, first, last);
  });
  return asked;
}

/** What a span has asked up to the last day that counts. Source: "Kept rate". */
export function askedBetween(track: Track, span: DaySpan): Asked {
  const last = Math.min(span.last, track.counted);
  const asked = askedByTerms(track, { first: span.first, last });
  if (track.targets !== null) asked.targetDays = targetAsksBetween(track, span.first, last);
  return asked;
}

/** Whole days asked: those of an interval rounded down, not below 0; all others in one sum rounded half up. */
export function wholeAsked({ parts, intervalDays, targetDays }: Asked): number {
  const others =
    targetDays === 0
      ? roundRatio(parts, PARTS_PER_DAY)
      : Math.floor(parts / PARTS_PER_DAY + targetDays + 0.5 + TOLERANCE);
  return others + (intervalDays === 0 ? 0 : Math.max(0, floorExact(intervalDays)));
}

/** The same before it is rounded. */
export const exactAsked = ({ parts, intervalDays, targetDays }: Asked): number =>
  parts / PARTS_PER_DAY + intervalDays + targetDays;

/**
 * Since when an interval waits to be done, as seen on a day: the first day asked after the last one that was done, missed
 * or rest. Null where nothing waits, and under other schedules.
 */
export function waitingSince(track: Track, day: PlainDay): PlainDay | null {
  const { asks, outcomes, first } = track;
  let since: PlainDay | null = null;
  for (let i = day - first; i >= 0 && (asksOn(track, first + i) & INTERVAL) !== 0; i--) {
    if (outcomes[i] !== BLANK && outcomes[i] !== PART && outcomes[i] !== PAUSED) break;
    if ((asks[i]! & ASKED) !== 0) since = first + i;
  }
  return since;
}
