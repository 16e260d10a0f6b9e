import type { KeptRecord, RecordStore } from '@wimbel/sync';
import { accountOfDevice } from './deviceAccount.ts';
import { openRecordStore } from './recordStore.ts';

/** The record of the account that this device opens with, and its read that began before the app renders. */
let ahead: { accountId: string; record: RecordStore; reading: Promise<KeptRecord | null> } | null = null;

/** Preloads the stored record of the device's account while the app's code still runs. */
export function preloadRecord(): void {
  const account = accountOfDevice();
  if (account === null) return;
  const record = openRecordStore(account.id);
  // An error is met again by the next read.
  ahead = { accountId: account.id, record, reading: record.read().catch(() => null) };
}

/** The record store of an account. Its first `read` is the preloaded one, unless another tab wrote since. */
export function recordStoreOf(accountId: string): RecordStore {
  const begun = ahead;
  ahead = null;
  if (begun?.accountId !== accountId) return openRecordStore(accountId);
  const { record } = begun;
  let first: Promise<KeptRecord | null> | null = begun.reading;
  return {
    ...record,
    async read() {
      const kept = await first;
      first = null;
      return kept !== null && kept.revision === (await record.revision()) ? kept : record.read();
    },
  };
}

preloadRecord();
