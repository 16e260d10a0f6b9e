import type { Entry, HabitNote } from '@wimbel/core';

/** Something written about a habit: a note of its own, or the one beside a day. */
export type Written = { key: string; day: string | null; text: string; link: string | null; note: HabitNote | null };

/** All that was written, the newest day first, what has no day last; reasons for misses stand elsewhere. */
export function writtenOf(notes: readonly HabitNote[], entries: readonly Entry[]): Written[] {
  const own = notes.map((note): Written => ({
    key: `note ${note.id}`,
    day: note.day ?? null,
    text: note.text,
    link: note.link ?? null,
    note,
  }));
  const beside = entries.flatMap((entry): Written[] => {
    const parts = (entry.parts ?? []).flatMap((part) => (part.note ? [part.note] : []));
    const texts = entry.mark === 'missed' ? parts : [...(entry.note ? [entry.note] : []), ...parts];
    return texts.map((text, index) => ({ key: `${entry.day} ${index}`, day: entry.day, text, link: null, note: null }));
  });
  return [...own, ...beside].sort((a, b) =>
    (a.day ?? '') < (b.day ?? '') ? 1 : (a.day ?? '') > (b.day ?? '') ? -1 : 0,
  );
}
