import { type PlainDay, WEEKDAYS, type Weekday } from '../calendar/plainDay.ts';
import { type Kept, keptSum } from '../habit/kept.ts';
import { isApproximately, shareOf } from '../number/exact.ts';
import type { PartOfDay } from '../record/records.ts';
import type { HabitReview, SpanReview } from './spanReview.ts';

/** From so many points of a share on a difference is worth a sentence. */
const TELLING = 0.1;
/** Under so many asked days a share says little. */
const LEAST_ASKED = 5;
/** Weekdays are spoken of once each that was asked for has so many dates. */
const LEAST_DATES = 4;

/** Something worth telling of a span, by its kind and numbers. */
export type ReviewFact =
  | { kind: 'kept'; rate: number; kept: number; asked: number; before: number | null; isByNow: boolean }
  /** `isOfAll` where no habit with days to choose stands beside those with fixed days, which alone are counted here. */
  | { kind: 'weekday'; weekday: Weekday; rate: number; others: number; isHarder: boolean; isOfAll: boolean }
  | { kind: 'partOfDay'; part: PartOfDay; rate: number; others: number; isHarder: boolean }
  | { kind: 'habit'; habitId: string; rate: number; before: number; isByNow: boolean }
  | { kind: 'run'; habitId: string; length: number; first: PlainDay; last: PlainDay };

type Standing<K> = { name: K; rate: number; others: number; isHarder: boolean };

/**
 * Of several kept rates that enough is known of, the lowest or the highest, whichever stands further from all the others
 * together, also those that little is known of; null where there is nothing to compare.
 */
function mostTelling<K>(all: readonly { name: K; kept: Kept; isKnown: boolean }[]): Standing<K> | null {
  const known = all.flatMap(({ name, kept, isKnown }) => (isKnown && kept.rate !== null ? [{ name, kept }] : []));
  if (known.length < 2) return null;
  const sum = keptSum(all.map((each) => each.kept));
  const standings = known.flatMap(({ name, kept: own }): Standing<K>[] => {
    const others = shareOf(sum.kept - own.kept, sum.asked - own.asked);
    return own.rate === null || others === null ? [] : [{ name, rate: own.rate, others, isHarder: own.rate < others }];
  });
  const byRate = [...standings].sort((a, b) => a.rate - b.rate);
  const [lowest, highest] = [byRate[0], byRate.at(-1)];
  if (lowest === undefined || highest === undefined) return null;
  return distance(lowest) >= distance(highest) ? lowest : highest;
}

const distance = ({ rate, others }: { rate: number; others: number }): number => Math.abs(rate - others);

/** The weekday or part of the day that stands out most from the others, either way; null where none does. */
function tellingTime({ kept, weekdays, partsOfDay }: SpanReview): ReviewFact | null {
  const asked = WEEKDAYS.filter((name) => weekdays[name].asked > 0);
  // All are compared, or none is: two Sundays beside three say nothing yet.
  const weekday = asked.every((name) => weekdays[name].days >= LEAST_DATES)
    ? mostTelling(asked.map((name) => ({ name, kept: weekdays[name], isKnown: true })))
    : null;
  // Habits of any time of the day say nothing about a time of the day.
  const part = mostTelling(
    partsOfDay.flatMap(({ part: name, kept }) =>
      name === 'any' ? [] : [{ name, kept, isKnown: kept.asked >= LEAST_ASKED }],
    ),
  );
  const facts: (ReviewFact & Omit<Standing<unknown>, 'name'>)[] = [];
  if (weekday !== null) {
    const { name, ...standing } = weekday;
    const ofFixed = keptSum(WEEKDAYS.map((each) => weekdays[each]));
    facts.push({ kind: 'weekday', weekday: name, ...standing, isOfAll: ofFixed.asked === kept.asked });
  }
  if (part !== null) {
    const { name, ...standing } = part;
    facts.push({ kind: 'partOfDay', part: name, ...standing });
  }
  const [most] = facts.sort((a, b) => distance(b) - distance(a));
  return most && distance(most) >= TELLING ? most : null;
}

/** The habits whose kept rate rose and fell most against the span before, where enough was asked in both. */
function tellingHabits({ habits, isByNow }: SpanReview): ReviewFact[] {
  // Of one habit alone the first fact says it already.
  if (habits.length < 2) return [];
  const changes = habits.flatMap(({ id, kept, keptBefore }) =>
    kept.rate !== null &&
    keptBefore !== null &&
    keptBefore.rate !== null &&
    kept.asked >= LEAST_ASKED &&
    keptBefore.asked >= LEAST_ASKED
      ? [{ kind: 'habit' as const, habitId: id, rate: kept.rate, before: keptBefore.rate, isByNow }]
      : [],
  );
  const sorted = changes.sort((a, b) => b.rate - b.before - (a.rate - a.before));
  const [best, worst] = [sorted[0], sorted.at(-1)];
  return [
    ...(best && best.rate - best.before >= TELLING ? [best] : []),
    ...(worst && worst.before - worst.rate >= TELLING ? [worst] : []),
  ];
}

/** From so many days in a row on, a run is worth a sentence. */
const LEAST_RUN = 7;
const MOST_FACTS = 4;

/**
 * What changed most in a span, at most four facts: what was kept, the time that stands out, the habits that rose and fell
 * most, the longest run of days. Each with its numbers, none with a cause; none at all where nothing was asked.
 */
export function reviewFacts(review: SpanReview): ReviewFact[] {
  const { rate, kept, asked } = review.kept;
  if (rate === null) return [];
  const time = tellingTime(review);
  const before = review.keptBefore?.rate ?? null;
  const facts: ReviewFact[] = [
    { kind: 'kept', rate, kept, asked, before, isByNow: before !== null && review.isByNow },
    ...(time === null ? [] : [time]),
    ...tellingHabits(review),
    ...(review.run !== null && review.run.length >= LEAST_RUN ? [{ kind: 'run' as const, ...review.run }] : []),
  ];
  return facts.slice(0, MOST_FACTS);
}

/** A habit that kept more than in the span before. */
export type Improved = { habit: HabitReview; change: number };

/**
 * Habits by how their kept rate changed against the span before, the most improved first; those without a rate in either
 * are left out. Kept rates, not shares of targets: of a span that still runs the share is only beginning.
 */
export const mostImproved = ({ habits }: SpanReview): Improved[] =>
  habits
    .flatMap((habit) =>
      habit.kept.rate === null || habit.keptBefore === null || habit.keptBefore.rate === null
        ? []
        : [{ habit, change: habit.kept.rate - habit.keptBefore.rate }],
    )
    .sort((a, b) => (isApproximately(a.change, b.change) ? a.habit.rank - b.habit.rank : b.change - a.change));
