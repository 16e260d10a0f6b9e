import { type Change, type Made, type ServerRow, isLater } from '@wimbel/contract';
import { noteInstant } from '../shared/clock.ts';
import { placeOf, touchedBy } from '../store/effects.ts';
import { outboxRestored } from '../store/outboxSlice.ts';
import { recordsPutBack, rowsArrived } from '../store/recordsSlice.ts';
import type { Session } from './session.ts';

/** Takes rows of the server into the store, except what changes that wait here hide. */
export function takeIn(session: Session, rows: readonly ServerRow[], revision: number, isLast: boolean): void {
  const { store, outstanding } = session;
  for (const row of rows) noteInstant(row.madeAt);
  const { records } = store.getState();
  if (rows.length > 0 || revision !== records.revision || (isLast && !records.isLoaded)) {
    store.dispatch(rowsArrived({ rows: outstanding.arrived(rows), revision, isLast }));
  }
}

/** Fetches all that the device has not seen, page by page. */
export async function fetchNewer(
  session: Session,
  see: (rows: readonly ServerRow[], isLast: boolean) => void = () => undefined,
): Promise<void> {
  for (;;) {
    const { revision, more, rows } = await session.api.changesSince(
      session.accountId,
      session.store.getState().records.revision,
    );
    if (session.isStopped) return;
    takeIn(session, rows, revision, !more);
    see(rows, !more);
    if (!more) return;
  }
}

/**
 * Fetches the record, then puts what waited here from an earlier visit on top of it, except where the server holds
 * something later. `onRestored` is called once, with the last page.
 */
export async function restore(session: Session, onRestored: () => void): Promise<void> {
  const { outbox, accountId } = session;
  const kept = await outbox.read(accountId).catch(() => ({ waiting: [], refused: [] }));
  if (session.isStopped) return;
  const held = new Map<string, Made>();
  let isDone = false;
  await fetchNewer(session, (rows, isLast) => {
    for (const row of rows) held.set(placeOf(row), { madeAt: row.madeAt, id: row.changeId });
    if (!isLast || isDone) return;
    isDone = true;
    onRestored();
    const known = new Set(session.waiting().map((each) => each.id));
    const own = kept.waiting.filter((each) => !known.has(each.id));
    session.store.dispatch(outboxRestored({ waiting: own, refused: kept.refused }));
    for (const change of own) putOnTop(session, change, held.get(placeOf(change)));
  });
}

/** Shows a change that waited, unless what the server holds is later. */
function putOnTop({ store, outstanding }: Session, change: Change, theirs: Made | undefined): void {
  noteInstant(change.madeAt);
  if (theirs !== undefined && !isLater(change, theirs)) return;
  const touched = touchedBy(store.getState().records, [change]);
  outstanding.add(change, touched);
  store.dispatch(
    recordsPutBack({ rows: touched.map(({ collection, key, after }) => ({ collection, key, record: after })) }),
  );
}
