import {
  type DaySpan,
  type Kept,
  type ReviewSpan,
  type SpanReview,
  type ReviewFact,
  type PartOfDay,
} from '@wimbel/core';
import { outOf } from '../../../text/amounts.ts';
import { PART_WORDS, percent } from '../../../text/format.ts';
import { type ChartedOf, keptAsked, keptOnWeekdayAsked } from '../chartedOf.ts';
import type { FigureQuery } from '../../../text/figureQuery.ts';

export type ReviewProps = { kind: ReviewSpan; review: SpanReview; of: ChartedOf };

/** The figure that a fact shows. */
export function factAsked(fact: ReviewFact, { span }: SpanReview, of: ChartedOf): FigureQuery {
  switch (fact.kind) {
    case 'kept':
      return keptAsked(of, span);
    case 'weekday':
      return keptOnWeekdayAsked(of, span, fact.weekday);
    case 'partOfDay':
      return partOfDayAsked(of, span, fact.part);
    case 'habit':
      return { figure: 'habitKept', habitId: fact.habitId, span };
    case 'run': {
      const { habitId, length, first, last } = fact;
      return { figure: 'habitRun', habitId, run: { length, first, last, isAlive: false }, unit: 'days' };
    }
  }
}

/** What was kept by the habits of a part of the day. */
export const partOfDayAsked = (of: ChartedOf, span: DaySpan, part: PartOfDay): FigureQuery =>
  keptAsked(
    { habitId: null, name: PART_WORDS[part], tracks: of.tracks.filter(({ habit }) => habit.partOfDay === part) },
    span,
  );

export const keptWords = ({ kept, asked, rate }: Kept): string =>
  rate === null ? 'nothing due' : `${outOf(kept, asked)}, ${percent(rate)}`;
