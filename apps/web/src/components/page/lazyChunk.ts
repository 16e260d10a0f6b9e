import { yieldToMain } from '../../platform/yieldToMain.ts';

/** The exports of the lazy chunk. `routes/lazyScreen.tsx`, above the components, declares and imports them. */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type
export interface LazyChunk {}

let importChunk = (): Promise<LazyChunk> => Promise.reject(new Error('No lazy chunk is set'));
let loading: Promise<LazyChunk> | null = null;
let loaded: LazyChunk | null = null;
let hasFailed = false;

/** Sets how the chunk is imported. */
export function setLazyChunk(next: () => Promise<LazyChunk>): void {
  importChunk = next;
}

/** The chunk, if it is loaded. */
export const loadedChunk = (): LazyChunk | null => loaded;

/** Loads the chunk once; after a failure the next call tries again. */
export function loadChunk(): Promise<LazyChunk> {
  if (loading !== null && !hasFailed) return loading;
  hasFailed = false;
  loading = importChunk();
  loading.then(
    (chunk) => (loaded = chunk),
    () => (hasFailed = true),
  );
  return loading;
}

/** The current or last load of the chunk, for `use`: the same promise also after a failure, which is thrown instead of retried. */
export const loadedOrFailed = (): Promise<LazyChunk> => loading ?? loadChunk();

/** Loads the chunk and evaluates its modules, one export per task, so that a later tap does not wait for them. */
export async function preloadChunk(): Promise<void> {
  const chunk = await loadChunk().catch(() => null);
  for (const name of Object.keys(chunk ?? {})) {
    await yieldToMain();
    // Modules are evaluated when an export is first read.
    Reflect.get(chunk!, name);
  }
}
