import type { Track } from '../habit/track.ts';
import type { KeyResult } from '../record/records.ts';

/** The habits that carry any of some goals: by their own goal, or by a key result of it that counts them. */
export function carryingTracks(
  goalIds: readonly string[],
  tracks: readonly Track[],
  keyResults: readonly KeyResult[],
): Track[] {
  const goals = new Set(goalIds);
  const counted = new Set(
    keyResults.flatMap(({ goalId, measure }) => (goals.has(goalId) && 'habitId' in measure ? [measure.habitId] : [])),
  );
  return tracks.filter(({ habit }) => counted.has(habit.id) || (habit.goalId ? goals.has(habit.goalId) : false));
}
