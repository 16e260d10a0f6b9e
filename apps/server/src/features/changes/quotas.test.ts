import { SAMPLE_QUOTA, type UsageAnswer, fullestOf, withAdded } from '@wimbel/contract';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ACCOUNT_HEADER, type ChangesAnswer } from '@wimbel/contract';
import { type TestServer, change, habitChange, json, startTestServer } from '../../testing/testServer.ts';

let server: TestServer;
beforeAll(async () => {
  const sampleFile = join(mkdtempSync(join(tmpdir(), 'wimbel-quota-')), 'sample.json');
  writeFileSync(sampleFile, JSON.stringify({ format: 'wimbel', version: 1 }));
  server = await startTestServer({ sampleFile });
});
afterAll(() => server.close());

/** A visitor of the sample. */
async function visitor() {
  const response = await server.request('/api/sample/session', json({}));
  const cookie = response.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ');
  const { user } = (await response.json()) as { user: { id: string } };
  const own = { cookie, [ACCOUNT_HEADER]: user.id };
  return {
    apply: async (changes: object[]): Promise<ChangesAnswer> =>
      (await (await server.request('/api/changes', json({ changes }, own))).json()) as ChangesAnswer,
    usage: async (): Promise<UsageAnswer> =>
      (await (await server.request('/api/usage', { headers: own })).json()) as UsageAnswer,
  };
}

const TEXT = 'Fog over the flats. '.repeat(950);
let made = 0;
const page = () => {
  const id = `p${made++}`;
  return change('journal', id, { id, day: '2026-11-20', part: 'day', text: TEXT });
};
const statuses = ({ results }: ChangesAnswer): string[] => [...new Set(results.map(({ status }) => status))];

it('an account says how much it holds by kind, and how much it may hold', async () => {
  const person = await server.signUp();
  await person.apply(habitChange('a'), habitChange('b'), change('quotes', 'q', { id: 'q', text: 'Small turns' }));
  await person.apply(change('habits', 'b', null));
  const { usage, quota } = (await (await person.get('/api/usage')).json()) as UsageAnswer;
  expect(usage.records).toEqual({ habits: 1, quotes: 1 });
  const { rows } = await person.since();
  const bytes = rows.reduce((sum, { record }) => sum + (record === null ? 0 : JSON.stringify(record).length), 0);
  expect(usage.bytes).toBe(bytes);
  expect([quota.bytes, quota.records.entries]).toEqual([200 * 1024 * 1024, 440_000]);
  expect((await server.request('/api/usage')).status).toBe(401);
});

it('a full account takes nothing more, but a request that had begun goes in whole; what is removed makes room', async () => {
  const person = await visitor();
  const accepted: object[] = [];
  let last: ChangesAnswer | null = null;
  for (let times = 0; times < 40; times++) {
    const changes = Array.from({ length: 20 }, page);
    last = await person.apply(changes);
    // Of one request all or nothing.
    expect(statuses(last)).toHaveLength(1);
    if (statuses(last)[0] === 'refused') break;
    accepted.push(...changes);
  }
  expect(last!.results[0]).toMatchObject({
    status: 'refused',
    code: 'full',
    issues: [{ path: '', message: 'has no room: the account is full' }],
  });
  const { usage, quota } = await person.usage();
  expect(quota.bytes).toBe(SAMPLE_QUOTA.bytes);
  expect(usage.bytes).toBeGreaterThanOrEqual(quota.bytes);
  expect(usage.bytes).toBeLessThan(quota.bytes + 20 * (TEXT.length + 200));
  const removals = accepted.slice(0, 40).map((each) => change('journal', (each as { key: string }).key, null));
  expect(statuses(await person.apply(removals))).toEqual(['accepted']);
  await new Promise((resolve) => setTimeout(resolve, 1100));
  expect(statuses(await person.apply([page()]))).toEqual(['accepted']);
});

it('what is fullest is told by bytes or by a kind', () => {
  const quota = { bytes: 1000, records: { settings: 1, habits: 10, quotes: 2 } };
  expect(fullestOf({ bytes: 500, records: { settings: 1 } }, quota)).toEqual({ ratio: 0.5, of: 'bytes' });
  const more = withAdded({ bytes: 500, records: { habits: 8 } }, 10, ['habits']);
  expect(fullestOf(more, quota)).toEqual({ ratio: 0.9, of: 'habits' });
  expect(fullestOf(withAdded(more, 0, ['quotes', 'quotes']), quota)).toEqual({ ratio: 1, of: 'quotes' });
});
