import type { DaySpan } from '../calendar/span.ts';
import { type Kept, keptOver } from '../habit/kept.ts';
import type { Track } from '../habit/track.ts';
import { shareOf } from '../number/exact.ts';
import type { KeyResult } from '../record/records.ts';

/** The habits that carry a goal: by their own goal, or by a key result of it that counts them. */
export function carryingTracks(goalId: string, tracks: readonly Track[], keyResults: readonly KeyResult[]): Track[] {
  const counted = new Set(
    keyResults.flatMap(({ goalId: of, measure }) => (of === goalId && 'habitId' in measure ? [measure.habitId] : [])),
  );
  return tracks.filter(({ habit }) => habit.goalId === goalId || counted.has(habit.id));
}

/** What was done of what was asked of several habits over a span. */
export function keptTogether(tracks: readonly Track[], span: DaySpan): Kept {
  const each = tracks.map((track) => keptOver(track, span));
  const kept = each.reduce((sum, one) => sum + one.kept, 0);
  const asked = each.reduce((sum, one) => sum + one.asked, 0);
  return { kept, asked, rate: shareOf(kept, asked) };
}
