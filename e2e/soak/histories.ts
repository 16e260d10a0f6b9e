import { type ChildProcess, fork } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { type Change, type ServerRow, isLater } from '@wimbel/contract';
import seedrandom from 'seedrandom';
import { startWimbel } from '../../tools/wimbel.ts';
import { agent, ask, habit, signUp } from './client.ts';
import type { DeviceAnswer, DeviceTask, Told } from './device.ts';

/** Changes of all devices together, and the time after which it has failed. */
const CHANGES = Number(process.argv[2] ?? 10_000);
const LIMIT_MS = 2 * 60_000 + CHANGES * 60;
const HABITS = 4;
/** How far each device's clock is off. */
const SKEWS_MS = [0, -2 * 3_600_000, 5 * 3_600_000];

const say = (text: string): void => void process.stdout.write(`${text}\n`);
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
const random = seedrandom('histories');
const pick = (count: number): number => Math.floor(random() * count);

const now = new Date().toISOString();
const wimbel = await startWimbel('histories', { now, env: { WIMBEL_REQUESTS_PER_MINUTE: '10000000' } });
const second = await wimbel.startAnother();
const startedMs = performance.now();
let isOver = false;
let kills = 0;
let failed = 0;
const check = (holds: boolean, words: string): void => {
  say(`${holds ? 'ok  ' : 'FAIL'} ${words}`);
  if (!holds) failed++;
};

/** Kills a server, the other, or the database, again and again. */
async function killer(): Promise<void> {
  while (!isOver) {
    await pause(3000 + pick(3000));
    if (isOver) return;
    kills++;
    const what = pick(3);
    if (what === 0) {
      wimbel.killServer();
      await wimbel.restartServer();
    } else if (what === 1) {
      second.kill();
      await second.restart();
    } else {
      wimbel.killDatabase();
      const { moved } = await wimbel.restartDatabase();
      if (!moved) continue;
      await wimbel.restartServer();
      await second.restart();
    }
  }
}

/** Waits for a word of a device. */
const heard = <T>(device: ChildProcess, is: (word: object) => boolean): Promise<T> =>
  new Promise((resolve, reject) => {
    const hear = (word: object): void => {
      if (!is(word)) return;
      device.off('message', hear);
      resolve(word as T);
    };
    device.on('message', hear);
    device.once('exit', (code) => reject(new Error(`a device ended with ${code}`)));
  });

/** Whether a change wrote a part of its record: of one that began from nothing, what it says. */
const wrote = ({ base, record }: Change, part: string): boolean => {
  const [was, is] = [base as Record<string, unknown> | null, record as unknown as Record<string, unknown>];
  return JSON.stringify(was?.[part]) !== JSON.stringify(is[part]);
};

/** What each of these fields has to say in the end: what the latest change that wrote it said. */
function disagreements(told: readonly Told[], rows: readonly ServerRow[]): string[] {
  const byPlace = new Map<string, Change[]>();
  for (const { change, status } of told) {
    if (status === 'refused') continue;
    const place = `${change.collection} ${change.key}`;
    byPlace.set(place, [...(byPlace.get(place) ?? []), change]);
  }
  return [...byPlace].flatMap(([place, changes]) => {
    // What was taken away and came back has another beginning; that all devices agree on it is looked at elsewhere.
    if (changes.some(({ record }) => record === null)) return [];
    const held = rows.find((row) => `${row.collection} ${row.key}` === place)?.record as Record<string, unknown> | null;
    if (!held) return [`${place} is gone`];
    const parts = { habits: ['name', 'icon', 'partOfDay'], entries: ['mark'], settings: ['passMark', 'dayEndsAt'] };
    return (parts[changes[0]!.collection as 'habits'] ?? []).flatMap((part) => {
      const writers = changes.filter((each) => wrote(each, part));
      const last = writers.reduce<Change | null>(
        (most, each) => (most === null || isLater(each, most) ? each : most),
        null,
      );
      const meant = (last?.record as Record<string, unknown> | undefined)?.[part];
      return last === null || JSON.stringify(meant) === JSON.stringify(held[part])
        ? []
        : [`${place}: ${part} is ${JSON.stringify(held[part])} and not ${JSON.stringify(meant)} of ${last.madeAt}`];
    });
  });
}

/** Words that were written into a note and are nowhere any more. */
function lostWords(told: readonly Told[], rows: readonly ServerRow[]): string[] {
  return told.flatMap(({ change, status }) => {
    if (status === 'refused' || change.collection !== 'habits' || !wrote(change, 'note')) return [];
    const [was, is] = [change.base, change.record].map((each) => (each as { note?: string } | undefined)?.note ?? '');
    const [added] = /[a-c]\d+\.$/.exec(is!) ?? [];
    if (added === undefined || was!.includes(added)) return [];
    const isUndone = told.some(({ change: other }) => {
      const [before, after] = [other.base, other.record].map((each) => (each as { note?: string } | null)?.note ?? '');
      return other.key === change.key && before!.includes(added) && !after!.includes(added);
    });
    const note = (rows.find((row) => row.key === change.key)?.record as { note?: string } | null)?.note ?? '';
    return isUndone || note.includes(added) ? [] : [added];
  });
}

/** What a device holds, as lines of text. */
const recordsIn = (records: string): string[] =>
  Object.values(JSON.parse(records) as Record<string, string | string[]>).flat();

