import { type PlainMonth, monthOfDay, monthSpan } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import { tidySum } from '../number/exact.ts';

/** The grain of round values over a way: a thousandth of its power of ten, such as 1 from 0 to 900, 0.01 from 28 to 22. */
function grainOf(way: number, isWhole: boolean): number {
  const grain = 10 ** (Math.floor(Math.log10(way)) - 2);
  return isWhole ? Math.max(1, grain) : grain;
}

/**
 * Checkpoints laid evenly: for each month whose last day stands strictly between start and due day, the value that a
 * straight line from `from` to `target` has on that day, rounded to what can be read at a glance. `isWhole` for counts.
 */
export function evenCheckpoints(
  { start, due }: { start: PlainDay; due: PlainDay },
  { from, target, isWhole = false }: { from: number; target: number; isWhole?: boolean },
): { month: PlainMonth; target: number }[] {
  if (!(Math.abs(target - from) > 0)) return [];
  const grain = grainOf(Math.abs(target - from), isWhole);
  const checkpoints: { month: PlainMonth; target: number }[] = [];
  for (let month = monthOfDay(start); monthSpan(month).last < due; month++) {
    const { last } = monthSpan(month);
    if (last <= start) continue;
    const exact = from + ((target - from) * (last - start)) / (due - start);
    checkpoints.push({ month, target: tidySum(Math.round(exact / grain) * grain) });
  }
  return checkpoints;
}
