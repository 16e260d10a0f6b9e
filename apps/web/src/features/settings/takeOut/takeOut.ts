import { type Collection, LIST_COLLECTIONS, type RecordOf } from '@wimbel/contract';
import { NO_ENTRIES, eachEntry } from '@wimbel/core';
import { wrap } from 'comlink';
import type { RecordsState } from '../../../store/recordsState.ts';
import { type Taken, type Taker, type Wish, createTaker } from './taker.ts';

type AnyRecord = RecordOf<Collection>;
type Piece = { collection: Collection; records: AnyRecord[] };

/** How much of the record is handed over; `stop` gives up. */
export type Taking = { onShare: (share: number) => void; signal: AbortSignal };

const otherWork = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

/** The record in pieces: the days of one habit in one, everything else by its kind. */
function* piecesOf(records: RecordsState): Generator<Piece> {
  for (const collection of LIST_COLLECTIONS) {
    if (collection !== 'entries') yield { collection, records: Object.values<AnyRecord>(records[collection]) };
  }
  for (const years of Object.values(records.entries)) {
    yield { collection: 'entries', records: [...eachEntry(years ?? NO_ENTRIES)] };
  }
}

type Remote = { [K in keyof Taker]: (...given: Parameters<Taker[K]>) => unknown };

async function write(taker: Remote, records: RecordsState, wish: Wish, { onShare, signal }: Taking): Promise<Taken> {
  const pieces = LIST_COLLECTIONS.length - 1 + Object.keys(records.entries).length;
  await taker.begin(records.settings);
  let given = 0;
  for (const piece of piecesOf(records)) {
    await taker.add(piece.collection, piece.records);
    onShare(++given / pieces);
    await otherWork();
    signal.throwIfAborted();
  }
  return (await taker.write(wish)) as Taken;
}

/**
 * Writes a file of the record beside the screen, which stays free meanwhile; where no worker can run, here. Rejects where it is
 * given up.
 */
export async function takeOut(
  records: RecordsState,
  wish: Wish,
  taking: Taking,
  startWorker = () => new Worker(new URL('./taker.worker', import.meta.url)),
): Promise<Taken> {
  let worker: Worker;
  try {
    worker = startWorker();
  } catch {
    return write(createTaker(), records, wish, taking);
  }
  const ended = new Promise<'broke'>((resolve, reject) => {
    worker.addEventListener('error', () => resolve('broke'));
    taking.signal.addEventListener('abort', () => reject(taking.signal.reason as Error));
  });
  try {
    const taken = await Promise.race([write(wrap<Taker>(worker) as unknown as Remote, records, wish, taking), ended]);
    return taken === 'broke' ? await write(createTaker(), records, wish, taking) : taken;
  } finally {
    ended.catch(() => undefined);
    worker.terminate();
  }
}
