import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';
import { PATHS } from '@wimbel/contract';
import { NOW, startWimbel } from '../tools/wimbel.ts';
import { line, rounds, say } from './measure.ts';
import { type BenchPerson, signUp } from './onPage.ts';

/** People, each with so many devices that listen: a thousand on one process. */
const PEOPLE = 40;
const DEVICES = 25;
const CHANGES = rounds(400);

type Device = { heard: number; onHeard: () => void; close: () => void };

/** A device that listens; settles once the first word has come. */
function listen(url: string, person: BenchPerson, agent: Agent): Promise<Device> {
  return new Promise((resolve, reject) => {
    const asking = request(new URL(PATHS.stream, url), { headers: { ...person.headers }, agent }, (answer) => {
      if (answer.statusCode !== 200) return reject(new Error(String(answer.statusCode)));
      const device: Device = { heard: -1, onHeard: () => undefined, close: () => asking.destroy() };
      answer.setEncoding('utf8');
      answer.on('data', (text: string) => {
        for (const [, revision] of text.matchAll(/^data: (\d+)$/gm)) device.heard = Number(revision);
        device.onHeard();
        resolve(device);
      });
      answer.on('error', () => undefined);
    });
    asking.on('error', reject);
    asking.end();
  });
}

let made = 0;
const quote = () => {
  const id = randomUUID();
  return {
    id: randomUUID(),
    madeAt: new Date(Date.parse(NOW) + made++).toISOString(),
    collection: 'quotes',
    key: id,
    record: { id, text: 'a' },
  };
};

/** How long after a change was sent the last of a person's devices has heard of it, in ms. */
async function heardByAll(url: string, person: BenchPerson, devices: readonly Device[]): Promise<number> {
  const startedMs = performance.now();
  const answer = await fetch(new URL(PATHS.changes, url), {
    method: 'POST',
    headers: person.headers,
    body: JSON.stringify({ changes: [quote()] }),
  });
  const { revision } = (await answer.json()) as { revision: number };
  await new Promise<void>((resolve) => {
    const look = (): void => {
      if (devices.every(({ heard }) => heard >= revision)) resolve();
    };
    for (const device of devices) device.onHeard = look;
    look();
  });
  return performance.now() - startedMs;
}

const wimbel = await startWimbel('live', { env: { WIMBEL_PROCESSES: '1' } });
const agent = new Agent({ maxSockets: Infinity });
const people: { person: BenchPerson; devices: Device[] }[] = [];
for (let index = 0; index < PEOPLE; index++)
  people.push({ person: await signUp(wimbel.url, `listener${index}@example.org`), devices: [] });
await heardByAll(wimbel.url, people[0]!.person, []);
const beforeMb = wimbel.residentMb();
for (const each of people) {
  each.devices = await Promise.all(Array.from({ length: DEVICES }, () => listen(wimbel.url, each.person, agent)));
}
const withMb = wimbel.residentMb();
const timesMs: number[] = [];
for (let index = 0; index < CHANGES; index++) {
  const { person, devices } = people[index % PEOPLE]!;
  timesMs.push(await heardByAll(wimbel.url, person, devices));
}
timesMs.sort((a, b) => a - b);
const at = (share: number): number => timesMs[Math.floor(share * (timesMs.length - 1))]!;
say(`${PEOPLE * DEVICES} open devices on one process of the server`);
say(`  memory of the server: ${withMb.toFixed(0)} MB (bar 150), ${beforeMb.toFixed(0)} MB before they came`);
line('a change until all 25 devices of a person heard: p50', at(0.5));
line('a change until all 25 devices of a person heard: p99', at(0.99));
for (const { devices } of people) for (const device of devices) device.close();
agent.destroy();
await wimbel.end();
process.exit(0);
