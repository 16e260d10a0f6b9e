import { useEffect, useState } from 'react';
import { beside } from '../../../shared/beside.ts';
import type { Reader } from './reader.ts';

/** A reader beside the screen; each of its answers is waited for. */
export type ReaderBeside = {
  [K in keyof Reader]: (...given: Parameters<Reader[K]>) => Promise<Awaited<ReturnType<Reader[K]>>>;
};

type Running = { reader: ReaderBeside; worker: Worker; broken: Promise<never> };

function start(): Running {
  const { remote, ...rest } = beside<Reader>(new Worker(new URL('./reader.worker', import.meta.url)));
  return { reader: remote as unknown as ReaderBeside, ...rest };
}

/**
 * What reads beside the screen, for as long as it stands. `ask` rejects where the reader breaks or is stopped; after that the
 * next one that asks gets another, which has read nothing yet.
 */
export function useReader(): { ask: <T>(work: (reader: ReaderBeside) => Promise<T>) => Promise<T>; stop: () => void } {
  const [reader] = useState(createAsking);
  useEffect(() => reader.stop, [reader]);
  return reader;
}

function createAsking() {
  let running: Running | null = null;
  const stop = (): void => {
    running?.worker.terminate();
    running = null;
  };
  return {
    ask: <T>(work: (reader: ReaderBeside) => Promise<T>): Promise<T> => {
      const now = (running ??= start());
      return Promise.race([work(now.reader), now.broken]).catch((error: unknown) => {
        if (running === now) stop();
        throw error;
      });
    },
    stop,
  };
}
