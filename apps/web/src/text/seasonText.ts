import { type FiguredSeason, type PlainDay, seasonSpan } from '@wimbel/core';
import { capital, counted, spanInWords } from './format.ts';

/** "last day", "1 day left", "54 days left" */
export const daysLeftWords = (days: number): string => (days === 0 ? 'last day' : `${counted(days, 'day')} left`);

/** "Week 5 of 12" */
export const weekWords = (week: number, weeks: number): string => `Week ${week + 1} of ${weeks}`;

/** Where a season stands in time: "Week 5 of 12", "26 October to 17 January 2027", "54 days left". */
export function seasonWhen({ season, standing }: FiguredSeason, today: PlainDay): string[] {
  const days = spanInWords(seasonSpan(season), today);
  const weeks = counted(season.weeks, 'week');
  if (standing.phase === 'toCome') return [weeks, days, `begins in ${counted(standing.daysLeft, 'day')}`];
  if (standing.phase === 'over') return [weeks, days];
  return [weekWords(standing.week ?? 0, season.weeks), days, daysLeftWords(standing.daysLeft)];
}

/** "2 of 4 weeks on track": of those that are over and asked something. */
export const onTrackWords = ({ standing }: FiguredSeason): string =>
  standing.gone === 0 ? 'no week is over yet' : `${standing.onTrack} of ${counted(standing.gone, 'week')} on track`;

/** What a look back of a season is on: "week 4", "the whole season". */
export const seasonPartWords = (week: number | null): string =>
  week === null ? 'the whole season' : `week ${week + 1}`;

/** The same at the head of a line. */
export const seasonPartTitle = (week: number | null): string => capital(seasonPartWords(week));
