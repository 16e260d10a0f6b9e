import { monthOfDay, monthSpan } from '../calendar/month.ts';
import type { PlainDay, Weekday } from '../calendar/plainDay.ts';
import { type DaySpan, daysIn, holdsDay, overlaps } from '../calendar/span.ts';
import { weekSpan } from '../calendar/week.ts';
import { yearOfDay, yearSpan } from '../calendar/year.ts';
import { type Kept, NOTHING_ASKED, type WeekdayKept, keptOver, keptTogether, weekdaysTogether } from '../habit/kept.ts';
import { type LogSpan, dayOfNeighbour, logSpanOf, logTarget } from '../habit/logSpan.ts';
import { rankHabits } from '../habit/ranking.ts';
import { type Figures, type Target, figuresAgainst, planOf } from '../habit/targets.ts';
import { runDaysIn, runsOf } from '../habit/streak.ts';
import { type Track, doneBetween, isActiveIn } from '../habit/track.ts';
import { PARTS_OF_DAY, type PartOfDay } from '../record/records.ts';

/** The spans that charts look at; `days` runs between any two. */
export const REVIEW_SPANS = ['week', 'month', 'quarter', 'year', 'all', 'days'] as const;
/** A kind of span that charts are drawn of. */
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

/**
 * What a span is compared with: the span before, or of one that still runs as many of its days as this one has behind it,
 * so that like stands beside like. Nulls where there is none before.
 */
export function daysCompared(
  kind: ReviewSpan,
  span: DaySpan,
  weekStart: Weekday,
  today: PlainDay,
): { before: DaySpan | null; compared: DaySpan | null; isByNow: boolean } {
  const before = spanBefore(kind, span, weekStart);
  if (before === null) return { before, compared: null, isByNow: false };
  const isByNow = holdsDay(span, today) && today < span.last;
  const last = isByNow ? Math.min(before.last, before.first + today - span.first) : before.last;
  return { before, compared: { first: before.first, last }, isByNow };
}

/** Longest spans shown by day and by week; longer ones are shown by month. */
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

/** A habit in a span, beside the span before. */
export type HabitReview = {
  id: string;
  /** Against the target of the span, as the log shows it; everything against the plan. */
  figures: Figures;
  kept: Kept;
  /** Over the days compared; null where the habit has none of them. */
  keptBefore: Kept | null;
  /** 1 is the best, by kept rate. */
  rank: number;
  /** Over the days compared. */
  rankBefore: number | null;
};

/** An area in a span, beside the span before. */
export type AreaReview = {
  /** Null for habits without one. */
  areaId: string | null;
  /** Over all areas these add up to what was kept in the span. */
  kept: Kept;
  /** Done days of its habits, extra days too. */
  done: number;
};

/** A part of the day in a span, beside the span before. */
export type PartReview = {
  span: DaySpan;
  kept: Kept;
  /** From the span's first day to this part's last, as one span: what flexible habits are asked is rounded once over it. */
  toDate: Kept;
  /** Today lies in it and more of it is to come. */
  isRunning: boolean;
};

/** The longest row of due days that a habit was kept in a span, of a row that goes past its ends the part inside. */
export type RunReview = { habitId: string; length: number; first: PlainDay; last: PlainDay };

/** All that charts show of a span. */
export type SpanReview = {
  span: DaySpan;
  before: DaySpan | null;
  /**
   * The days of the span before that everything is compared with: all of them, or where this one still runs as many as it
   * has behind it. Null without a span before.
   */
  compared: DaySpan | null;
  /** This one still runs, so that it is compared up to the same day. */
  isByNow: boolean;
  kept: Kept;
  keptBefore: Kept | null;
  /** Best first. */
  habits: HabitReview[];
  areas: AreaReview[];
  parts: PartReview[];
  /** Of fixed terms, by the weekday, over the span. */
  weekdays: Record<Weekday, WeekdayKept>;
  /** By the part of the day that habits belong to, in the order of the day; only parts with a habit. */
  partsOfDay: { part: PartOfDay; kept: Kept }[];
  run: RunReview | null;
  /** The same sums over the days compared; null without a span before. */
  past: SpanSums | null;
};

