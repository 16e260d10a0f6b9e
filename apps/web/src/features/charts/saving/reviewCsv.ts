import { type SpanReview, WEEKDAYS, formatDay } from '@wimbel/core';
import Papa from 'papaparse';

type Names = { habitOf: (id: string) => string; areaOf: (id: string | null) => string };

/** Every figure of a review as CSV: a line for each habit, area, part, weekday and part of the day, and one for all together. Shares are fractions. */
export function reviewCsv(review: SpanReview, { habitOf, areaOf }: Names): string {
  const line = (what: string, name: string, more: Record<string, number | string | null>) => ({
    what,
    name,
    from: formatDay(review.span.first),
    to: formatDay(review.span.last),
    ...more,
  });
  const columns = ['what', 'name', 'from', 'to', 'done', 'kept', 'asked', 'rate', 'rank'];
  const lines = [
    line('all', '', review.kept),
    ...review.habits.map(({ id, figures: { actual: done }, kept, rank }) =>
      line('habit', habitOf(id), { done, ...kept, rank }),
    ),
    ...review.areas.map(({ areaId, kept, done }) => line('area', areaOf(areaId), { done, ...kept })),
    ...review.parts.map(({ span, kept }) => ({
      ...line('part', '', kept),
      from: formatDay(span.first),
      to: formatDay(span.last),
    })),
    ...WEEKDAYS.map((weekday) => line('weekday', weekday, review.weekdays[weekday])),
    ...review.partsOfDay.map(({ part, kept }) => line('part of the day', part, kept)),
  ];
  return Papa.unparse(
    { fields: columns, data: lines.map((each) => columns.map((key) => each[key as never] ?? '')) },
    { newline: '\n' },
  );
}
