import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import { carryingTracks } from '../goal/carrying.ts';
import { planOf, togetherOf } from '../habit/targets.ts';
import { type Track, doneBetween } from '../habit/track.ts';
import { isAtLeast } from '../number/exact.ts';
import type { KeyResult, Season } from '../record/records.ts';

/** A week of a season. */
export type SeasonWeek = {
  from: PlainDay;
  /** What the habits did, each no more than its target. */
  actual: number;
  target: number;
  score: number | null;
  onTrack: boolean;
};

/** The weeks of a season and its score, null before anything was asked. */
export type SeasonFigures = { weeks: SeasonWeek[]; score: number | null; onTrackWeeks: number };

/**
 * The tracks tied to a season: those it names itself, and those of its goals, by the habit's own goal or by a key result
 * that counts it. All if none is tied.
 */
export function tiedTracks(
  season: Season,
  tracks: readonly Track[],
  keyResults: readonly KeyResult[],
): readonly Track[] {
  const carrying = new Set(carryingTracks(season.goalIds, tracks, keyResults));
  const named = new Set(season.habitIds ?? []);
  const tied = tracks.filter((track) => carrying.has(track) || named.has(track.habit.id));
  return tied.length > 0 ? tied : tracks;
}

/**
 * Scores of a season's weeks over the tracks tied to it, those to come included; its own score is the mean of the
 * finished weeks with a target.
 */
export function seasonFigures(
  season: Season,
  tied: readonly Track[],
  today: PlainDay,
  passMark: number,
): SeasonFigures {
  const first = dayOf(season.startsOn);
  const weeks = Array.from({ length: season.weeks }, (_, index): SeasonWeek => {
    const span = { first: first + index * 7, last: first + index * 7 + 6 };
    const { actual, target, share } = togetherOf(
      tied.map((track) => ({ actual: doneBetween(track, span), target: planOf(track, span) })),
    );
    const onTrack = share !== null && isAtLeast(share, season.passMark ?? passMark);
    return { from: span.first, actual, target, score: share, onTrack };
  });
  const scores = weeks.flatMap((week) => (week.from + 6 < today && week.score !== null ? [week.score] : []));
  return {
    weeks,
    score: scores.length > 0 ? scores.reduce((sum, score) => sum + score, 0) / scores.length : null,
    onTrackWeeks: weeks.filter((week) => week.onTrack).length,
  };
}
