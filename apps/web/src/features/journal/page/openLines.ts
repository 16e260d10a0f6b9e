import { type JournalPage, type PlainDay, dayOf } from '@wimbel/core';

/** The lines of a checklist that were left open on the day before. */
export function openLinesBefore(journal: readonly JournalPage[], promptId: string, day: PlainDay): string[] {
  return journal
    .filter((page) => dayOf(page.day) === day - 1)
    .flatMap(({ answers = [] }) => answers)
    .filter((answer) => answer.promptId === promptId)
    .flatMap(({ items = [] }) => items)
    .flatMap(({ text, done }) => (done !== true && text.trim() !== '' ? [text] : []));
}
