import type { PlainDay } from '../calendar/plainDay.ts';
import { type DaySpan, holdsDay } from '../calendar/span.ts';
import type { MoodMean } from './mood.ts';

/** Mean mood (1–5) over the days of a span that have one, up to `today`; null where none has. Source: "Mood". */
export function moodOver(moods: ReadonlyMap<PlainDay, number>, span: DaySpan, today: PlainDay): MoodMean | null {
  let [sum, days] = [0, 0];
  for (const [day, mood] of moods) {
    if (!holdsDay(span, day) || day > today) continue;
    sum += mood;
    days++;
  }
  return days === 0 ? null : { mean: sum / days, days };
}
