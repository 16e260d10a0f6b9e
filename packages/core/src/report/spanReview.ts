import { monthOfDay, monthSpan } from '../calendar/month.ts';
import type { PlainDay, Weekday } from '../calendar/plainDay.ts';
import { type DaySpan, daysIn, holdsDay } from '../calendar/span.ts';
import { weekSpan } from '../calendar/week.ts';
import { yearOfDay, yearSpan } from '../calendar/year.ts';
import { type Kept, keptOver, keptTogether, weekdaysTogether } from '../habit/kept.ts';
import { type LogSpan, dayOfNeighbour, logFigures, logSpanOf } from '../habit/logSpan.ts';
import { rankHabits } from '../habit/ranking.ts';
import { type Figures, spanFigures, togetherOf } from '../habit/targets.ts';
import { aliveRun, runsOf } from '../habit/streak.ts';
import { type Track, doneBetween, isActiveIn } from '../habit/track.ts';
import { shareOf } from '../number/exact.ts';
import { PARTS_OF_DAY, type PartOfDay } from '../record/records.ts';

/** The spans that charts look at; `days` runs between any two. */
export const REVIEW_SPANS = ['week', 'month', 'quarter', 'year', 'all', 'days'] as const;
export type ReviewSpan = (typeof REVIEW_SPANS)[number];

const isFree = (kind: ReviewSpan): kind is 'all' | 'days' => kind === 'all' || kind === 'days';

/**
 * The days of a span that a day lies in. Everything, and the days between any two, are given as `free`: from the first
 * day of any record to today, or the two days.
 */
export function reviewSpanOf(kind: ReviewSpan, day: PlainDay, weekStart: Weekday, free: DaySpan): DaySpan {
  return isFree(kind) ? { first: Math.min(free.first, free.last), last: free.last } : logSpanOf(kind, day, weekStart);
}

/** The span before one, of the days between two as many days; null of everything. */
export function spanBefore(kind: ReviewSpan, span: DaySpan, weekStart: Weekday): DaySpan | null {
  if (kind === 'all') return null;
  if (kind === 'days') return { first: span.first - daysIn(span), last: span.first - 1 };
  return logSpanOf(kind, dayOfNeighbour(kind, span, -1), weekStart);
}

/** Up to so many days are told day by day, up to so many week by week, then by months. */
const MOST_DAYS = 14;
const MOST_WEEKS_OF_DAYS = 120;

/** The weeks of a month or quarter, the months of a year, the years of everything, the days of a week. */
export function partsOfSpan(kind: ReviewSpan, span: DaySpan, weekStart: Weekday): DaySpan[] {
  const next: Record<ReviewSpan, (day: PlainDay) => DaySpan> = {
    week: (day) => ({ first: day, last: day }),
    month: (day) => weekSpan(day, weekStart),
    quarter: (day) => weekSpan(day, weekStart),
    year: (day) => monthSpan(monthOfDay(day)),
    all: (day) => yearSpan(yearOfDay(day)),
    days: (day) =>
      next[daysIn(span) <= MOST_DAYS ? 'week' : daysIn(span) <= MOST_WEEKS_OF_DAYS ? 'month' : 'year'](day),
  };
  const parts: DaySpan[] = [];
  for (let day = span.first; day <= span.last; day = parts.at(-1)!.last + 1) parts.push(next[kind](day));
  return parts;
}

const NOTHING: Kept = { kept: 0, asked: 0, rate: null };

export type HabitReview = {
  id: string;
  /** Against the target of the span, as the log shows it; everything against the plan. */
  figures: Figures;
  kept: Kept;
  keptBefore: Kept | null;
  /** 1 is the best, by share. */
  rank: number;
  rankBefore: number | null;
};

export type AreaReview = {
  /** Null for habits without one. */
  areaId: string | null;
  /** Capped sum and sum, as months have them. */
  actual: number;
  target: number;
  share: number | null;
  /** Done days of its habits, extra days too. */
  done: number;
};

export type PartReview = {
  span: DaySpan;
  kept: Kept;
  /** Of this part and those before it together. */
  toDate: Kept;
  /** Today lies in it and more of it is to come. */
  isRunning: boolean;
};

/** The longest row of days that a habit was kept, of those that end or still stand in a span. */
export type RunReview = { habitId: string; length: number; first: PlainDay; last: PlainDay };

export type SpanReview = {
  span: DaySpan;
  before: DaySpan | null;
  kept: Kept;
  keptBefore: Kept | null;
  /** Of the span before as many days as this one has behind it, where this one still runs; null where it does not. */
  keptBeforeByNow: Kept | null;
  /** Best first. */
  habits: HabitReview[];
  areas: AreaReview[];
  parts: PartReview[];
  /** Of fixed terms, by the weekday, over the span. */
  weekdays: Record<Weekday, Kept>;
  /** By the part of the day that habits belong to, in the order of the day; only parts with a habit. */
  partsOfDay: { part: PartOfDay; kept: Kept }[];
  run: RunReview | null;
  /** The same sums of the span before, as a whole; null without one. */
  past: SpanSums | null;
};

/** What a span comes to by area, weekday and part of the day. */
export type SpanSums = Pick<SpanReview, 'areas' | 'weekdays' | 'partsOfDay'>;

