import { accountOfDevice } from './deviceAccount.ts';
import { type KeptRecord, type RecordStore, openRecordStore } from './recordStore.ts';

/** The record of the account that this device opens with, and the reading of it that was begun before the app is drawn. */
let ahead: { accountId: string; record: RecordStore; reading: Promise<KeptRecord | null> } | null = null;

/** Begins to read what this device keeps of the account it opens with: it is there when the app has come to draw it. */
export function readAhead(): void {
  const account = accountOfDevice();
  if (account === null) return;
  const record = openRecordStore(account.id);
  // What goes wrong is met again by whoever reads.
  ahead = { accountId: account.id, record, reading: record.read().catch(() => null) };
}

/**
 * Where this device keeps an account's record. What was read ahead of it is its first reading, unless another tab has kept
 * something more since.
 */
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

readAhead();
