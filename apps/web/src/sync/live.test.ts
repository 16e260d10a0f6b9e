import { openLive } from './live.ts';

/** A server that is listened to: what it is asked, and what it says. */
function pretendStream() {
  const opened: { say: (text: string) => void; end: () => void; signal: AbortSignal }[] = [];
  const state = { status: 200, isAway: false };
  const open = (_: string, signal: AbortSignal): Promise<Response> => {
    if (state.isAway) return Promise.reject(new TypeError('away'));
    let control: ReadableStreamDefaultController<Uint8Array>;
    const body = new ReadableStream<Uint8Array>({ start: (own) => void (control = own) });
    signal.addEventListener('abort', () => {
      try {
        control.error(new DOMException('aborted', 'AbortError'));
      } catch {
        // It has ended.
      }
    });
    const encoder = new TextEncoder();
    opened.push({ say: (text) => control.enqueue(encoder.encode(text)), end: () => control.close(), signal });
    return Promise.resolve({ ok: state.status === 200, status: state.status, body } as Response);
  };
  return { open, opened, state };
}

async function until(holds: () => boolean): Promise<void> {
  for (let tries = 0; tries < 400; tries++) {
    if (holds()) return;
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
  throw new Error('it never came to hold');
}

function device(server: ReturnType<typeof pretendStream>, more = {}) {
  const heard: number[] = [];
  const looks = { count: 0 };
  const live = openLive({
    accountId: 'anna',
    open: server.open,
    onRevision: (revision) => heard.push(revision),
    onPoll: () => looks.count++,
    retryMs: [5, 10],
    silenceMs: 200,
    pollMs: 1000,
    ...more,
  });
  return { live, heard, looks };
}

it('hears each revision, however the words are cut on their way', async () => {
  const server = pretendStream();
  const { live, heard } = device(server);
  await until(() => server.opened.length === 1);
  const [stream] = server.opened;
  stream!.say('data: 7\n\n: \n\nda');
  stream!.say('ta: 1');
  stream!.say('2\n\n');
  await until(() => heard.length === 2);
  expect(heard).toEqual([7, 12]);
  live.stop();
});

it('opens again after it ended, was refused or could not be reached, and goes on listening', async () => {
  const server = pretendStream();
  const { live, heard } = device(server);
  await until(() => server.opened.length === 1);
  server.opened[0]!.end();
  await until(() => server.opened.length === 2);
  server.state.status = 503;
  server.opened[1]!.end();
  await until(() => server.opened.length >= 4);
  server.state.isAway = true;
  await new Promise((resolve) => setTimeout(resolve, 40));
  Object.assign(server.state, { status: 200, isAway: false });
  const before = server.opened.length;
  await until(() => server.opened.length > before);
  server.opened.at(-1)!.say('data: 3\n\n');
  await until(() => heard.includes(3));
  live.stop();
});

it('takes a connection on which nothing is said for dead; a word without meaning keeps it', async () => {
  const server = pretendStream();
  const { live } = device(server);
  await until(() => server.opened.length === 1);
  const beat = setInterval(() => server.opened[0]!.say(': \n\n'), 60);
  await new Promise((resolve) => setTimeout(resolve, 500));
  expect([server.opened.length, server.opened[0]!.signal.aborted]).toEqual([1, false]);
  clearInterval(beat);
  await until(() => server.opened.length === 2);
  expect(server.opened[0]!.signal.aborted).toBe(true);
  live.stop();
});

it('looks now and then while nothing can be heard, and not while something can', async () => {
  const server = pretendStream();
  server.state.isAway = true;
  const { live, looks } = device(server, { pollMs: 20, retryMs: [10_000] });
  await until(() => looks.count >= 3);
  server.state.isAway = false;
  live.again();
  await until(() => server.opened.length === 1);
  server.opened[0]!.say('data: 1\n\n');
  await new Promise((resolve) => setTimeout(resolve, 40));
  const { count } = looks;
  await new Promise((resolve) => setTimeout(resolve, 100));
  expect(looks.count).toBe(count);
  live.stop();
});

it('is silent once it is stopped', async () => {
  const server = pretendStream();
  const { live, heard, looks } = device(server, { pollMs: 20 });
  await until(() => server.opened.length === 1);
  live.stop();
  expect(server.opened[0]!.signal.aborted).toBe(true);
  const { count } = looks;
  await new Promise((resolve) => setTimeout(resolve, 80));
  expect([server.opened.length, heard, looks.count]).toEqual([1, [], count]);
});
