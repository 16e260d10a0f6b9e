import { createHash } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { type Change, type ChangeResult, LIMITS, checkRecord } from '@wimbel/contract';
import { type JournalPage, isEmptyPage, mergedPage } from '@wimbel/core';
import { seenWith } from './seen.ts';
import { type Logged, type Origin, isLater } from '../queries.ts';
import { issuesAgainstOthers } from '../relations.ts';
import type { BatchState } from '../batchState.ts';

const empty = ({ id, day, part }: JournalPage): JournalPage => ({ id, day, part });

/** Change id of a merged version, derived from the later change, for idempotency. */
export const mergedChangeId = (id: string): string => `${id.slice(0, LIMITS.idLength - 1)}+`;

/** Origin of a merged version: later than both sources, so that a device that has either takes the merge. */
export function mergedOrigin(origin: Origin, before: Origin): Origin {
  const { changedAt, changeId } = isLater(origin, before) ? origin : before;
  return { changedAt, changeId: mergedChangeId(changeId) };
}

const { feelings, answers, answerItems } = LIMITS.lists;
const PAGE_ROOM = { feelings, answers, answerItems };

const writingOf = ({ id: _, day: __, part: ___, mood: ____, ...writing }: JournalPage) => writing;

/** The page that keeps the other text, of the same day and part, with an id derived from the change. */
const asideId = (pageId: string, changeId: string): string =>
  `${pageId.slice(0, LIMITS.idLength - 17)}~${createHash('sha1').update(changeId).digest('hex').slice(0, 16)}`;

/**
 * Conflict on a journal page: three-way merge into one page; text that both changed becomes a page of its own. Null without a
 * conflict. The result is `superseded`, so that the device receives the merged page.
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
  // Lists may exceed a limit together: then the later page stays whole, and the other one becomes a page of its own.
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
  // A page that the person deleted is not created again.
  if (lost !== null && (await state.logged('journal', aside)) === null) {
    state.put('journal', aside, { ...empty(page), ...lost, id: aside }, together);
  }
  return { id, status: 'superseded' };
}
