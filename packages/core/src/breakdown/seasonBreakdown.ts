import type { PlainDay } from '../calendar/plainDay.ts';
import type { SeasonFigures } from '../season/season.ts';
import { type Breakdown, type BreakdownPart, sumOf } from './breakdown.ts';

/** The mean score of a season's finished weeks, each with the points it brings; null before one is finished. */
export function meanOfSeasonWeeks({ weeks, score }: SeasonFigures, today: PlainDay): Breakdown | null {
  if (score === null) return null;
  const gone = weeks.flatMap((each, week) =>
    each.from + 6 < today && each.score !== null ? [{ week, from: each.from, score: each.score }] : [],
  );
  const parts = gone.map(({ week, from, score: own }): BreakdownPart => ({
    of: { kind: 'seasonWeek', week, span: { first: from, last: from + 6 } },
    numbers: [own, own / gone.length],
  }));
  return sumOf(['ownShare', 'points'], parts, [score, score]);
}
