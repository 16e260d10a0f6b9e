import type { JournalAnswer, JournalPage } from '../record/records.ts';
import { hasWriting } from './page.ts';
import { isDeepEqual } from '../record/deepEqual.ts';

type Item = NonNullable<JournalAnswer['items']>[number];

/** The value that only one side changed; where both did, that of the later. */
function later<T>(base: T, earlier: T, late: T): T {
  return isDeepEqual(late, base) ? earlier : late;
}

/** The same of a text: one that the later took away and the earlier wrote on stays. */
const laterText = (base: string, earlier: string, late: string): string =>
  late.trim() === '' && earlier !== base ? earlier : later(base, earlier, late);

/** A text that both sides changed, in a way that the later does not hold the earlier. */
const isLost = (base: string, earlier: string, late: string): boolean =>
  earlier.trim() !== '' && late.trim() !== '' && earlier !== base && late !== base && !late.includes(earlier.trim());

/** Feelings of the later, with what the earlier added and without what it took away. */
function mergedFeelings(base: readonly string[], earlier: readonly string[], late: readonly string[]): string[] {
  const kept = late.filter((each) => !base.includes(each) || earlier.includes(each));
  return [...new Set([...kept, ...earlier.filter((each) => !base.includes(each))])];
}

/** Lines of the later with those that the earlier wrote; one that either ticked or unticked is so. */
function mergedItems(base: readonly Item[], earlier: readonly Item[], late: readonly Item[]): Item[] {
  const doneIn = (items: readonly Item[], text: string) => items.find((each) => each.text === text)?.done;
  const lines = late.map((item): Item => {
    if (!earlier.some(({ text }) => text === item.text)) return item;
    const done = later(doneIn(base, item.text), doneIn(earlier, item.text), item.done);
    const { done: _, ...rest } = item;
    return done === undefined || done === null ? rest : { ...rest, done };
  });
  const isKnown = ({ text }: Item): boolean => [...base, ...late].some((each) => each.text === text);
  return [...lines, ...earlier.filter((item) => item.text.trim() !== '' && !isKnown(item))];
}

type Parts = { shown: JournalAnswer[]; lost: JournalAnswer[] };

function mergedAnswers(base: JournalPage, earlier: JournalPage, late: JournalPage): Parts {
  const of = ({ answers = [] }: JournalPage, id: string): JournalAnswer | null =>
    answers.find(({ promptId }) => promptId === id) ?? null;
  const ids = [...(late.answers ?? []), ...(earlier.answers ?? [])].map(({ promptId }) => promptId);
  const parts: Parts = { shown: [], lost: [] };
  for (const id of new Set(ids)) {
    const [was, first, last] = [of(base, id), of(earlier, id), of(late, id)];
    if (first === null || last === null || isDeepEqual(first, was) || isDeepEqual(last, was)) {
      const only = later(was, first, last);
      if (only !== null) parts.shown.push(only);
      // An answer that one took away and the other wrote on stays.
      else if (first !== null && !isDeepEqual(first, was)) parts.shown.push(first);
      continue;
    }
    const text = laterText(was?.text ?? '', first.text ?? '', last.text ?? '');
    const items = mergedItems(was?.items ?? [], first.items ?? [], last.items ?? []);
    const { text: _text, items: _items, ...rest } = last;
    parts.shown.push({ ...rest, ...(text === '' ? {} : { text }), ...(items.length === 0 ? {} : { items }) });
    if (isLost(was?.text ?? '', first.text ?? '', last.text ?? '')) {
      const { items: __, ...own } = first;
      parts.lost.push(own);
    }
  }
  return parts;
}

/** How many feelings, answers and lines of an answer a page may hold. */
export type PageRoom = { feelings: number; answers: number; answerItems: number };

const NO_BOUNDS: PageRoom = { feelings: Infinity, answers: Infinity, answerItems: Infinity };

type LostPage = Pick<JournalPage, 'text' | 'feelings' | 'answers'>;

