import { randomUUID } from 'node:crypto';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { COLLECTIONS, checkRecord } from '@wimbel/contract';
import pg from 'pg';
import { oneOfEach } from '../testing/oneOfEach.ts';
import { MIGRATIONS } from '../testing/testServer.ts';
import { namedRecordSql } from './recordSql.ts';

const FIRST_WITH_LOG = '0004';
const files = readdirSync(MIGRATIONS)
  .filter((name) => name.endsWith('.sql'))
  .sort();
const sqlOf = (name: string): string => readFileSync(join(MIGRATIONS, name), 'utf8');
const snakeCase = (name: string): string => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

let client: pg.Client;
beforeEach(async () => {
  const name = `m_${randomUUID().replaceAll('-', '')}`;
  const admin = new pg.Client({ connectionString: process.env.TEST_DATABASE_URL });
  await admin.connect();
  await admin.query(`create database ${name}`);
  await admin.end();
  client = new pg.Client({ connectionString: process.env.TEST_DATABASE_URL!.replace(/\/postgres$/, `/${name}`) });
  await client.connect();
});
afterEach(() => client.end());

it('records from before the log are named by it as they were, removals too, and no instant far ahead is left', async () => {
  for (const name of files.filter((each) => each < FIRST_WITH_LOG)) await client.query(sqlOf(name));
  await client.query(`insert into "user" (id, name, email) values ('anna', 'Anna', 'anna@example.org')`);
  // Fields that came later were in nobody's records then.
  const written = oneOfEach().map((each) => {
    const { impact: _, habitIds: __, ...record } = (each.record ?? {}) as Record<string, unknown>;
    return each.collection === 'habits' || each.collection === 'seasons' ? { ...each, record: record as never } : each;
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
    `select collection, key, revision, (${namedRecordSql(COLLECTIONS)})::json as record from change_log l order by revision`,
  );
  expect(rows).toHaveLength(written.length + 1);
  for (const [index, { collection, key, record }] of written.entries()) {
    expect(rows[index]).toEqual({ collection, key, revision: String(index + 1), record });
    expect(checkRecord(collection, rows[index]!.record).issues).toEqual([]);
  }
  expect(rows.at(-1)).toMatchObject({ collection: 'quotes', key: 'gone', record: null });
  expect((await client.query('select key from change_log where deleted')).rows).toEqual([{ key: 'gone' }]);
  const ahead = await client.query('select key from change_log where changed_at > now()');
  expect(ahead.rows).toEqual([]);
  const kept = await client.query(`select 1 from change_log where changed_at = '2026-11-20T10:00:00.123456Z'`);
  expect(kept.rowCount).toBe(written.length - 1);
});

it('the first terms of a habit begin with its record, and devices are told of it by a new revision', async () => {
  const before = files.filter((each) => each < '0008');
  for (const name of before) await client.query(sqlOf(name));
  await client.query(`insert into "user" (id, name, email) values ('anna', 'Anna', 'anna@example.org')`);
  const terms = [
    { from: '2026-11-24', schedule: { kind: 'daily' }, pips: 2 },
    { from: '2026-12-01', schedule: { kind: 'perWeek', times: 3 } },
  ];
  const habits = [
    // Brought in from September on, though it was made in November.
    { id: 'late', startsOn: '2026-11-24' },
    // Its start was moved by hand.
    { id: 'moved', startsOn: '2026-10-05' },
    // A note alone is no record.
    { id: 'noted', startsOn: '2026-11-24' },
    { id: 'inTime', startsOn: '2026-11-24' },
  ];
  for (const [index, { id, startsOn }] of habits.entries()) {
    await client.query(
      `insert into habits (user_id, id, name, "order", aim, part_of_day, measure, terms, starts_on)
       values ('anna', $1, $1, 0, 'build', 'any', '{"kind":"check"}', $2, $3)`,
      [id, JSON.stringify(terms), startsOn],
    );
    await client.query(
      `insert into change_log (user_id, collection, key, revision, changed_at, change_id, record)
       values ('anna', 'habits', $1, $2, now(), $1, $3)`,
      [id, index + 1, JSON.stringify({ id, terms, startsOn })],
    );
  }
  await client.query(`insert into revisions values ('anna', 4)`);
  await client.query(`insert into entries (user_id, habit_id, day, mark, note) values
    ('anna', 'late', '2026-09-03', 'done', null), ('anna', 'late', '2026-09-01', null, 'soon'),
    ('anna', 'noted', '2026-09-02', null, 'a note'), ('anna', 'inTime', '2026-11-25', 'done', null)`);
  for (const name of files.filter((each) => each >= '0008' && each < '0011')) await client.query(sqlOf(name));
  const { rows } = await client.query<{ id: string; revision: string; terms: unknown; logged: unknown }>(
    `select id, revision, terms, record -> 'terms' as logged from habits
     join change_log on collection = 'habits' and key = id order by id`,
  );
  const from = (first: string) => [{ ...terms[0], from: first }, terms[1]];
  expect(rows.map(({ id, revision }) => [id, revision])).toEqual([
    ['inTime', '4'],
    ['late', '5'],
    ['moved', '6'],
    ['noted', '3'],
  ]);
  expect(rows.map((row) => row.terms)).toEqual([
    from('2026-11-24'),
    from('2026-09-03'),
    from('2026-10-05'),
    from('2026-11-24'),
  ]);
  for (const row of rows) expect(row.logged).toEqual(row.terms);
  expect((await client.query('select revision from revisions')).rows).toEqual([{ revision: '6' }]);
});

describe('one copy of each record', () => {
  const asLogged = (key: string, revision: number, collection: string, record: object | null) =>
    client.query(
      `insert into change_log (user_id, collection, key, revision, changed_at, change_id, record)
       values ('anna', $1, $2, $3, now(), $2, $4)`,
      [collection, key, revision, record === null ? null : JSON.stringify(record)],
    );
  const quote = { id: 'q', text: 'Slowly, "and" then all at once', by: 'öl\n油' };

  beforeEach(async () => {
    for (const name of files.filter((each) => each < '0011')) await client.query(sqlOf(name));
    await client.query(`insert into "user" (id, name, email) values ('anna', 'Anna', 'anna@example.org')`);
    for (const [index, { collection, key, record }] of oneOfEach().entries()) {
      await asLogged(key, index + 1, collection, record);
    }
    await asLogged('gone', 100, 'quotes', null);
  });
  const toNewest = async (): Promise<void> => {
    for (const name of files.filter((each) => each >= '0011')) await client.query(sqlOf(name));
  };

  it('where a table lacks a record of the log or holds another, the log’s is written to it', async () => {
    await client.query(`insert into quotes (user_id, id, text) values ('anna', 'q', 'another')`);
    await asLogged('q', 101, 'quotes', quote);
    await toNewest();
    const { rows } = await client.query<{ collection: string; key: string; record: object }>(
      `select collection, key, (${namedRecordSql(COLLECTIONS)})::json as record from change_log l where not deleted`,
    );
    const expected = [...oneOfEach(), { collection: 'quotes', key: 'q', record: quote }];
    expect(rows).toHaveLength(expected.length);
    for (const { collection, key, record } of expected) {
      expect(rows.find((row) => row.collection === collection && row.key === key)?.record).toEqual(record);
    }
  });

  it('a record that its table cannot hold stops it, and nothing is lost', async () => {
    await asLogged('q', 101, 'quotes', { ...quote, unknown: 1 });
    await client.query('begin');
    await expect(toNewest()).rejects.toThrow('1 records of quotes cannot be kept');
    await client.query('rollback');
    const { rows } = await client.query(`select record from change_log where key = 'q'`);
    expect(rows).toEqual([{ record: { ...quote, unknown: 1 } }]);
  });
});
