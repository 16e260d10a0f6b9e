import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import { type DaySpan, eachDay } from '../calendar/span.ts';
import { DUE, OWED_MONTHLY, OWED_WEEKLY, type Track, isOpen, outcomeOn } from '../habit/track.ts';
import type { JournalPage } from '../record/records.ts';

/** The moods (1–5) of days; of a day with several pages that have one, their mean. */
export function moodByDay(journal: readonly Pick<JournalPage, 'day' | 'mood'>[]): ReadonlyMap<PlainDay, number> {
  const sums = new Map<PlainDay, { sum: number; count: number }>();
  for (const { day, mood } of journal) {
    if (mood === undefined) continue;
    const before = sums.get(dayOf(day)) ?? { sum: 0, count: 0 };
    sums.set(dayOf(day), { sum: before.sum + mood, count: before.count + 1 });
  }
  return new Map([...sums].map(([day, { sum, count }]) => [day, sum / count]));
}

/** Mean mood (1–5) over some days. */
export type MoodMean = { mean: number; days: number };

/** Mean mood on the days a habit was done, and on the other days it was asked. */
export type MoodBeside = { done: MoodMean; other: MoodMean };

/** Fewer days on either side say nothing. */
const LEAST_DAYS = 5;

/**
 * Mean mood beside a habit over a span, up to today; null with fewer than five days that have a mood on either side. Other
 * days are those it was asked and not done: due days, and of flexible terms the days that count for a quota; today only
 * once it is settled. It tells what went together, never a cause. Source: "Mood".
 */
export function moodBeside(track: Track, span: DaySpan, moods: ReadonlyMap<PlainDay, number>): MoodBeside | null {
  const sides = { done: { sum: 0, days: 0 }, other: { sum: 0, days: 0 } };
  for (const day of eachDay({ first: Math.max(span.first, track.first), last: Math.min(span.last, track.today) })) {
    const mood = moods.get(day);
    if (mood === undefined) continue;
    const isDone = outcomeOn(track, day) === 'done';
    const isAsked = (track.asks[day - track.first]! & (DUE | OWED_WEEKLY | OWED_MONTHLY)) !== 0;
    if (!isDone && (!isAsked || isOpen(track, day))) continue;
    const side = isDone ? sides.done : sides.other;
    side.sum += mood;
    side.days++;
  }
  const { done, other } = sides;
  if (done.days < LEAST_DAYS || other.days < LEAST_DAYS) return null;
  return {
    done: { mean: done.sum / done.days, days: done.days },
    other: { mean: other.sum / other.days, days: other.days },
  };
}
