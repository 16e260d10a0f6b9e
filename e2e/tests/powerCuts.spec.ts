import { expect, test } from '@playwright/test';
import pg from 'pg';
import { Person } from '../driver/person.ts';
import { startWimbel } from '../../tools/wimbel.ts';

test.setTimeout(600_000);

test(
  'server and database are killed while changes are sent: what was acknowledged is there once, the rest arrives by itself',
  { tag: '@soak' },
  async ({ browser }) => {
    const wimbel = await startWimbel('cuts');
    try {
      const person = await Person.at(browser, { url: wimbel.url });
      const email = await person.signUp();
      await person.addHabit({ name: 'Pages', how: { unit: 'pages', step: 1, atLeast: 100 } });
      await person.addHabit({ name: 'Scales', from: '2026-11-01' });
      await person.everythingSaved();
      // What was taken, and what was known already: its first answer was lost with the server.
      const acknowledged: string[] = [];
      person.page.on('response', (response) => {
        if (!response.url().endsWith('/api/changes') || !response.ok()) return;
        void response.json().then(
          (body: { results: { id: string; status: string }[] }) =>
            acknowledged.push(...body.results.filter((each) => each.status !== 'refused').map((each) => each.id)),
          () => undefined,
        );
      });
      const tap = async (times: number): Promise<void> => {
        for (let i = 0; i < times; i++) await person.peg('Pages').click();
      };

      await tap(6);
      wimbel.killServer();
      await tap(6);
      await expect(person.page.getByText(/Offline: .*waiting to sync/)).toBeVisible();
      await wimbel.restartServer();
      await person.page.clock.runFor(20_000);
      await person.everythingSaved();

      await tap(6);
      wimbel.killDatabase();
      await tap(6);
      await person.go('Log');
      await (await person.reach('Scales', 'Tuesday 3 November')).click();
      await expect(person.page.getByText(/Offline: .*waiting to sync/)).toBeVisible();
      const { moved } = await wimbel.restartDatabase();
      if (moved) await wimbel.restartServer();
      await person.page.clock.runFor(40_000);
      await person.everythingSaved();

      const database = new pg.Client({ connectionString: wimbel.databaseUrl() });
      await database.connect();
      const { rows } = await database.query(
        `select day::text, amount, mark, change_id from entries e join "user" u on u.id = e.user_id
       join change_log l on l.user_id = e.user_id and l.collection = 'entries' and l.key = day::text || ' ' || habit_id
       where email = $1 order by day`,
        [email],
      );
      await database.end();
      expect(rows.map(({ day, amount, mark }) => ({ day, amount, mark }))).toEqual([
        { day: '2026-11-03', amount: null, mark: 'done' },
        { day: '2026-11-24', amount: 24, mark: null },
      ]);
      expect(acknowledged.length).toBeGreaterThan(0);
      // Each was acknowledged once, and the last one of a record is the one that is stored.
      expect(new Set(acknowledged).size).toBe(acknowledged.length);
      expect(rows.map((row) => row.change_id)).toContain(acknowledged.at(-1));

      await person.page.reload();
      await person.go('Today');
      await expect(person.row('Pages')).toContainText('24 of 100 pages');
      const other = await Person.at(browser, { url: wimbel.url });
      await person.leave();
      await other.leave();
    } finally {
      await wimbel.end();
    }
  },
);

test(
  'a process of the server that is killed leaves the others answering, and is started again',
  { tag: '@soak' },
  async () => {
    const wimbel = await startWimbel('processes', { env: { WIMBEL_PROCESSES: '2' } });
    try {
      const isReady = async (): Promise<boolean> => (await fetch(`${wimbel.url}/api/health/ready`)).ok;
      const [first, ...workers] = wimbel.serverPids();
      expect(workers).toHaveLength(2);
      process.kill(workers[0]!, 'SIGKILL');
      // Whoever comes meanwhile is answered by the other.
      await expect.poll(() => wimbel.serverPids().length).toBe(2);
      expect(await isReady()).toBe(true);
      await expect.poll(() => wimbel.serverPids().length).toBe(3);
      expect(wimbel.serverPids()[0]).toBe(first);
      expect(wimbel.serverPids()).not.toContain(workers[0]);
      for (let times = 0; times < 20; times++) expect(await isReady()).toBe(true);
    } finally {
      await wimbel.end();
    }
  },
);
