import { type Change, type Collection, type Usage, type UsageAnswer, fullestOf, withAdded } from '@wimbel/contract';
import { api } from '../platform/api.ts';
import { importProgressed } from '../store/outboxSlice.ts';
import type { Store } from '../store/store.ts';
import type { Recording } from './recording.ts';
import { yieldToMain } from '../platform/yieldToMain.ts';
import { type ImportStaging, openImportStaging } from './importStaging.ts';

type Parts = AsyncIterable<readonly Change[]>;
/** Target of an import. */
type ImportTarget = { recording: Pick<Recording, 'begin'>; store: Pick<Store, 'dispatch'> };

/**
 * Applies batches as one undo step and yields to the main thread between them; celebrations are silenced meanwhile. On an error
 * the applied batches are rolled back and the error is rethrown.
 */
async function applyParts({ recording, store }: ImportTarget, parts: Parts): Promise<() => void> {
  const step = recording.begin();
  store.dispatch(importProgressed(true));
  try {
    for await (const part of parts) {
      step.take(part);
      await yieldToMain();
    }
  } catch (error) {
    step.putBack();
    throw error;
  } finally {
    store.dispatch(importProgressed(false));
  }
  return step.putBack;
}

/** Runs `work` under a lock: one page of an account imports at a time; null where another holds it. */
async function alone<T>(accountId: string, work: () => Promise<T>): Promise<T | null> {
  if (!('locks' in navigator)) return work();
  return navigator.locks.request(`wimbel-bringing-${accountId}`, { ifAvailable: true }, async (lock) =>
    lock === null ? null : work(),
  );
}

/**
 * Imports batches of exactly `count` changes in all as one undo step: all are staged on the device first, then applied. Resolves
 * with the undo, or null where another page of the account is importing. Rejects, with nothing imported, where `parts` throws or
 * `signal` aborts. `onShare` reports progress, 0 to 1, by hundredths.
 */
export function importInBulk(
  accountId: string,
  taking: ImportTarget,
  parts: Parts,
  count: number,
  onShare: (share: number) => void,
  signal: AbortSignal,
  usageOf: (accountId: string) => Promise<UsageAnswer> = api.usage,
): Promise<(() => void) | null> {
  const staging = openImportStaging(accountId);
  let done = 0;
  let reported = -1;
  const counting = async function* (from: Parts): AsyncGenerator<readonly Change[]> {
    for await (const part of from) {
      signal.throwIfAborted();
      yield part;
      done += part.length;
      const percent = Math.min(100, Math.floor((100 * done) / (2 * Math.max(1, count))));
      if (percent === reported) continue;
      reported = percent;
      onShare(percent / 100);
    }
  };
  /** Throws where the parts hold fewer or more changes than announced: an import is whole or not at all. */
  const whole = async function* (from: Parts): AsyncGenerator<readonly Change[]> {
    let brought = 0;
    for await (const part of from) {
      brought += part.length;
      yield part;
    }
    if (brought !== count) throw new Error(`${brought} of ${count} changes came`);
  };
  return alone(accountId, async () => {
    if (!(await canStage(staging))) return applyParts(taking, counting(whole(parts)));
    let added = NOTHING_USED;
    const measuring = async function* (from: Parts): AsyncGenerator<readonly Change[]> {
      for await (const part of from) {
        added = withAdded(
          added,
          JSON.stringify(part).length,
          part.map(({ collection }) => collection),
        );
        yield part;
      }
    };
    await staging.stage(measuring(counting(whole(parts))));
    if (!(await hasRoom(() => usageOf(accountId), added))) {
      await staging.clear().catch(() => undefined);
      throw new QuotaExceeded();
    }
    try {
      return await applyParts(taking, counting(staging.remaining()));
    } catch (error) {
      // An aborted import is not resumed.
      await staging.clear().catch(() => undefined);
      throw error;
    }
  });
}

const NOTHING_USED: Usage = { bytes: 0, records: {} };

/** The import exceeds the account's quota. */
export class QuotaExceeded extends Error {}

/** Whether the account's quota has room for an import, asked before it begins. Offline the server decides later. */
async function hasRoom(ask: () => Promise<UsageAnswer>, added: Usage): Promise<boolean> {
  const answer = await ask().catch(() => null);
  if (answer === null) return true;
  const { usage, quota } = answer;
  const records = { ...usage.records };
  for (const [collection, count] of Object.entries(added.records) as [Collection, number][])
    records[collection] = (records[collection] ?? 0) + count;
  return fullestOf({ bytes: usage.bytes + added.bytes, records }, quota).ratio <= 1;
}

/** Whether this device can stage an import; where it can't, batches are applied as they come. */
const canStage = (staging: ImportStaging): Promise<boolean> =>
  staging.clear().then(
    () => true,
    () => false,
  );

/** Resumes an import that a closed page had begun. */
export async function resumeImport(accountId: string, taking: ImportTarget): Promise<void> {
  await alone(accountId, async () => {
    const left = openImportStaging(accountId).remaining();
    const first = await left.next();
    if (first.done) return;
    await applyParts(
      taking,
      (async function* () {
        yield first.value;
        yield* left;
      })(),
    );
  });
}
