import { useEffect, useState } from 'react';
import type { Reader } from './reader.ts';
import { type WorkerReader, createWorkerReader } from './workerReader.ts';

/** A table reader in a web worker, for as long as the screen stands or an import holds it. */
export function useReader(): WorkerReader<Reader> {
  const [reader] = useState(() =>
    createWorkerReader<Reader>(() => new Worker(new URL('./reader.worker', import.meta.url))),
  );
  useEffect(() => {
    reader.revive();
    return reader.dispose;
  }, [reader]);
  return reader;
}
