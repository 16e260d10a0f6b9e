import { randomUUID } from 'node:crypto';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { checkRecord } from '@wimbel/contract';
import pg from 'pg';
import { oneOfEach } from '../testing/oneOfEach.ts';
import { MIGRATIONS } from '../testing/testServer.ts';

const FIRST_WITH_LOG = '0004';
const files = readdirSync(MIGRATIONS)
  .filter((name) => name.endsWith('.sql'))
  .sort();
const sqlOf = (name: string): string => readFileSync(join(MIGRATIONS, name), 'utf8');
const snakeCase = (name: string): string => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

let client: pg.Client;
beforeAll(async () => {
  const name = `m_${randomUUID().replaceAll('-', '')}`;
  const admin = new pg.Client({ connectionString: process.env.TEST_DATABASE_URL });
  await admin.connect();
  await admin.query(`create database ${name}`);
  await admin.end();
  client = new pg.Client({ connectionString: process.env.TEST_DATABASE_URL!.replace(/\/postgres$/, `/${name}`) });
  await client.connect();
});
afterAll(() => client.end());

it('records from before the log stand in it as they were, removals too, and no instant far ahead is left', async () => {
  for (const name of files.filter((each) => each < FIRST_WITH_LOG)) await client.query(sqlOf(name));
  await client.query(`insert into "user" (id, name, email) values ('anna', 'Anna', 'anna@example.org')`);
  // Fields that came later were in nobody's records then.
  const written = oneOfEach().map((each) => {
    const { impact: _, ...record } = (each.record ?? {}) as Record<string, unknown>;
    return each.collection === 'habits' ? { ...each, record: record as never } : each;
  });
  for (const [index, { collection, record }] of written.entries()) {
    // A clock gone wrong wrote the entry.
    const changedAt = collection === 'entries' ? '2100-01-01T00:00:00Z' : '2026-11-20T10:00:00.123456Z';
    const row = {
      ...(record as object),
      userId: 'anna',
      revision: index + 1,
      changedAt,
      changeId: `c${index}`,
      place: index + 1,
    };
    const columns = Object.fromEntries(Object.entries(row).map(([name, value]) => [snakeCase(name), value]));
    const names = Object.keys(columns).map((each) => `"${each}"`);
    const table = snakeCase(collection);
    await client.query(
      `insert into "${table}" (${names.join()}) select ${names.join()} from json_populate_record(null::"${table}", $1::json)`,
      [JSON.stringify(columns)],
    );
  }
  await client.query(
    `insert into removals values ('anna', 'quotes', 'gone', ${written.length + 1}, '9999-12-31T00:00:00Z', 'x')`,
  );

  for (const name of files.filter((each) => each >= FIRST_WITH_LOG)) await client.query(sqlOf(name));
  const { rows } = await client.query<{ collection: string; key: string; revision: string; record: object | null }>(
    'select collection, key, revision, record from change_log order by revision',
  );
  expect(rows).toHaveLength(written.length + 1);
  for (const [index, { collection, key, record }] of written.entries()) {
    expect(rows[index]).toEqual({ collection, key, revision: String(index + 1), record });
    expect(checkRecord(collection, rows[index]!.record).issues).toEqual([]);
  }
  expect(rows.at(-1)).toMatchObject({ collection: 'quotes', key: 'gone', record: null });
  const ahead = await client.query('select key from change_log where changed_at > now()');
  expect(ahead.rows).toEqual([]);
  const kept = await client.query(`select 1 from change_log where changed_at = '2026-11-20T10:00:00.123456Z'`);
  expect(kept.rowCount).toBe(written.length - 1);
});
