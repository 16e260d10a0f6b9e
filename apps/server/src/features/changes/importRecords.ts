import { type Collection, LIST_COLLECTIONS, type RecordOf, keyOf } from '@wimbel/contract';
import type { Records } from '@wimbel/core';
import type { Pool } from 'pg';
import { AppError } from '../../errors.ts';
import { startRevisions, writeAll } from './queries.ts';

/** How many records one statement of an import carries. */
const IMPORT_ROWS = 1000;

/**
 * Takes in a whole file of records that has been read and checked, for a person who has none. Throws an AppError
 * (`unavailable`) where they have some by now.
 */
export async function importRecords(
  pool: Pool,
  userId: string,
  records: Records,
  changedAt: string,
  changeId: string,
): Promise<number> {
  const all = [
    ['settings', records.settings] as [Collection, RecordOf<Collection>],
    ...LIST_COLLECTIONS.flatMap((collection) =>
      records[collection].map((record): [Collection, RecordOf<Collection>] => [collection, record]),
    ),
  ];
  const ordered = [
    ...all.filter(([of]) => of !== 'steps'),
    ...parentsFirst(records.steps).map((step): [Collection, RecordOf<Collection>] => ['steps', step]),
  ];
  await startRevisions(pool, userId);
  for (let at = 0; at < ordered.length; at += IMPORT_ROWS) {
    const writes = ordered.slice(at, at + IMPORT_ROWS).map(([collection, record], index) => ({
      collection,
      key: keyOf(collection, record as never),
      record,
      revision: at + index + 1,
      changedAt,
      changeId,
      parts: null,
    }));
    const written = await writeAll(pool, [{ userId, at, moved: writes.length, writes, empty: [] }]);
    if (!written.has(userId)) throw new AppError('unavailable');
  }
  return ordered.length;
}

/** Steps so ordered that each comes after the step it belongs to; otherwise as they were. */
function parentsFirst(steps: Records['steps']): Records['steps'] {
  const byId = new Map(steps.map((step) => [step.id, step]));
  const placed = new Set<string>();
  const ordered: Records['steps'] = [];
  const place = (step: Records['steps'][number]): void => {
    if (placed.has(step.id)) return;
    placed.add(step.id);
    const parent = step.parentId ? byId.get(step.parentId) : undefined;
    if (parent) place(parent);
    ordered.push(step);
  };
  steps.forEach(place);
  return ordered;
}
