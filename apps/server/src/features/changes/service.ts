import { setTimeout as pause } from 'node:timers/promises';
import {
  type Change,
  type ChangeResult,
  type Collection,
  type Issue,
  LIMITS,
  MOST_AHEAD_MS,
  isKey,
  referencesOf,
} from '@wimbel/contract';
import type { Pool } from 'pg';
import type { Clock } from '../../clock.ts';
import { AppError, codeOf } from '../../errors.ts';
import { decideAll, refusal } from './decide.ts';
import type { LogCache } from './logCache.ts';
import type { RevisionFeed } from './revisionFeed.ts';
import type { Quotas } from './quotas.ts';
import * as queries from './queries.ts';
import { type BatchState, createBatchState } from './batchState.ts';

/** Retries of a batch on a concurrent write (optimistic locking). */
const MOST_TRIES = 12;
/** Linear back-off between retries. */
const RETRY_MS = 15;

/** Dependencies of applying changes. */
export type ChangesDeps = { pool: Pool; clock: Clock; cache: LogCache; feed: RevisionFeed; quotas: Quotas };

/** Whether PostgreSQL refused values (class 22) or a constraint (class 23). */
const isRefusedByDatabase = (error: unknown): boolean => /^2[23]/.test(codeOf(error) ?? '');

type Batch = {
  results: ChangeResult[];
  /** The revision before the batch. */
  at: number;
  revision: number;
  /** Whether more was written than the accepted changes (cascades, merges). */
  wroteMore: boolean;
  /** The stored versions that superseded changes. */
  winners: queries.SentRow[];
};

/** A `ChangesAnswer` as JSON; records in it are the database's JSON text, not parsed. */
export type AnswerJson = string;

/** One request's changes. */
export type Sent = {
  userId: string;
  changes: readonly Change[];
  since: number | undefined;
  /** Whether the account's quota is used up. */
  isFull: boolean;
};

/**
 * Applies changes in order. An invalid change is refused by itself; one that is not later than the stored version is superseded,
 * so that a request is idempotent. The batch is written with one statement under a revision guard and retried on a concurrent
 * write. Answers with the rows newer than `since`, where that was given.
 */
export async function applyChanges(deps: ChangesDeps, sent: Sent): Promise<AnswerJson> {
  return answerTo(deps, sent, await applyAlone(deps, sent));
}

async function answerTo(deps: ChangesDeps, { userId, changes, since }: Sent, batch: Batch): Promise<AnswerJson> {
  const { revision, more, rows } = await rowsAfter(deps.pool, userId, batch, changes, since);
  const head = { results: withFewIssues(batch.results), now: deps.clock.now().toISOString(), revision, more };
  return `${JSON.stringify(head).slice(0, -1)},"rows":[${rows.join(',')}]}`;
}

/**
 * Group commit: applies the requests of several accounts with one statement. A request that fails in the group (broken constraint,
 * concurrent write) is applied alone.
 */
export async function applyGroup(deps: ChangesDeps, all: readonly Sent[]): Promise<Promise<AnswerJson>[]> {
  let batches: (Batch | null)[];
  try {
    batches = await tryGroup(deps, all, true);
  } catch (error) {
    if (!isRefusedByDatabase(error)) throw error;
    batches = all.map(() => null);
  }
  return all.map(async (sent, index) => answerTo(deps, sent, batches[index] ?? (await applyAlone(deps, sent))));
}

/**
 * One attempt to apply a group; null for requests that were not written. With the cache, a request with any change that would not
 * be accepted is left to a fresh read: the cache may be stale.
 */
