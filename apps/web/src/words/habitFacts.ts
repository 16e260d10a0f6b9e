import {
  type DaySpan,
  type KeptSpan,
  type Track,
  keptOver,
  keptSpans,
  streakOf,
  runsOf,
  type Run,
  aliveRun,
  longestRun,
} from '@wimbel/core';
import { dateNear, percent, streakLength } from '../shared/format.ts';
import type { Asked } from './asked.ts';

/** A figure by its name, and what it is asked for. */
export type Fact = [name: string, value: string, asked?: Asked | null];

/** The current and the longest streak with their dates. */
export function streakFacts(track: Track): Fact[] {
  const { unit, current, from, longest, longestFrom, longestTo } = streakOf(track);
  const { today, habit } = track;
  const runs = runsOf(track, unit);
  const asRun = (run: Run | null): Asked | null => run && { figure: 'habitRun', habitId: habit.id, run };
  return [
    [
      'Now',
      from === null ? 'no streak yet' : `${streakLength(current, unit)}, since ${dateNear(from, today)}`,
      asRun(aliveRun(runs)),
    ],
    [
      'Longest',
      longestFrom === null || longestTo === null
        ? '–'
        : `${streakLength(longest, unit)}, ${dateNear(longestFrom, today)} to ${dateNear(longestTo, today)}`,
      asRun(longestRun(runs)),
    ],
  ];
}

const KEPT_NAMES: readonly [KeptSpan, string][] = [
  ['last7', '7 days'],
  ['last30', '30 days'],
  ['month', 'This month'],
  ['year', 'This year'],
  ['all', 'In all'],
];

/** The kept rate over the usual spans, each with its two numbers. */
export function keptFacts(track: Track): Fact[] {
  const spans = keptSpans(track);
  const words = (span: DaySpan): string => {
    const { kept, asked, rate } = keptOver(track, span);
    return asked === 0 ? 'nothing asked' : `${kept} of ${asked}, ${percent(rate)}`;
  };
  return KEPT_NAMES.map(([span, name]) => [
    name,
    words(spans[span]),
    keptOver(track, spans[span]).asked === 0
      ? null
      : { figure: 'habitKept', habitId: track.habit.id, span: spans[span] },
  ]);
}
