import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { postgresPrograms } from '../tools/postgres.mjs';
import { STATE } from '../tools/system.mjs';
import { startWimbel } from '../tools/wimbel.ts';
import { habit } from '../e2e/soak/client.ts';
import { line, median, ratio, rounds, say, timeMsAsync } from './measure.ts';
import { type BenchPerson, signUp } from './onPage.ts';

const TIMES = rounds(1000);
/** People who check off at once, as many as clients of pgbench. */
const PEOPLE = 16;
const SECONDS = rounds(10);
/** A server that has been running for a while is measured, not one that has just started. */
const WARM_SECONDS = rounds(5);

/** One person's connection, which stays; `checkOff` posts one as the app does, and rejects where it was not accepted. */
type Line = { checkOff: () => Promise<void>; close: () => void };

/**
 * A connection by hand: what asks runs on the same processors as what is measured, as pgbench does, and must cost as
 * little as that.
 */
function lineOf(url: URL, person: BenchPerson): Line {
  const socket = connect(Number(url.port), url.hostname);
  socket.setNoDelay(true);
  socket.setEncoding('latin1');
  let text = '';
  let settle: { resolve: () => void; reject: (error: Error) => void } | null = null;
  const end = (error?: Error): void => {
    const waiting = settle;
    settle = null;
    if (error) waiting?.reject(error);
    else waiting?.resolve();
  };
  socket.on('error', end);
  socket.on('data', (chunk: string) => {
    text += chunk;
    const head = text.indexOf('\r\n\r\n');
    if (head < 0) return;
    const length = Number(/content-length: (\d+)/i.exec(text.slice(0, head))?.[1]);
    if (!(length >= 0)) return end(new Error(text.slice(0, 300)));
    if (text.length < head + 4 + length) return;
    const isIn = text.includes('"accepted"', head);
    const answer = text.slice(0, 600);
    text = '';
    end(isIn ? undefined : new Error(answer));
  });
  const head = Object.entries({ host: url.host, ...person.headers }).map(([name, value]) => `${name}: ${value}\r\n`);
  const start = `POST ${url.pathname} HTTP/1.1\r\n${head.join('')}content-length: `;
  return {
    checkOff: () =>
      new Promise((resolve, reject) => {
        const change = {
          id: randomUUID(),
          madeAt: new Date().toISOString(),
          collection: 'entries',
          key: '2026-11-24 h',
          record: { habitId: 'h', day: '2026-11-24', mark: 'done' },
        };
        const body = JSON.stringify({ changes: [change] });
        settle = { resolve, reject };
        socket.write(`${start}${body.length}\r\n\r\n${body}`);
      }),
    close: () => socket.destroy(),
  };
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
async function perSecond(lines: readonly Line[], seconds: number): Promise<number> {
  const startedMs = performance.now();
  const untilMs = startedMs + seconds * 1000;
  let count = 0;
  await Promise.all(
    lines.map(async ({ checkOff }) => {
      while (performance.now() < untilMs) {
        await checkOff();
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
  const lines = people.map((person) => lineOf(url, person));
  const [alone] = lines as [Line];
  await perSecond(lines, WARM_SECONDS);
  const times: number[] = [];
  for (let i = 0; i < TIMES; i++) times.push(await timeMsAsync(alone.checkOff));
  const throughServer = await perSecond(lines, SECONDS);
  for (const each of lines) each.close();

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
  await wimbel.end();
}