/** Takes from a merged page what it has no room for; the later side's own stands first in each list, so that stays. */
function withinRoom(page: JournalPage, lost: LostPage, room: PageRoom): { page: JournalPage; lost: LostPage } {
  const feelings = page.feelings ?? [];
  const beyond = new Map((lost.answers ?? []).map((each) => [each.promptId, each]));
  const answers = (page.answers ?? []).map((answer, at): JournalAnswer => {
    if (at >= room.answers) return answer;
    const rest = (answer.items ?? []).slice(room.answerItems);
    if (rest.length === 0) return answer;
    beyond.set(answer.promptId, { ...withoutText(answer), ...beyond.get(answer.promptId), items: rest });
    return { ...answer, items: answer.items!.slice(0, room.answerItems) };
  });
  for (const answer of answers.slice(room.answers)) beyond.set(answer.promptId, answer);
  return {
    page: {
      ...page,
      ...(feelings.length > room.feelings ? { feelings: feelings.slice(0, room.feelings) } : {}),
      ...(answers.length > 0 ? { answers: answers.slice(0, room.answers) } : {}),
    },
    lost: {
      ...lost,
      ...(feelings.length > room.feelings ? { feelings: feelings.slice(room.feelings) } : {}),
      ...(beyond.size > 0 ? { answers: [...beyond.values()] } : {}),
    },
  };
}

const withoutText = ({ promptId, promptText }: JournalAnswer): JournalAnswer => ({
  promptId,
  ...(promptText === undefined ? {} : { promptText }),
});

/**
 * One page of what two devices made of it. What only one of them changed is as that one has it; of what both changed, the
 * later shows, and `lost` holds the writing of the earlier that would be gone, and what the page has no room for (null where
 * nothing is): nothing that was typed is lost. `base` is the page that the one began from. Ids, day and part are those of `late`.
 */
export function mergedPage(
  base: JournalPage,
  earlier: JournalPage,
  late: JournalPage,
  room: PageRoom = NO_BOUNDS,
): { page: JournalPage; lost: LostPage | null } {
  const answers = mergedAnswers(base, earlier, late);
  const feelings = mergedFeelings(base.feelings ?? [], earlier.feelings ?? [], late.feelings ?? []);
  const mood = later(base.mood, earlier.mood, late.mood);
  const text = laterText(base.text ?? '', earlier.text ?? '', late.text ?? '');
  const { id, day, part } = late;
  const page: JournalPage = {
    id,
    day,
    part,
    ...(mood ? { mood } : {}),
    ...(feelings.length > 0 ? { feelings } : {}),
    ...(text === '' ? {} : { text }),
    ...(answers.shown.length > 0 ? { answers: answers.shown } : {}),
  };
  const lost = {
    ...(isLost(base.text ?? '', earlier.text ?? '', late.text ?? '') ? { text: earlier.text! } : {}),
    ...(answers.lost.length > 0 ? { answers: answers.lost } : {}),
  };
  const within = withinRoom(page, lost, room);
  const isLosing = hasWriting(within.lost) || (within.lost.feelings ?? []).length > 0;
  return { page: within.page, lost: isLosing ? within.lost : null };
}

/** A day's page with the writing of another page of the same part put below its own; the other can go then. */
export function putTogether(page: JournalPage, other: JournalPage): JournalPage {
  const below = (own: string | undefined, added: string | undefined): string =>
    [own, (own ?? '').includes((added ?? '').trim()) ? '' : added]
      .map((text) => (text ?? '').trim())
      .filter(Boolean)
      .join('\n\n');
  const text = below(page.text, other.text);
  const mood = page.mood ?? other.mood;
  const feelings = [...new Set([...(page.feelings ?? []), ...(other.feelings ?? [])])];
  const answers = [...(page.answers ?? [])];
  for (const answer of other.answers ?? []) {
    const at = answers.findIndex(({ promptId }) => promptId === answer.promptId);
    if (at < 0) answers.push(answer);
    else {
      const own = answers[at]!;
      const joined = below(own.text, answer.text);
      const items = mergedItems([], answer.items ?? [], own.items ?? []);
      answers[at] = { ...own, ...(joined === '' ? {} : { text: joined }), ...(items.length > 0 ? { items } : {}) };
    }
  }
  return {
    id: page.id,
    day: page.day,
    part: page.part,
    ...(mood ? { mood } : {}),
    ...(feelings.length > 0 ? { feelings } : {}),
    ...(text === '' ? {} : { text }),
    ...(answers.length > 0 ? { answers } : {}),
  };
}
