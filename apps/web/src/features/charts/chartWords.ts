import type { PartReview, PlainDay, ReviewFact, ReviewSpan, Weekday } from '@wimbel/core';
import { WEEKDAYS, daysIn, monthOfDay } from '@wimbel/core';
import { beforeWords } from '../../text/spanText.ts';
import { number } from '../../text/amounts.ts';
import {
  capital,
  counted,
  dateNear,
  dateNumber,
  monthAbbreviation,
  monthAndYear,
  PART_WORDS,
  percent,
  shortDate,
  spanInWords,
  weekdayShort,
  yearOf,
} from '../../text/format.ts';

/** The most days that can be looked at between any two: some twenty years. */
const MOST_DAYS_BETWEEN = 7320;

/** Why two days cannot be looked between, in words; null where they can. */
export function betweenFault(first: PlainDay | null, last: PlainDay | null): string | null {
  if (first === null || last === null) return 'Choose both days';
  if (last < first) return 'The last day is before the first';
  return last - first < MOST_DAYS_BETWEEN ? null : 'That is more than twenty years; choose days that are nearer';
}

export const PARTS_WORDS: Record<ReviewSpan, string> = {
  week: 'Day by day',
  month: 'Weeks compared',
  quarter: 'Weeks compared',
  year: 'Months compared',
  all: 'Years compared',
  days: 'Part by part',
};

/** What stands below a part's bar, and the part in words. */
export function partWords(
  kind: ReviewSpan,
  part: Pick<PartReview, 'span'>,
  today: PlainDay,
): { label: string; words: string } {
  const { span } = part;
  switch (kind) {
    case 'days': {
      const long = daysIn(span);
      return partWords(long === 1 ? 'week' : long === 7 ? 'month' : 'year', part, today);
    }
    case 'week':
      return { label: weekdayShort(span.first).slice(0, 2), words: dateNear(span.first, today) };
    case 'year':
      return {
        label: monthAbbreviation(monthOfDay(span.first)).slice(0, 1),
        words: monthAndYear(monthOfDay(span.first)),
      };
    case 'all':
      return { label: yearOf(span.first), words: yearOf(span.first) };
    case 'month':
      return { label: shortDate(span.first), words: `Week of ${spanInWords(span, today)}` };
    case 'quarter':
      return { label: dateNumber(span.first), words: `Week of ${spanInWords(span, today)}` };
  }
}

/** "Monday" */
export const weekdayTitle = (weekday: Weekday): string => capital(weekday);

const plural = (weekday: Weekday): string => `${weekdayTitle(weekday)}s`;

/** A fact in a plain sentence with its numbers, and no cause. */
export function factWords(
  fact: ReviewFact,
  kind: ReviewSpan,
  nameOf: (habitId: string) => string,
  today: PlainDay,
): string {
  switch (fact.kind) {
    case 'kept': {
      const { rate, kept, asked, before, isByNow } = fact;
      const told = `${percent(rate)} kept, ${number(kept)} of ${number(asked)}`;
      if (before === null) return `${told}.`;
      const [now, then] = [percent(rate), percent(before)];
      const when = beforeWords(kind, isByNow);
      if (now === then) return `${told}, as ${when}.`;
      return `${told}, ${rate > before ? 'up' : 'down'} from ${then} ${when}.`;
    }
    case 'partOfDay': {
      const { part, rate, others, isHarder } = fact;
      return `${PART_WORDS[part]}s are ${isHarder ? 'hardest' : 'best'}: ${percent(rate)}, other times ${percent(others)}.`;
    }
    case 'run': {
      const { habitId, length, first, last } = fact;
      return `Longest run: ${counted(length, 'day')} of ${nameOf(habitId)}, ${spanInWords({ first, last }, today)}.`;
    }
    case 'weekday': {
      const { weekday, rate, others, isHarder, isOfAll } = fact;
      const how = `${isHarder ? 'hardest' : 'best'}${isOfAll ? '' : ' for habits with fixed days'}`;
      return `${plural(weekday)} are ${how}: ${percent(rate)}, other days ${percent(others)}.`;
    }
    case 'habit': {
      const { habitId, rate, before, isByNow } = fact;
      const when = isByNow ? ' by this day' : '';
      return `${nameOf(habitId)} ${rate > before ? 'rose' : 'fell'} most${when}: from ${percent(before)} to ${percent(rate)}.`;
    }
  }
}

/** "up 2 places", "down 1 place", "same place", "new": a habit's rank against the span before. */
export function rankWords(rank: number, before: number | null): string {
  if (before === null) return 'new';
  if (rank === before) return 'same place';
  return `${rank < before ? 'up' : 'down'} ${counted(Math.abs(rank - before), 'place')}`;
}

/** The weekdays in the order of the week that begins with one. */
export const weekdaysFrom = (weekStart: Weekday): Weekday[] => {
  const from = WEEKDAYS.indexOf(weekStart);
  return [...WEEKDAYS.slice(from), ...WEEKDAYS.slice(0, from)];
};
