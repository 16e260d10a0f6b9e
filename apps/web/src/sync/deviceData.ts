import { deleteDB } from 'idb';
import { forgetDrafts } from '../platform/formDraft.ts';
import { openImportStaging } from './importStaging.ts';
import { deviceLogStorage } from './writeAheadLog.ts';
import { openOutboxStore } from './outboxStore.ts';
import { recordDatabase } from './recordStore.ts';

/** Settings of the device: how the app looks. */
const OF_THE_DEVICE: ReadonlySet<string> = new Set(['wimbel.appearance', 'wimbel.rows']);
const OWN = 'wimbel.';
const JOTTED = 'wimbel.jotted.';

/** Removes what this device keeps of an account in one storage; what the device has of its own stays. */
function clearStorage(storage: Storage | undefined, isGone: (key: string) => boolean): void {
  try {
    for (const key of Object.keys(storage ?? {}))
      if (key.startsWith(OWN) && !OF_THE_DEVICE.has(key) && isGone(key)) storage!.removeItem(key);
  } catch {
    // Where nothing may be kept there is nothing to remove.
  }
}

/**
 * Removes everything that this device keeps of an account: the record, what was being brought in, drafts of forms, choices on
 * screens, and who is signed in. Changes that wait for the server, and those it refused, stay only with `keepsWaiting`: then
 * they are sent once the account is signed in here again. A new kind of thing that is kept on the device is removed here.
 */
export async function clearDeviceData(accountId: string, { keepsWaiting }: { keepsWaiting: boolean }): Promise<void> {
  forgetDrafts();
  clearStorage(deviceLogStorage() as Storage | undefined, (key) => !keepsWaiting || !key.startsWith(JOTTED));
  clearStorage(globalThis.sessionStorage, () => true);
  const attempts = [deleteDB(recordDatabase(accountId)), openImportStaging(accountId).clear()];
  if (!keepsWaiting) attempts.push(forgetWaiting(accountId));
  await Promise.allSettled(attempts);
}

async function forgetWaiting(accountId: string): Promise<void> {
  const outbox = openOutboxStore();
  const { waiting, refused } = await outbox.read(accountId);
  const ids = [...waiting.map(({ id }) => id), ...refused.map(({ change }) => change.id)];
  await outbox.forget(accountId, ids);
}

/** How many changes wait on this device for the server or were refused by it, of accounts that are not signed in; and a way to remove them. */
export async function waitingOnDevice(): Promise<{ count: number; remove: () => Promise<void> }> {
  const outbox = openOutboxStore();
  const accounts = await outbox.accounts();
  const held = await Promise.all(accounts.map((each) => outbox.read(each)));
  return {
    count: held.reduce((sum, { waiting, refused }) => sum + waiting.length + refused.length, 0),
    remove: async () => void (await Promise.all(accounts.map(forgetWaiting))),
  };
}
