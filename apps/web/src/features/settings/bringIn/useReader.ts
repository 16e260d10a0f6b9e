import { type Remote, wrap } from 'comlink';
import { useEffect, useRef } from 'react';
import type { Reader } from './reader.ts';

/** A reader beside the screen; each of its answers is waited for. */
export type ReaderBeside = {
  [K in keyof Reader]: (...given: Parameters<Reader[K]>) => Promise<Awaited<ReturnType<Reader[K]>>>;
};

type Running = { reader: ReaderBeside; worker: Worker; broken: Promise<never> };

function start(): Running {
  const worker = new Worker(new URL('./reader.worker', import.meta.url));
  const broken = new Promise<never>((_, reject) => {
    worker.addEventListener('error', () => reject(new Error('the reader broke')));
  });
  broken.catch(() => undefined);
  return { reader: wrap<Reader>(worker) as Remote<Reader> as unknown as ReaderBeside, worker, broken };
}

/**
 * What reads beside the screen, for as long as it stands. `ask` rejects where the reader breaks or is stopped; after that the
 * next one that asks gets another, which has read nothing yet.
 */
export function useReader() {
  const running = useRef<Running | null>(null);
  const stop = useRef(() => {
    running.current?.worker.terminate();
    running.current = null;
  });
  useEffect(() => stop.current, []);
  return {
    async ask<T>(work: (reader: ReaderBeside) => Promise<T>): Promise<T> {
      const now = (running.current ??= start());
      return Promise.race([work(now.reader), now.broken]).catch((error: unknown) => {
        if (running.current === now) stop.current();
        throw error;
      });
    },
    stop: () => stop.current(),
  };
}
