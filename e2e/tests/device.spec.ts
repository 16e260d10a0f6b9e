import { expect, test } from '@playwright/test';
import { NOW, startWimbel } from '../../tools/wimbel.ts';
import { PASSWORD, Person } from '../driver/person.ts';
import { PHONE, WIDE } from '../playwright.config.ts';

test.setTimeout(600_000);

/** Places that are opened by their address, and what shows that each is whole: the first chunk and the other one. */
const PLACES: [address: string, heading: string | RegExp][] = [
  ['/today', 'Tuesday'],
  ['/log', /November/],
  ['/charts', /2026|November/],
  ['/journal/look-back?span=month', 'November 2026'],
  ['/habits/new', /habit/i],
];

test('with the server gone the app opens by any address, a day is lived on it, and it reaches another device afterwards', async ({
  browser,
}) => {
  const wimbel = await startWimbel('device');
  try {
    const person = await Person.at(browser, { url: wimbel.url, size: PHONE, keepsApp: true });
    const email = await person.signUp();
    await person.addHabit({ name: 'Cold swim', from: '2026-11-20' });
    await person.addHabit({ name: 'Scales', how: { unit: 'min', step: 5, atLeast: 20 }, from: '2026-11-20' });
    await person.visit('/today');
    await person.checkOff('Cold swim');
    await person.appKept();
    await person.recordKept();
    wimbel.killServer();
    await person.page.close();

    await person.reopen('/today');
    await expect(person.heading('Tuesday')).toBeVisible();
    await expect(person.peg('Cold swim')).toHaveAttribute('aria-checked', 'true');
    await person.peg('Scales').click();
    await expect(person.row('Scales')).toContainText('5 of 20 min');
    // What is on the device is not waited for, not even in passing.
    await person.page.addInitScript(() => {
      new MutationObserver(() => {
        if (document.body?.textContent.includes('Waiting for the server'))
          document.documentElement.dataset['waited'] = '';
      }).observe(document, { childList: true, subtree: true });
    });
    for (const [address, heading] of PLACES) {
      await person.page.goto(address);
      await expect(person.heading(heading).first(), address).toBeVisible();
      await expect(person.page.locator('[data-waited]'), address).toHaveCount(0);
    }
    await person.page.goto('/journal');
    await person.choose('Flat');
    await person.page.getByLabel('Why?').fill('Fog all day.');
    await person.page.getByLabel('Why?').blur();
    await person.setGoal({ title: 'Swim across the bay', due: '2027-03-01' });
    await expect(person.page.getByText(/Offline: .*waiting to sync/)).toBeVisible();
    await person.page.close();
    await person.reopen('/goals');
    await expect(person.page.getByRole('link', { name: /^Swim across the bay/ })).toBeVisible();
    await person.page.goto('/today');
    await expect(person.row('Scales')).toContainText('5 of 20 min');

    await wimbel.restartServer();
    await person.page.clock.runFor(20_000);
    await person.everythingSaved();
    const other = await Person.at(browser, { url: wimbel.url, size: WIDE });
    await other.signIn(email, PASSWORD);
    await expect(other.row('Scales')).toContainText('5 of 20 min');
    await other.visit('/goals');
    await expect(other.page.getByRole('link', { name: /^Swim across the bay/ })).toBeVisible();
    await other.visit('/journal');
    await expect(other.page.getByText('Fog all day.')).toBeVisible();
    await other.leave();
    await person.leave();
  } finally {
    await wimbel.end();
  }
});

