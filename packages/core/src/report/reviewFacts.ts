import { WEEKDAYS, type Weekday } from '../calendar/plainDay.ts';
import { shareOf } from '../number/exact.ts';
import type { SpanReview } from './spanReview.ts';

/** From so many points of a share on a difference is worth a sentence. */
const TELLING = 0.1;
/** Under so many asked days a share says little. */
const LEAST_ASKED = 5;
const LEAST_WEEKDAY = 4;

export type ReviewFact =
  | { kind: 'kept'; rate: number; kept: number; asked: number; before: number | null }
  | { kind: 'weekday'; weekday: Weekday; rate: number; others: number; isHarder: boolean }
  | { kind: 'habit'; habitId: string; rate: number; before: number };

/** The weekday that stands out most from the others, either way; null where none does. */
function tellingWeekday({ weekdays }: SpanReview): ReviewFact | null {
  const all = WEEKDAYS.map((weekday) => ({ weekday, ...weekdays[weekday] }));
  const [kept, asked] = [all.reduce((sum, each) => sum + each.kept, 0), all.reduce((sum, each) => sum + each.asked, 0)];
  const facts = all.flatMap(({ weekday, kept: own, asked: ownAsked, rate }) => {
    const others = shareOf(kept - own, asked - ownAsked);
    if (rate === null || others === null || ownAsked < LEAST_WEEKDAY || asked - ownAsked < LEAST_ASKED) return [];
    return [{ kind: 'weekday' as const, weekday, rate, others, isHarder: rate < others }];
  });
  const [most] = facts.sort((a, b) => Math.abs(b.rate - b.others) - Math.abs(a.rate - a.others));
  return most && Math.abs(most.rate - most.others) >= TELLING ? most : null;
}

/** The habits whose kept rate rose and fell most against the span before, where enough was asked in both. */
function tellingHabits({ habits }: SpanReview): ReviewFact[] {
  // Of one habit alone the first fact says it already.
  if (habits.length < 2) return [];
  const changes = habits.flatMap(({ id, kept, keptBefore }) =>
    kept.rate !== null &&
    keptBefore !== null &&
    keptBefore.rate !== null &&
    kept.asked >= LEAST_ASKED &&
    keptBefore.asked >= LEAST_ASKED
      ? [{ kind: 'habit' as const, habitId: id, rate: kept.rate, before: keptBefore.rate }]
      : [],
  );
  const sorted = changes.sort((a, b) => b.rate - b.before - (a.rate - a.before));
  const [best, worst] = [sorted[0], sorted.at(-1)];
  return [
    ...(best && best.rate - best.before >= TELLING ? [best] : []),
    ...(worst && worst.before - worst.rate >= TELLING ? [worst] : []),
  ];
}

/**
 * What changed most in a span, at most four facts: what was kept, the weekday that stands out, the habits that rose and
 * fell most. Each with its numbers, none with a cause; none at all where nothing was asked.
 */
export function reviewFacts(review: SpanReview): ReviewFact[] {
  const { rate, kept, asked } = review.kept;
  if (rate === null) return [];
  const weekday = tellingWeekday(review);
  return [
    { kind: 'kept', rate, kept, asked, before: review.keptBefore?.rate ?? null },
    ...(weekday === null ? [] : [weekday]),
    ...tellingHabits(review),
  ];
}
