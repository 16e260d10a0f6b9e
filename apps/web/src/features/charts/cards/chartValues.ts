import {
  type DayTotals,
  type PlainDay,
  type PlateValue,
  type Track,
  fillRatio,
  outcomeOn,
  pegStateOf,
  scoreOn,
} from '@wimbel/core';
import { OUTCOME_WORDS, dayInWords, percent } from '../../../text/format.ts';

/** The day scores over all habits as values of the plate; null before the record begins. */
export const plateOfAll =
  (totals: DayTotals, firstDay: PlainDay, passMark: number) =>
  (day: PlainDay): PlateValue | null => {
    if (day < firstDay) return null;
    const { score, full } = scoreOn(totals, day, passMark);
    return { ratio: score, isFull: full };
  };

/** The days of one habit as values of the plate: done is full, a part its share, and nothing due no value. */
export const plateOfHabit =
  (track: Track, amountOn: (day: PlainDay) => number | null) =>
  (day: PlainDay): PlateValue | null => {
    const state = pegStateOf(track, day);
    if (state === 'done') return { ratio: 1, isFull: true };
    if (state === 'part') return { ratio: fillRatio(track, day, amountOn(day)), isFull: false };
    return state === 'blank' || state === 'missed' ? { ratio: 0, isFull: false } : null;
  };

/** "Tuesday 3 November: 7 of 9, 78 %" */
export function dayOfAllWords(totals: DayTotals, day: PlainDay, today: PlainDay, passMark: number): string {
  if (day > today) return `${dayInWords(day)}: still to come`;
  const { done, due, score, full } = scoreOn(totals, day, passMark);
  return `${dayInWords(day)}: ${score === null ? 'nothing was due' : `${done} of ${due}, ${percent(score)}${full ? ', a full day' : ''}`}`;
}

/** "Tuesday 3 November: done, 25 min" */
export function dayOfHabitWords(track: Track, day: PlainDay, amount: string | null): string {
  if (day > track.today) return `${dayInWords(day)}: still to come`;
  return `${dayInWords(day)}: ${OUTCOME_WORDS[outcomeOn(track, day)]}${amount === null ? '' : `, ${amount}`}`;
}
