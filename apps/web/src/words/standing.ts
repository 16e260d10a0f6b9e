import {
  type Entry,
  type Mark,
  type PlainDay,
  type Track,
  askKindOf,
  asksOn,
  DUE,
  formatDay,
  isActiveIn,
  isOpen,
  keptOver,
  monthOfDay,
  monthSpan,
  outcomeOn,
  periodOf,
  quotaStanding,
  termsOn,
} from '@wimbel/core';
import { amount, amountOf } from '../shared/amounts.ts';
import { counted } from '../shared/format.ts';

/** Whether anything is asked of a habit on a day: `fixed` names the day, `flexible` may be done on it, `none`. */
export function askOn(track: Track, day: PlainDay): 'fixed' | 'flexible' | 'none' {
  if (!isActiveIn(track, { first: day, last: day }) || outcomeOn(track, day) === 'paused') return 'none';
  if (askKindOf(termsOn(track.terms, day).schedule) !== 'days') return 'flexible';
  return (asksOn(track, day) & DUE) !== 0 || outcomeOn(track, day) === 'rest' ? 'fixed' : 'none';
}

/** Whether a habit is still to be done on a day: asked, nothing decided, and of a flexible one the quota not met. */
export function isToGo(track: Track, day: PlainDay): boolean {
  const ask = askOn(track, day);
  const outcome = outcomeOn(track, day);
  if (ask === 'none' || (outcome !== 'blank' && outcome !== 'part')) return false;
  if (ask === 'fixed') return true;
  const standing = standingOn(track, day);
  return standing !== null && standing.done < standing.quota;
}

/** The quota of the week or month that a day lies in, as of today; null under fixed terms. */
function standingOn(track: Track, day: PlainDay) {
  const kind = askKindOf(termsOn(track.terms, day).schedule);
  return kind === 'days' ? null : quotaStanding(track, kind, periodOf(track, kind, day));
}

/** Whether a flexible habit can no longer be put off today: every day left is needed. */
export function isPressing(track: Track, day: PlainDay): boolean {
  if (day !== track.today || !isOpen(track, day)) return false;
  const standing = standingOn(track, day);
  if (standing === null || standing.done >= standing.quota) return false;
  return standing.quota - standing.done >= standing.remaining;
}

/** How a habit stands, in a few words: "18 of 22 this month", "2 of 3 this week, 5 days left". */
export function standingWords(track: Track, day: PlainDay): string {
  const kind = askKindOf(termsOn(track.terms, day).schedule);
  const standing = standingOn(track, day);
  const isCurrent = day === track.today;
  if (standing !== null) {
    const period = kind === 'weeks' ? 'week' : 'month';
    const words = `${standing.done} of ${standing.quota} ${isCurrent ? `this ${period}` : `that ${period}`}`;
    const isMet = standing.done >= standing.quota;
    if (!isCurrent || isMet || standing.remaining === 0) return words;
    if (isPressing(track, day)) return `${words}, no day to spare`;
    return `${words}, ${counted(standing.remaining, 'day')} left`;
  }
  const { kept, asked } = keptOver(track, monthSpan(monthOfDay(day)));
  const month = monthOfDay(day) === monthOfDay(track.today) ? 'this month' : 'that month';
  if (track.habit.aim === 'quit') return asked === 0 ? 'nothing held yet' : `held ${kept} of ${asked} ${month}`;
  return asked === 0 ? 'new' : `${kept} of ${asked} ${month}`;
}

/** "400 of 600 m", "30 of 45 min at most", before anything is recorded "600 m"; null for a habit that is only checked off. */
export function amountWords(track: Track, day: PlainDay, entry: Entry | undefined): string | null {
  const { measure } = track.habit;
  if (measure.kind !== 'amount') return null;
  const terms = termsOn(track.terms, day);
  const value = entry?.amount;
  if (terms.atLeast !== null) {
    return value === undefined ? amount(terms.atLeast, measure.unit) : amountOf(value, terms.atLeast, measure.unit);
  }
  const most = terms.atMost ?? 0;
  return value === undefined
    ? `at most ${amount(most, measure.unit)}`
    : `${amountOf(value, most, measure.unit)} at most`;
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
    return { ...rest, amount: Number(((entry?.amount ?? 0) + measure.step).toPrecision(12)) };
  }
  if (base.mark === 'done') {
    const { mark: _, ...rest } = base;
    return rest;
  }
  return { ...base, mark: 'done' };
}
