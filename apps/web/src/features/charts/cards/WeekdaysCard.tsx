import { WEEKDAYS } from '@wimbel/core';
import { selectSettings } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { number } from '../../../text/amounts.ts';
import { weekdayTitle, weekdaysFrom } from '../chartWords.ts';
import { keptOnWeekdayAsked } from '../chartedOf.ts';
import type { ReviewProps } from './reviewCard.ts';
import { ShortRecord } from './ShortRecord.tsx';
import { RoundCard } from './RoundCard.tsx';

/** Days of record from which weekdays are compared. */
const TWO_WEEKS = 14;

/** Where it goes well and where not, by the weekday, of what is due on fixed days. */
export function WeekdaysCard({ kind, review, of, recordDays }: ReviewProps & { recordDays: number }) {
  const { weekStart } = useAppSelector(selectSettings);
  const { weekdays, past } = review;
  const asked = WEEKDAYS.reduce((sum, each) => sum + weekdays[each].asked, 0);
  if (asked === 0 || kind === 'week') return null;
  if (recordDays < TWO_WEEKS) return <ShortRecord title="Weekdays" recordDays={recordDays} />;
  return (
    <RoundCard
      title="Weekdays"
      what="Weekday"
      aside={`${number(asked)} due on fixed days`}
      kind={kind}
      review={review}
      rows={weekdaysFrom(weekStart).map((weekday) => ({
        name: weekdayTitle(weekday),
        label: weekdayTitle(weekday).slice(0, 2),
        kept: weekdays[weekday],
        before: past?.weekdays[weekday] ?? null,
        asked: keptOnWeekdayAsked(of, review.span, weekday),
      }))}
    />
  );
}