test('signing out takes the record off the device; changes that wait are asked about, and stay where that is chosen', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  const email = await person.signUp();
  await person.addHabit({ name: 'Cold swim' });
  await person.recordKept();
  const kept = (): Promise<string[]> =>
    person.page.evaluate(async () =>
      (await indexedDB.databases()).map(({ name }) => name!).filter((name) => name.startsWith('wimbel.record.')),
    );
  expect(await kept()).toHaveLength(1);
  await person.visit('/settings');
  await expect(
    person.page.getByText('What you keep here is on this device too, and opens without a connection.'),
  ).toBeVisible();
  await person.button('Sign out').click();
  await expect(person.button('Sign in')).toBeVisible();
  await expect.poll(kept).toEqual([]);
  await person.signIn(email);
  await expect(person.peg('Cold swim')).toBeVisible();
  // What waits is told before it is left.
  await person.page.route('**/api/changes', (route) =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  );
  await person.checkOff('Cold swim');
  await person.visit('/settings');
  await person.button('Sign out').click();
  await expect(person.page.getByRole('dialog')).toContainText('1 change has not reached the server yet');
  const saved = person.page.waitForEvent('download');
  await person.button('Save everything as a file').click();
  expect((await saved).suggestedFilename()).toMatch(/^wimbel-.+-everything-2026-11-24\.json$/);
  await person.button('Sign out, keep it').click();
  await expect(person.button('Sign in')).toBeVisible();
  await expect.poll(kept).toEqual([]);
  await person.page.reload();
  await expect(person.page.getByText('One change waits on this device for the account that made it')).toBeVisible();
  await person.page.unrouteAll();
  await person.signIn(email);
  await expect(person.peg('Cold swim')).toHaveAttribute('aria-checked', 'true');
  await person.everythingSaved();
  await person.leave();
});

/** Where on the device any of some words stand: the names of databases, storages and caches. */
const placesOf = (person: Person, words: readonly string[]): Promise<string[]> =>
  person.page.evaluate(async (wanted) => {
    const found: string[] = [];
    const look = (place: string, text: string): void => {
      for (const word of wanted) if (text.includes(word)) found.push(`${place}: ${word}`);
    };
    for (const { name } of await indexedDB.databases()) {
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        const opening = indexedDB.open(name!);
        opening.onsuccess = () => resolve(opening.result);
        opening.onerror = () => reject(opening.error);
      });
      for (const store of db.objectStoreNames) {
        const rows = await new Promise<unknown[]>((resolve, reject) => {
          const reading = db.transaction(store).objectStore(store).getAll();
          reading.onsuccess = () => resolve(reading.result);
          reading.onerror = () => reject(reading.error);
        });
        look(`${name}.${store}`, JSON.stringify(rows));
      }
      db.close();
    }
    for (const [place, storage] of [
      ['local', localStorage],
      ['session', sessionStorage],
    ] as const)
      for (const key of Object.keys(storage)) look(`${place}.${key}`, key + storage.getItem(key));
    for (const name of await caches.keys()) {
      const cache = await caches.open(name);
      for (const request of await cache.keys()) {
        const response = await cache.match(request);
        look(`cache.${request.url}`, request.url + ((await response?.text()) ?? ''));
      }
    }
    return found;
  }, words);

for (const way of ['signed out', 'ended from another device', 'deleted'] as const) {
  test(`once an account is ${way}, nothing that was written in it is left on the device`, async ({ browser }) => {
    const person = await Person.at(browser, { size: PHONE });
    const { page } = person;
    const words = ['Quillwort', 'Bristlebird', 'Lanternfish', 'Marrowfat'];
    const email = await person.signUp();
    await person.addHabit({ name: `${words[0]} walk` });
    await person.go('Journal');
    await page.getByLabel('Why?').fill(`${words[1]} at dawn`);
    await page.getByLabel('Why?').blur();
    await person.recordKept();
    // What waits for the server, and what is only begun in a form.
    await page.route('**/api/changes', (route) =>
      route.request().method() === 'POST' ? route.abort() : route.continue(),
    );
    await person.visit('/today');
    await person.addHabit({ name: `${words[2]} talk` });
    await person.visit('/goals/new/direct');
    await page.getByLabel('What do you want to have reached').fill(`${words[3]} soup`);
    await page.waitForTimeout(500);
    expect(new Set((await placesOf(person, words)).map((each) => each.split(': ')[1]))).toEqual(new Set(words));
    if (way === 'ended from another device') {
      const other = await Person.at(browser, { size: WIDE });
      await other.signIn(email);
      await other.heading('Tuesday').waitFor();
      await other.visit('/settings/account');
      await other.button('Sign out everywhere else').click();
      await page.unrouteAll();
      await expect(person.button('Sign in')).toBeVisible();
      await other.leave();
      // What waited is asked about before it goes.
      await page.reload();
      await page.getByRole('button', { name: 'Delete it' }).click();
      await expect(page.getByText('One change waits')).toHaveCount(0);
    } else if (way === 'signed out') {
      await person.visit('/settings');
      await person.button('Sign out').click();
      await person.button('Sign out, delete it').click();
    } else {
      await person.visit('/settings/account');
      await person.button('Delete account').click();
      await page.getByLabel('Your password').fill(PASSWORD);
      await page
        .getByRole('dialog')
        .getByRole('button', { name: /^Delete/ })
        .click();
    }
    await expect(person.button('Sign in')).toBeVisible();
    await expect.poll(() => placesOf(person, [...words, email])).toEqual([]);
    await person.leave();
  });
}

