import { type DaySpan, holdsDay } from '@wimbel/core';
import MiniSearch from 'minisearch';
import type { Writing } from './writings.ts';

/** Search conditions, all of which must hold; empty ones are ignored. */
export type Search = {
  words: string;
  feeling: string | null;
  mood: number | null;
  habitId: string | null;
  span: DaySpan | null;
};

/** A piece of what was found, marked where it holds a word that was looked for. */
type FoundPiece = { text: string; isMarked: boolean };
export type Found = Omit<Writing, 'text'> & { pieces: FoundPiece[] };
export type FoundAll = { found: Found[]; count: number };

/** Looks through what was written, beside the screen: keeps it, so that a question is only its words. */
export type Searcher = {
  /** Takes writings in; those of the same source as before take their place. */
  put: (sources: readonly { key: string; writings: Writing[] }[]) => void;
  drop: (keys: readonly string[]) => void;
  /** The newest first, at most so many. */
  search: (search: Search, most: number) => FoundAll;
};

/** A word without its accents and capitals, so that "Ölung" is found by "olung". */
export const folded = (word: string): string => word.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

const WORD = /[\p{L}\p{N}\p{M}’']+/gu;
/** So many characters of a text are shown, and so many before the first word that was found. */
const SHOWN = 220;
const BEFORE = 60;

/** The words of a text with where they stand. */
const wordsIn = (text: string): { word: string; at: number }[] =>
  [...text.matchAll(WORD)].map((match) => ({ word: match[0], at: match.index }));

/** A part of a text around the first of some words, each marked; the beginning where none of them stands in it. */
export function piecesOf(text: string, wanted: readonly string[]): FoundPiece[] {
  const isWanted = (word: string): boolean => wanted.some((each) => folded(word).startsWith(each));
  const marks = wanted.length === 0 ? [] : wordsIn(text).filter(({ word }) => isWanted(word));
  const first = marks[0]?.at ?? 0;
  const from = first <= BEFORE ? 0 : text.indexOf(' ', first - BEFORE) + 1 || first;
  const cut = text.length - from > SHOWN ? text.lastIndexOf(' ', from + SHOWN) : text.length;
  const to = cut <= from ? Math.min(text.length, from + SHOWN) : cut;
  const pieces: FoundPiece[] = from > 0 ? [{ text: '… ', isMarked: false }] : [];
  let at = from;
  for (const mark of marks) {
    const end = mark.at + mark.word.length;
    if (mark.at < at || end > to) continue;
    if (mark.at > at) pieces.push({ text: text.slice(at, mark.at), isMarked: false });
    pieces.push({ text: mark.word, isMarked: true });
    at = end;
  }
  if (at < to) pieces.push({ text: text.slice(at, to), isMarked: false });
  if (to < text.length) pieces.push({ text: ' …', isMarked: false });
  return pieces;
}

export function createSearcher(): Searcher {
  const index = new MiniSearch<Writing>({
    fields: ['text', 'feelings'],
    tokenize: (text) => wordsIn(text).map(({ word }) => word),
    processTerm: folded,
    extractField: (writing, field) =>
      field === 'id' ? writing.id : field === 'feelings' ? writing.feelings.join(' ') : writing.text,
  });
  const known = new Map<string, Writing>();
  const bySource = new Map<string, Writing[]>();

  function drop(key: string): void {
    for (const { id } of bySource.get(key) ?? []) {
      index.discard(id);
      known.delete(id);
    }
    bySource.delete(key);
  }

  return {
    put(sources) {
      for (const { key, writings } of sources) {
        drop(key);
        bySource.set(key, writings);
        for (const writing of writings) known.set(writing.id, writing);
        index.addAll(writings);
      }
    },
    drop(keys) {
      for (const key of keys) drop(key);
    },
    search({ words, feeling, mood, habitId, span }, most) {
      const wanted = wordsIn(words).map(({ word }) => folded(word));
      const ids =
        wanted.length === 0
          ? [...known.keys()]
          : index.search(words, { prefix: true, combineWith: 'AND' }).map(({ id }) => String(id));
      const fitting = ids
        .flatMap((id) => known.get(id) ?? [])
        .filter(
          (writing) =>
            (feeling === null || writing.feelings.includes(feeling)) &&
            (mood === null || writing.mood === mood) &&
            (habitId === null || writing.aboutId === habitId) &&
            (span === null || holdsDay(span, writing.day)),
        )
        .sort((a, b) => b.day - a.day || (a.id < b.id ? -1 : 1));
      const found = fitting.slice(0, most).map(({ text, ...rest }) => ({ ...rest, pieces: piecesOf(text, wanted) }));
      return { found, count: fitting.length };
    },
  };
}
