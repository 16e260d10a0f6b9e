import { Agent, request } from 'node:http';
import { setTimeout as pause } from 'node:timers/promises';
import { LIMITS } from '@wimbel/contract';
import { startWimbel } from '../tools/wimbel.ts';
import { line, rounds, say } from './measure.ts';
import { type BenchPerson, signUp } from './onPage.ts';

const TIMES = rounds(5);
const fill = (each: unknown): unknown[] =>
  Array.from({ length: Math.floor((LIMITS.bodyBytes - 3000) / (JSON.stringify(each).length + 1)) }, () => each);
const change = (collection: string, key: string, record: unknown) => ({
  id: 'c',
  madeAt: '2026-11-24T09:00:00Z',
  collection,
  key,
  record,
});
const one = (collection: string, record: unknown) => ({ changes: [change(collection, 'x', record)] });
const keys = (count: number) => Object.fromEntries(Array.from({ length: count }, (_, index) => [`k${index}`, 1]));
const terms = (count: number) => Array.from({ length: count }, () => ({ from: 1 }));

const TEXTS = ['wentWell', 'gotInTheWay', 'nextTime', 'wins', 'losses', 'lessons'];
let merges = 0;
/** A review of six texts of many short lines, made apart from whatever stands there. */
function merge(): object {
  const letter = String.fromCharCode(97 + (merges % 26));
  const lines = Array.from({ length: 6000 }, (_, at) => `${letter}${at % 999}`)
    .join('\n')
    .slice(0, 19_000);
  const record = {
    id: 'r',
    span: 'week',
    from: '2026-11-16',
    answers: Object.fromEntries(TEXTS.map((each) => [each, lines])),
  };
  return {
    ...change('reviews', 'r', record),
    id: `m${merges}`,
    madeAt: `2026-11-24T09:00:${String(10 + (merges++ % 40)).padStart(2, '0')}Z`,
    base: { ...record, answers: {} },
  };
}

/** Bodies within the size of a request that take the longest to look at. */
const BODIES: Record<string, () => string> = {
  'empty changes': () => JSON.stringify({ changes: fill({}) }),
  'numbers for changes': () => JSON.stringify({ changes: fill(1) }),
  'ids that are empty': () => JSON.stringify(one('seasons', { id: 'x', goalIds: fill('') })),
  'parts that are empty': () => JSON.stringify(one('entries', { habitId: 'x', parts: fill({}) })),
  'unknown keys': () => JSON.stringify(one('habits', keys(40_000))),
  'lists in lists, a quarter of a million deep': () =>
    JSON.stringify(one('habits', 'DEEP')).replace('"DEEP"', '['.repeat(250_000) + ']'.repeat(250_000)),
  'one long text': () => JSON.stringify(one('quotes', { id: 'x', text: 'x'.repeat(LIMITS.bodyBytes - 3000) })),
  'a record as large as one may be': () =>
    JSON.stringify(one('habits', { id: 'x', terms: terms(400), pauses: terms(400) })),
  'as much as a request may hold': () =>
    JSON.stringify({
      changes: Array.from({ length: 50 }, (_, i) => change('habits', `x${i}`, { id: 'x', terms: terms(95) })),
    }),
  'six texts of short lines, merged': () => JSON.stringify({ changes: [merge()] }),
  'removals of what was never there, sent over and over': () =>
    JSON.stringify({ changes: Array.from({ length: 500 }, (_, i) => change('journal', `none${i}`, null)) }),
  'as many changes as a request may hold': () =>
    JSON.stringify({
      changes: Array.from({ length: 500 }, (_, i) => change('quotes', `q${i}`, { id: `q${i}`, text: 'a' })),
    }),
};

const wimbel = await startWimbel('bench', { env: { WIMBEL_REQUESTS_PER_MINUTE: '10000000' } });
const agent = new Agent({ keepAlive: true });
const post = (person: BenchPerson, body: string): Promise<number> =>
  new Promise((resolve, reject) => {
    const headers = { ...person.headers, 'content-length': Buffer.byteLength(body) };
    const asked = request(new URL('/api/changes', wimbel.url), { method: 'POST', agent, headers }, (answer) => {
      answer.resume();
      answer.on('end', () => resolve(answer.statusCode ?? 0));
    });
    asked.on('error', reject);
    asked.end(body);
  });

try {
  const [attacker, other] = [await signUp(wimbel.url, 'a@example.org'), await signUp(wimbel.url, 'b@example.org')];
  const ask = async (): Promise<number> => {
    const startedMs = performance.now();
    const body = JSON.stringify({ changes: [] });
    if ((await post(other, body)) !== 200) throw new Error('another person was refused');
    return performance.now() - startedMs;
  };
  for (let times = 0; times < 300; times++) await ask();
  let quiet = 0;
  for (let times = 0; times < 300; times++) quiet = Math.max(quiet, await ask());
  say('\nHow long another person waits at most, while somebody sends');
  line('nothing', quiet);
  for (const [name, body] of Object.entries(BODIES)) {
    let most = 0;
    let lasted = 0;
    let text = '';
    for (let times = 0; times < TIMES; times++) {
      text = body();
      let isOver = false;
      const startedMs = performance.now();
      const attack = post(attacker, text).then(() => {
        lasted = Math.max(lasted, performance.now() - startedMs);
        isOver = true;
      });
      while (!isOver) {
        most = Math.max(most, await ask());
        await pause(1);
      }
      await attack;
    }
    line(`${name} (${Math.round(text.length / 1000)} kB, ${Math.round(lasted)} ms)`, most);
  }
} finally {
  agent.destroy();
  await wimbel.end();
}
