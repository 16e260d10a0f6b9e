import {
  type AreaReview,
  type DaySpan,
  type DayTotals,
  type Kept,
  type PartReview,
  type PlainDay,
  type SpanReview,
  type Track,
  daysIn,
  doneBetween,
  eachDay,
  keptOver,
  monthOfDay,
  monthSpan,
  outcomeOn,
  scoreOn,
} from '@wimbel/core';
import { OUTCOME_WORDS, monthAndYear } from '../../../text/format.ts';
import type { Figures } from '../../../charts/FiguresTable.tsx';

/** Longer spans are shown by month. */
const MOST_DAYS_TOLD = 400;

const words = (name: string) => ({ name, is: 'words' as const });
const day = (name: string) => ({ name, is: 'day' as const });
const count = (name: string) => ({ name, is: 'number' as const });
const share = (name: string) => ({ name, is: 'share' as const });

const monthsOf = ({ first, last }: DaySpan): DaySpan[] => {
  const spans: DaySpan[] = [];
  for (let month = monthOfDay(first); month <= monthOfDay(last); month++) {
    const whole = monthSpan(month);
    spans.push({ first: Math.max(first, whole.first), last: Math.min(last, whole.last) });
  }
  return spans;
};

/** The days over all habits: done, asked and share of each; of a long span by month, with its full days. */
export function daysFigures(totals: DayTotals, span: DaySpan, passMark: number): Figures {
  if (daysIn(span) <= MOST_DAYS_TOLD) {
    return {
      columns: [day('Day'), count('Done'), count('Due'), share('Share')],
      rows: eachDay(span).map((each) => {
        const { done, due, score } = scoreOn(totals, each, passMark);
        return [each, done, due, score];
      }),
    };
  }
  return {
    columns: [words('Month'), count('Done'), count('Due'), count('Full days'), count('Bright days')],
    rows: monthsOf(span).map((month) => {
      const days = eachDay(month).map((each) => scoreOn(totals, each, passMark));
      const sum = (of: (score: (typeof days)[number]) => number): number =>
        days.reduce((all, each) => all + of(each), 0);
      return [
        monthAndYear(monthOfDay(month.first)),
        sum(({ done }) => done),
        sum(({ due }) => due),
        sum(({ full }) => Number(full)),
        sum(({ bright }) => Number(bright)),
      ];
    }),
  };
}

/** The days of one habit: outcome and amount of each; of a long span by month, kept of asked. */
export function habitDaysFigures(
  track: Track,
  span: DaySpan,
  amountOn: ((day: PlainDay) => number | null) | null,
): Figures {
  const until = { first: Math.max(span.first, track.first), last: Math.min(span.last, track.today) };
  if (until.last < until.first) return { columns: [day('Day'), words('Came to')], rows: [] };
  if (daysIn(until) <= MOST_DAYS_TOLD) {
    return {
      columns: [day('Day'), words('Came to'), ...(amountOn === null ? [] : [count('Amount')])],
      rows: eachDay(until).map((each) => [
        each,
        OUTCOME_WORDS[outcomeOn(track, each)],
        ...(amountOn === null ? [] : [amountOn(each)]),
      ]),
    };
  }
  return {
    columns: [words('Month'), count('Done'), count('Kept'), count('Due'), share('Rate')],
    rows: monthsOf(until).map((month) => {
      const { kept, asked, rate } = keptOver(track, month);
      return [monthAndYear(monthOfDay(month.first)), doneBetween(track, month), kept, asked, rate];
    }),
  };
}

/** The parts of a span, each by itself and with what came before it in the span. */
export const partsFigures = (parts: readonly PartReview[], nameOf: (part: PartReview) => string): Figures => ({
  columns: [words('Part'), count('Kept'), count('Due'), share('Rate'), share('To date')],
  rows: parts.map((part) => [nameOf(part), part.kept.kept, part.kept.asked, part.kept.rate, part.toDate.rate]),
});

/** Some things with what was kept of each, now and in the span before. */
export const keptFigures = (
  what: string,
  rows: readonly { name: string; kept: Kept; before: Kept | null }[],
): Figures => ({
  columns: [words(what), count('Kept'), count('Due'), share('Rate'), share('Before')],
  rows: rows.map(({ name, kept, before }) => [name, kept.kept, kept.asked, kept.rate, before?.rate ?? null]),
});

/** The areas: done days, and what was kept of what was due, now and before. */
export const areasFigures = (
  areas: readonly AreaReview[],
  past: readonly AreaReview[],
  nameOf: (areaId: string | null) => string,
): Figures => ({
  columns: [words('Area'), count('Done'), count('Kept'), count('Due'), share('Rate'), share('Rate before')],
  rows: areas.map(({ areaId, done, kept }) => [
    nameOf(areaId),
    done,
    kept.kept,
    kept.asked,
    kept.rate,
    past.find((each) => each.areaId === areaId)?.kept.rate ?? null,
  ]),
});

/** The habits best first: rank and the rank before, done days, kept of asked now and before. */
export const rankingFigures = ({ habits }: SpanReview, nameOf: (habitId: string) => string): Figures => ({
  columns: [
    words('Habit'),
    count('Rank'),
    count('Before'),
    count('Done'),
    count('Kept'),
    count('Due'),
    share('Rate'),
    share('Rate before'),
  ],
  rows: habits.map(({ id, rank, rankBefore, figures, kept, keptBefore }) => [
    nameOf(id),
    rank,
    rankBefore,
    figures.actual,
    kept.kept,
    kept.asked,
    kept.rate,
    keptBefore?.rate ?? null,
  ]),
});
