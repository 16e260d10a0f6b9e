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

/** How often a batch is looked at anew where other servers write for the same person meanwhile. */
const MOST_TRIES = 12;
/** The pause before the next try, longer each time. */
const RETRY_MS = 15;

/** What the changes of a person are taken in with. */
export type ChangesDeps = { pool: Pool; clock: Clock; cache: LogCache; feed: RevisionFeed; quotas: Quotas };

/** Whether PostgreSQL refused values (class 22) or a constraint (class 23). */
const isRefusedByDatabase = (error: unknown): boolean => /^2[23]/.test(codeOf(error) ?? '');

type Batch = {
  results: ChangeResult[];
  /** The revision that the records were at before. */
  at: number;
  revision: number;
  /** Whether more was written than the changes themselves say. */
  wroteMore: boolean;
  /** What stands where changes came too late. */
  winners: queries.SentRow[];
};

/** A `ChangesAnswer` as JSON: records in it are text of the database, and are not read. */
export type AnswerJson = string;

/** Changes of one person, sent together. */
export type Sent = {
  userId: string;
  changes: readonly Change[];
  since: number | undefined;
  /** Whether the account has no room left. */
  isFull: boolean;
};

/**
 * Takes in changes in order. A change that does not hold is refused by itself and the others go in; one that is not later
 * than what is there is passed over, so that sending it twice is harmless. What goes in goes in with one statement, made
 * again where another server wrote meanwhile. Answers with what is newer than `since`, where that was given.
 */
export async function applyChanges(deps: ChangesDeps, sent: Sent): Promise<AnswerJson> {
  return answerTo(deps, sent, await applyAlone(deps, sent));
}

async function answerTo(deps: ChangesDeps, { userId, changes, since }: Sent, batch: Batch): Promise<AnswerJson> {
  const { revision, more, rows } = await newsAfter(deps.pool, userId, batch, changes, since);
  const head = { results: withFewIssues(batch.results), now: deps.clock.now().toISOString(), revision, more };
  return `${JSON.stringify(head).slice(0, -1)},"rows":[${rows.join(',')}]}`;
}

/**
 * Takes in what several people sent, each their own, with one statement for all. What of it does not go in like this (a
 * constraint is broken, another server writes for the same person) is taken in by itself.
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
 * One try to take in what several people sent; null for those whose did not go in. Where the memory is asked, only what it
 * lets in goes in: a refusal wants to be sure.
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

/** Records as they are written, with the instant of the device's own clock where a change said it. */
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

/** What was recalled of people, and what is read of the others with one statement. */
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

/** One of the changes broke a constraint that no check foresaw: taken in by itself, each, it alone is refused. */
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
 * What stands where changes came too late: a device that shows them shows this instead. It may have sent the very change
 * before, without having heard the answer. An answer carries so much of it at most: what became of the others that came too
 * late is left out, the device keeps them and sends them again.
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

/** What a check says; where it trips over a value that it was not made for, something else. */
function safely<T>(check: () => T, otherwise: T): T {
  try {
    return check();
  } catch {
    return otherwise;
  }
}

/** Where the changes will look: their own records, and those that they name. */
function placesOf(changes: readonly Change[]): { collection: Collection; key: string }[] {
  const places = new Map<string, { collection: Collection; key: string }>();
  const add = (collection: Collection, key: unknown): void => {
    // Whatever is not a key is found out by the checks; here it only is not looked for.
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

/** Each refusal keeps its first issue; the others only as long as they are few, so that no answer outgrows its question. */
function withFewIssues(results: ChangeResult[]): ChangeResult[] {
  let spare: number = LIMITS.issues;
  return results.map((result) => {
    if (result.status !== 'refused') return result;
    const issues: Issue[] = result.issues.slice(0, 1 + spare);
    spare -= issues.length - 1;
    return { ...result, issues };
  });
}

/** What the device has not seen: what others wrote since, what its changes took along, and what won over them. */
async function newsAfter(
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

/**
 * What is newer than a revision as the JSON of a `ChangesSince`, page by page, so that a long record is neither held nor
 * waited for as a whole.
 */
export async function* changesSince(
  pool: Pool,
  userId: string,
  since: number,
  now: Date,
): AsyncGenerator<{ json: string; isLast: boolean }> {
  let page = await queries.rowsBetween(pool, userId, since, Number.MAX_SAFE_INTEGER);
  // What is written while this goes on has a later revision, and comes with the next fetch.
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
