import { type Change, type Made, type ServerRow, isLater } from '@wimbel/contract';
import { mergeInto } from '@wimbel/core';
import { effectsOfChanges, placeOf, recordAt, rowsAfter } from './effects.ts';
import { allPending } from './pendingChanges.ts';
import type { HeldRow } from './ports.ts';
import type { Session } from './session.ts';

/**
 * Applies rows of the server to the store, except where later pending changes hide them, and stores them on this device. `own`
 * are this device's accepted changes, which the server does not send back.
 */
export function applyRows(
  session: Session,
  rows: readonly ServerRow[],
  revision: number,
  isLast: boolean,
  own: readonly HeldRow[] = [],
): void {
  const { state, optimistic, record, clock } = session;
  for (const row of rows) clock.noteInstant(row.madeAt);
  const records = state.records();
  if (rows.length > 0 || own.length > 0 || revision !== records.revision || (isLast && !records.isLoaded)) {
    state.apply({ kind: 'arrived', rows: optimistic.arrived(rows), revision, isLast });
    const { isLoaded } = state.records();
    void session.keepRecord(() => record.put([...own, ...rows], revision, isLoaded));
    // Only the leader tab listens to the server.
    if (revision > records.revision) session.postToTabs({ revision });
  }
}

/** Pulls every newer row, page by page. */
export async function pull(
  session: Session,
  see: (rows: readonly ServerRow[], isLast: boolean) => void = () => undefined,
): Promise<void> {
  for (;;) {
    const since = session.state.records().revision;
    const { revision, more, rows } = await session.api.changesSince(session.accountId, since);
    if (session.isStopped) return;
    if (revision < since) {
      // The server was restored from a backup: pull everything.
      applyRows(session, [], 0, false);
      continue;
    }
    applyRows(session, rows, revision, !more);
    see(rows, !more);
    if (!more) return;
  }
}

/**
 * Opens the record stored on this device, or pulls it, then reapplies the outbox of an earlier visit, except where the server
 * holds something later. Calls `onRestored` once the outbox is restored.
 */
export async function openStoredRecord(session: Session, onRestored: () => void): Promise<void> {
  const { outbox, accountId, record } = session;
  const [waited, kept] = await Promise.all([
    outbox.read(accountId).catch(() => ({ waiting: [], refused: [] })),
    record.read().catch(() => null),
  ]);
  if (session.isStopped) return;
  const putBack = (held: ReadonlyMap<string, Made>): void => {
    onRestored();
    const known = new Set(allPending(session.pending()).map((each) => each.id));
    const own = waited.waiting.filter((each) => !known.has(each.id));
    session.state.apply({ kind: 'restored', waiting: own, refused: waited.refused });
    for (const change of own) reapply(session, change, held.get(placeOf(change)));
  };
  if (kept !== null) {
    const held = await record.madeOf(waited.waiting).catch(() => new Map<string, Made>());
    if (session.isStopped) return;
    if (kept.latest !== null) session.clock.noteInstant(kept.latest);
    await session.prepare(kept, () => session.isStopped);
    if (session.isStopped) return;
    session.state.apply({ kind: 'opened', record: kept });
    putBack(held);
    return;
  }
  const held = new Map<string, Made>();
  let isDone = false;
  await pull(session, (rows, isLast) => {
    for (const row of rows) held.set(placeOf(row), { madeAt: row.madeAt, id: row.changeId });
    if (!isLast || isDone) return;
    isDone = true;
    putBack(held);
  });
}

/**
 * Reapplies a change of the outbox. Where the record changed since its base, shows the three-way merge; where there is no base,
 * the later version.
 */
function reapply({ state, clock, optimistic }: Session, change: Change, theirs: Made | undefined): void {
  clock.noteInstant(change.madeAt);
  const records = state.records();
  const isMineLater = theirs === undefined || isLater(change, theirs);
  const { base, record } = change;
  const held = recordAt(records, change.collection, change.key);
  const isApart = base !== undefined && record !== null && held !== null && change.collection !== 'journal';
  if (!isApart && !isMineLater) return;
  const shown = isApart
    ? mergeInto<object>(change.collection, base ?? {}, held, record, {
        isMineLater: () => isMineLater,
        isKnown: () => false,
      }).record
    : record;
  const touched = effectsOfChanges(records, [{ ...change, record: shown as Change['record'] }]);
  optimistic.add(change, touched);
  state.apply({ kind: 'rolledBack', rows: rowsAfter(touched) });
}
