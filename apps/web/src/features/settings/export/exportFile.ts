import { type Collection, LIST_COLLECTIONS, type RecordOf } from '@wimbel/contract';
import { NO_ENTRIES, type Settings, eachEntry } from '@wimbel/core';
import { proxy } from 'comlink';
import { connectWorker } from '../../../platform/workerClient.ts';
import { yieldToMain } from '../../../platform/yieldToMain.ts';
import type { RecordsState } from '@wimbel/sync';
import type { WorkerExporter, ExportFile, ExportOptions } from './exporter.ts';

type AnyRecord = RecordOf<Collection>;
type Piece = { collection: Collection; records: AnyRecord[] };

/** Progress from 0 to 1, and the signal that aborts. */
type ExportProgress = { onShare: (share: number) => void; signal: AbortSignal };

/** The record in chunks: one per habit's entries, one per other collection. */
function* piecesOf(records: RecordsState): Generator<Piece> {
  for (const collection of LIST_COLLECTIONS) {
    if (collection !== 'entries') yield { collection, records: Object.values<AnyRecord>(records[collection]) };
  }
  for (const years of Object.values(records.entries)) {
    yield { collection: 'entries', records: [...eachEntry(years ?? NO_ENTRIES)] };
  }
}

/** Receives a record chunk by chunk. */
type RecordSink = {
  begin: (settings: Settings) => Promise<unknown>;
  add: (collection: Collection, records: readonly AnyRecord[]) => Promise<unknown>;
};

/** Sends the record to a worker chunk by chunk, yielding in between. Rejects when aborted. */
export async function sendRecords(
  exporter: RecordSink,
  records: RecordsState,
  { onShare, signal }: ExportProgress,
): Promise<void> {
  const pieces = LIST_COLLECTIONS.length - 1 + Object.keys(records.entries).length;
  await exporter.begin(records.settings);
  let given = 0;
  for (const piece of piecesOf(records)) {
    await exporter.add(piece.collection, piece.records);
    onShare(++given / pieces);
    await yieldToMain();
    signal.throwIfAborted();
  }
}

/** Exports the record to a file in a web worker. Rejects when aborted, or when the worker fails. */
export async function exportFile(
  records: RecordsState,
  options: ExportOptions,
  type: string,
  progress: ExportProgress,
): Promise<ExportFile> {
  const {
    remote: exporter,
    worker,
    broken,
  } = connectWorker<WorkerExporter>(new Worker(new URL('./exporter.worker', import.meta.url)));
  const ended = new Promise<never>((_, reject) => {
    progress.signal.addEventListener('abort', () => reject(progress.signal.reason as Error));
  });
  const { onShare, signal } = progress;
  // Sending is about a third of the work.
  const work = async (): Promise<ExportFile> => {
    await sendRecords(exporter, records, { signal, onShare: (share) => onShare(share * 0.3) });
    return exporter.write(
      options,
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
