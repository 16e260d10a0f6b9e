import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import { type PlainMonth, monthOfDay } from '../calendar/month.ts';
import type { DaySpan } from '../calendar/span.ts';
import type { Breakdown } from '../breakdown/breakdown.ts';
import { DUE, OWED, type Track, isOpen, outcomeOn } from '../habit/track.ts';
import type { JournalPage } from '../record/records.ts';

type Sum = { sum: number; count: number };

const meanOf = ({ sum, count }: Sum): number => sum / count;

/** The moods (1–5) of days; of a day with several pages that have one, their mean. */
export function moodByDay(journal: readonly Pick<JournalPage, 'day' | 'mood'>[]): ReadonlyMap<PlainDay, number> {
  const sums = new Map<PlainDay, Sum>();
  for (const { day, mood } of journal) {
    if (mood === undefined || mood === null) continue;
    const before = sums.get(dayOf(day)) ?? { sum: 0, count: 0 };
    sums.set(dayOf(day), { sum: before.sum + mood, count: before.count + 1 });
  }
  return new Map([...sums].map(([day, sum]) => [day, meanOf(sum)]));
}

/** Mean mood (1–5) over some days. */
export type MoodMean = { mean: number; days: number };

/** Mean mood by month, over the days of it that have one; up to `today`, only months with a mood. */
export function moodByMonth(moods: ReadonlyMap<PlainDay, number>, today: PlainDay): Map<PlainMonth, MoodMean> {
  const sums = new Map<PlainMonth, Sum>();
  for (const [day, mood] of moods) {
    if (day > today) continue;
    const before = sums.get(monthOfDay(day)) ?? { sum: 0, count: 0 };
    sums.set(monthOfDay(day), { sum: before.sum + mood, count: before.count + 1 });
  }
  return new Map([...sums].map(([month, sum]) => [month, { mean: meanOf(sum), days: sum.count }]));
}

/** How often a feeling was written, counted once a day, and the mean mood of those of its days that have one. */
export type FeelingFigures = { days: number; mood: number | null };

/** Every feeling written up to `today`, by its word. */
export function feelingFigures(
  journal: readonly Pick<JournalPage, 'day' | 'feelings'>[],
  moods: ReadonlyMap<PlainDay, number>,
  today: PlainDay,
): Map<string, FeelingFigures> {
  const days = new Map<string, Set<PlainDay>>();
  for (const { day, feelings } of journal) {
    const at = dayOf(day);
    if (at > today) continue;
    for (const feeling of feelings ?? []) days.set(feeling, (days.get(feeling) ?? new Set()).add(at));
  }
  return new Map(
    [...days].map(([feeling, on]) => {
      const known = [...on].flatMap((day) => moods.get(day) ?? []);
      const mood = known.length > 0 ? known.reduce((sum, each) => sum + each, 0) / known.length : null;
      return [feeling, { days: on.size, mood }];
    }),
  );
}

/** Mean mood on the days a habit was done, and on the other days it was asked. */
export type MoodBeside = { done: MoodMean; other: MoodMean };

/** Fewer days on either side say nothing. */
const LEAST_DAYS = 5;

/** How many days had each mood, on the done days of a habit in a span and on the others it was asked. */
function moodsBeside(track: Track, span: DaySpan, moods: ReadonlyMap<PlainDay, number>) {
  const sides = { done: new Map<number, number>(), other: new Map<number, number>() };
  const [first, last] = [Math.max(span.first, track.first), Math.min(span.last, track.today)];
  for (const [day, mood] of moods) {
    if (day < first || day > last) continue;
    const isDone = outcomeOn(track, day) === 'done';
    const isAsked = (track.asks[day - track.first]! & (DUE | OWED)) !== 0;
    if (!isDone && (!isAsked || isOpen(track, day))) continue;
    const side = isDone ? sides.done : sides.other;
    side.set(mood, (side.get(mood) ?? 0) + 1);
  }
  return sides;
}

function meanOfMoods(counts: ReadonlyMap<number, number>): MoodMean {
  let [sum, days] = [0, 0];
  for (const [mood, count] of counts) {
    sum += mood * count;
    days += count;
  }
  return { mean: sum / days, days };
}

/**
 * Mean mood beside a habit over a span, up to today; null with fewer than five days that have a mood on either side. Other
 * days are those it was asked and not done: due days, and of flexible terms the days that count for a quota; today only
 * once it is settled. It tells what went together, never a cause. Source: "Mood".
 */
export function moodBeside(track: Track, span: DaySpan, moods: ReadonlyMap<PlainDay, number>): MoodBeside | null {
  const sides = moodsBeside(track, span, moods);
  const [done, other] = [meanOfMoods(sides.done), meanOfMoods(sides.other)];
  return done.days < LEAST_DAYS || other.days < LEAST_DAYS ? null : { done, other };
}

/** One of the means beside a habit, by how many days had which mood, the best first; null without a day. */
export function moodMeanBeside(
  track: Track,
  span: DaySpan,
  moods: ReadonlyMap<PlainDay, number>,
  side: keyof MoodBeside,
): Breakdown | null {
  const counts = moodsBeside(track, span, moods)[side];
  if (counts.size === 0) return null;
  return {
    how: 'mean',
    columns: ['mood', 'moodDays'],
    parts: [...counts]
      .sort(([a], [b]) => b - a)
      .map(([mood, days]) => ({ of: { kind: 'mood', mood }, numbers: [mood * days, days] })),
    adjustments: [],
    total: [meanOfMoods(counts).mean, meanOfMoods(counts).days],
  };
}