/** What a span comes to by area, weekday and part of the day. */
export type SpanSums = Pick<SpanReview, 'areas' | 'weekdays' | 'partsOfDay'>;

const targetOver = (track: Track, kind: ReviewSpan, span: DaySpan): Target =>
  isFree(kind) ? { days: planOf(track, span), amount: null } : logTarget(track, kind satisfies LogSpan, span);

/**
 * The habits that take part in a span, in their order, each with what it did on the days that are looked at, against its
 * target over the whole span.
 */
const takingPart = (
  tracks: readonly Track[],
  kind: ReviewSpan,
  span: DaySpan,
  looked: DaySpan = span,
): ReadonlyMap<Track, Figures> =>
  new Map(
    tracks
      .filter((track) => isActiveIn(track, span))
      .map((track) => [track, figuresAgainst(track, looked, targetOver(track, kind, span))]),
  );

/** Ranks by kept rate, from 1. Source: "Targets by week, month and year". */
function ranksOf(figures: ReadonlyMap<Track, Figures>): Map<string, number> {
  const ranked = [...figures].map(([{ habit }, { rate, actual }], place) => ({
    id: habit.id,
    rate,
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
    kept: keptTogether(members, span),
    done: members.reduce((sum, track) => sum + doneBetween(track, span), 0),
  }));
}

/** The parts of a span with what was kept in each, and from the span's start to its end. */
function partsOver(tracks: readonly Track[], span: DaySpan, parts: readonly DaySpan[], today: PlainDay): PartReview[] {
  return parts.map((part) => {
    // Of what is still to come nothing is asked yet.
    if (part.first > today) return { span: part, kept: NOTHING_ASKED, toDate: NOTHING_ASKED, isRunning: false };
    const toDate = keptTogether(tracks, { first: span.first, last: part.last });
    return { span: part, kept: keptTogether(tracks, part), toDate, isRunning: today < part.last };
  });
}

function partsOfDayOver(tracks: readonly Track[], span: DaySpan): SpanReview['partsOfDay'] {
  return PARTS_OF_DAY.flatMap((part) => {
    const members = tracks.filter((track) => track.habit.partOfDay === part);
    return members.length === 0 ? [] : [{ part, kept: keptTogether(members, span) }];
  });
}

/** The longest row of kept days in a span, clipped to it; the first habit of equals. Null without any. */
function longestRunOver(tracks: readonly Track[], span: DaySpan): RunReview | null {
  let best: RunReview | null = null;
  for (const track of tracks) {
    for (const run of runsOf(track, 'days')) {
      if (!overlaps(run, span)) continue;
      const [first, last] = [Math.max(run.first, span.first), Math.min(run.last, span.last)];
      const length = runDaysIn(track, { first, last });
      if (length > (best?.length ?? 0)) best = { habitId: track.habit.id, length, first, last };
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
    today,
  }: {
    kind: ReviewSpan;
    span: DaySpan;
    weekStart: Weekday;
    today: PlainDay;
  },
): SpanReview {
  const { before, compared, isByNow } = daysCompared(kind, span, weekStart, today);
  const now = takingPart(tracks, kind, span);
  const then = before === null ? null : takingPart(tracks, kind, before, compared!);
  const ranks = ranksOf(now);
  const ranksBefore = then === null ? null : ranksOf(then);
  const habits = [...now].map(([track, figures]): HabitReview => ({
    id: track.habit.id,
    figures,
    kept: keptOver(track, span),
    keptBefore: compared === null || !isActiveIn(track, compared) ? null : keptOver(track, compared),
    rank: ranks.get(track.habit.id)!,
    rankBefore: ranksBefore?.get(track.habit.id) ?? null,
  }));
  return {
    span,
    before,
    compared,
    isByNow,
    kept: keptTogether(tracks, span),
    keptBefore: compared === null ? null : keptTogether(tracks, compared),
    habits: habits.sort((a, b) => a.rank - b.rank),
    ...sumsOver(now, span),
    past: then === null ? null : sumsOver(then, compared!),
    parts: partsOver(tracks, span, partsOfSpan(kind, span, weekStart), today),
    run: longestRunOver([...now.keys()], span),
  };
}
