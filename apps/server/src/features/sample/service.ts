import { readFile } from 'node:fs/promises';
import { COLLECTIONS } from '@wimbel/contract';
import { readDataFileText } from '@wimbel/exchange';
import { and, eq, lt } from 'drizzle-orm';
import { getTableColumns, getTableName } from 'drizzle-orm';
import type { PgTable } from 'drizzle-orm/pg-core';
import { v7 as uuid } from 'uuid';
import type { Clock } from '../../clock.ts';
import { type Database, withLock } from '../../db/connection.ts';
import { user } from '../../db/schema/account.ts';
import { changeLog, revisions } from '../../db/schema/changeLog.ts';
import { tableOf } from '../../db/tables.ts';
import type { Auth } from '../account/auth.ts';
import { importRecords } from '../changes/importRecords.ts';

/** The account that every sample is copied from. Nobody can sign in to it: it has no password. */
const TEMPLATE_EMAIL = 'sample.template@wimbel.invalid';
const LOADING_LOCK = 790_212;
/** How long a visitor's sample stays. */
const SAMPLE_MS = 24 * 60 * 60 * 1000;

export type SampleDeps = { db: Database; auth: Auth; clock: Clock };

/**
 * Loads the file into the account that samples are copied from, unless that was done. Servers that start together wait
 * for each other, and one of them loads it.
 */
export async function prepareSample(deps: SampleDeps, databaseUrl: string, file: string): Promise<'loaded' | 'kept'> {
  return withLock(databaseUrl, LOADING_LOCK, () => loadTemplate(deps, file));
}

async function loadTemplate({ db, clock }: SampleDeps, file: string): Promise<'loaded' | 'kept'> {
  const [known] = await db.select().from(user).where(eq(user.email, TEMPLATE_EMAIL));
  if (known?.emailVerified) return 'kept';
  // What a server that ended while loading has left.
  if (known) await db.delete(user).where(eq(user.id, known.id));
  const { records, issues } = readDataFileText(await readFile(file, 'utf8'));
  if (records === null) {
    throw new Error(
      `The sample file is not a good data file: ${issues
        .slice(0, 3)
        .map((each) => `${each.path}: ${each.message}`)
        .join('; ')}`,
    );
  }
  const id = uuid();
  await db.insert(user).values({ id, name: 'Sample', email: TEMPLATE_EMAIL });
  await importRecords(db.$client, id, records, clock.now().toISOString(), uuid());
  // Verified stands for whole.
  await db.update(user).set({ emailVerified: true }).where(eq(user.id, id));
  return 'loaded';
}

/** Signs a visitor in to a sample of their own, made now. */
export async function openSample({ db, auth }: SampleDeps, headers: Headers): Promise<Response> {
  const own = new Headers(headers);
  // Whoever was signed in here is not carried over.
  own.delete('cookie');
  const response = await auth.api.signInAnonymous({ headers: own, asResponse: true });
  const { user: visitor } = (await response.clone().json()) as { user: { id: string } };
  try {
    await copyTemplate(db, visitor.id);
  } catch (error) {
    await db.delete(user).where(eq(user.id, visitor.id));
    throw error;
  }
  return response;
}

/** Copies the template's records to an account, one statement a table, all or nothing. */
async function copyTemplate(db: Database, userId: string): Promise<void> {
  const client = await db.$client.connect();
  try {
    await client.query('begin');
    for (const table of [...COLLECTIONS.map(tableOf), changeLog, revisions] as PgTable[]) {
      const names = Object.keys(getTableColumns(table)).map((each) =>
        each.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`),
      );
      const columns = names.filter((each) => each !== 'user_id').map((each) => `"${each}"`);
      await client.query(
        `insert into "${getTableName(table)}" (${['user_id', ...columns].join(', ')}) ` +
          `select ${['$1', ...columns].join(', ')} from "${getTableName(table)}" ` +
          `where user_id = (select id from "user" where email = $2)`,
        [userId, TEMPLATE_EMAIL],
      );
    }
    await client.query('commit');
  } catch (error) {
    await client.query('rollback').catch(() => undefined);
    throw error;
  } finally {
    client.release();
  }
}

/** Takes the samples away that are over, with all that was written in them. */
export async function clearSamples({ db, clock }: SampleDeps): Promise<number> {
  const until = new Date(clock.now().getTime() - SAMPLE_MS);
  const gone = await db
    .delete(user)
    .where(and(eq(user.isAnonymous, true), lt(user.createdAt, until)))
    .returning({ id: user.id });
  return gone.length;
}
