import { MessageChannel } from 'node:worker_threads';
import { expose } from 'comlink';
import { connectWorker } from '../../../platform/workerClient.ts';
import { readingFault } from './importText.ts';

type Work = { read: (size: number) => number; forget: () => void };

/** A worker that runs beside the test, and tells of errors as a browser does. */
function aWorker() {
  const { port1, port2 } = new MessageChannel();
  const work: Work = {
    read: (size) => new Uint8Array(new ArrayBuffer(size)).length,
    forget: () => {
      throw new TypeError('no such cell');
    },
  };
  expose(work, port2);
  const heard: ((event: { message?: string }) => void)[] = [];
  const worker = Object.assign(Object.create(port1) as MessagePort, {
    addEventListener: (kind: string, hear: never) =>
      kind === 'error'
        ? void heard.push(hear)
        : port1.on('message', (data) => (hear as (e: unknown) => void)({ data })),
    removeEventListener: () => undefined,
    postMessage: (message: unknown, others: never) => port1.postMessage(message, others),
    start: () => port1.start(),
  });
  return {
    worker: worker as unknown as Worker,
    tell: (event: { message?: string }) => heard.forEach((hear) => hear(event)),
    end: () => [port1, port2].forEach((port) => port.close()),
  };
}

const wordsOf = (work: Promise<unknown>): Promise<string | null> => work.then(() => null, readingFault);

it('what is more than this device can take is said to be that', async () => {
  const { worker, end } = aWorker();
  const { remote } = connectWorker<Work>(worker);
  expect(await remote.read(12)).toBe(12);
  expect(await wordsOf(remote.read(Number.MAX_SAFE_INTEGER))).toMatch(/^It is more than this device can take/);
  end();
});

it('any other fault is not put on the size of the file', async () => {
  const { worker, end } = aWorker();
  const { remote } = connectWorker<Work>(worker);
  expect(await wordsOf(remote.forget())).toBe('Something went wrong while reading it. Nothing was changed; try again.');
  end();
});

it('what reads and could not be fetched is told from what broke', async () => {
  const unfetched = aWorker();
  const { broken } = connectWorker<Work>(unfetched.worker);
  unfetched.tell({});
  expect(await wordsOf(broken)).toBe(
    'The part of Wimbel that reads it could not be fetched. Try again once you are online.',
  );
  unfetched.end();

  const broke = aWorker();
  const other = connectWorker<Work>(broke.worker);
  broke.tell({ message: 'Uncaught TypeError: no such cell' });
  expect(await wordsOf(other.broken)).toMatch(/^Something went wrong/);
  broke.end();
});
