import { createHash } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import { type PlainDay, dayFromParts } from '@wimbel/core';
import { type CalendarKind, calendarParts } from '@wimbel/exchange';
import { LRUCache } from 'lru-cache';
import pLimit from 'p-limit';
import { AppError } from '../../errors.ts';
import { addressBehind, calendarRecords } from './queries.ts';
import { type CalendarDeps, hashOf } from './service.ts';

/** Window of a calendar in days, and its largest number of entries. */
const PAST_DAYS = 366;
const COMING_DAYS = 2 * 366;
const MOST_ENTRIES = 2000;
/** Time slice of generating a calendar, followed by an equal pause, in milliseconds. */
const SLICE_MS = 8;
const MOST_CACHED_BYTES = 32 * 1024 * 1024;

export type Feed = { etag: string; file: string };

/** Calendar files by secret. */
export type Feeds = {
  /** The ETag at the current revision; null for an unknown secret. */
  etagBehind: (secret: string) => Promise<string | null>;
  /** The file; rejects where `signal` aborts first and no other request waits for it. */
  fileBehind: (secret: string, signal: AbortSignal) => Promise<Feed | null>;
};

type Wanted = { etag: string; userId: string; shows: CalendarKind[]; today: PlainDay };
type Making = { file: Promise<string>; waiting: Set<AbortSignal> };

/** Generates a calendar once per revision and caches it by ETag; one at a time, in time slices, only while a request waits for it. */
export function createFeeds({ pool, clock }: CalendarDeps): Feeds {
  const cached = new LRUCache<string, string>({
    maxSize: MOST_CACHED_BYTES,
    sizeCalculation: (file) => file.length + 1,
  });
  const making = new Map<string, Making>();
  const oneAtATime = pLimit(1);

  async function wantedBehind(secret: string): Promise<Wanted | null> {
    const address = await addressBehind(pool, hashOf(secret));
    if (address === null) return null;
    const now = clock.now();
    const today = dayFromParts(now.getUTCFullYear(), now.getUTCMonth() + 1, now.getUTCDate());
    const { userId, shows, revision } = address;
    const about = JSON.stringify([userId, revision, [...shows].sort(), today]);
    const etag = `"${createHash('sha256').update(about).digest('base64url').slice(0, 22)}"`;
    return { etag, userId, shows, today };
  }

  async function make({ userId, shows, today }: Wanted, isWaitedFor: () => boolean): Promise<string> {
    const window = { first: today - PAST_DAYS, last: today + COMING_DAYS };
    const kinds = new Set(shows);
    const records = await calendarRecords(pool, userId, kinds, window, today);
    const parts: string[] = [];
    let sinceMs = performance.now();
    for (const part of calendarParts(records, kinds, today, clock.now(), { window, mostEntries: MOST_ENTRIES })) {
      parts.push(part);
      const tookMs = performance.now() - sinceMs;
      if (tookMs < SLICE_MS) continue;
      await pause(tookMs);
      // Every waiting request was aborted.
      if (!isWaitedFor()) throw new AppError('unavailable');
      sinceMs = performance.now();
    }
    return parts.join('');
  }

  return {
    etagBehind: async (secret) => (await wantedBehind(secret))?.etag ?? null,
    async fileBehind(secret, signal) {
      const wanted = await wantedBehind(secret);
      if (wanted === null) return null;
      const { etag } = wanted;
      const known = cached.get(etag);
      if (known !== undefined) return { etag, file: known };
      let now = making.get(etag);
      if (now === undefined) {
        const waiting = new Set<AbortSignal>();
        const isWaitedFor = (): boolean => [...waiting].some((each) => !each.aborted);
        const file = oneAtATime(() => make(wanted, isWaitedFor)).finally(() => making.delete(etag));
        now = { file, waiting };
        making.set(etag, now);
      }
      now.waiting.add(signal);
      const file = await now.file;
      cached.set(etag, file);
      return { etag, file };
    },
  };
}