test('where the browser keeps nothing it is said, and the app goes on from the server', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.page.addInitScript(() => {
    indexedDB.open = () => {
      throw new DOMException('not here', 'SecurityError');
    };
  });
  await person.signUp();
  await person.visit('/settings');
  await expect(
    person.page.getByText('This browser keeps nothing: without a connection there is nothing to open.'),
  ).toBeVisible();
  await person.visit('/habits/new');
  await person.page.getByLabel('Name', { exact: true }).fill('Cold swim');
  await person.button('Add habit').click();
  await person.visit('/today');
  await person.checkOff('Cold swim');
  await expect
    .poll(async () => (await person.stored()).filter(({ collection }) => collection === 'entries').length)
    .toBe(1);
  await person.page.reload();
  await expect(person.peg('Cold swim')).toHaveAttribute('aria-checked', 'true');
  await person.leave();
});

test('what one device changes is told to another at once, and asked for within a minute where it cannot be told', async ({
  browser,
}) => {
  const desk = await Person.at(browser, { size: WIDE });
  const email = await desk.signUp();
  await desk.addHabit({ name: 'Cold swim' });
  await desk.everythingSaved();
  const phone = await Person.at(browser, { size: PHONE });
  const streaming = phone.page.waitForResponse((response) => response.url().endsWith('/api/changes/stream'));
  await phone.signIn(email, PASSWORD);
  await expect(phone.peg('Cold swim')).toBeVisible();
  expect((await streaming).status()).toBe(200);
  await desk.visit('/today');
  await desk.checkOff('Cold swim');
  // It is asked for only once a minute: sooner than that it was told.
  await expect(phone.peg('Cold swim')).toHaveAttribute('aria-checked', 'true');
  await phone.page.route('**/api/changes/stream', (route) => route.abort());
  await phone.page.reload();
  await expect(phone.peg('Cold swim')).toHaveAttribute('aria-checked', 'true');
  await phone.page.clock.runFor(1000);
  await desk.peg('Cold swim').click();
  await expect(desk.peg('Cold swim')).toHaveAttribute('aria-checked', 'false');
  await desk.everythingSaved();
  await phone.page.clock.runFor(60_000);
  await expect(phone.peg('Cold swim')).toHaveAttribute('aria-checked', 'false');
  await phone.leave();
  await desk.leave();
});

test('of the tabs of a device one listens to the server, all know what it hears, and the next takes over when it goes', async ({
  browser,
}) => {
  const desk = await Person.at(browser, { size: WIDE });
  const email = await desk.signUp();
  await desk.addHabit({ name: 'Cold swim' });
  await desk.everythingSaved();
  const phone = await Person.at(browser, { size: PHONE });
  let streams = 0;
  phone.context.on('request', (request) => {
    if (request.url().endsWith('/api/changes/stream')) streams++;
  });
  await phone.signIn(email, PASSWORD);
  await expect(phone.peg('Cold swim')).toBeVisible();
  const second = await phone.context.newPage();
  await second.clock.install({ time: new Date(NOW) });
  await second.goto('/today');
  const peg = second.getByRole('checkbox', { name: 'Cold swim' });
  await expect(peg).toHaveAttribute('aria-checked', 'false');
  await expect.poll(() => streams).toBe(1);
  await desk.visit('/today');
  await desk.checkOff('Cold swim');
  await expect(peg).toHaveAttribute('aria-checked', 'true');
  expect(streams).toBe(1);
  await phone.page.close();
  await expect.poll(() => streams).toBe(2);
  await desk.peg('Cold swim').click();
  await expect(peg).toHaveAttribute('aria-checked', 'false');
  await phone.context.close();
  await desk.leave();
});

