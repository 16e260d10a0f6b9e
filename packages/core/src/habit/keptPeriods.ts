import { monthOfDay, monthSpan } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { startOfWeek } from '../calendar/week.ts';
import { TOLERANCE } from '../number/exact.ts';
import type { Schedule } from '../record/records.ts';
import { type Asked, askedByTerms, exactAsked } from './asked.ts';
import { PARTS_PER_DAY } from './schedule.ts';
import { eachTargetStretch, hasTarget, targetAsksBetween } from './targetMonths.ts';
import { type CappedPeriods, type Counts, type Track, doneBetween, eachTerms } from './track.ts';

const isByMonth = (kind: Schedule['kind']): boolean => kind === 'perMonth';
const isByWeek = (kind: Schedule['kind']): boolean => kind !== 'perMonth';

/** Done days of a span under terms whose kind is counted. */
function doneUnder(track: Track, span: DaySpan, isCounted: (kind: Schedule['kind']) => boolean): number {
  let done = 0;
  eachTerms(track, span, ({ schedule }, first, last) => {
    if (isCounted(schedule.kind)) done += doneBetween(track, { first, last });
  });
  return done;
}

const wholeCap = (asked: Asked): number => Math.max(0, Math.ceil(exactAsked(asked) - TOLERANCE));

/** Done days of (part of) a week that go by the week: not those under terms by the month or in a month with a target. */
function doneByWeek(track: Track, first: PlainDay, last: PlainDay): number {
  if (track.keptMonths === null) return doneBetween(track, { first, last });
  let done = 0;
  eachTargetStretch(track, { first, last }, (from, to, isSet) => {
    if (!isSet) done += doneUnder(track, { first: from, last: to }, isByWeek);
  });
  return done;
}

/** What a whole week asks of its days that go by the week, rounded up. */
const weekCap = (track: Track, week: DaySpan): number =>
  wholeCap(askedByTerms(track, week, track.keptMonths === null ? null : isByWeek));

/** Done days of (part of) a month that go by the month: all where it has a target of its own, else those under its terms. */
const doneByMonth = (track: Track, month: number, span: DaySpan): number =>
  hasTarget(track, month) ? doneBetween(track, span) : doneUnder(track, span, isByMonth);

function monthCap(track: Track, month: number): number {
  const span = monthSpan(month);
  return wholeCap(
    hasTarget(track, month)
      ? { parts: 0, intervalDays: 0, targetDays: targetAsksBetween(track, span.first, span.last) }
      : askedByTerms(track, span, isByMonth),
  );
}

function emptyPeriods(first: number, length: number): CappedPeriods {
  const counts: Counts = length * 31 < 2 ** 16 ? new Uint16Array(length + 1) : new Int32Array(length + 1);
  return { first, caps: new Uint8Array(length), counts };
}

function layMonths(track: Track): CappedPeriods {
  const from = monthOfDay(track.first);
  const periods = emptyPeriods(from, monthOfDay(track.today) - from + 1);
  const { caps, counts } = periods;
  for (let i = 0; i < caps.length; i++) {
    caps[i] = monthCap(track, from + i);
    counts[i + 1] = counts[i]! + Math.min(caps[i]!, doneByMonth(track, from + i, monthSpan(from + i)));
  }
  return periods;
}

function layWeeks(track: Track): CappedPeriods {
  const from = startOfWeek(track.first, track.weekStart);
  const periods = emptyPeriods(from, (startOfWeek(track.today, track.weekStart) - from) / 7 + 1);
  const { caps, counts } = periods;
  const { terms, rests, keptMonths, askSums, doneSums, first } = track;
  const [every] = terms.map(({ schedule }) => (schedule.kind === 'interval' ? schedule.every : 1));
  // Most habits have one set of terms and no rest: their weeks are read from the sums in one go.
  const isPlain = terms.length === 1 && rests.length === 0 && keptMonths === null;
  const unit = PARTS_PER_DAY * every!;
  for (let i = 0; i < caps.length; i++) {
    const start = from + i * 7;
    let done: number;
    if (isPlain) {
      const place = Math.max(0, start - first);
      const end = start + 7 - first;
      caps[i] = Math.ceil((askSums[Math.min(askSums.length - 1, end)]! - askSums[place]!) / unit - TOLERANCE);
      done = doneSums[Math.min(doneSums.length - 1, end)]! - doneSums[place]!;
    } else {
      const week = { first: start, last: start + 6 };
      caps[i] = weekCap(track, week);
      done = doneByWeek(track, week.first, week.last);
    }
    counts[i + 1] = counts[i]! + Math.min(caps[i]!, done);
  }
  return periods;
}

