import type { Change } from '@wimbel/contract';
import { useEffect, useRef, useState } from 'react';
import { useStore } from 'react-redux';
import { nextInstant } from '../../../platform/clock.ts';
import type { ImportMode } from '../../../store/importPlan.ts';
import { placeOf, allPending } from '@wimbel/sync';
import type { RootState } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { importInBulk } from '../../../sync/bulkImport.ts';
import { sendRecords } from '../export/exportFile.ts';
import { importFault, readingFault } from './importText.ts';
import type { FileReader, OpenedFile, Plan } from './fileReader.ts';
import { createWorkerReader } from './workerReader.ts';

/** Batch size of changes between two yields to the main thread. */
const AT_ONCE = 120;

/** A data-file reader in a web worker, for as long as the screen stands or an import holds it. */
export function useFileReader() {
  const [reader] = useState(() =>
    createWorkerReader<FileReader>(() => new Worker(new URL('./fileReader.worker', import.meta.url))),
  );
  useEffect(() => {
    reader.revive();
    return reader.dispose;
  }, [reader]);
  return {
    ...reader,
    open: (bytes: ArrayBuffer): Promise<OpenedFile> => reader.ask(async (each) => each.open(bytes)),
  };
}

/** What both ways of bringing in the file that was read come to, and how it is brought in. */
export function useFilePlans({ ask, hold }: ReturnType<typeof useFileReader>) {
  const store = useStore<RootState>();
  const recording = useRecording();
  const [plans, setPlans] = useState<Record<ImportMode, Plan> | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const accountId = store.getState().account.account?.id ?? null;
  useEffect(() => {
    const control = new AbortController();
    const { records, outbox } = store.getState();
    const waiting = allPending(outbox.waiting).map(placeOf);
    void ask(async (reader) => {
      await sendRecords(reader, records, { onShare: () => undefined, signal: control.signal });
      return { merge: await reader.plan('merge', accountId, waiting), replace: await reader.plan('replace', null, []) };
    })
      .then((next) => {
        if (!control.signal.aborted) setPlans(next);
      })
      .catch((error: unknown) => {
        if (!control.signal.aborted) setFault(readingFault(error));
      });
    return () => control.abort();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once for the file that was read
  }, [accountId, store]);
  const stopping = useRef<AbortController | null>(null);
  const bring = async (way: ImportMode): Promise<(() => void) | null> => {
    const control = new AbortController();
    stopping.current = control;
    setShare(0);
    setFault(null);
    const release = hold();
    const waiting = allPending(store.getState().outbox.waiting).map(placeOf);
    try {
      const { count } = await ask((reader) => reader.plan(way, way === 'merge' ? accountId : null, waiting));
      const parts = async function* (): AsyncGenerator<readonly Change[]> {
        for (let at = 0; at < count; at += AT_ONCE) {
          const changes = await ask((reader) => reader.changes(at, at + AT_ONCE));
          yield changes.map((each) => ({ ...each, madeAt: nextInstant() }));
        }
      };
      const undo = await importInBulk(accountId ?? '', { recording, store }, parts(), count, setShare, control.signal);
      if (undo === null) setFault('Another tab is bringing something in. Try again once it is done.');
      return undo;
    } catch (error) {
      setFault(importFault(error, control.signal.aborted));
      return null;
    } finally {
      release();
      setShare(null);
    }
  };
  return { plans, share, fault, bring, stop: () => stopping.current?.abort() };
}
