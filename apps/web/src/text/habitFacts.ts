import {
  type DaySpan,
  type KeptSpan,
  type Track,
  keptOver,
  keptSpans,
  streakUnitOn,
  type PlainDay,
  runsOf,
  type Run,
  aliveRun,
  longestRun,
} from '@wimbel/core';
import { outOf } from './amounts.ts';
import { dateNear, percent, streakLength } from './format.ts';
import type { FigureQuery } from './figureQuery.ts';

/** A figure by its name, and what it is asked for. */
export type Fact = [name: string, value: string, asked?: FigureQuery | null];

/** The current and the longest streak with their dates, as they stood at the end of a day. */
export function streakFacts(track: Track, until: PlainDay = track.today): Fact[] {
  const { today, habit } = track;
  const unit = streakUnitOn(track, until);
  const runs = runsOf(track, unit, until);
  const [current, longest] = [aliveRun(runs), longestRun(runs)];
  const asRun = (run: Run | null): FigureQuery | null => run && { figure: 'habitRun', habitId: habit.id, run, unit };
  return [
    [
      until === today ? 'Now' : 'Then',
      current === null
        ? 'no streak yet'
        : `${streakLength(current.length, unit)}, since ${dateNear(current.first, today)}`,
      asRun(current),
    ],
    [
      'Longest',
      longest === null
        ? '–'
        : `${streakLength(longest.length, unit)}, ${dateNear(longest.first, today)} to ${dateNear(longest.last, today)}`,
      asRun(longest),
    ],
  ];
}

const KEPT_NAMES: readonly [span: KeptSpan, now: string, then: string][] = [
  ['last7', '7 days', '7 days'],
  ['last30', '30 days', '30 days'],
  ['month', 'This month', 'That month'],
  ['year', 'This year', 'That year'],
  ['all', 'In all', 'In all'],
];

/** The kept rate over the usual spans up to a day, each with its two numbers. */
export function keptFacts(track: Track, until: PlainDay = track.today): Fact[] {
  const spans = keptSpans(track, until);
  const words = (span: DaySpan): string => {
    const { kept, asked, rate } = keptOver(track, span);
    return asked === 0 ? 'nothing due' : `${outOf(kept, asked)}, ${percent(rate)}`;
  };
  return KEPT_NAMES.map(([span, now, then]) => [
    until === track.today ? now : then,
    words(spans[span]),
    keptOver(track, spans[span]).asked === 0
      ? null
      : { figure: 'habitKept', habitId: track.habit.id, span: spans[span] },
  ]);
}