const figuresOver = (track: Track, kind: ReviewSpan, span: DaySpan, passMark: number): Figures =>
  isFree(kind) ? spanFigures(track, span) : logFigures(track, kind satisfies LogSpan, span, passMark);

/** The habits that take part in a span, in their order, each with its figures over it. */
const takingPart = (
  tracks: readonly Track[],
  kind: ReviewSpan,
  span: DaySpan,
  passMark: number,
): ReadonlyMap<Track, Figures> =>
  new Map(
    tracks.filter((track) => isActiveIn(track, span)).map((track) => [track, figuresOver(track, kind, span, passMark)]),
  );

/** Ranks by share, from 1. Source: "Targets by week, month and year". */
function ranksOf(figures: ReadonlyMap<Track, Figures>): Map<string, number> {
  const ranked = [...figures].map(([{ habit }, { share, actual }], place) => ({
    id: habit.id,
    share,
    actual,
    order: habit.order,
    place,
  }));
  return new Map(rankHabits(ranked).map((id, index) => [id, index + 1]));
}

function areasOver(figures: ReadonlyMap<Track, Figures>, span: DaySpan): AreaReview[] {
  const byArea = new Map<string | null, Track[]>();
  for (const track of figures.keys()) {
    const areaId = track.habit.areaId ?? null;
    byArea.set(areaId, [...(byArea.get(areaId) ?? []), track]);
  }
  return [...byArea].map(([areaId, members]) => ({
    areaId,
    ...togetherOf(members.map((track) => figures.get(track)!)),
    done: members.reduce((sum, track) => sum + doneBetween(track, span), 0),
  }));
}

/** The parts of a span with what was kept in each, and up to its end. Parts add up, so the second is a running sum. */
function partsOver(tracks: readonly Track[], parts: readonly DaySpan[], today: PlainDay): PartReview[] {
  let [kept, asked] = [0, 0];
  return parts.map((part) => {
    // Of what is still to come nothing is asked yet, be it that a running month ends in it.
    if (part.first > today) return { span: part, kept: NOTHING, toDate: NOTHING, isRunning: false };
    const own = keptTogether(tracks, part);
    kept += own.kept;
    asked += own.asked;
    const toDate = { kept, asked, rate: shareOf(kept, asked) };
    return { span: part, kept: own, toDate, isRunning: today < part.last };
  });
}

function partsOfDayOver(tracks: readonly Track[], span: DaySpan): SpanReview['partsOfDay'] {
  return PARTS_OF_DAY.flatMap((part) => {
    const members = tracks.filter((track) => track.habit.partOfDay === part);
    return members.length === 0 ? [] : [{ part, kept: keptTogether(members, span) }];
  });
}

/** The longest run of days that ends or still stands in a span; the first habit of equals. Null without any. */
function longestRunOver(tracks: readonly Track[], span: DaySpan): RunReview | null {
  let best: RunReview | null = null;
  for (const track of tracks) {
    const runs = runsOf(track, 'days');
    const alive = aliveRun(runs);
    for (const run of runs) {
      const isHere = holdsDay(span, run.last) || (run === alive && holdsDay(span, track.today));
      if (isHere && run.length > (best?.length ?? 0))
        best = { habitId: track.habit.id, length: run.length, first: run.first, last: run.last };
    }
  }
  return best;
}

function sumsOver(figures: ReadonlyMap<Track, Figures>, span: DaySpan): SpanSums {
  const tracks = [...figures.keys()];
  return {
    areas: areasOver(figures, span),
    weekdays: weekdaysTogether(tracks, span),
    partsOfDay: partsOfDayOver(tracks, span),
  };
}

/**
 * What the record says of a span, as of today: what was kept of what was asked, by its parts, by habit, by area and by
 * weekday, beside the span before. Habits take part that have a day of their active span in it.
 */
export function spanReview(
  tracks: readonly Track[],
  {
    kind,
    span,
    weekStart,
    passMark,
    today,
  }: {
    kind: ReviewSpan;
    span: DaySpan;
    weekStart: Weekday;
    passMark: number;
    today: PlainDay;
  },
): SpanReview {
  const before = spanBefore(kind, span, weekStart);
  const now = takingPart(tracks, kind, span, passMark);
  const then = before === null ? null : takingPart(tracks, kind, before, passMark);
  const ranks = ranksOf(now);
  const ranksBefore = then === null ? null : ranksOf(then);
  const habits = [...now].map(([track, figures]): HabitReview => ({
    id: track.habit.id,
    figures,
    kept: keptOver(track, span),
    keptBefore: before === null || !isActiveIn(track, before) ? null : keptOver(track, before),
    rank: ranks.get(track.habit.id)!,
    rankBefore: ranksBefore?.get(track.habit.id) ?? null,
  }));
  return {
    span,
    before,
    kept: keptTogether(tracks, span),
    keptBefore: before === null ? null : keptTogether(tracks, before),
    keptBeforeByNow:
      before === null || !(holdsDay(span, today) && today < span.last)
        ? null
        : keptTogether(tracks, { first: before.first, last: Math.min(before.last, before.first + today - span.first) }),
    habits: habits.sort((a, b) => a.rank - b.rank),
    ...sumsOver(now, span),
    past: before === null || then === null ? null : sumsOver(then, before),
    parts: partsOver(tracks, partsOfSpan(kind, span, weekStart), today),
    run: longestRunOver([...now.keys()], span),
  };
}
