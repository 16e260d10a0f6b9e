import { type ChildProcess, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { createInterface } from 'node:readline';
import { fileURLToPath } from 'node:url';
import { startWimbel } from '../../tools/wimbel.ts';
import { type Somebody, agent, ask, habit, signUp } from './client.ts';

/**
 * One account (or a stranger) asks for as much work as it can, while another person checks off days. The flood comes from a process
 * of its own (`floods.ts flood NUMBER CONTEXT`), so that the taps are not measured by a busy clock.
 */

/** How much longer the other person's 99th of a hundred taps may take than without a flood. */
const MOST_TIMES = 3;
const FLOOD_MS = 8000;
const TAP_EVERY_MS = 15;
const DAY_MS = 86_400_000;

const say = (text: string): void => void process.stdout.write(`${text}\n`);
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
const percentile = (values: number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length * share)] ?? NaN;
const dayOf = (at: number): string => new Date(Date.UTC(1970, 0, 1) + at * DAY_MS).toISOString().slice(0, 10);

const change = (collection: string, key: string, record: object, more: object = {}) => ({
  id: randomUUID(),
  madeAt: new Date().toISOString(),
  collection,
  key,
  record,
  ...more,
});
const LINES = (letter: string): string =>
  Array.from({ length: 5000 }, (_, at) => `${letter}${at % 1000}`)
    .join('\n')
    .slice(0, 19_000);
const variants = [{ id: 'a', name: 'Long notes' }];
const TEXTS = ['wentWell', 'gotInTheWay', 'nextTime', 'wins', 'losses', 'lessons'];

type Context = { url: string; secret: string; attacker: Somebody };

/** The floods: what they are called, how many requests are under way at a time, and what each of them is. */
function floodsOf({ url, secret, attacker }: Context): [string, number, (turn: number) => Promise<unknown>][] {
  const changesUrl = `${url}/api/changes`;
  const review = (letter: string) => ({
    id: 'r',
    span: 'week',
    from: '2026-11-16',
    answers: Object.fromEntries(TEXTS.map((each) => [each, LINES(letter)])),
  });
  const empty = { id: 'r', span: 'week', from: '2026-11-16', answers: {} };
  const record = {
    ...habit('h'),
    startsOn: '1970-01-02',
    terms: [{ from: '1970-01-02', schedule: { kind: 'daily' } }],
  };
  const discard = async (path: string, headers: Record<string, string> = {}): Promise<void> => {
    const answer = await fetch(`${url}${path}`, { headers });
    await answer.arrayBuffer();
  };
  return [
    ['ten calendars of 100 seasons of 520 weeks', 10, (turn) => discard(`/api/calendar/feed/${secret}.ics?${turn}`)],
    ['twenty pulls of 2,000 records of 19 kB', 20, () => discard('/api/changes?since=0', attacker.headers)],
    [
      'a habit with 20,000 days whose variants change',
      4,
      (turn) =>
        ask(changesUrl, attacker.headers, {
          changes: [
            change(
              'habits',
              'h',
              { ...record, variants: turn % 2 === 0 ? [] : variants },
              { base: { ...record, variants } },
            ),
          ],
        }),
    ],
    [
      'merges of six texts of many short lines',
      4,
      (turn) =>
        ask(changesUrl, attacker.headers, {
          changes: [change('reviews', 'r', review(String.fromCharCode(97 + (turn % 26))), { base: empty })],
        }),
    ],
    [
      '300 questions of readiness, pages and sessions',
      300,
      (turn) => discard(['/api/health/ready', '/today', '/api/auth/get-session'][turn % 3]!, attacker.headers),
    ],
  ];
}

/** Keeps so many of a request under way until it is over; what comes back is not looked at. */
async function flood(atOnce: number, work: (turn: number) => Promise<unknown>, isOver: () => boolean): Promise<number> {
  let turns = 0;
  await Promise.all(
    Array.from({ length: atOnce }, async () => {
      while (!isOver()) await work(turns++).catch(() => pause(20));
    }),
  );
  return turns;
}

if (process.argv[2] === 'flood') {
  const context = JSON.parse(process.argv[4]!) as Context;
  const [, atOnce, work] = floodsOf(context)[Number(process.argv[3])]!;
  say('begun');
  const untilMs = performance.now() + FLOOD_MS;
  say(String(await flood(atOnce, work, () => performance.now() > untilMs)));
  process.exit(0);
}

