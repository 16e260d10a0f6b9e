import { type Collection, LIST_COLLECTIONS, type RecordOf } from '@wimbel/contract';
import { NO_ENTRIES, type Settings, eachEntry } from '@wimbel/core';
import { proxy } from 'comlink';
import { connectWorker } from '../../../platform/workerClient.ts';
import type { RecordsState } from '../../../store/recordsState.ts';
import type { BesideTaker, TakenFile, Wish } from './exporter.ts';

type AnyRecord = RecordOf<Collection>;
type Piece = { collection: Collection; records: AnyRecord[] };

/** How far it is, 0 to 1; the signal gives up. */
type Handing = { onShare: (share: number) => void; signal: AbortSignal };

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

/** What takes a record in piece by piece. */
type Taking = {
  begin: (settings: Settings) => Promise<unknown>;
  add: (collection: Collection, records: readonly AnyRecord[]) => Promise<unknown>;
};

/** Hands the record over to a worker, the screen free in between. Rejects where it is given up. */
export async function handOver(taker: Taking, records: RecordsState, { onShare, signal }: Handing): Promise<void> {
  const pieces = LIST_COLLECTIONS.length - 1 + Object.keys(records.entries).length;
  await taker.begin(records.settings);
  let given = 0;
  for (const piece of piecesOf(records)) {
    await taker.add(piece.collection, piece.records);
    onShare(++given / pieces);
    await otherWork();
    signal.throwIfAborted();
  }
}

/** Writes a file of the record beside the screen, which stays free meanwhile. Rejects where it is given up, or breaks. */
export async function takeOut(records: RecordsState, wish: Wish, type: string, handing: Handing): Promise<TakenFile> {
  const {
    remote: taker,
    worker,
    broken,
  } = connectWorker<BesideTaker>(new Worker(new URL('./exporter.worker', import.meta.url)));
  const ended = new Promise<never>((_, reject) => {
    handing.signal.addEventListener('abort', () => reject(handing.signal.reason as Error));
  });
  const { onShare, signal } = handing;
  // Handing over is the smaller part of the work.
  const work = async (): Promise<TakenFile> => {
    await handOver(taker, records, { signal, onShare: (share) => onShare(share * 0.3) });
    return taker.write(
      wish,
      type,
      proxy((share: number) => onShare(0.3 + share * 0.7)),
    );
  };
  try {
    return await Promise.race([work(), broken, ended]);
  } finally {
    ended.catch(() => undefined);
    worker.terminate();
  }
}