/** What not all devices hold, with what the server has there and the last that was said of it. */
function apartIn(held: readonly string[][], rows: readonly ServerRow[], told: readonly Told[]): string {
  const everywhere = held[0]!.filter((each) => held.every((lines) => lines.includes(each)));
  return held
    .map((lines, index) => {
      const own = lines.filter((each) => !everywhere.includes(each)).slice(0, 2);
      return `\n  ${'abc'[index]}: ${own.join(' ')}${own.map((line) => aboutOf(line, rows, told)).join('')}`;
    })
    .join('');
}

function aboutOf(line: string, rows: readonly ServerRow[], told: readonly Told[]): string {
  const { habitId, day, id } = JSON.parse(line) as { habitId?: string; day?: string; id?: string };
  const key = day === undefined ? (id ?? 'settings') : `${day} ${habitId}`;
  const changes = told
    .filter(({ change }) => change.key === key)
    .sort((a, b) => (isLater(a.change, b.change) ? 1 : -1))
    .slice(-6);
  return [rows.find((row) => row.key === key), ...changes].map((each) => `\n    ${JSON.stringify(each)}`).join('');
}

const devices: ChildProcess[] = [];
try {
  const person = await signUp(wimbel.url, 'histories@example.org');
  const habits = Array.from({ length: HABITS }, (_, index) => ({
    id: randomUUID(),
    madeAt: new Date(Date.now() - 1000).toISOString(),
    collection: 'habits',
    key: `h${index}`,
    record: { ...habit(`h${index}`), order: index },
  }));
  await ask(`${wimbel.url}/api/changes`, person.headers, { changes: habits });
  for (const [index, skewMs] of SKEWS_MS.entries()) {
    const task: DeviceTask = {
      name: 'abc'[index]!,
      urls: [wimbel.url, second.url],
      accountId: person.id,
      headers: person.headers,
      skewMs,
      count: Math.ceil(CHANGES / SKEWS_MS.length),
      today: '2026-11-24',
    };
    devices.push(fork('e2e/soak/device.ts', [JSON.stringify(task)], { execArgv: ['--import', 'tsx'] }));
  }
  const killing = killer();
  const late = setTimeout(() => devices.forEach((each) => each.kill()), LIMIT_MS);
  await Promise.all(devices.map((each) => heard(each, (word) => 'lived' in word)));
  isOver = true;
  await killing;
  // All is sent, then what the others sent is fetched.
  for (let round = 0; round < 2; round++) {
    await Promise.all(
      devices.map((each) => {
        each.send({ calm: true });
        return heard(each, (word) => 'quiet' in word);
      }),
    );
  }
  const answers = await Promise.all(
    devices.map((each) => {
      each.send({ tell: true });
      return heard<DeviceAnswer>(each, (word) => 'records' in word);
    }),
  );
  clearTimeout(late);
  const { body } = await ask(`${wimbel.url}/api/changes?since=0`, person.headers, undefined);
  const { rows } = body as { rows: ServerRow[] };
  const told = answers.flatMap((each) => each.told);
  const made = answers.reduce((sum, each) => sum + each.made, 0);
  const count = (status: string): number => told.filter((each) => each.status === status).length;
  const seconds = Math.round((performance.now() - startedMs) / 1000);
  say(`${made} changes of three devices, ${kills} kills of servers and database, two servers, ${seconds} s`);
  say(`${count('accepted')} taken in, ${count('superseded')} put together or too late, ${count('refused')} refused`);
  check(made >= CHANGES, 'all changes were made');
  check(told.length === made, `every change was answered in the end (${told.length} of ${made})`);
  const refusals = told.filter((each) => each.status === 'refused');
  check(refusals.length === 0, `none was refused ${JSON.stringify(refusals.slice(0, 2))}`);
  const held = answers.map((each) => recordsIn(each.records));
  const isSame = new Set(answers.map((each) => each.records)).size === 1;
  check(isSame, `all devices hold the same, to the byte ${isSame ? '' : apartIn(held, rows, told)}`);
  const [first, ...others] = answers.map((each) => each.report);
  const other = others.find((each) => each !== first);
  const at = [...first!].findIndex((letter, index) => other !== undefined && other[index] !== letter);
  const figures = [first, other].map((each) => each?.slice(Math.max(0, at - 100), at + 40)).join(' | ');
  check(other === undefined, `and every figure of the report is the same ${other === undefined ? '' : figures}`);
  const alive = rows.filter((row) => row.record !== null && row.collection === 'entries').length;
  const days = (JSON.parse(answers[0]!.records) as { entries: string[] }).entries.length;
  check(alive === days && alive > 0, `and as many days as the server (${days} of ${alive})`);
  const wrong = disagreements(told, rows);
  check(wrong.length === 0, `of every field the latest change is what is there ${wrong.slice(0, 5).join('; ')}`);
  const lost = lostWords(told, rows);
  check(lost.length === 0, `no word of a note is lost ${lost.slice(0, 10).join(' ')}`);
  check(new Set(rows.map((row) => row.revision)).size === rows.length, 'no revision was given twice');
} catch (error) {
  say(String(error));
  failed++;
} finally {
  isOver = true;
  for (const each of devices) each.kill();
  agent.destroy();
  await second.end();
  await wimbel.end();
}
process.exit(failed === 0 ? 0 : 1);
