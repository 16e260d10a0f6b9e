import { ACCOUNT_HEADER, PATHS } from '@wimbel/contract';

/** What the live connection is opened with; a test gives its own. */
export type LiveDeps = {
  accountId: string;
  /** The server says which revision the record is at. */
  onRevision: (revision: number) => void;
  /** Nothing can be heard just now, and has not been for a while: it is time to look. */
  onDeaf: () => void;
  open?: (accountId: string, signal: AbortSignal) => Promise<Response>;
  /** How long without a word before the connection is taken for dead. */
  silenceMs?: number;
  /** How long to wait before it is opened again, longer each time. */
  retryMs?: readonly number[];
  /** How often the record is looked at while nothing can be heard. */
  lookMs?: number;
};

/** A live connection that is open. */
export type Live = {
  /** The connection may be back: it is tried now. */
  again: () => void;
  stop: () => void;
};

/** The server says something every 20 seconds. */
const SILENCE_MS = 50_000;
const RETRY_MS = [1000, 2000, 5000, 10_000, 20_000, 40_000] as const;
const LOOK_MS = 50_000;

const openStream = (accountId: string, signal: AbortSignal): Promise<Response> =>
  fetch(PATHS.stream, { headers: { [ACCOUNT_HEADER]: accountId }, credentials: 'same-origin', signal });

/** Each word of the stream: the revision that it names, null for one without meaning. */
async function* wordsOf(body: ReadableStream<Uint8Array>): AsyncGenerator<number | null> {
  const reader = body.getReader();
  const decoder = new TextDecoder();
  let rest = '';
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) return;
      const parts = (rest + decoder.decode(value, { stream: true })).split('\n\n');
      rest = parts.pop() ?? '';
      for (const part of parts) {
        const revision = Number(/^data: (\d+)$/m.exec(part)?.[1] ?? NaN);
        yield Number.isSafeInteger(revision) ? revision : null;
      }
    }
  } finally {
    void reader.cancel().catch(() => undefined);
  }
}

/**
 * Hears from the server when the record moves on, as long as the app is open. A connection that breaks or falls silent is
 * opened again after a pause that grows, never at the same moment as everybody else's; meanwhile it is looked now and then.
 */
export function openLive(deps: LiveDeps): Live {
  const { accountId, onRevision, onDeaf, open = openStream } = deps;
  const { silenceMs = SILENCE_MS, retryMs = RETRY_MS, lookMs = LOOK_MS } = deps;
  let isStopped = false;
  let isHearing = false;
  let failures = 0;
  let running: AbortController | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const looking = setInterval(() => {
    if (!isHearing) onDeaf();
  }, lookMs);

  async function listen(): Promise<void> {
    if (isStopped || running !== null) return;
    clearTimeout(timer);
    const own = new AbortController();
    running = own;
    let silence: ReturnType<typeof setTimeout> | undefined;
    const heard = (): void => {
      clearTimeout(silence);
      silence = setTimeout(() => own.abort(), silenceMs);
    };
    try {
      heard();
      const response = await open(accountId, own.signal);
      if (!response.ok || response.body === null) throw new Error(String(response.status));
      for await (const revision of wordsOf(response.body)) {
        if (own.signal.aborted) break;
        heard();
        isHearing = true;
        failures = 0;
        if (revision !== null) onRevision(revision);
      }
    } catch {
      // Broken, refused or silent: it is opened again.
    } finally {
      clearTimeout(silence);
      own.abort();
      running = null;
      isHearing = false;
    }
    if (isStopped) return;
    const pauseMs = retryMs[Math.min(failures, retryMs.length - 1)]!;
    failures++;
    // Devices that lost the same server come back one after the other.
    timer = setTimeout(() => void listen(), pauseMs * (0.5 + Math.random()));
  }
  void listen();

  return {
    again: () => {
      failures = 0;
      void listen();
    },
    stop: () => {
      isStopped = true;
      clearTimeout(timer);
      clearInterval(looking);
      running?.abort();
    },
  };
}
