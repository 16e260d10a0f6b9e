import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { postgresPrograms } from '../scripts/machine/postgres.mjs';
import { STATE } from '../scripts/machine/system.mjs';
import { startWimbel } from '../e2e/driver/server.ts';
import { line, median, ratio, say, timeMsAsync } from './measure.ts';

const TIMES = 400;

const wimbel = await startWimbel('bench');
try {
  const headers = { 'content-type': 'application/json', origin: wimbel.url };
  const signUp = await fetch(`${wimbel.url}/api/auth/sign-up/email`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ email: 'bench@example.org', password: 'a long enough word', name: 'Bench' }),
  });
  const cookie = signUp.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ');
  const { user } = (await signUp.json()) as { user: { id: string } };
  const send = async (collection: string, key: string, record: unknown): Promise<void> => {
    const change = { id: randomUUID(), madeAt: new Date().toISOString(), collection, key, record };
    const response = await fetch(`${wimbel.url}/api/changes`, {
      method: 'POST',
      headers: { ...headers, cookie },
      body: JSON.stringify({ changes: [change] }),
    });
    const { results } = (await response.json()) as { results: { status: string }[] };
    if (results[0]?.status !== 'accepted') throw new Error(`not accepted: ${JSON.stringify(results)}`);
  };
  await send('habits', 'h', {
    id: 'h',
    name: 'Scales',
    order: 0,
    aim: 'build',
    partOfDay: 'any',
    measure: { kind: 'check' },
    terms: [{ from: '2026-01-01', schedule: { kind: 'daily' } }],
    startsOn: '2026-01-01',
  });
  const checkOff = (): Promise<void> =>
    send('entries', '2026-11-24 h', { habitId: 'h', day: '2026-11-24', mark: 'done' });
  for (let i = 0; i < 50; i++) await checkOff();
  const times: number[] = [];
  for (let i = 0; i < TIMES; i++) times.push(await timeMsAsync(checkOff));

  const script = join(STATE, 'bench-upsert.sql');
  writeFileSync(
    script,
    `insert into entries (user_id, revision, changed_at, change_id, place, habit_id, day, mark)
values ('${user.id}', 1, now(), 'bench', 1, 'h', '2026-11-24', 'done')
on conflict (user_id, habit_id, day) do update set mark = excluded.mark, changed_at = excluded.changed_at;\n`,
  );
  const printed = execFileSync(
    join(postgresPrograms()!, 'pgbench'),
    ['-n', '-c', '1', '-t', String(TIMES), '-f', script, wimbel.databaseUrl()],
    { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] },
  );
  const upsertMs = Number(/latency average = ([\d.]+) ms/.exec(printed)?.[1]);

  say(`\nOne durable check-off (${TIMES} times, one after the other, synchronous commit on)`);
  line('through the whole server, over HTTP (median)', median(times));
  line('the same upsert by pgbench (mean)', upsertMs);
  ratio('through the server / by pgbench', median(times) / upsertMs);
} finally {
  await wimbel.end();
}
