import { shownText } from '../record/twoTexts.ts';
import { type PlainDay, WEEKDAYS, type Weekday, dayOf, formatDay, weekdayOf } from '../calendar/plainDay.ts';
import { type DaySpan, holdsDay } from '../calendar/span.ts';
import { dayOfNeighbour, logSpanOf } from '../habit/logSpan.ts';
import type { Review, ReviewAnswers } from '../record/records.ts';

/** The spans that are looked back on, the shortest first. */
export const LOOK_BACK_SPANS = ['week', 'month', 'quarter', 'year'] as const;
/** A kind of span that is looked back on. */
export type LookBackSpan = (typeof LOOK_BACK_SPANS)[number];

/** Whether a review says anything; one that says nothing was only waved off. */
export const isWritten = ({ answers }: Pick<Review, 'answers'>): boolean => {
  const { nextTimeWas: _, ...said } = answers;
  return Object.values(said).some((text) => (text ?? '').trim() !== '');
};

/** Lines that are still among others; undefined where none is. */
const stillIn = (lines: string | undefined, among: string | undefined): string | undefined =>
  linesOf(lines)
    .filter((line) => linesOf(among).includes(line))
    .join('\n') || undefined;

/** The answers without those that say nothing: what mattered most goes with its line, what became of a plan with the plan. */
export function saidAnswers({ nextTimeWas, mostOfWins, mostOfLosses, ...said }: ReviewAnswers): ReviewAnswers {
  const answers = {
    ...said,
    mostOfWins: stillIn(mostOfWins, said.wins),
    mostOfLosses: stillIn(mostOfLosses, said.losses),
    nextTimeWas: said.nextTime ? nextTimeWas : undefined,
  };
  return Object.fromEntries(Object.entries(answers).filter(([, text]) => (text ?? '').trim() !== '')) as ReviewAnswers;
}

/**
 * The review of the span that begins on a day, seasons aside. Two devices can each have begun one while they were apart:
 * then the one that says something, of two the one begun first.
 */
export function reviewOfSpan(reviews: Iterable<Review>, kind: LookBackSpan, first: PlainDay): Review | null {
  let found: Review | null = null;
  for (const review of reviews) {
    if (review.span !== kind || review.seasonId || dayOf(review.from) !== first) continue;
    const isBetter =
      found === null ||
      (isWritten(review) && !isWritten(found)) ||
      (isWritten(review) === isWritten(found) && review.id < found.id);
    if (isBetter) found = review;
  }
  return found;
}

/** The span before one of the same kind. */
export const spanJustBefore = (kind: LookBackSpan, span: DaySpan, weekStart: Weekday): DaySpan =>
  logSpanOf(kind, dayOfNeighbour(kind, span, -1), weekStart);

/**
 * The latest review before a span of the same kind that says what to do next time; null where none does, or it lies more
 * than `mostBack` spans back.
 */
export function plannedBefore(
  reviews: readonly Review[],
  kind: LookBackSpan,
  span: DaySpan,
  weekStart: Weekday,
  mostBack = 1,
): Review | null {
  let before = span;
  for (let back = 0; back < mostBack; back++) {
    before = spanJustBefore(kind, before, weekStart);
    const review = reviewOfSpan(reviews, kind, before.first);
    if (review !== null && (review.answers.nextTime ?? '').trim() !== '') return review;
  }
  return null;
}

/** How many days after its span a review is still offered. */
const OFFERED_FOR: Record<LookBackSpan, number> = { week: 2, month: 6, quarter: 9, year: 13 };

/** A review that can be written now. */
export type OfferedReview = { kind: LookBackSpan; span: DaySpan };

/**
 * The reviews that are offered on a day: of a span from its last day on (of a week from the weekday that the person chose,
 * before it ends), and some days after, until it is written or waved off; the shortest span first. `hasRecord` tells
 * whether there is anything to look back on.
 */
export function offeredReviews(
  reviews: readonly Review[],
  today: PlainDay,
  { weekStart, reviewDay }: { weekStart: Weekday; reviewDay?: Weekday },
  hasRecord: (span: DaySpan) => boolean,
): OfferedReview[] {
  return LOOK_BACK_SPANS.flatMap((kind): OfferedReview[] => {
    const running = logSpanOf(kind, today, weekStart);
    // Once the running one can be written, the one before is not offered any more.
    const span = [running, spanJustBefore(kind, running, weekStart)].find((each) => {
      const from = kind === 'week' ? reviewDayIn(each, reviewDay) : each.last;
      return holdsDay({ first: from, last: each.last + OFFERED_FOR[kind] }, today);
    });
    const isOpen = span !== undefined && reviewOfSpan(reviews, kind, span.first) === null && hasRecord(span);
    return isOpen ? [{ kind, span }] : [];
  });
}

/** The day of a week on which its review is offered: its last day, or the weekday chosen. */
function reviewDayIn({ first, last }: DaySpan, reviewDay: Weekday | undefined): PlainDay {
  if (reviewDay === undefined || reviewDay === null) return last;
  for (let day = first; day <= last; day++) if (WEEKDAYS[weekdayOf(day)] === reviewDay) return day;
  return last;
}

/** What a review was to change, that the span after it is to remember. */
export type Remembered = { review: Review; kind: LookBackSpan };

/**
 * What stands at the head of a day: what the reviews of the week, month and quarter (and year) before meant to do next time,
 * until it is put aside or told how it went; the shortest span first.
 */
export function rememberedOn(reviews: readonly Review[], day: PlainDay, weekStart: Weekday): Remembered[] {
  return LOOK_BACK_SPANS.flatMap((kind): Remembered[] => {
    const review = plannedBefore(reviews, kind, logSpanOf(kind, day, weekStart), weekStart);
    return review === null || review.answers.nextTimeWas ? [] : [{ review, kind }];
  });
}

/** The day of a review as a day of its span. */
export const spanOfReview = (review: Pick<Review, 'span' | 'from'>, weekStart: Weekday): DaySpan =>
  logSpanOf(review.span, dayOf(review.from), weekStart);

/** The lines of a text, as wins, losses and lessons have them; what stands beside it is none of them. */
export const linesOf = (text: string | null | undefined): string[] =>
  shownText(text ?? '')
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);

/** A new review of a span that says nothing yet. */
export const newReview = (id: string, kind: LookBackSpan, first: PlainDay): Review => ({
  id,
  span: kind,
  from: formatDay(first),
  answers: {},
});
