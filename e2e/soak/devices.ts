import { randomUUID } from 'node:crypto';
import { type ChangeResult, type ServerRow, isLater } from '@wimbel/contract';
import seedrandom from 'seedrandom';
import { startWimbel } from '../../tools/wimbel.ts';
import { type Somebody, agent, ask, habit, signUp } from './client.ts';

/** Changes of all devices together, and the time after which it has failed. */
const CHANGES = 10_000;
const LIMIT_MS = 10 * 60_000;
const HABITS = 6;
const DAYS = 60;

type Sent = { id: string; madeAt: string; collection: string; key: string; record: object | null };

const random = seedrandom('devices');
const pick = (count: number): number => Math.floor(random() * count);
const say = (text: string): void => void process.stdout.write(`${text}\n`);
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

const wimbel = await startWimbel('soak', {
  now: new Date().toISOString(),
  env: { WIMBEL_REQUESTS_PER_MINUTE: '10000000' },
});
const second = await wimbel.startAnother();
const startedMs = performance.now();
const made: Sent[] = [];
const became = new Map<string, ChangeResult['status']>();
let cuts = 0;
let kills = 0;
let isOver = false;

/** One of three devices of a person: makes changes by a clock of its own, sends them in order, again where it is unsure. */
async function device(person: Somebody, skewMs: number, count: number): Promise<void> {
  const waiting: Sent[] = [];
  let left = count;
  let latestMs = 0;
  while ((left > 0 || waiting.length > 0) && performance.now() - startedMs < LIMIT_MS) {
    for (let some = Math.min(left, 1 + pick(12)); some > 0; some--, left--) {
      const [habitId, day] = [
        `h${pick(HABITS)}`,
        `2026-0${1 + pick(2)}-${String(1 + pick(DAYS / 2 - 2)).padStart(2, '0')}`,
      ];
      latestMs = Math.max(Date.now() + skewMs, latestMs + 1);
      const record =
        random() < 0.15 ? null : { habitId, day, mark: ['done', 'missed', 'rest'][pick(3)], note: randomUUID() };
      const change = {
        id: randomUUID(),
        madeAt: new Date(latestMs).toISOString(),
        collection: 'entries',
        key: `${day} ${habitId}`,
        record,
      };
      waiting.push(change);
      made.push(change);
    }
    await pause(pick(150));
    const batch = waiting.slice(0, 1 + pick(30));
    const cut = random() < 0.15 ? pick(25) : null;
    if (cut !== null) cuts++;
    const url = random() < 0.5 ? wimbel.url : second.url;
    const times = random() < 0.1 ? 2 : 1;
    try {
      const answers = await Promise.all(
        Array.from({ length: times }, () =>
          ask(`${url}/api/changes`, person.headers, { changes: batch, since: 0 }, cut),
        ),
      );
      for (const { status, body } of answers) {
        if (status >= 500 && status !== 503) throw new Error(`FAULT: a ${status}: ${JSON.stringify(body)}`);
        if (status !== 200) continue;
        for (const result of (body as { results: ChangeResult[] }).results) {
          if (became.get(result.id) !== 'accepted') became.set(result.id, result.status);
        }
      }
    } catch (error) {
      if (String(error).includes('FAULT')) throw error;
      await pause(50);
    }
    while (waiting.length > 0 && became.has(waiting[0]!.id)) waiting.shift();
  }
}

/** Kills a server, the other, or the database, again and again. */
async function killer(): Promise<void> {
  while (!isOver) {
    await pause(1500 + pick(1500));
    if (isOver) return;
    kills++;
    const what = pick(5);
    if (what < 2) {
      wimbel.killServer();
      await pause(pick(500));
      await wimbel.restartServer();
    } else if (what < 4) {
      second.kill();
      await pause(pick(500));
      await second.restart();
    } else {
      wimbel.killDatabase();
      const { moved } = await wimbel.restartDatabase();
      if (moved) {
        await wimbel.restartServer();
        await second.restart();
      }
    }
  }
}

let failed = 0;
const check = (holds: boolean, words: string): void => {
  say(`${holds ? 'ok  ' : 'FAIL'} ${words}`);
  if (!holds) failed++;
};
try {
  const person = await signUp(wimbel.url, 'soak@example.org');
  const habits = Array.from({ length: HABITS }, (_, index) => ({
    id: randomUUID(),
    madeAt: new Date(Date.now() - 1000).toISOString(),
    collection: 'habits',
    key: `h${index}`,
    record: habit(`h${index}`),
  }));
  await ask(`${wimbel.url}/api/changes`, person.headers, { changes: habits });
  const killing = killer();
  const third = Math.ceil(CHANGES / 3);
  await Promise.all([
    device(person, 0, third),
    device(person, -2 * 3_600_000, third),
    device(person, 5 * 3_600_000, third),
  ]);
  isOver = true;
  await killing;

  const { body } = await ask(`${wimbel.url}/api/changes?since=0`, person.headers, undefined);
  const rows = (body as { rows: ServerRow[] }).rows.filter((row) => row.collection === 'entries');
  const winners = new Map<string, Sent>();
  for (const each of made) {
    const known = winners.get(each.key);
    if (known === undefined || isLater(each, known)) winners.set(each.key, each);
  }
  const wrong = [...winners.values()].filter((each) => {
    const row = rows.find((one) => one.key === each.key);
    return row === undefined || row.changeId !== each.id || JSON.stringify(row.record) !== JSON.stringify(each.record);
  });
  const seconds = Math.round((performance.now() - startedMs) / 1000);
  say(`${made.length} changes of three devices, ${cuts} cuts, ${kills} kills, two servers, ${seconds} s`);
  check(made.length >= CHANGES, 'all changes were made in time');
  check(
    made.every((each) => became.has(each.id)),
    'every change was answered in the end',
  );
  check(
    [...became.values()].every((each) => each !== 'refused'),
    'none was refused',
  );
  check(rows.length === winners.size && wrong.length === 0, 'of every record the latest change is what is there');
  check(new Set(rows.map((row) => row.revision)).size === rows.length, 'no revision was given twice');
} finally {
  isOver = true;
  agent.destroy();
  await second.end();
  await wimbel.end();
}
process.exit(failed === 0 ? 0 : 1);
