import { type CachedWorker, createCachedWorker } from '../../../platform/cachedWorker.ts';
import { yieldToMain } from '../../../platform/yieldToMain.ts';
import type { RecordsState } from '@wimbel/sync';
import type { FoundAll, Search, Searcher } from './searcher.ts';
import { type Source, type Writing, sourcesOf } from './writings.ts';

/** Time slice of gathering before yielding to the main thread. */
const SLICE_MS = 8;
/** Batch size of a message to the worker, in characters. */
const MOST_CHARACTERS = 120_000;

type Held = { made: Map<string, readonly unknown[]>; fed: RecordsState | null };

const hasSameItems = (a: readonly unknown[] | undefined, b: readonly unknown[]): boolean =>
  a !== undefined && a.length === b.length && a.every((each, place) => each === b[place]);

/** Sends new and changed texts to the worker, gathered in time slices. */
async function feed({ remote, held }: CachedWorker<Searcher, Held>, records: RecordsState): Promise<void> {
  if (held.fed === records) return;
  const there = new Set<string>();
  let since = performance.now();
  let gathered: { source: Source; writings: Writing[] }[] = [];
  let characters = 0;
  const handOver = async (): Promise<void> => {
    const handed = gathered;
    [gathered, characters] = [[], 0];
    if (handed.length > 0) await remote.put(handed.map(({ source, writings }) => ({ key: source.key, writings })));
    for (const { source } of handed) held.made.set(source.key, source.made);
  };
  for (const source of sourcesOf(records)) {
    there.add(source.key);
    if (!hasSameItems(held.made.get(source.key), source.made)) {
      const writings = source.writings();
      gathered.push({ source, writings });
      for (const { text } of writings) characters += text.length;
    }
    if (characters > MOST_CHARACTERS) await handOver();
    if (performance.now() - since > SLICE_MS) {
      await yieldToMain();
      since = performance.now();
    }
  }
  await handOver();
  const gone = [...held.made.keys()].filter((key) => !there.has(key));
  if (gone.length > 0) await remote.drop(gone);
  for (const key of gone) held.made.delete(key);
  held.fed = records;
}

/** Searches in a worker that is started when something is first looked for; rejects where none can run. */
export function createSearchWorker(startWorker: () => Worker) {
  const running = createCachedWorker<Searcher, Held>(startWorker, () => ({ made: new Map(), fed: null }));
  let feeding: Promise<unknown> = Promise.resolve();
  return async (records: RecordsState, search: Search, most: number): Promise<FoundAll> => {
    const own = running();
    const fed = feeding.then(() => feed(own, records));
    feeding = fed.catch(() => undefined);
    return Promise.race([fed.then(() => own.remote.search(search, most)), own.broken]);
  };
}

/** Searches in the page's worker. */
export const searchInWorker = createSearchWorker(() => new Worker(new URL('./search.worker', import.meta.url)));
