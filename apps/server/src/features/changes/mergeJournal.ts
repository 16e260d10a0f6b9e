import { createHash } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { type Change, type ChangeResult, LIMITS, checkRecord } from '@wimbel/contract';
import { type JournalPage, isEmptyPage, mergedPage } from '@wimbel/core';
import { seenWith } from './seen.ts';
import { type Logged, type Origin, isLater } from './queries.ts';
import { issuesAgainstOthers } from './relations.ts';
import type { BatchState } from './batchState.ts';

const empty = ({ id, day, part }: JournalPage): JournalPage => ({ id, day, part });

/** The change that made one record of two names the later of them, so that sending that again is known. */
export const mergedChangeId = (id: string): string => `${id.slice(0, LIMITS.idLength - 1)}+`;

/**
 * When and by which change what two changes were put together into was written: later than either, for whoever heard of one of
 * them takes in nothing earlier.
 */
export function mergedOrigin(origin: Origin, before: Origin): Origin {
  const { changedAt, changeId } = isLater(origin, before) ? origin : before;
  return { changedAt, changeId: mergedChangeId(changeId) };
}

const { feelings, answers, answerItems } = LIMITS.lists;
const PAGE_ROOM = { feelings, answers, answerItems };

const writingOf = ({ id: _, day: __, part: ___, mood: ____, ...writing }: JournalPage) => writing;

/** The page that holds what would be lost, of the same day and part, with an id that the same change gives again. */
const asideId = (pageId: string, changeId: string): string =>
  `${pageId.slice(0, LIMITS.idLength - 17)}~${createHash('sha1').update(changeId).digest('hex').slice(0, 16)}`;

/**
 * A page of the journal that was written on since the page a change began from: the two become one page, and writing that
 * both changed stays beside it as a page of its own. Null where nothing came in between, and the usual rules hold. The
 * device is told that something else stands there now, and what.
 */
export async function mergePage(
  state: BatchState,
  { id, collection, key, madeAt, record, base }: Change,
  before: Logged | null,
  latestMs: number,
): Promise<ChangeResult | null> {
  if (collection !== 'journal' || base === undefined || before === null) return null;
  if (before.changeId === id || before.changeId === mergedChangeId(id) || Date.parse(madeAt) > latestMs) return null;
  const from = checkRecord('journal', base);
  if (from.record === null) {
    const issues = from.issues.map(({ path, message }) => ({ path: `base.${path}`, message }));
    return { id, status: 'refused', issues };
  }
  const began = from.record;
  const theirs = (before.record as JournalPage | null) ?? empty(began);
  if (began.id !== key || isDeepStrictEqual(theirs, began)) return null;
  const checked = record === null ? { record: empty(theirs) } : checkRecord('journal', record);
  if (checked.record === null || checked.record.id !== key) return null;
  const mine = checked.record as JournalPage;
  const against = await issuesAgainstOthers(state, 'journal', mine, before.record);
  if (against.length > 0) return { id, status: 'refused', issues: against };
  const origin: Origin = { changedAt: madeAt, changeId: id };
  const [earlier, late] = isLater(origin, before) ? [theirs, mine] : [mine, theirs];
  const merged = mergedPage(began, earlier, late, PAGE_ROOM);
  // Lists that fit by themselves can be too much together: then the later page stands whole, and the other one beside it.
  const isFitting = checkRecord('journal', merged.page).record !== null;
  const page = isFitting ? merged.page : late;
  const lost = isFitting ? merged.lost : writingOf(earlier);
  if (isEmptyPage(page)) return null;
  const together = mergedOrigin(origin, before);
  if (!isDeepStrictEqual(page, before.record)) {
    const parts = { of: {}, seen: seenWith(before, id) };
    state.put('journal', key, page, together, parts);
  }
  const aside = asideId(key, id);
  // Once it was put aside it is the person's: sent again, it does not come back.
  if (lost !== null && (await state.logged('journal', aside)) === null) {
    state.put('journal', aside, { ...empty(page), ...lost, id: aside }, together);
  }
  return { id, status: 'superseded' };
}
