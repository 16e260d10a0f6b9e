import {
  type Entry,
  type Mark,
  type PlainDay,
  type Track,
  askKindOf,
  asksOn,
  formatDay,
  isOpen,
  keptOver,
  monthOfDay,
  monthSpan,
  outcomeOn,
  periodOf,
  quotaStanding,
  termsOn,
  ASKED,
  INTERVAL,
  waitingSince,
  needOn,
  type QuotaVerdict,
  type PeriodKind,
  quotaVerdict,
  setDaysOf,
  type PlainMonth,
  WEEKDAYS,
  weekdayOf,
  doneBetween,
  quotaSeenOn,
  tidySum,
} from '@wimbel/core';
import { amount, amountOf, outOf } from './amounts.ts';
import { capital, counted, dateNear, monthName } from './format.ts';
import type { FigureQuery } from './figureQuery.ts';

/**
 * Whether anything is asked of a habit on a day: `fixed` names the day; `waiting` is one of every few days that was asked
 * on an earlier day and not done since; `pressing` is a flexible one that can no longer wait, `canWait` one that can;
 * `none` where nothing is asked, be it that the week or month has all it asks for.
 */
export function askOn(track: Track, day: PlainDay): 'fixed' | 'waiting' | 'pressing' | 'canWait' | 'none' {
  const ask = asksOn(track, day);
  if ((ask & ASKED) !== 0) return 'fixed';
  // Whatever the day itself came to, so that a row stays where it is when it is checked off.
  if ((ask & INTERVAL) !== 0) return waitingSince(track, day - 1) === null ? 'none' : 'waiting';
  const need = needOn(track, day);
  if (need === 0) return 'none';
  return need === 1 ? 'pressing' : 'canWait';
}

/** Whether a day of a habit is decided: done, missed or rest. What is only begun is not. */
export const isDecided = (track: Track, day: PlainDay): boolean => {
  const outcome = outcomeOn(track, day);
  return outcome === 'done' || outcome === 'missed' || outcome === 'rest';
};

/** Whether a flexible habit can no longer be put off today: every day left is needed. */
export const isPressing = (track: Track, day: PlainDay): boolean =>
  day === track.today && isOpen(track, day) && askOn(track, day) === 'pressing';

export const VERDICT_WORDS: Record<QuotaVerdict, string> = {
  met: 'met',
  open: 'still open',
  lost: 'out of reach',
};

/** How a habit stands on a day, in a few words, and the figure that they tell. */
type DayStatus = { words: string; asked: FigureQuery | null };

const quotaWords = (track: Track, kind: PeriodKind): string => {
  const { today } = track;
  const standing = quotaStanding(track, kind, periodOf(track, kind, today));
  const words = `${standing.done} of ${standing.quota} this ${kind === 'weeks' ? 'week' : 'month'}`;
  const verdict = quotaVerdict(standing);
  if (verdict === 'met') return words;
  if (verdict === 'lost') return `${words}, ${VERDICT_WORDS.lost}`;
  return standing.quota - standing.done >= standing.remaining && isOpen(track, today)
    ? `${words}, no day to spare`
    : `${words}, ${counted(standing.remaining, 'day')} left`;
};

/** "Sunday" of the last seven days, else "8 November". */
const sinceWords = (since: PlainDay, today: PlainDay): string =>
  today - since < 7 ? capital(WEEKDAYS[weekdayOf(since)]!) : dateNear(since, today);

/** How the month before stood, for as long as nothing of this one is settled; null for a habit that was not there. */
function monthBefore(track: Track, month: PlainMonth): DayStatus | null {
  const span = monthSpan(month - 1);
  const { kept, asked } = keptOver(track, span);
  if (asked === 0) return null;
  const held = track.habit.aim === 'quit' ? 'held off ' : '';
  return {
    words: `${held}${outOf(kept, asked)} in ${monthName(month - 1)}`,
    asked: { figure: 'habitKept', habitId: track.habit.id, span },
  };
}

