import type { PlainDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { planOf } from '../habit/targets.ts';
import { type Track, doneBetween } from '../habit/track.ts';
import type { ProgressLineInput } from './progressLine.ts';

/** A habit's done days added up over a span, against its target days; and what its plan asked up to each day. */
export type HabitCourse = {
  target: number;
  doneBy: (day: PlainDay) => number;
  plannedBy: (day: PlainDay) => number;
  input: ProgressLineInput;
};

/**
 * The course of a habit through a span against a target of days (its month's, quarter's or year's). The picture goes on
 * above the target where more is done. The expected line follows the plan, so that it rests where nothing is asked. Null where
 * the target is 0.
 */
export function habitCourse(track: Track, span: DaySpan, target: number): HabitCourse | null {
  if (!(target > 0)) return null;
  const plan = planOf(track, span);
  const doneBy = (day: PlainDay): number => doneBetween(track, { first: span.first, last: day });
  const plannedBy = (day: PlainDay): number =>
    plan === 0 ? 0 : (planOf(track, { first: span.first, last: Math.min(day, span.last) }) * target) / plan;
  return {
    target,
    doneBy,
    plannedBy,
    input: {
      span,
      today: track.today,
      progressAt: (day) => (day < track.first ? null : doneBy(day) / target),
      expectedAt: (day) => (day < track.first ? null : Math.min(1, plannedBy(day) / target)),
      checkpoints: [],
      forecast: null,
      most: Math.max(1, doneBy(Math.min(span.last, track.today)) / target),
    },
  };
}