/** Lays out what counts as kept by week and by month, of a track whose asks, targets and sums are there. */
export function layKept(track: Track): void {
  track.keptWeeks = null;
  track.keptMonths = null;
  if (track.first > track.today) return;
  if (track.targets !== null || track.terms.some(({ schedule }) => isByMonth(schedule.kind)))
    track.keptMonths = layMonths(track);
  if (track.terms.some(({ schedule }) => isByWeek(schedule.kind))) track.keptWeeks = layWeeks(track);
}

/** What lies inside of the periods between two, each with no more than its cap. */
const countedBetween = ({ counts }: CappedPeriods, low: number, high: number): number =>
  high > low ? counts[high]! - counts[low + 1]! : 0;

function countedByWeek(track: Track, weeks: CappedPeriods, first: PlainDay, last: PlainDay): number {
  const low = Math.floor((first - weeks.first) / 7);
  const high = Math.floor((last - weeks.first) / 7);
  const endOfFirst = Math.min(last, weeks.first + low * 7 + 6);
  let counted = Math.min(weeks.caps[low]!, doneByWeek(track, first, endOfFirst)) + countedBetween(weeks, low, high);
  if (high > low) counted += Math.min(weeks.caps[high]!, doneByWeek(track, weeks.first + high * 7, last));
  return counted;
}

function countedByMonth(track: Track, months: CappedPeriods, first: PlainDay, last: PlainDay): number {
  const [from, to] = [monthOfDay(first), monthOfDay(last)];
  const [low, high] = [from - months.first, to - months.first];
  const endOfFirst = Math.min(last, monthSpan(from).last);
  let counted =
    Math.min(months.caps[low]!, doneByMonth(track, from, { first, last: endOfFirst })) +
    countedBetween(months, low, high);
  if (high > low) counted += Math.min(months.caps[high]!, doneByMonth(track, to, { first: monthSpan(to).first, last }));
  return counted;
}

/**
 * Done days of a span that count as kept: of each week, and of each month that goes by itself, no more than the whole of
 * it asks, rounded up. Source: "Kept rate".
 */
export function countedDone(track: Track, span: DaySpan): number {
  const first = Math.max(span.first, track.first);
  const last = Math.min(span.last, track.today);
  if (first > last) return 0;
  const { keptWeeks, keptMonths } = track;
  return (
    (keptWeeks === null ? 0 : countedByWeek(track, keptWeeks, first, last)) +
    (keptMonths === null ? 0 : countedByMonth(track, keptMonths, first, last))
  );
}

/** Days of a span that count together as kept: their stretches, and the most of their done days that count. */
export type KeptGroup = { stretches: DaySpan[]; cap: number };

/** The weeks of a span, and the months in it that go by themselves, each with its days inside and its cap. */
export function keptGroups(track: Track, span: DaySpan): KeptGroup[] {
  const first = Math.max(span.first, track.first);
  const last = Math.min(span.last, track.today);
  const groups = new Map<string, KeptGroup>();
  const add = (key: string, cap: number, stretch: DaySpan): void => {
    const group = groups.get(key) ?? { stretches: [], cap };
    groups.set(key, { ...group, stretches: [...group.stretches, stretch] });
  };
  const addWeeks = (from: PlainDay, to: PlainDay): void => {
    for (let day = from; day <= to; day = startOfWeek(day, track.weekStart) + 7) {
      const start = startOfWeek(day, track.weekStart);
      const cap = track.keptWeeks!.caps[(start - track.keptWeeks!.first) / 7]!;
      add(`week ${start}`, cap, { first: day, last: Math.min(to, start + 6) });
    }
  };
  const addMonths = (from: PlainDay, to: PlainDay): void => {
    for (let day = from; day <= to; day = monthSpan(monthOfDay(day)).last + 1) {
      const month = monthOfDay(day);
      const cap = track.keptMonths!.caps[month - track.keptMonths!.first]!;
      add(`month ${month}`, cap, { first: day, last: Math.min(to, monthSpan(month).last) });
    }
  };
  eachTargetStretch(track, { first, last }, (from, to, isSet) => {
    if (isSet) return addMonths(from, to);
    eachTerms(track, { first: from, last: to }, ({ schedule }, begin, end) =>
      isByMonth(schedule.kind) ? addMonths(begin, end) : addWeeks(begin, end),
    );
  });
  return [...groups.values()];
}
