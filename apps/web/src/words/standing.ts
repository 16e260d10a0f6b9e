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
  needOn,
  type QuotaVerdict,
  type PeriodKind,
  quotaVerdict,
  setTargetOf,
  monthTargetOf,
  doneBetween,
  quotaSeenOn,
} from '@wimbel/core';
import { amount, amountOf, outOf } from '../shared/amounts.ts';
import { counted } from '../shared/format.ts';
import type { Asked } from './asked.ts';

/**
 * Whether anything is asked of a habit on a day: `fixed` names the day; `pressing` is a flexible one that can no longer
 * wait, `canWait` one that can; `none` where nothing is asked, be it that the week or month has all it asks for.
 */
export function askOn(track: Track, day: PlainDay): 'fixed' | 'pressing' | 'canWait' | 'none' {
  const ask = asksOn(track, day);
  if ((ask & ASKED) !== 0) return 'fixed';
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
export type Standing = { words: string; asked: Asked | null };

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

/**
 * How a habit stands as seen on a day: "18 of 22 this month", "2 of 3 this week, 5 days left", "15 of 15 this month,
 * target met"; of a day before today as it was by then.
 */
export function standingOn(track: Track, day: PlainDay): Standing {
  const { habit, today } = track;
  const kind = askKindOf(termsOn(track.terms, day).schedule);
  const month = monthOfDay(day);
  const name = month === monthOfDay(today) ? 'this month' : 'that month';
  const byThen = day < today ? ' by then' : '';
  if (day === today && kind !== 'weeks' && (setTargetOf(habit, month)?.days ?? null) !== null) {
    const { days: target } = monthTargetOf(track, month);
    const done = doneBetween(track, monthSpan(month));
    const asked: Asked = { figure: 'habitTarget', habitId: habit.id, kind: 'month', span: monthSpan(month) };
    return { words: `${done} of ${target} this month${done >= target ? ', target met' : ''}`, asked };
  }
  if (kind !== 'days') {
    const asked: Asked = { figure: 'habitQuota', habitId: habit.id, kind, day };
    if (day === today) return { words: quotaWords(track, kind), asked };
    const { done, quota } = quotaSeenOn(track, kind, day);
    return { words: `${done} of ${quota} that ${kind === 'weeks' ? 'week' : 'month'} by then`, asked };
  }
  const span = { first: monthSpan(month).first, last: Math.min(day, monthSpan(month).last) };
  const { kept, asked: count } = keptOver(track, span);
  const asked: Asked = { figure: 'habitKept', habitId: habit.id, span };
  if (habit.aim === 'quit')
    return count === 0
      ? { words: 'no day yet', asked: null }
      : { words: `held off ${outOf(kept, count)} ${name}${byThen}`, asked };
  return count === 0 ? { words: 'new', asked: null } : { words: `${outOf(kept, count)} ${name}${byThen}`, asked };
}

export const standingWords = (track: Track, day: PlainDay): string => standingOn(track, day).words;

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
