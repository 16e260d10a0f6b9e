import { randomUUID } from 'node:crypto';
import { startWimbel } from '../../tools/wimbel.ts';
import { type Somebody, agent, ask, habit, signUp } from './client.ts';

/** So many people, each fetching and checking off about every so many milliseconds, for so long. */
const PEOPLE = 1000;
const EVERY_MS = 4000;
const SECONDS = Number(process.env.SOAK_SECONDS ?? 60);
/** What nobody waits longer for, but one of a hundred. */
const P99_MS = 1000;
/** What the server may have grown by from after the first quarter to the end, in MB. */
const GROWTH_MB = 60;

const say = (text: string): void => void process.stdout.write(`${text}\n`);
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
const percentile = (values: number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length * share)] ?? NaN;

const wimbel = await startWimbel('crowd', { now: new Date().toISOString() });
const times: number[] = [];
const memory: number[] = [];
const faults: string[] = [];

async function live(person: Somebody, untilMs: number): Promise<void> {
  await pause(Math.random() * EVERY_MS);
  let revision = 0;
  for (let day = 1; performance.now() < untilMs; day++) {
    const date = `2026-${String(1 + (Math.floor(day / 28) % 10)).padStart(2, '0')}-${String(1 + (day % 28)).padStart(2, '0')}`;
    const change = {
      id: randomUUID(),
      madeAt: new Date().toISOString(),
      collection: 'entries',
      key: `${date} h`,
      record: { habitId: 'h', day: date, mark: 'done' },
    };
    for (const [path, body] of [
      [`?since=${revision}`, undefined],
      ['', { changes: [change], since: revision }],
    ] as const) {
      const startedMs = performance.now();
      const answer = await ask(`${wimbel.url}/api/changes${path}`, person.headers, body);
      times.push(performance.now() - startedMs);
      if (answer.status !== 200) faults.push(`${answer.status} ${JSON.stringify(answer.body)}`);
      else revision = (answer.body as { revision: number }).revision;
    }
    await pause(EVERY_MS * (0.75 + Math.random() * 0.5));
  }
}

let failed = 0;
const check = (holds: boolean, words: string): void => {
  say(`${holds ? 'ok  ' : 'FAIL'} ${words}`);
  if (!holds) failed++;
};
try {
  const people: Somebody[] = [];
  for (let index = 0; index < PEOPLE; index += 20) {
    people.push(
      ...(await Promise.all(
        Array.from({ length: 20 }, (_, at) => signUp(wimbel.url, `crowd${index + at}@example.org`)),
      )),
    );
  }
  for (const person of people) {
    const change = {
      id: randomUUID(),
      madeAt: new Date().toISOString(),
      collection: 'habits',
      key: 'h',
      record: habit('h'),
    };
    await ask(`${wimbel.url}/api/changes`, person.headers, { changes: [change] });
  }
  say(`${PEOPLE} people for ${SECONDS} s`);
  const untilMs = performance.now() + SECONDS * 1000;
  const watch = setInterval(() => memory.push(wimbel.residentMb()), 1000);
  await Promise.all(people.map((person) => live(person, untilMs)));
  clearInterval(watch);
  const p99 = percentile(times, 0.99);
  const grown = memory.at(-1)! - memory[Math.floor(memory.length / 4)]!;
  say(
    `${times.length} requests, median ${percentile(times, 0.5).toFixed(1)} ms, p99 ${p99.toFixed(1)} ms; ` +
      `server ${memory.at(-1)!.toFixed(0)} MB, ${grown.toFixed(0)} MB more than after the first quarter`,
  );
  check(faults.length === 0, `every request was answered${faults.length > 0 ? `, but ${faults[0]}` : ''}`);
  check(p99 < P99_MS, `p99 is under ${P99_MS} ms`);
  check(grown < GROWTH_MB, `the server does not grow by ${GROWTH_MB} MB`);
} finally {
  agent.destroy();
  await wimbel.end();
}
process.exit(failed === 0 ? 0 : 1);
