import type { PlainDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { entryOn } from '../record/entryYears.ts';
import type { EntryYears } from '../record/entryYears.ts';
import { type Track, outcomeOn } from './track.ts';

/** A day on which a habit was missed, with the reason that was given; null where none was. */
export type Miss = { habitId: string; day: PlainDay; reason: string | null };

/** Misses of the same reason (case aside), the latest first. */
export type MissedFor = { reason: string | null; misses: Miss[] };

/** Every miss of habits in a span up to today: marked so, or an amount that failed its threshold; by day. */
export function missesIn(tracks: readonly Track[], entriesOf: (habitId: string) => EntryYears, span: DaySpan): Miss[] {
  const found: Miss[] = [];
  for (const track of tracks) {
    const { id } = track.habit;
    const last = Math.min(span.last, track.today);
    for (let day = Math.max(span.first, track.first); day <= last; day++) {
      if (outcomeOn(track, day) !== 'missed') continue;
      const note = entryOn(entriesOf(id), day)?.note?.trim() ?? '';
      found.push({ habitId: id, day, reason: note === '' ? null : note });
    }
  }
  return found.sort((a, b) => a.day - b.day);
}

/** Misses gathered by their reason, the most frequent first, of as many the latest; those without one last. */
export function missesByReason(misses: readonly Miss[]): MissedFor[] {
  const groups = new Map<string | null, MissedFor>();
  for (const miss of misses) {
    const key = miss.reason?.toLowerCase() ?? null;
    const known = groups.get(key);
    if (known === undefined) groups.set(key, { reason: miss.reason, misses: [miss] });
    else known.misses.unshift(miss);
  }
  const latest = ({ misses: [first] }: MissedFor): number => first!.day;
  return [...groups.values()].sort(
    (a, b) =>
      Number(a.reason === null) - Number(b.reason === null) ||
      b.misses.length - a.misses.length ||
      latest(b) - latest(a),
  );
}
