import { type KeptRecord, type OutboxStore, type RecordStore, type Sync, type SyncApi, startSync } from '@wimbel/sync';
import { forgetInstants, nextInstant, noteInstant } from '../platform/clock.ts';
import { forEachInSlices, yieldToMain } from '../platform/yieldToMain.ts';
import { recordsOpened, recordsReducer } from '../store/recordsSlice.ts';
import { selectHabits, selectTotals, trackOf } from '../store/selectors.ts';
import type { Store } from '../store/store.ts';
import { syncStateOf } from './syncState.ts';
import { openTabChannel } from './tabChannel.ts';

function setTimer(work: () => void, delayMs: number): () => void {
  const timer = setTimeout(work, delayMs);
  return () => clearTimeout(timer);
}

/** Warms the selectors' caches (track per habit, totals) before the record is shown, in slices, so that the page stays responsive. */
async function warmSelectors(store: Store, record: KeptRecord, isOver: () => boolean): Promise<void> {
  const now = store.getState();
  const next = { ...now, records: recordsReducer(now.records, recordsOpened(record)) };
  await forEachInSlices(selectHabits(next), (habit) => void trackOf(next, habit), isOver);
  await yieldToMain();
  selectTotals(next);
  await yieldToMain();
}

/** Starts the sync engine in this browser tab. */
export const startDeviceSync = ({
  store,
  ...deps
}: {
  store: Store;
  api: SyncApi;
  outbox: OutboxStore;
  record: RecordStore;
  accountId: string;
  retryMs?: readonly number[];
  takeoverMs?: number;
}): Sync =>
  startSync({
    ...deps,
    state: syncStateOf(store),
    clock: { forgetInstants, nextInstant, noteInstant },
    openTabChannel,
    setTimer,
    prepare: (record, isOver) => warmSelectors(store, record, isOver),
  });