async function tryGroup(deps: ChangesDeps, all: readonly Sent[], usesCache: boolean): Promise<(Batch | null)[]> {
  const { pool, clock, cache, feed } = deps;
  const wanted = all.map(({ userId, changes }) => ({ userId, places: placesOf(changes) }));
  const recalled = all.map(({ userId, changes }, index) =>
    usesCache ? cache.read(userId, changes, wanted[index]!.places) : null,
  );
  const readings = await readingsOf(deps, wanted, recalled);
  const latestMs = clock.now().getTime() + MOST_AHEAD_MS;
  const decided = await Promise.all(
    all.map(async ({ userId, changes, isFull }, index) => {
      const { revision: at, logged } = readings[index]!;
      if (at === null) return null;
      const state = createBatchState(pool, userId, at, wanted[index]!.places, logged);
      const results = await decideAll(state, changes, latestMs, isFull);
      const moved = state.moved();
      const accepted = results.filter((each) => each.status === 'accepted').length;
      if (recalled[index] !== null && accepted < changes.length) return null;
      const late = await winnersOf(state, changes, results);
      const batch: Batch = { ...late, at, revision: at + moved, wroteMore: moved > accepted };
      return {
        batch,
        writing: {
          userId,
          at,
          moved,
          writes: withDeviceInstants(state.writes(), changes),
          empty: recalled[index]?.presumed ?? [],
        },
      };
    }),
  );
  const writings = decided.flatMap((each) => (each !== null && each.writing.moved > 0 ? [each.writing] : []));
  const written = writings.length > 0 ? await queries.writeAll(pool, writings) : new Set<string>();
  for (const writing of writings) {
    if (written.has(writing.userId)) cache.applyWrite(writing);
    else cache.invalidate(writing.userId);
  }
  feed.publish(
    writings.flatMap(({ userId, at, moved }) => (written.has(userId) ? [{ userId, revision: at + moved }] : [])),
  );
  return decided.map((each) =>
    each !== null && (each.writing.moved === 0 || written.has(each.writing.userId)) ? each.batch : null,
  );
}

/** Adds the device's own instants (`deviceAt`) to the writes. */
function withDeviceInstants(writes: queries.Write[], changes: readonly Change[]): queries.Write[] {
  const said = new Map(
    changes.flatMap(({ id, deviceAt }) => (deviceAt === undefined ? [] : [[id, deviceAt] as const])),
  );
  if (said.size === 0) return writes;
  return writes.map((write) => {
    const deviceAt = said.get(write.changeId);
    return deviceAt === undefined ? write : { ...write, deviceAt };
  });
}

/** Readings from the cache, and for the other accounts from the database with one statement. */
async function readingsOf(
  { pool, cache }: ChangesDeps,
  wanted: readonly { userId: string; places: readonly queries.Place[] }[],
  recalled: readonly (queries.Reading | null)[],
): Promise<queries.Reading[]> {
  const asked = wanted.filter((_, index) => recalled[index] === null);
  const read = asked.length > 0 ? await queries.readLogged(pool, asked) : [];
  for (const [index, { userId }] of asked.entries()) cache.store(userId, read[index]!);
  const next = read.values();
  return recalled.map((each) => each ?? next.next().value!);
}

async function applyAlone(deps: ChangesDeps, sent: Sent): Promise<Batch> {
  for (let tries = 0; tries < MOST_TRIES; tries++) {
    try {
      const [batch] = await tryGroup(deps, [sent], false);
      if (batch) return batch;
    } catch (error) {
      if (!isRefusedByDatabase(error)) throw error;
      return sent.changes.length === 1 ? refusedByDatabase(deps, error, sent) : oneByOne(deps, sent);
    }
    if (tries === 0) await queries.startRevisions(deps.pool, sent.userId);
    else await pause(tries * RETRY_MS);
  }
  throw new AppError('unavailable');
}

async function refusedByDatabase({ pool }: ChangesDeps, error: unknown, { userId, changes }: Sent): Promise<Batch> {
  const message =
    codeOf(error) === '23503' ? 'is named by other records, or names one that is gone' : 'cannot be stored';
  const [reading] = await queries.readLogged(pool, [{ userId, places: [] }]);
  const at = reading?.revision ?? 0;
  return { results: [refusal(changes[0]!.id, '', message)], at, revision: at, wroteMore: false, winners: [] };
}

/** Applies each change alone after a constraint violation, so that only the faulty one is refused. */
async function oneByOne(deps: ChangesDeps, { userId, changes, isFull }: Sent): Promise<Batch> {
  const batches: Batch[] = [];
  for (const change of changes)
    batches.push(await applyAlone(deps, { userId, changes: [change], since: undefined, isFull }));
  return {
    results: batches.flatMap((each) => each.results),
    at: batches[0]!.at,
    revision: batches.at(-1)!.revision,
    wroteMore: batches.some((each) => each.wroteMore),
    winners: batches.flatMap((each) => each.winners),
  };
}

/**
 * The stored versions of superseded changes, which the device shows instead. Bounded in bytes: results beyond the bound are left
 * out of the answer, and the device resends those changes.
 */
