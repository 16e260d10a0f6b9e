import { type Change, type Collection, type Usage, type UsageAnswer, fullestOf, withAdded } from '@wimbel/contract';
import { api } from '../platform/api.ts';
import { bringingIn } from '../store/outboxSlice.ts';
import type { Store } from '../store/store.ts';
import type { Recording } from './RecordsProvider.tsx';
import { otherWork } from '../platform/yieldToMain.ts';
import { type Bringing, openBringing } from './importStaging.ts';

type Parts = AsyncIterable<readonly Change[]>;
/** What takes changes in, and what shows them. */
export type Taking = { recording: Pick<Recording, 'begin'>; store: Pick<Store, 'dispatch'> };

/**
 * Takes in parts as one step, the page free in between; meanwhile nothing of it is news. Where they end with an error, what was
 * taken in goes back and the error is thrown.
 */
async function takeIn({ recording, store }: Taking, parts: Parts): Promise<() => void> {
  const step = recording.begin();
  store.dispatch(bringingIn(true));
  try {
    for await (const part of parts) {
      step.take(part);
      await otherWork();
    }
  } catch (error) {
    step.putBack();
    throw error;
  } finally {
    store.dispatch(bringingIn(false));
  }
  return step.putBack;
}

/** One page of an account at a time brings in; null where another does. */
async function alone<T>(accountId: string, work: () => Promise<T>): Promise<T | null> {
  if (!('locks' in navigator)) return work();
  return navigator.locks.request(`wimbel-bringing-${accountId}`, { ifAvailable: true }, async (lock) =>
    lock === null ? null : work(),
  );
}

/**
 * Brings in many changes as one step, from parts of exactly `count` changes in all: first all of them are laid down on the device, then
 * taken in. Gives the way to undo it, or null where another page of the account is bringing in. Rejects where the parts do;
 * nothing of them is there then; so it is where `signal` gives up. `onShare` tells how much is done, 0 to 1, by hundredths.
 */
export function bringMany(
  accountId: string,
  taking: Taking,
  parts: Parts,
  count: number,
  onShare: (share: number) => void,
  signal: AbortSignal,
  usageOf: (accountId: string) => Promise<UsageAnswer> = api.usage,
): Promise<(() => void) | null> {
  const bringing = openBringing(accountId);
  let done = 0;
  let told = -1;
  const counting = async function* (from: Parts): AsyncGenerator<readonly Change[]> {
    for await (const part of from) {
      signal.throwIfAborted();
      yield part;
      done += part.length;
      const percent = Math.min(100, Math.floor((100 * done) / (2 * Math.max(1, count))));
      if (percent === told) continue;
      told = percent;
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
    if (!(await canLay(bringing))) return takeIn(taking, counting(whole(parts)));
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
    await bringing.lay(measuring(counting(whole(parts))));
    if (!(await hasRoom(() => usageOf(accountId), added))) {
      await bringing.clear().catch(() => undefined);
      throw new NoRoom();
    }
    try {
      return await takeIn(taking, counting(bringing.left()));
    } catch (error) {
      // What was given up does not go on the next time.
      await bringing.clear().catch(() => undefined);
      throw error;
    }
  });
}

const NOTHING_USED: Usage = { bytes: 0, records: {} };

/** An import holds more than the account has room for. */
export class NoRoom extends Error {}

/**
 * Whether an account has room for what an import adds: it is asked before the import begins, so that none ends halfway. Where
 * the server cannot be asked, it decides later.
 */
async function hasRoom(ask: () => Promise<UsageAnswer>, added: Usage): Promise<boolean> {
  const answer = await ask().catch(() => null);
  if (answer === null) return true;
  const { usage, quota } = answer;
  const records = { ...usage.records };
  for (const [collection, count] of Object.entries(added.records) as [Collection, number][])
    records[collection] = (records[collection] ?? 0) + count;
  return fullestOf({ bytes: usage.bytes + added.bytes, records }, quota).ratio <= 1;
}

/** Whether anything can be kept on this device; where it can't, what is brought in is taken in as it comes. */
const canLay = (bringing: Bringing): Promise<boolean> =>
  bringing.clear().then(
    () => true,
    () => false,
  );

/** Goes on with what a page that was closed had begun to bring in. */
export async function goOnBringing(accountId: string, taking: Taking): Promise<void> {
  await alone(accountId, async () => {
    const left = openBringing(accountId).left();
    const first = await left.next();
    if (first.done) return;
    await takeIn(
      taking,
      (async function* () {
        yield first.value;
        yield* left;
      })(),
    );
  });
}