test('a note written on two devices apart shows the later, and the other beside it until they are put together', async ({
  browser,
}) => {
  const desk = await Person.at(browser, { size: WIDE });
  const email = await desk.signUp();
  await desk.addHabit({ name: 'Cold swim' });
  await desk.everythingSaved();
  const phone = await Person.at(browser, { size: PHONE });
  await phone.signIn(email, PASSWORD);
  await expect(phone.peg('Cold swim')).toBeVisible();
  const open = async (person: Person): Promise<void> => {
    await person.openHabit('Cold swim');
    await person.button('Edit habit').click();
  };
  const write = async (person: Person, note: string): Promise<void> => {
    await person.page.getByLabel('Note to yourself').fill(note);
    await person.button('Save').click();
    await expect(person.page.getByText(note)).toBeVisible();
  };
  await open(phone);
  await open(desk);
  await phone.context.setOffline(true);
  await write(phone, 'Woollen hat after.');
  await desk.page.clock.runFor(60_000);
  await write(desk, 'In by the slipway.');
  await desk.everythingSaved();
  await phone.context.setOffline(false);
  await phone.page.clock.runFor(20_000);
  await phone.everythingSaved();
  const beside = (person: Person) =>
    person.page.getByRole('group', { name: 'Note, written on another device at the same time' });
  for (const person of [phone, desk]) {
    await expect(person.page.getByText('In by the slipway.', { exact: true })).toBeVisible();
    await expect(beside(person)).toContainText('Woollen hat after.');
  }
  await phone.button('Leave it out').click();
  await expect(beside(phone)).toBeHidden();
  await expect(beside(desk)).toBeHidden();
  await phone.button('Undo').click();
  await expect(beside(desk)).toContainText('Woollen hat after.');
  // It is offered where the note is written, too.
  await desk.button('Edit habit').click();
  await expect(desk.page.getByLabel('Note to yourself', { exact: true })).toHaveValue('In by the slipway.');
  await desk.button('Put below the other').click();
  await expect(desk.page.getByLabel('Note to yourself', { exact: true })).toHaveValue(
    'In by the slipway.\n\nWoollen hat after.',
  );
  await desk.button('Save').click();
  for (const person of [phone, desk]) {
    await expect(person.page.getByText('In by the slipway.\n\nWoollen hat after.')).toBeVisible();
    await expect(beside(person)).toBeHidden();
    await person.leave();
  }
});

test(
  'a rename on one device and a pause on another, made apart, both stay on both',
  { tag: '@soak' },
  async ({ browser }) => {
    const desk = await Person.at(browser, { size: WIDE });
    const email = await desk.signUp();
    await desk.addHabit({ name: 'Cold swim' });
    await desk.everythingSaved();
    const phone = await Person.at(browser, { size: PHONE });
    await phone.signIn(email, PASSWORD);
    await expect(phone.peg('Cold swim')).toBeVisible();
    await phone.openHabit('Cold swim');
    await phone.context.setOffline(true);
    await phone.card('Pauses').getByRole('button', { name: 'Add a pause' }).click();
    await phone.page.getByLabel('First day').fill('2026-11-20');
    await phone.page.getByLabel('Last day').fill('2026-11-24');
    await phone.page.getByLabel('Why', { exact: true }).fill('Flu');
    await phone.button('Save').click();
    await expect(phone.card('Pauses')).toContainText('Flu');
    await desk.openHabit('Cold swim');
    await desk.button('Edit habit').click();
    await desk.page.getByLabel('Name', { exact: true }).fill('Slow swim');
    await desk.button('Save').click();
    await expect(desk.heading('Slow swim')).toBeVisible();
    await desk.everythingSaved();
    await phone.context.setOffline(false);
    await phone.page.clock.runFor(20_000);
    await phone.everythingSaved();
    for (const person of [phone, desk]) {
      await expect(person.heading('Slow swim')).toBeVisible();
      await expect(person.card('Pauses')).toContainText('Flu');
      await person.leave();
    }
  },
);
