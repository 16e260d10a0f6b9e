import type { Goal, Habit } from '@wimbel/core';
import { createMemoryDevice } from './testing/memoryDevice.ts';
import { createMemoryServer } from './testing/memoryServer.ts';

const habit = (more: Partial<Habit> = {}): Habit => ({
  id: 'swim',
  name: 'Cold swim',
  order: 0,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'check' },
  terms: [{ from: '2026-11-01', schedule: { kind: 'daily' } }],
  startsOn: '2026-11-01',
  ...more,
});
const goal = (more: Partial<Goal> = {}): Goal => ({
  id: 'island',
  title: 'Sail round the island',
  startsOn: '2026-11-01',
  state: 'open',
  order: 0,
  ...more,
});

type Device = ReturnType<typeof createMemoryDevice>;
let devices: Device[] = [];
function twoDevices() {
  const server = createMemoryServer();
  devices = [createMemoryDevice(server), createMemoryDevice(server)];
  const [desk, phone] = devices as [Device, Device];
  return { server, desk, phone };
}
afterEach(() => devices.forEach(({ sync }) => sync.stop()));

async function until(holds: () => boolean): Promise<void> {
  for (let tries = 0; tries < 1000; tries++) {
    if (holds()) return;
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
  throw new Error('it never came to hold');
}
/** Waits until everything is pushed and both devices show the same. */
async function settle({ desk, phone }: ReturnType<typeof twoDevices>): Promise<void> {
  desk.line.isCut = phone.line.isCut = false;
  for (const device of [desk, phone, desk, phone]) {
    device.sync.now();
    await until(() => device.records().isLoaded && device.waiting() === 0);
  }
  await until(() => {
    desk.sync.now();
    phone.sync.now();
    return desk.records().revision === phone.records().revision;
  });
}

describe('two devices, decided by the server', () => {
  it('fields of one habit that were changed apart are both kept, on both devices', async () => {
    const both = twoDevices();
    const { server, desk, phone } = both;
    desk.change('habits', 'swim', habit());
    await settle(both);
    desk.line.isCut = phone.line.isCut = true;
    desk.change('habits', 'swim', habit({ name: 'Winter swim' }));
    phone.change('habits', 'swim', habit({ note: 'Gloves' }));
    await settle(both);
    const expected = habit({ name: 'Winter swim', note: 'Gloves' });
    expect(server.state.record('habits', 'swim')).toEqual(expected);
    expect([desk, phone].map((each) => each.records().habits['swim'])).toEqual([expected, expected]);
  });

  it('two texts written at the same time both stand in the record', async () => {
    const both = twoDevices();
    const { server, desk, phone } = both;
    desk.change('goals', 'island', goal({ why: '' }));
    await settle(both);
    desk.line.isCut = phone.line.isCut = true;
    desk.change('goals', 'island', goal({ why: 'The light on the west side' }));
    phone.change('goals', 'island', goal({ why: 'Because Ada did' }));
    await settle(both);
    const { why } = server.state.record('goals', 'island') as Goal;
    expect(why).toContain('The light on the west side');
    expect(why).toContain('Because Ada did');
    for (const device of [desk, phone]) expect(device.records().goals['island']!.why).toBe(why);
  });

  it('a removal that has something newer under it is refused and rolled back, with its days', async () => {
    const both = twoDevices();
    const { server, desk, phone } = both;
    desk.change('habits', 'swim', habit());
    desk.change('entries', '2026-11-24 swim', { habitId: 'swim', day: '2026-11-24', mark: 'done' });
    await settle(both);
    desk.line.isCut = true;
    desk.change('habits', 'swim', null);
    expect(desk.records().habits['swim']).toBeUndefined();
    phone.change('entries', '2026-11-24 swim', { habitId: 'swim', day: '2026-11-24', mark: 'done', note: 'Ice' });
    await until(() => phone.waiting() === 0);
    await settle(both);
    expect(desk.refused).toHaveLength(1);
    expect(desk.records().habits['swim']).toEqual(habit());
    expect(server.state.record('entries', '2026-11-24 swim')).toMatchObject({ note: 'Ice' });
  });

  it('an answer that is lost changes nothing: the same changes are sent again and stand once', async () => {
    const both = twoDevices();
    const { server, desk, phone } = both;
    desk.change('habits', 'swim', habit());
    await settle(both);
    server.state.losesAnswers = true;
    const before = server.state.batches;
    desk.change('habits', 'swim', habit({ note: 'Gloves' }));
    await until(() => server.state.batches >= before + 3);
    expect(desk.waiting()).toBe(1);
    server.state.losesAnswers = false;
    await settle(both);
    expect(server.state.record('habits', 'swim')).toEqual(habit({ note: 'Gloves' }));
    expect(phone.records().habits['swim']).toEqual(habit({ note: 'Gloves' }));
    expect(desk.refused).toEqual([]);
  });

  it('an invalid change is refused by the schema and its record shown as the server holds it', async () => {
    const both = twoDevices();
    const { desk } = both;
    desk.change('habits', 'swim', habit());
    await settle(both);
    desk.change('habits', 'swim', habit({ startsOn: '2026-13-01' }));
    await until(() => desk.refused.length === 1);
    expect(desk.refused[0]!.issues[0]!.path).toBe('startsOn');
    expect(desk.records().habits['swim']).toEqual(habit());
  });
});
