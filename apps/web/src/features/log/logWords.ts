import {
  type DaySpan,
  type LogSpan,
  type PlainDay,
  type Weekday,
  isoWeekNumber,
  monthOfDay,
  quarterOfMonth,
  yearOfDay,
  type Track,
  holdsDay,
  askKindOf,
  termsOn,
  isActiveIn,
  quotaStanding,
  periodOf,
  quotaVerdict,
  type WeekTotal,
} from '@wimbel/core';
import { monthName, shortDate, spanInWords } from '../../text/format.ts';
import { VERDICT_WORDS } from '../../text/dayStatusText.ts';

export const SPAN_CHOICES: { value: LogSpan; label: string }[] = [
  { value: 'week', label: 'Week' },
  { value: 'sevenDays', label: '7 days' },
  { value: 'month', label: 'Month' },
  { value: 'sixWeeks', label: '6 weeks' },
  { value: 'quarter', label: 'Quarter' },
  { value: 'year', label: 'Year' },
];

const NAMES: Record<LogSpan, string> = {
  week: 'week',
  sevenDays: 'seven days',
  month: 'month',
  sixWeeks: 'six weeks',
  quarter: 'quarter',
  year: 'year',
};
export const spanName = (kind: LogSpan): string => NAMES[kind];

/** The title of the log over a span, and the quieter words behind it: "November" "2026". */
export function spanTitle(kind: LogSpan, span: DaySpan, today: PlainDay, weekStart: Weekday): [string, string] {
  const year = String(yearOfDay(span.last));
  switch (kind) {
    case 'week':
      return [
        spanInWords(span, span.last),
        weekStart === 'monday' ? `${year}, week ${isoWeekNumber(span.first)}` : year,
      ];
    case 'sevenDays':
      return [spanInWords(span, span.last), year];
    case 'month':
      return [monthName(monthOfDay(span.first)), year];
    case 'sixWeeks':
      return [`${shortDate(span.first)} to ${shortDate(span.last)}`, year];
    case 'quarter': {
      const { first, last } = quarterOfMonth(monthOfDay(span.first));
      return [`${monthName(first)} to ${monthName(last)}`, year];
    }
    case 'year':
      return [year, yearOfDay(today) === yearOfDay(span.first) ? 'this year' : ''];
  }
}

/** Over these spans a row says how its running week or month stands. */
const TELLS_RUNNING: readonly LogSpan[] = ['week', 'sevenDays', 'month', 'sixWeeks'];

/** How the running week or month of a habit without fixed days stands: "1 of 3 this week, still open"; null of others. */
export function runningWords(track: Track, kind: LogSpan, span: DaySpan): string | null {
  const { today } = track;
  const unit = askKindOf(termsOn(track.terms, today).schedule);
  if (unit === 'days' || !tellsRunning(track, kind, span)) return null;
  const standing = quotaStanding(track, unit, periodOf(track, unit, today));
  const period = unit === 'weeks' ? 'week' : 'month';
  return `${standing.done} of ${standing.quota} this ${period}, ${VERDICT_WORDS[quotaVerdict(standing)]}`;
}

/** Whether there is something to tell of a running week or month: {@link runningWords} without looking into any day. */
export function tellsRunning(track: Track, kind: LogSpan, span: DaySpan): boolean {
  const { today } = track;
  if (!TELLS_RUNNING.includes(kind) || !holdsDay(span, today)) return false;
  return askKindOf(termsOn(track.terms, today).schedule) !== 'days' && isActiveIn(track, { first: today, last: today });
}

/** How a week of all habits together stands, in words; "" where nothing is asked. */
export const weekVerdictWords = ({ verdict, isRunning }: Pick<WeekTotal, 'verdict' | 'isRunning'>): string => {
  if (verdict === null) return '';
  if (isRunning) return VERDICT_WORDS[verdict];
  return verdict === 'met' ? 'pass mark reached' : 'pass mark not reached';
};

/** What the targets of a span are for: "for all of November". */
export const WHOLE_WORDS: Record<LogSpan, string> = {
  week: 'for the whole week',
  sevenDays: 'for all seven days',
  month: 'for the whole month',
  sixWeeks: 'for all six weeks',
  quarter: 'for the whole quarter',
  year: 'for the whole year',
};