async function winnersOf(
  state: BatchState,
  changes: readonly Change[],
  results: readonly ChangeResult[],
): Promise<Pick<Batch, 'results' | 'winners'>> {
  const winners = new Map<string, queries.SentRow>();
  const kept: ChangeResult[] = [];
  let bytes = 0;
  for (const [index, { collection, key }] of changes.entries()) {
    const result = results[index]!;
    const place = queries.placeOf(collection, key);
    if (result.status === 'superseded' && !winners.has(place)) {
      if (bytes >= queries.PAGE_BYTES) continue;
      const { changedAt: madeAt, revision, changeId, record } = (await state.logged(collection, key))!;
      const head = { collection, key, revision, madeAt, changeId };
      const json = queries.rowJson(head, record === null ? null : JSON.stringify(record));
      bytes += Buffer.byteLength(json);
      winners.set(place, { collection, key, revision, changeId, json });
    }
    kept.push(result);
  }
  return { results: kept, winners: [...winners.values()] };
}

/** Runs a check; returns a fallback where it throws on an unexpected value. */
function safely<T>(check: () => T, otherwise: T): T {
  try {
    return check();
  } catch {
    return otherwise;
  }
}

/** The records that a batch reads: those it writes and those they refer to. */
function placesOf(changes: readonly Change[]): { collection: Collection; key: string }[] {
  const places = new Map<string, { collection: Collection; key: string }>();
  const add = (collection: Collection, key: unknown): void => {
    // Invalid keys are refused later; they are only not read.
    if (typeof key === 'string' && isKey(collection, key)) {
      places.set(queries.placeOf(collection, key), { collection, key });
    }
  };
  for (const { collection, key, record } of changes) {
    add(collection, key);
    if (record === null || typeof record !== 'object') continue;
    for (const named of safely(() => referencesOf(collection, record), []).slice(0, LIMITS.lists.seasonGoals)) {
      add(named.collection, named.key);
    }
  }
  return [...places.values()];
}

/** Limits the issues of an answer: each refusal keeps its first, further ones only while they are few. */
function withFewIssues(results: ChangeResult[]): ChangeResult[] {
  let spare: number = LIMITS.issues;
  return results.map((result) => {
    if (result.status !== 'refused') return result;
    const issues: Issue[] = result.issues.slice(0, 1 + spare);
    spare -= issues.length - 1;
    return { ...result, issues };
  });
}

/** Rows the device has not seen: others' writes, cascades of its own, and superseding versions. */
async function rowsAfter(
  pool: Pool,
  userId: string,
  { at, revision, wroteMore, results, winners }: Batch,
  changes: readonly Change[],
  since: number | undefined,
): Promise<{ revision: number; more: boolean; rows: string[] }> {
  const jsonOf = (rows: readonly queries.SentRow[]): string[] => rows.map(({ json }) => json);
  if (since === undefined || (since >= at && !wroteMore)) return { revision, more: false, rows: jsonOf(winners) };
  const page = await queries.rowsBetween(pool, userId, since, revision);
  const taken = new Set(results.flatMap((each) => (each.status === 'accepted' ? [each.id] : [])));
  const own = new Set(
    changes.flatMap(({ id, collection, key }) => (taken.has(id) ? [`${id} ${collection} ${key}`] : [])),
  );
  const rows = page.rows.filter((each) => !own.has(`${each.changeId} ${each.collection} ${each.key}`));
  const sent = new Set(rows.map((each) => queries.placeOf(each.collection, each.key)));
  const others = winners.filter((each) => !sent.has(queries.placeOf(each.collection, each.key)));
  return {
    revision: page.isLast ? revision : page.rows.at(-1)!.revision,
    more: !page.isLast,
    rows: jsonOf([...others, ...rows]),
  };
}

/** Streams the rows newer than a revision as the JSON of a `ChangesSince`, page by page. */
export async function* changesSince(
  pool: Pool,
  userId: string,
  since: number,
  now: Date,
): AsyncGenerator<{ json: string; isLast: boolean }> {
  let page = await queries.rowsBetween(pool, userId, since, Number.MAX_SAFE_INTEGER);
  // Concurrent writes have a later revision and come with the next pull.
  const { revision } = page;
  let before = `{"revision":${revision},"more":false,"now":"${now.toISOString()}","rows":[`;
  for (;;) {
    yield {
      json: `${before}${page.rows.map((each) => each.json).join(',')}${page.isLast ? ']}' : ''}`,
      isLast: page.isLast,
    };
    if (page.isLast) return;
    page = await queries.rowsBetween(pool, userId, page.rows.at(-1)!.revision, revision);
    before = page.rows.length > 0 ? ',' : '';
  }
}
