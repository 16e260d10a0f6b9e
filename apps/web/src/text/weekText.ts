import { type HabitWeek, type PlainDay, type WeeksMet } from '@wimbel/core';
import { outOf } from './amounts.ts';
import { counted, spanInWords } from './format.ts';

/** "6 of 8 weeks met"; that no week is over yet where none is. */
export const weeksMetWords = ({ met, of }: WeeksMet): string =>
  of === 0 ? 'no week is over yet' : `${met} of ${counted(of, 'week')} met`;

/** A week of a habit as it is read aloud: "16 to 22 November: 2 of 3, missed". */
export function habitWeekWords({ days, done, asked, verdict, isRunning }: HabitWeek, today: PlainDay): string {
  const name = spanInWords(days, today);
  if (verdict === null) return `${name}: ${days.first > today ? 'still to come' : 'nothing due'}`;
  const how = verdict === 'met' ? 'met' : verdict === 'open' ? 'still open' : isRunning ? 'out of reach' : 'missed';
  return `${name}: ${outOf(done, asked)}, ${how}`;
}
