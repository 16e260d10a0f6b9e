import { type Change, type Made, type ServerRow, isLater } from '@wimbel/contract';
import { mergeInto } from '@wimbel/core';
import { noteInstant } from '../platform/clock.ts';
import { bitByBit, otherWork } from '../platform/yieldToMain.ts';
import { placeOf, recordAt, touchedBy } from '../store/effects.ts';
import { outboxRestored } from '../store/outboxSlice.ts';
import { recordsOpened, recordsPutBack, recordsReducer, rowsArrived } from '../store/recordsSlice.ts';
import { selectHabits, selectTotals, trackOf } from '../store/selectors.ts';
import { allWaiting } from '../store/pendingChanges.ts';
import type { HeldRow } from './recordStore.ts';
import type { Session } from './session.ts';

/**
 * Takes rows of the server into the store, except what changes that wait here hide, and keeps them on this device: `own` is
 * what the server took in of this device's changes, which it does not tell again.
 */
export function takeIn(
  session: Session,
  rows: readonly ServerRow[],
  revision: number,
  isLast: boolean,
  own: readonly HeldRow[] = [],
): void {
  const { store, outstanding, record } = session;
  for (const row of rows) noteInstant(row.madeAt);
  const { records } = store.getState();
  if (rows.length > 0 || own.length > 0 || revision !== records.revision || (isLast && !records.isLoaded)) {
    store.dispatch(rowsArrived({ rows: outstanding.arrived(rows), revision, isLast }));
    const { isLoaded } = store.getState().records;
    void session.keepRecord(() => record.put([...own, ...rows], revision, isLoaded));
    // Of all tabs one alone listens to the server.
    if (revision > records.revision) session.tell({ revision });
  }
}

/** Fetches all that the device has not seen, page by page. */
export async function fetchNewer(
  session: Session,
  see: (rows: readonly ServerRow[], isLast: boolean) => void = () => undefined,
): Promise<void> {
  for (;;) {
    const since = session.store.getState().records.revision;
    const { revision, more, rows } = await session.api.changesSince(session.accountId, since);
    if (session.isStopped) return;
    if (revision < since) {
      // The server was put back to an earlier day: all it has is asked for again.
      takeIn(session, [], 0, false);
      continue;
    }
    takeIn(session, rows, revision, !more);
    see(rows, !more);
    if (!more) return;
  }
}

/**
 * Opens what this device keeps of the record, or fetches it, then puts what waited here from an earlier visit on top of it,
 * except where the server is known to hold something later. `onRestored` is called once all of it stands.
 */
export async function restore(session: Session, onRestored: () => void): Promise<void> {
  const { outbox, accountId, record } = session;
  const [waited, kept] = await Promise.all([
    outbox.read(accountId).catch(() => ({ waiting: [], refused: [] })),
    record.read().catch(() => null),
  ]);
  if (session.isStopped) return;
  const putBack = (held: ReadonlyMap<string, Made>): void => {
    onRestored();
    const known = new Set(allWaiting(session.waiting()).map((each) => each.id));
    const own = waited.waiting.filter((each) => !known.has(each.id));
    session.store.dispatch(outboxRestored({ waiting: own, refused: waited.refused }));
    for (const change of own) putOnTop(session, change, held.get(placeOf(change)));
  };
  if (kept !== null) {
    const held = await record.madeOf(waited.waiting).catch(() => new Map<string, Made>());
    if (session.isStopped) return;
    if (kept.latest !== null) noteInstant(kept.latest);
    const opened = recordsOpened(kept);
    await layAhead(session, opened);
    if (session.isStopped) return;
    session.store.dispatch(opened);
    putBack(held);
    return;
  }
  const held = new Map<string, Made>();
  let isDone = false;
  await fetchNewer(session, (rows, isLast) => {
    for (const row of rows) held.set(placeOf(row), { madeAt: row.madeAt, id: row.changeId });
    if (!isLast || isDone) return;
    isDone = true;
    putBack(held);
  });
}

/** Lays out each habit of what is going to be opened, and the days over all of them, before it is shown: the page stays free. */
async function layAhead(session: Session, opened: ReturnType<typeof recordsOpened>): Promise<void> {
  const now = session.store.getState();
  const next = { ...now, records: recordsReducer(now.records, opened) };
  await bitByBit(
    selectHabits(next),
    (habit) => void trackOf(next, habit),
    () => session.isStopped,
  );
  await otherWork();
  selectTotals(next);
  await otherWork();
}

/**
 * Shows a change that waited. Where the record was changed by others since it began, what only one of both changed is as that
 * one has it; where that cannot be told, the later is shown.
 */
function putOnTop({ store, outstanding }: Session, change: Change, theirs: Made | undefined): void {
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
  const touched = touchedBy(records, [{ ...change, record: shown as Change['record'] }]);
  outstanding.add(change, touched);
  store.dispatch(
    recordsPutBack({ rows: touched.map(({ collection, key, after }) => ({ collection, key, record: after })) }),
  );
}
