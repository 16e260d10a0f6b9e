import { type PlainDay, dayOf, formatDay } from '../calendar/plainDay.ts';
import type { Entry, Habit, JournalAnswer, JournalPage, JournalPart, Prompt } from '../record/records.ts';
import { compareByOrder } from '../record/order.ts';

/** The parts of a day's page in the order they are read. */
export const JOURNAL_PARTS: readonly JournalPart[] = ['morning', 'day', 'evening'];

const isBlank = (text: string | null | undefined): boolean => (text ?? '').trim() === '';

/** Whether an answer says anything. */
export const isAnswered = ({ text, items = [] }: JournalAnswer): boolean =>
  !isBlank(text) || items.some((item) => !isBlank(item.text));

/** Whether a page holds a written word; a mood or a feeling alone is none. */
export const hasWriting = ({ text, answers = [] }: Pick<JournalPage, 'text' | 'answers'>): boolean =>
  !isBlank(text) || answers.some(isAnswered);

/** Whether a page says nothing at all, so that nothing is lost with it. */
export const isEmptyPage = (page: JournalPage): boolean =>
  !hasWriting(page) && (page.mood ?? null) === null && (page.feelings ?? []).length === 0;

/**
 * The pages of a day, morning first. Two devices can each have made one for the same part while they were apart: both are
 * there, the one that was made first before the other, so that nothing written is hidden.
 */
export function pagesOfDay(journal: Iterable<JournalPage>, day: PlainDay): JournalPage[] {
  const own: JournalPage[] = [];
  const text = formatDay(day);
  for (const page of journal) if (page.day === text) own.push(page);
  return own.sort(inReadingOrder);
}

const inReadingOrder = (a: JournalPage, b: JournalPage): number =>
  JOURNAL_PARTS.indexOf(a.part) - JOURNAL_PARTS.indexOf(b.part) || (a.id < b.id ? -1 : 1);

/** A page with an answer to a prompt; the wording that was answered first stays, and an empty answer goes. */
export function withAnswer(
  page: JournalPage,
  prompt: Pick<Prompt, 'id' | 'text'>,
  said: Pick<JournalAnswer, 'text' | 'items'>,
): JournalPage {
  const before = (page.answers ?? []).find(({ promptId }) => promptId === prompt.id);
  const answer: JournalAnswer = { promptId: prompt.id, promptText: before?.promptText ?? prompt.text, ...said };
  const others = (page.answers ?? []).filter(({ promptId }) => promptId !== prompt.id);
  const answers = isAnswered(answer)
    ? before === undefined
      ? [...others, answer]
      : page.answers!.map((each) => (each.promptId === prompt.id ? answer : each))
    : others;
  const { answers: _, ...rest } = page;
  return answers.length === 0 ? rest : { ...rest, answers };
}

/** A prompt as a day's page asks it: in the words it was answered in, or in today's. */
export type AskedPrompt = { prompt: Prompt; text: string; answer: JournalAnswer | null };

/**
 * What a part of a day asks, in the person's order: the prompts in use, and retired ones that were answered then. A prompt
 * that was reworded since reads as it was answered.
 */
export function promptsOf(
  prompts: Iterable<Prompt>,
  part: JournalPart,
  answers: readonly JournalAnswer[],
): AskedPrompt[] {
  const asked: AskedPrompt[] = [];
  for (const prompt of prompts) {
    const answer = answers.find(({ promptId }) => promptId === prompt.id) ?? null;
    if (prompt.part !== part || (!prompt.active && answer === null)) continue;
    asked.push({ prompt, text: answer?.promptText ?? prompt.text, answer });
  }
  return asked.sort((a, b) => compareByOrder(a.prompt, b.prompt));
}

/** Pages in which a feeling is renamed; where the new word stands beside the old one, they become one. */
export function withFeelingRenamed(journal: Iterable<JournalPage>, from: string, to: string): JournalPage[] {
  const changed: JournalPage[] = [];
  for (const page of journal) {
    if (!page.feelings?.includes(from)) continue;
    changed.push({ ...page, feelings: [...new Set(page.feelings.map((each) => (each === from ? to : each)))] });
  }
  return changed;
}

/** Feelings that were written, those of the most days first. */
export function feelingsByUse(journal: Iterable<Pick<JournalPage, 'day' | 'feelings'>>): string[] {
  const days = new Map<string, Set<string>>();
  for (const { day, feelings = [] } of journal) {
    for (const feeling of feelings) days.set(feeling, (days.get(feeling) ?? new Set()).add(day));
  }
  return [...days].sort((a, b) => b[1].size - a[1].size || a[0].localeCompare(b[0])).map(([feeling]) => feeling);
}

/** Habits that the first written word of a day checks off: those in use then of which nothing is recorded yet. */
export function checkedByWriting(
  habits: Iterable<Habit>,
  day: PlainDay,
  by: NonNullable<Habit['doneBy']>,
  entryOf: (habitId: string) => Entry | undefined,
): Habit[] {
  const found: Habit[] = [];
  for (const habit of habits) {
    const isInUse = dayOf(habit.startsOn) <= day && (habit.endsOn === undefined || dayOf(habit.endsOn) >= day);
    if (habit.doneBy === by && habit.archived !== true && isInUse && entryOf(habit.id) === undefined) found.push(habit);
  }
  return found;
}

/** The pages of every day that has one, each day's morning first. */
export function pagesByDay(journal: Iterable<JournalPage>): Map<PlainDay, JournalPage[]> {
  const days = new Map<PlainDay, JournalPage[]>();
  for (const page of journal) {
    const day = dayOf(page.day);
    const own = days.get(day);
    if (own === undefined) days.set(day, [page]);
    else own.push(page);
  }
  for (const pages of days.values()) if (pages.length > 1) pages.sort(inReadingOrder);
  return days;
}

/** What a page says, one text after the other: its own, then its answers. */
export const writingOf = ({ text, answers = [] }: Pick<JournalPage, 'text' | 'answers'>): string[] =>
  [text, ...answers.flatMap(({ text: said, items = [] }) => [said, ...items.map((item) => item.text)])].flatMap(
    (each) => (isBlank(each) ? [] : [each!.trim()]),
  );