/** Begins a flood in a process of its own; resolves once it runs, with a promise of how many requests it made. */
async function begin(index: number, context: Context): Promise<{ turns: Promise<number>; child: ChildProcess }> {
  const file = fileURLToPath(import.meta.url);
  const child = spawn(process.execPath, [...process.execArgv, file, 'flood', String(index), JSON.stringify(context)], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const said = createInterface(child.stdout);
  await once(said, 'line');
  return { child, turns: once(said, 'line').then(([line]) => Number(line)) };
}

const wimbel = await startWimbel('floods', {
  now: new Date().toISOString(),
  env: { WIMBEL_REQUESTS_PER_MINUTE: '10000000', WIMBEL_ADDRESS_REQUESTS_PER_MINUTE: '100000' },
});
const changesUrl = `${wimbel.url}/api/changes`;
const send = async (person: Somebody, changes: object[]): Promise<void> => {
  const { status, body } = await ask(changesUrl, person.headers, { changes });
  const { results = [] } = body as { results?: { status: string }[] };
  const wrong = results.find((each) => each.status === 'refused');
  if (status !== 200 || wrong !== undefined)
    throw new Error(`${status} ${JSON.stringify(wrong ?? body).slice(0, 200)}`);
};
const sendAll = async (person: Somebody, all: object[], atOnce: number): Promise<void> => {
  for (let at = 0; at < all.length; at += atOnce) await send(person, all.slice(at, at + atOnce));
};

let taps = 0;
/** Checks days off until `isOver`; returns the latency of each, in milliseconds. */
async function tapping(person: Somebody, isOver: () => boolean): Promise<number[]> {
  const times: number[] = [];
  while (!isOver()) {
    const day = dayOf(15_000 + (taps++ % 5000));
    const startedMs = performance.now();
    await send(person, [change('entries', `${day} h`, { habitId: 'h', day, mark: 'done' })]);
    times.push(performance.now() - startedMs);
    await pause(TAP_EVERY_MS);
  }
  return times;
}

let failed = 0;
const check = (holds: boolean, words: string): void => {
  say(`${holds ? 'ok  ' : 'FAIL'} ${words}`);
  if (!holds) failed++;
};

try {
  const [attacker, other] = [
    await signUp(wimbel.url, 'flood@example.org'),
    await signUp(wimbel.url, 'other@example.org'),
  ];
  await send(other, [change('habits', 'h', habit('h'))]);
  say('making what is asked for');
  const seasons = Array.from({ length: 100 }, (_, at) =>
    change('seasons', `s${at}`, {
      id: `s${at}`,
      title: `Season ${at}`,
      startsOn: '2026-11-02',
      weeks: 520,
      goalIds: [],
    }),
  );
  await sendAll(attacker, seasons, 100);
  const text = 'Fog over the flats. '.repeat(950);
  const pages = Array.from({ length: 2000 }, (_, at) =>
    change('journal', `p${at}`, { id: `p${at}`, day: '2026-11-20', part: 'day', text }),
  );
  await sendAll(attacker, pages, 20);
  await send(attacker, [
    change('habits', 'h', {
      ...habit('h'),
      startsOn: '1970-01-02',
      terms: [{ from: '1970-01-02', schedule: { kind: 'daily' } }],
      variants,
    }),
  ]);
  const days = Array.from({ length: 20_000 }, (_, at) =>
    change('entries', `${dayOf(at + 1)} h`, {
      habitId: 'h',
      day: dayOf(at + 1),
      mark: 'done',
      parts: [{ variantId: 'a' }],
    }),
  );
  await sendAll(attacker, days, 400);
  const made = await fetch(`${wimbel.url}/api/calendar`, {
    method: 'POST',
    headers: attacker.headers,
    body: JSON.stringify({ shows: ['seasons', 'habits'] }),
  });
  const { secret } = (await made.json()) as { secret: string };

  const forMs = (ms: number) => {
    const endMs = performance.now() + ms;
    return () => performance.now() > endMs;
  };
  await tapping(other, forMs(2000));
  const context = { url: wimbel.url as string, secret, attacker };
  for (const [index, [name]] of floodsOf(context).entries()) {
    // The machine's own pace changes: idle and flood are measured one right after the other.
    const quiet = [...(await tapping(other, forMs(FLOOD_MS / 2)))];
    const { turns: making } = await begin(index, context);
    let isOver = false;
    const [times, turns] = await Promise.all([tapping(other, () => isOver), making.finally(() => (isOver = true))]);
    quiet.push(...(await tapping(other, forMs(FLOOD_MS / 2))));
    const [p99, idle] = [percentile(times, 0.99), percentile(quiet, 0.99)];
    check(
      p99 <= MOST_TIMES * idle,
      `${name}: ${turns} done; taps median ${percentile(times, 0.5).toFixed(1)} ms, p99 ${p99.toFixed(1)} ms, ${(p99 / idle).toFixed(1)} × idle (${idle.toFixed(1)} ms), longest ${Math.max(...times).toFixed(0)} ms`,
    );
  }
} finally {
  agent.destroy();
  await wimbel.end();
}
process.exit(failed === 0 ? 0 : 1);
