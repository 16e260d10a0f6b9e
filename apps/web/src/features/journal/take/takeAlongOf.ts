import {
  type DaySpan,
  type JournalPage,
  type Mood,
  type Settings,
  type Track,
  type EntryYears,
  dayOf,
  feelingFigures,
  holdsDay,
  keptTogether,
  missesByReason,
  missesIn,
  moodByDay,
  moodOver,
  pagesByDay,
} from '@wimbel/core';
import type { TakeAlong } from '@wimbel/exchange';
import { outOf } from '../../../text/amounts.ts';
import { capital, counted, dateNear, dayInWords, percent, spanInWords } from '../../../text/format.ts';
import { meanWords, moodWord } from '../../../text/moodText.ts';

/** The parts that a page to take along can have. */
export const TAKEN = ['sums', 'moods', 'feelings', 'misses', 'writing', 'answers'] as const;
export type Taken = (typeof TAKEN)[number];

/** Parts of a page. */
export type TakenFrom = {
  journal: readonly JournalPage[];
  tracks: readonly Track[];
  entriesOf: (habitId: string) => EntryYears;
  nameOf: (habitId: string) => string;
  settings: Settings;
  today: number;
};

const WHEN = { morning: 'In the morning', day: null, evening: 'In the evening' } as const;

/** Texts of a page: its own, then its answers. */
function writingsOf(page: JournalPage, parts: ReadonlySet<Taken>): TakeAlong['days'][number]['writings'] {
  const own = parts.has('writing') && page.text?.trim() ? [{ asked: WHEN[page.part], text: page.text.trim() }] : [];
  const answers = (parts.has('answers') ? (page.answers ?? []) : []).flatMap(({ promptText, text, items = [] }) => {
    const said = [text ?? '', ...items.filter((item) => item.text.trim() !== '').map((item) => `- ${item.text}`)]
      .filter((each) => each.trim() !== '')
      .join('\n');
    return said === '' ? [] : [{ asked: promptText ?? null, text: said }];
  });
  return [...own, ...answers];
}

/** Some days put together to be shown: only the parts that were chosen, and no day after today. */
export function takeAlongOf(
  { journal, tracks, entriesOf, nameOf, settings, today }: TakenFrom,
  { first, last }: DaySpan,
  parts: ReadonlySet<Taken>,
): TakeAlong {
  const span = { first, last: Math.min(last, today) };
  const within = journal.filter(({ day }) => holdsDay(span, dayOf(day)));
  const moods = moodByDay(within);
  const mean = moodOver(moods, span, today);
  const { rate, kept, asked } = keptTogether(tracks, span);
  const misses = missesIn(tracks, entriesOf, span);
  const wordOf = (mood: number): string => moodWord(settings, Math.round(mood) as Mood);
  return {
    title: capital(spanInWords(span, today)),
    sums: parts.has('sums')
      ? [
          rate === null ? 'Nothing was due.' : `${percent(rate)} kept, ${outOf(kept, asked)}.`,
          ...(mean === null ? [] : [`Mood: mean ${meanWords(mean)}, of 1 (${wordOf(1)}) to 5 (${wordOf(5)}).`]),
        ]
      : [],
    moods: parts.has('moods')
      ? [...moods].sort(([a], [b]) => a - b).map(([day, mood]) => ({ day: dateNear(day, today), mood: wordOf(mood) }))
      : [],
    feelings: parts.has('feelings')
      ? [...feelingFigures(within, moods, today)]
          .sort((a, b) => b[1].days - a[1].days || a[0].localeCompare(b[0]))
          .map(([feeling, { days, mood }]) => ({
            feeling,
            told: `${counted(days, 'day')}${mood === null ? '' : `, mean mood ${mood.toFixed(1)}`}`,
          }))
      : [],
    misses: parts.has('misses')
      ? missesByReason(misses).map(({ reason, misses: all }) => ({
          reason: `${reason ?? 'No reason given'} (${counted(all.length, 'time')})`,
          which: [...all].reverse().map(({ habitId, day }) => `${nameOf(habitId)}, ${dateNear(day, today)}`),
        }))
      : [],
    days: [...pagesByDay(within)]
      .sort(([a], [b]) => a - b)
      .flatMap(([day, pages]) => {
        const writings = pages.flatMap((page) => writingsOf(page, parts));
        if (writings.length === 0) return [];
        const mood = moods.get(day);
        const feelings = [...new Set(pages.flatMap((page) => page.feelings ?? []))];
        const about = [
          mood !== undefined && parts.has('moods') ? wordOf(mood) : '',
          ...(parts.has('feelings') ? feelings : []),
        ].filter(Boolean);
        return [{ day: dayInWords(day), about: about.join(', '), writings }];
      }),
  };
}