/** How the month of a day stands of a habit that goes by days, as seen on it. */
function monthStanding(track: Track, day: PlainDay): DayStatus {
  const { habit, today } = track;
  const month = monthOfDay(day);
  const whole = monthSpan(month);
  const span = { first: whole.first, last: Math.min(day, whole.last) };
  const { kept, asked } = keptOver(track, span);
  if (asked === 0) {
    const isNew = track.first >= whole.first;
    return monthBefore(track, month) ?? { words: isNew ? 'new' : 'nothing due yet this month', asked: null };
  }
  const target = setDaysOf(track, month);
  if (target !== null && day === today) {
    const done = doneBetween(track, whole);
    return {
      words: `${done} of the target of ${target}${done >= target ? ', reached' : ''}`,
      asked: { figure: 'habitTarget', habitId: habit.id, kind: 'month', span: whole },
    };
  }
  const name = month === monthOfDay(today) ? 'this month' : 'that month';
  const held = habit.aim === 'quit' ? 'held off ' : '';
  return {
    words: `${held}${outOf(kept, asked)} ${name}${day < today ? ' by then' : ''}`,
    asked: { figure: 'habitKept', habitId: habit.id, span },
  };
}

/**
 * How a habit stands as seen on a day: "18 of 22 this month", "due since Sunday, 4 of 9 this month", "2 of 3 this week, 5
 * days left", "15 of the target of 15, reached"; of a day before today as it was by then, and of a month in which nothing
 * is settled the one before: "29 of 30 in November".
 */
export function dayStatusOn(track: Track, day: PlainDay): DayStatus {
  const { habit, today } = track;
  const kind = askKindOf(termsOn(track.terms, day).schedule);
  if (kind === 'weeks' || (kind === 'months' && (day < today || setDaysOf(track, monthOfDay(day)) === null))) {
    const asked: FigureQuery = { figure: 'habitQuota', habitId: habit.id, kind, day };
    if (day === today) return { words: quotaWords(track, kind), asked };
    const { done, quota } = quotaSeenOn(track, kind, day);
    return { words: `${done} of ${quota} that ${kind === 'weeks' ? 'week' : 'month'} by then`, asked };
  }
  const standing = monthStanding(track, day);
  const since = day === today && isOpen(track, today) ? waitingSince(track, day - 1) : null;
  return since === null ? standing : { ...standing, words: `due since ${sinceWords(since, today)}, ${standing.words}` };
}

export const dayStatusText = (track: Track, day: PlainDay): string => dayStatusOn(track, day).words;

/** "400 of 600 m", "30 min, limit 45 min", before anything is recorded "600 m"; null for a habit that is only checked off. */
export function amountWords(track: Track, day: PlainDay, entry: Entry | undefined): string | null {
  const { measure } = track.habit;
  if (measure.kind !== 'amount') return null;
  const terms = termsOn(track.terms, day);
  const value = entry?.amount;
  if (terms.atLeast !== null) {
    return value === undefined ? amount(terms.atLeast, measure.unit) : amountOf(value, terms.atLeast, measure.unit);
  }
  const limit = amount(terms.atMost ?? 0, measure.unit);
  return value === undefined ? `limit ${limit}` : `${amount(value, measure.unit)}, limit ${limit}`;
}

/** The entry with a mark, or without one. A rest or a miss keeps its note and amount. */
export function withMark(entry: Entry, mark: Mark | null): Entry {
  const { mark: _, ...rest } = entry;
  return mark === null ? rest : { ...rest, mark };
}

/** The entry that a tap makes of the one there is: a check goes on and off, an amount grows by a step. */
export function afterTap(track: Track, day: PlainDay, entry: Entry | undefined): Entry {
  const { measure, id } = track.habit;
  const base: Entry = { ...(entry ?? { habitId: id, day: formatDay(day) }) };
  if (measure.kind === 'amount') {
    const { mark: _, ...rest } = base;
    return { ...rest, amount: tidySum((entry?.amount ?? 0) + measure.step) };
  }
  if (base.mark === 'done') {
    const { mark: _, ...rest } = base;
    return rest;
  }
  return { ...base, mark: 'done' };
}
