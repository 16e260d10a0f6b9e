import { type PlainDay, dayOf } from '../calendar/plainDay.ts';
import type { Entry } from '../record/records.ts';

/** A reason for misses, how often it was given, and when last. */
export type MissReason = { text: string; count: number; last: PlainDay };

/** The reasons noted with misses up to `today`, gathered by their words (case aside): the most frequent first, then the latest. */
export function missReasons(entries: Iterable<Entry>, today: PlainDay): MissReason[] {
  const reasons = new Map<string, MissReason>();
  for (const { mark, note, day } of entries) {
    const text = note?.trim() ?? '';
    const at = dayOf(day);
    if (mark !== 'missed' || text === '' || at > today) continue;
    const known = reasons.get(text.toLowerCase());
    if (known === undefined) reasons.set(text.toLowerCase(), { text, count: 1, last: at });
    else {
      known.count++;
      known.last = Math.max(known.last, at);
    }
  }
  return [...reasons.values()].sort((a, b) => b.count - a.count || b.last - a.last);
}
