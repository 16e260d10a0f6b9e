import { ACCOUNT_HEADER, PATHS, isRevision } from '@wimbel/contract';
import { createParser } from 'eventsource-parser';

/** Dependencies of the live connection; tests pass their own. */
type LiveDeps = {
  accountId: string;
  /** The server announced a revision. */
  onRevision: (revision: number) => void;
  /** The stream is down: time to poll. */
  onPoll: () => void;
  open?: (accountId: string, signal: AbortSignal) => Promise<Response>;
  /** Heartbeat timeout. */
  silenceMs?: number;
  /** Reconnect back-off. */
  retryMs?: readonly number[];
  /** Polling interval while the stream is down. */
  pollMs?: number;
};

/** The event stream of one account. */
export type Live = {
  /** Reconnects now, without the back-off (the device came online). */
  again: () => void;
  stop: () => void;
};

/** The server sends a heartbeat every 20 seconds. */
const SILENCE_MS = 50_000;
const RETRY_MS = [1000, 2000, 5000, 10_000, 20_000, 40_000] as const;
const POLL_MS = 50_000;

const openStream = (accountId: string, signal: AbortSignal): Promise<Response> =>
  fetch(PATHS.stream, { headers: { [ACCOUNT_HEADER]: accountId }, credentials: 'same-origin', signal });

/** Parses server-sent events: the revision of each, null for heartbeats. */
async function* eventsOf(body: ReadableStream<Uint8Array>): AsyncGenerator<number | null> {
  const reader = body.getReader();
  const decoder = new TextDecoder();
  const events: (number | null)[] = [];
  const parser = createParser({
    onEvent: ({ data }) => events.push(isRevision(Number(data)) ? Number(data) : null),
    onComment: () => events.push(null),
  });
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) return;
      parser.feed(decoder.decode(value, { stream: true }));
      yield* events.splice(0);
    }
  } finally {
    void reader.cancel().catch(() => undefined);
  }
}

/**
 * Listens to server-sent events that announce revisions. A broken or silent connection is reopened with exponential back-off and
 * jitter; meanwhile `onPoll` is called at an interval.
 */
export function openLive(deps: LiveDeps): Live {
  const { accountId, onRevision, onPoll, open = openStream } = deps;
  const { silenceMs = SILENCE_MS, retryMs = RETRY_MS, pollMs = POLL_MS } = deps;
  let isStopped = false;
  let isConnected = false;
  let failures = 0;
  let running: AbortController | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const polling = setInterval(() => {
    if (!isConnected) onPoll();
  }, pollMs);

  async function listen(): Promise<void> {
    if (isStopped || running !== null) return;
    clearTimeout(timer);
    const own = new AbortController();
    running = own;
    let silence: ReturnType<typeof setTimeout> | undefined;
    const resetTimeout = (): void => {
      clearTimeout(silence);
      silence = setTimeout(() => own.abort(), silenceMs);
    };
    try {
      resetTimeout();
      const response = await open(accountId, own.signal);
      if (!response.ok || response.body === null) throw new Error(String(response.status));
      for await (const revision of eventsOf(response.body)) {
        if (own.signal.aborted) break;
        resetTimeout();
        isConnected = true;
        failures = 0;
        if (revision !== null) onRevision(revision);
      }
    } catch {
      // Broken, refused or silent: reconnects below.
    } finally {
      clearTimeout(silence);
      own.abort();
      running = null;
      isConnected = false;
    }
    if (isStopped) return;
    const pauseMs = retryMs[Math.min(failures, retryMs.length - 1)]!;
    failures++;
    // Jitter: devices that lost the same server do not reconnect at once.
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
      clearInterval(polling);
      running?.abort();
    },
  };
}
