import {
  type EntryYear,
  type JournalPage,
  type PlainDay,
  type Review,
  dayOf,
  firstOfYear,
  pagesByDay,
  writingOf,
} from '@wimbel/core';
import type { RecordsState } from '@wimbel/sync';

/** Something that was written, with what it is about and where it stands. */
export type Writing = {
  id: string;
  kind: 'page' | 'note' | 'reason' | 'checkIn' | 'review' | 'season' | 'habitNote';
  /** The day it belongs to; of a review the first of its span. */
  day: PlainDay;
  text: string;
  /** A habit, a key result, a season, or nothing. */
  aboutId: string | null;
  /** Mean mood of the page's day, 1–5, rounded; null without one. */
  mood: number | null;
  feelings: readonly string[];
  span: Review['span'] | null;
};

/** Writings that change together, and what tells that they did: the same list while nothing in it changes. */
export type Source = { key: string; made: readonly unknown[]; writings: () => Writing[] };

const NONE = { aboutId: null, mood: null, feelings: [], span: null } as const;

function writingsOfDay(day: PlainDay, pages: readonly JournalPage[]): Writing[] {
  const moods = pages.flatMap(({ mood }) => mood ?? []);
  const mood =
    moods.length === 0 ? null : Math.round(moods.reduce<number>((sum, each) => sum + each, 0) / moods.length);
  const feelings = [...new Set(pages.flatMap((page) => page.feelings ?? []))];
  const text = pages.flatMap(writingOf).join('\n');
  return [{ ...NONE, id: `page ${day}`, kind: 'page', day, text, mood, feelings }];
}

function writingsOfYear(habitId: string, year: number, entries: EntryYear): Writing[] {
  return entries.flatMap((entry, place): Writing[] => {
    if (entry === null) return [];
    const text = [entry.note, ...(entry.parts ?? []).map((part) => part.note)].filter(Boolean).join('\n');
    if (text === '') return [];
    const kind = entry.mark === 'missed' ? 'reason' : 'note';
    const day = firstOfYear(year) + place;
    return [{ ...NONE, id: `entry ${habitId} ${day}`, kind, day, text, aboutId: habitId }];
  });
}

/** Everything that was written, in sources that change by themselves, so that only what is new is gone through again. */
export function* sourcesOf(records: RecordsState): Generator<Source> {
  for (const [day, pages] of pagesByDay(Object.values(records.journal))) {
    yield { key: `day ${day}`, made: pages, writings: () => writingsOfDay(day, pages) };
  }
  for (const [habitId, years] of Object.entries(records.entries)) {
    for (const [year, entries] of Object.entries(years)) {
      const writings = () => writingsOfYear(habitId, Number(year), entries);
      yield { key: `entries ${habitId} ${year}`, made: [entries], writings };
    }
  }
  for (const checkIn of Object.values(records.checkIns)) {
    const { id, day, keyResultId, note = '' } = checkIn;
    if (note === '') continue;
    const writing: Writing = {
      ...NONE,
      id: `checkIn ${id}`,
      kind: 'checkIn',
      day: dayOf(day),
      text: note,
      aboutId: keyResultId,
    };
    yield { key: writing.id, made: [checkIn], writings: () => [writing] };
  }
  for (const review of Object.values(records.reviews)) {
    const { nextTimeWas: _, ...said } = review.answers;
    const text = Object.values(said).filter(Boolean).join('\n');
    if (text === '') continue;
    const writing: Writing = {
      ...NONE,
      id: `review ${review.id}`,
      kind: 'review',
      day: dayOf(review.from),
      text,
      aboutId: review.seasonId ?? null,
      span: review.span,
    };
    yield { key: writing.id, made: [review], writings: () => [writing] };
  }
  for (const season of Object.values(records.seasons)) {
    const { id, vision, why, notes = [] } = season;
    const text = [vision, why, ...notes.flatMap((note) => [note.text, note.link])].filter(Boolean).join('\n');
    if (text === '') continue;
    const day = dayOf(season.startsOn);
    const writing: Writing = { ...NONE, id: `season ${id}`, kind: 'season', day, text, aboutId: id };
    yield { key: writing.id, made: [season], writings: () => [writing] };
  }
  for (const note of Object.values(records.habitNotes)) {
    const { id, day, habitId, text } = note;
    const writing: Writing = {
      ...NONE,
      id: `habitNote ${id}`,
      kind: 'habitNote',
      day: day ? dayOf(day) : 0,
      text,
      aboutId: habitId,
    };
    yield { key: writing.id, made: [note], writings: () => [writing] };
  }
}
