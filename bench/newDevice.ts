import { get } from 'node:http';
import pg from 'pg';
import { startWimbel } from '../tools/wimbel.ts';
import { line, say } from './measure.ts';
import { signUp } from './onPage.ts';

const HABITS = 28;
const DAYS = 3600;
const BATCH = 500;

const wimbel = await startWimbel('bench', { env: { WIMBEL_REQUESTS_PER_MINUTE: '10000000' } });
const { residentMb } = wimbel;

try {
  const person = await signUp(wimbel.url, 'long@example.org');
  const ids = Array.from({ length: HABITS }, (_, index) => `h${index}`);
  await person.send(
    ids.map((id) => [
      'habits',
      id,
      {
        id,
        name: 'Scales',
        order: 0,
        aim: 'build',
        partOfDay: 'any',
        measure: { kind: 'check' },
        terms: [{ from: '2017-01-01', schedule: { kind: 'daily' } }],
        startsOn: '2017-01-01',
      },
    ]),
  );
  const entries = ids.flatMap((habitId) =>
    Array.from({ length: DAYS }, (_, index): [string, string, object] => {
      const day = new Date(Date.UTC(2017, 0, 1 + index)).toISOString().slice(0, 10);
      return ['entries', `${day} ${habitId}`, { habitId, day, mark: 'done' }];
    }),
  );
  for (let at = 0; at < entries.length; at += BATCH) await person.send(entries.slice(at, at + BATCH));

  const before = residentMb();
  let most = before;
  const watch = setInterval(() => (most = Math.max(most, residentMb())), 20);
  const startedMs = performance.now();
  const { firstMs, bytes, rows } = await new Promise<{ firstMs: number; bytes: number; rows: number }>(
    (resolve, reject) => {
      get(new URL('/api/changes?since=0', wimbel.url), { headers: person.headers }, (answer) => {
        let firstMs = 0;
        const pieces: Buffer[] = [];
        answer.on('data', (piece: Buffer) => {
          if (firstMs === 0) firstMs = performance.now() - startedMs;
          pieces.push(piece);
        });
        answer.on('end', () => {
          const text = Buffer.concat(pieces).toString();
          resolve({ firstMs, bytes: text.length, rows: (JSON.parse(text) as { rows: unknown[] }).rows.length });
        });
      }).on('error', reject);
    },
  );
  const allMs = performance.now() - startedMs;
  clearInterval(watch);
  if (rows !== entries.length + HABITS) throw new Error(`${rows} rows came`);
  say(`\nA new device fetches ${rows} rows (${(bytes / 1e6).toFixed(1)} MB)`);
  line('until the first rows', firstMs);
  line('until the last', allMs);
  say(`  the server grew by ${Math.max(0, most - before).toFixed(0)} MB at most`);
  const database = new pg.Client({ connectionString: wimbel.databaseUrl() });
  await database.connect();
  const { rows: sizes } = await database.query<{ mb: number }>(
    'select pg_database_size(current_database()) / 1e6 as mb',
  );
  await database.end();
  say(`  the database takes ${Number(sizes[0]!.mb).toFixed(1)} MB`);
} finally {
  await wimbel.end();
}
