import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import { type DaySpan, holdsDay, overlaps } from '../calendar/span.ts';
import type { Season } from '../record/records.ts';
import type { SeasonFigures, SeasonWeek } from './season.ts';

type Days = Pick<Season, 'startsOn' | 'weeks'>;

/** The days of a season, its last week whole. */
export function seasonSpan({ startsOn, weeks }: Days): DaySpan {
  const first = dayOf(startsOn);
  return { first, last: first + weeks * 7 - 1 };
}

/** The days of a season's week, counted from 0. */
export function seasonWeekSpan({ startsOn }: Pick<Season, 'startsOn'>, week: number): DaySpan {
  const first = dayOf(startsOn) + week * 7;
  return { first, last: first + 6 };
}

/** The week of a season that a day lies in, counted from 0; null outside of it. */
export function seasonWeekOn(season: Days, day: PlainDay): number | null {
  const span = seasonSpan(season);
  return holdsDay(span, day) ? Math.floor((day - span.first) / 7) : null;
}

/** Seasons by their first day, of the same day by id. */
export const seasonsInOrder = (seasons: Iterable<Season>): Season[] =>
  [...seasons].sort((a, b) => dayOf(a.startsOn) - dayOf(b.startsOn) || (a.id < b.id ? -1 : 1));

/** The season that runs on a day; of two laid over one another (as a file can have them) the one that began later. */
export const seasonOn = (seasons: Iterable<Season>, day: PlainDay): Season | null =>
  seasonsInOrder(seasons)
    .filter((season) => holdsDay(seasonSpan(season), day))
    .at(-1) ?? null;

/** The first season after a day; null where none is planned. */
export const seasonAfter = (seasons: Iterable<Season>, day: PlainDay): Season | null =>
  seasonsInOrder(seasons).find((season) => dayOf(season.startsOn) > day) ?? null;

/** The first other season that shares days with one; null where its days are free. */
export const seasonLaidOver = (seasons: Iterable<Season>, season: Days & { id: string }): Season | null =>
  seasonsInOrder(seasons).find((other) => other.id !== season.id && overlaps(seasonSpan(other), seasonSpan(season))) ??
  null;

/** How a season stands as of a day. */
export type SeasonStanding = {
  phase: 'toCome' | 'running' | 'over';
  /** The week that runs, counted from 0; null unless the season runs. */
  week: number | null;
  /** Days after today until its last one, or, of one to come, until its first; 0 once it is over. */
  daysLeft: number;
  /** Weeks that are over and asked something, and how many of them were on track. */
  gone: number;
  onTrack: number;
};

/** How a season stands as of today. */
export function seasonStanding(season: Days, { weeks }: SeasonFigures, today: PlainDay): SeasonStanding {
  const { first, last } = seasonSpan(season);
  const gone = weeks.filter((week) => week.from + 6 < today && week.score !== null);
  return {
    phase: today < first ? 'toCome' : today > last ? 'over' : 'running',
    week: seasonWeekOn(season, today),
    daysLeft: today < first ? first - today : Math.max(0, last - today),
    gone: gone.length,
    onTrack: gone.filter((week) => week.onTrack).length,
  };
}

/** The best and the worst of the weeks that are over, of the same score the first; null unless two of them differ. */
export function bestAndWorst(
  { weeks }: SeasonFigures,
  today: PlainDay,
): { best: { week: number } & SeasonWeek; worst: { week: number } & SeasonWeek } | null {
  const gone = weeks.flatMap((each, week) =>
    each.from + 6 < today && each.score !== null ? [{ ...each, week, score: each.score }] : [],
  );
  const [first] = gone;
  if (first === undefined) return null;
  const best = gone.reduce((most, each) => (each.score > most.score ? each : most), first);
  const worst = gone.reduce((least, each) => (each.score < least.score ? each : least), first);
  return best.score === worst.score ? null : { best, worst };
}
