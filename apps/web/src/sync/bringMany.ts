import type { Change } from '@wimbel/contract';
import type { Recording } from './RecordsProvider.tsx';
import { type Bringing, openBringing } from './bringing.ts';

type Parts = AsyncIterable<readonly Change[]>;

/** One page of an account at a time brings in; null where another does. */
async function alone<T>(accountId: string, work: () => Promise<T>): Promise<T | null> {
  if (!('locks' in navigator)) return work();
  return navigator.locks.request(`wimbel-bringing-${accountId}`, { ifAvailable: true }, async (lock) =>
    lock === null ? null : work(),
  );
}

/**
 * Brings in many changes as one step, from parts of `count` changes in all: first all of them are laid down on the device, then
 * taken in. Gives the way to undo it, or null where another page of the account is bringing in. Rejects where the parts do;
 * nothing of them is there then. `onShare` tells how much is done, 0 to 1.
 */
export function bringMany(
  accountId: string,
  { changeInParts }: Pick<Recording, 'changeInParts'>,
  parts: Parts,
  count: number,
  onShare: (share: number) => void,
): Promise<(() => void) | null> {
  const bringing = openBringing(accountId);
  let done = 0;
  const counting = async function* (from: Parts): AsyncGenerator<readonly Change[]> {
    for await (const part of from) {
      yield part;
      done += part.length;
      onShare(Math.min(1, done / (2 * Math.max(1, count))));
    }
  };
  return alone(accountId, async () => {
    if (!(await canLay(bringing))) return changeInParts(counting(parts));
    await bringing.lay(counting(parts));
    return changeInParts(counting(bringing.left()));
  });
}

/** Whether anything can be kept on this device; where it can't, what is brought in is taken in as it comes. */
const canLay = (bringing: Bringing): Promise<boolean> =>
  bringing.clear().then(
    () => true,
    () => false,
  );

/** Goes on with what a page that was closed had begun to bring in. */
export async function goOnBringing(
  accountId: string,
  { changeInParts }: Pick<Recording, 'changeInParts'>,
): Promise<void> {
  await alone(accountId, async () => {
    const left = openBringing(accountId).left();
    const first = await left.next();
    if (first.done) return;
    await changeInParts(
      (async function* () {
        yield first.value;
        yield* left;
      })(),
    );
  });
}
