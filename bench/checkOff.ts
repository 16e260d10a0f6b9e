import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { join } from 'node:path';
import { postgresPrograms } from '../scripts/machine/postgres.mjs';
import { STATE } from '../scripts/machine/system.mjs';
import { startWimbel } from '../e2e/driver/server.ts';
import { habit } from '../e2e/soak/asking.ts';
import { line, median, ratio, say, timeMsAsync } from './measure.ts';
import { type BenchPerson, signUp } from './onPage.ts';

const TIMES = 400;
/** People who check off at once, as many as clients of pgbench. */
const PEOPLE = 16;
const SECONDS = 10;

const agent = new Agent({ keepAlive: true, maxSockets: PEOPLE });

/** Posts a check-off as the app does, over a connection that stays; rejects where it was not accepted. */
function post(url: URL, person: BenchPerson): Promise<void> {
  const change = {
    id: randomUUID(),
    madeAt: new Date().toISOString(),
    collection: 'entries',
    key: '2026-11-24 h',
    record: { habitId: 'h', day: '2026-11-24', mark: 'done' },
  };
  const body = JSON.stringify({ changes: [change] });
  const headers = { ...person.headers, 'content-length': Buffer.byteLength(body) };
  return new Promise((resolve, reject) => {
    const asked = request(url, { method: 'POST', agent, headers }, (answer) => {
      let text = '';
      answer.setEncoding('utf8');
      answer.on('data', (chunk: string) => (text += chunk));
      answer.on('end', () => (text.includes('"accepted"') ? resolve() : reject(new Error(text.slice(0, 300)))));
    });
    asked.on('error', reject);
    asked.end(body);
  });
}

/** The upsert of an entry by itself, by pgbench: seconds of latency with one client, or transactions a second. */
function pgbench(databaseUrl: string, script: string, clients: number): { latencyMs: number; perSecond: number } {
  const printed = execFileSync(
    join(postgresPrograms()!, 'pgbench'),
    ['-n', '-M', 'prepared', '-c', String(clients), '-j', '2', '-T', String(SECONDS), '-f', script, databaseUrl],
    { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] },
  );
  return {
    latencyMs: Number(/latency average = ([\d.]+) ms/.exec(printed)?.[1]),
    perSecond: Number(/tps = ([\d.]+)/.exec(printed)?.[1]),
  };
}

/** How many check-offs a second people get through who check off again and again. */
async function perSecond(url: URL, people: readonly BenchPerson[]): Promise<number> {
  const untilMs = performance.now() + SECONDS * 1000;
  const startedMs = performance.now();
  let count = 0;
  await Promise.all(
    people.map(async (person) => {
      while (performance.now() < untilMs) {
        await post(url, person);
        count++;
      }
    }),
  );
  return count / ((performance.now() - startedMs) / 1000);
}

const wimbel = await startWimbel('bench', {
  now: new Date().toISOString(),
  env: { WIMBEL_REQUESTS_PER_MINUTE: '10000000' },
});
try {
  const url = new URL('/api/changes', wimbel.url);
  const people: BenchPerson[] = [];
  for (let index = 0; index < PEOPLE; index++) {
    const person = await signUp(wimbel.url, `bench${index}@example.org`);
    await person.send([['habits', 'h', habit('h')]]);
    people.push(person);
  }
  const [alone] = people as [BenchPerson];
  for (let i = 0; i < 200; i++) await post(url, alone);
  const times: number[] = [];
  for (let i = 0; i < TIMES; i++) times.push(await timeMsAsync(() => post(url, alone)));
  const throughServer = await perSecond(url, people);

  const script = join(STATE, 'bench-upsert.sql');
  const whose = people.map((person) => `'${person.id}'`).join(', ');
  writeFileSync(
    script,
    `insert into entries (user_id, habit_id, day, mark)
values ((array[${whose}])[:client_id::int + 1], 'h', '2026-11-24', 'done')
on conflict (user_id, habit_id, day) do update set mark = excluded.mark;\n`,
  );
  const one = pgbench(wimbel.databaseUrl(), script, 1);
  const many = pgbench(wimbel.databaseUrl(), script, PEOPLE);

  say('\nOne durable check-off, one after the other (synchronous commit on)');
  line('through the whole server, over HTTP (median)', median(times));
  line('the same upsert by pgbench (mean)', one.latencyMs);
  ratio('through the server / by pgbench', median(times) / one.latencyMs);
  say(`\n${PEOPLE} people at once, for ${SECONDS} s`);
  say(`  through the whole server: ${Math.round(throughServer)} a second; by pgbench: ${Math.round(many.perSecond)}`);
  ratio('through the server / by pgbench, a second', throughServer / many.perSecond);
} finally {
  agent.destroy();
  await wimbel.end();
}
