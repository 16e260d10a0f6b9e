import { type Change, type Made, type ServerRow, isLater } from '@wimbel/contract';
import { mergeInto } from '@wimbel/core';
import { noteInstant } from '../platform/clock.ts';
import { forEachInSlices, yieldToMain } from '../platform/yieldToMain.ts';
import { placeOf, recordAt, effectsOfChanges } from '../store/effects.ts';
import { outboxRestored } from '../store/outboxSlice.ts';
import { recordsOpened, recordsRolledBack, recordsReducer, rowsArrived } from '../store/recordsSlice.ts';
import { selectHabits, selectTotals, trackOf } from '../store/selectors.ts';
import { allPending } from '../store/pendingChanges.ts';
import type { HeldRow } from './recordStore.ts';
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
  const { store, optimistic, record } = session;
  for (const row of rows) noteInstant(row.madeAt);
  const { records } = store.getState();
  if (rows.length > 0 || own.length > 0 || revision !== records.revision || (isLast && !records.isLoaded)) {
    store.dispatch(rowsArrived({ rows: optimistic.arrived(rows), revision, isLast }));
    const { isLoaded } = store.getState().records;
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
    const since = session.store.getState().records.revision;
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
    session.store.dispatch(outboxRestored({ waiting: own, refused: waited.refused }));
    for (const change of own) reapply(session, change, held.get(placeOf(change)));
  };
  if (kept !== null) {
    const held = await record.madeOf(waited.waiting).catch(() => new Map<string, Made>());
    if (session.isStopped) return;
    if (kept.latest !== null) noteInstant(kept.latest);
    const opened = recordsOpened(kept);
    await warmSelectors(session, opened);
    if (session.isStopped) return;
    session.store.dispatch(opened);
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

/** Warms the selectors' caches (track per habit, totals) before the record is shown, in slices, so that the page stays responsive. */
async function warmSelectors(session: Session, opened: ReturnType<typeof recordsOpened>): Promise<void> {
  const now = session.store.getState();
  const next = { ...now, records: recordsReducer(now.records, opened) };
  await forEachInSlices(
    selectHabits(next),
    (habit) => void trackOf(next, habit),
    () => session.isStopped,
  );
  await yieldToMain();
  selectTotals(next);
  await yieldToMain();
}

/**
 * Reapplies a change of the outbox. Where the record changed since its base, shows the three-way merge; where there is no base,
 * the later version.
 */
function reapply({ store, optimistic }: Session, change: Change, theirs: Made | undefined): void {
  noteInstant(change.madeAt);
  const { records } = store.getState();
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
  store.dispatch(
    recordsRolledBack({ rows: touched.map(({ collection, key, after }) => ({ collection, key, record: after })) }),
  );
}
