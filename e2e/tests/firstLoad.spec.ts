import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { WEB_DIST } from '../../tools/build.mjs';
import { startWimbel } from '../../tools/wimbel.ts';
import { Person } from '../driver/person.ts';
import { PHONE } from '../playwright.config.ts';

/** What the first Today may bring of script, as it is sent. */
const MOST_BYTES = 300_000;
/** What a worker may bring of its own, beside what the page has already. */
const MOST_OF_A_WORKER = 15_000;

test('the first Today brings at most 300 kB of script, and workers take what the page has', async ({
  browser,
  request,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  await person.everythingSaved();
  const { page } = person;
  // As on a device that has nothing of the app yet.
  const session = await person.context.newCDPSession(page);
  await session.send('Network.clearBrowserCache');
  const brought: Promise<number>[] = [];
  page.on('requestfinished', (asked) => {
    if (asked.url().endsWith('.js')) brought.push(asked.sizes().then((sizes) => sizes.responseBodySize));
  });
  await page.goto('/today');
  await page.getByRole('heading', { level: 1 }).waitFor();
  const bytes = (await Promise.all(brought)).reduce((sum, each) => sum + each, 0);
  expect(bytes).toBeLessThan(MOST_BYTES);
  // Less would not be the whole of it.
  expect(bytes).toBeGreaterThan(MOST_BYTES / 2);
  const kept = await (await request.get(`${process.env.E2E_URL}/sw.js`)).text();
  const workers = [...kept.matchAll(/_expo\/static\/js\/web\/(?:review|search)-[0-9a-f]+\.js/g)].map(([path]) => path);
  expect(workers).toHaveLength(2);
  for (const path of workers) {
    const answer = await request.get(`${process.env.E2E_URL}/${path}`, { headers: { 'accept-encoding': 'br' } });
    expect(Number(answer.headers()['content-length']), path).toBeLessThan(MOST_OF_A_WORKER);
  }
  await person.leave();
});

test('before any script the way in stands for whoever is new, and the frame of the app for whoever is known', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await page.route('**/_expo/**', (route) => route.abort());
  await page.goto('/today');
  await expect(page.getByText('Small turns, real depth')).toBeVisible();
  await page.evaluate(() => localStorage.setItem('wimbel.account', '{"id":"a","email":"a@example.org","name":"a"}'));
  await page.goto('/today');
  await expect(page.getByText('Wimbel').locator('visible=true')).toBeVisible();
  await expect(page.getByText('Small turns, real depth')).toBeHidden();
  await page.goto('/sign-in');
  await expect(page.getByText('Small turns, real depth')).toBeVisible();
  await person.leave();
});

test('a part that cannot be had says so and can be opened again', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await page.route('**/FindSheet-*.js', (route) => route.abort());
  await person.signUp();
  await page.keyboard.press('/');
  await expect(page.getByText('There seems to be no connection.', { exact: false })).toBeVisible();
  await person.button('Close').last().click();
  await page.unroute('**/FindSheet-*.js');
  await page.keyboard.press('/');
  await expect(
    page.getByRole('combobox').or(page.getByRole('searchbox')).or(page.getByLabel('Find')).first(),
  ).toBeVisible();
  await person.leave();
});

test('a newer version is fetched beside the one that runs, said in a line, and taken by a tap only', async ({
  browser,
}) => {
  test.setTimeout(600_000);
  const folder = mkdtempSync(join(tmpdir(), 'wimbel-newer-'));
  cpSync(WEB_DIST, folder, { recursive: true });
  const wimbel = await startWimbel('newer', { env: { WIMBEL_WEB_ROOT: folder } });
  try {
    const person = await Person.at(browser, { url: wimbel.url, size: PHONE, keepsApp: true });
    await person.signUp();
    await person.addHabit({ name: 'Cold swim' });
    await person.page.clock.runFor(5000);
    await person.appKept();
    await person.recordKept();
    // The worker has the page in hand from its next start on.
    await person.page.goto('/journal');
    const field = person.page.getByLabel('Why?');
    await person.choose('Flat');
    await field.fill('Fog all d');
    // Another version is laid down on the server: its styles differ, and the list of what is kept.
    const styles = readFileSync(join(folder, 'base.css'), 'utf8');
    writeFileSync(join(folder, 'base.css'), `${styles}\n:root { --newer: 1; }\n`);
    for (const each of ['base.css.br', 'base.css.gz', 'sw.js.br', 'sw.js.gz'])
      rmSync(join(folder, each), { force: true });
    const worker = readFileSync(join(folder, 'sw.js'), 'utf8');
    const other = worker.replace(/(url:"base\.css",revision:")[0-9a-f]+/, '$1'.concat('0'.repeat(32)));
    expect(other).not.toBe(worker);
    writeFileSync(join(folder, 'sw.js'), other);
    const isNewer = () =>
      person.page
        .evaluate(() => getComputedStyle(document.documentElement).getPropertyValue('--newer'))
        // While the page changes over there is none to ask.
        .catch(() => 'in between');
    await person.page.evaluate(async () => void (await (await navigator.serviceWorker.getRegistration())?.update()));
    await expect(person.page.getByText('A newer version is here.', { exact: false })).toBeVisible();
    // Nothing is taken away from under somebody who types.
    expect(await isNewer()).toBe('');
    await expect(field).toHaveValue('Fog all d');
    await field.pressSequentially('ay.');
    await field.blur();
    await person.everythingSaved();
    await person.button('Open it now').click();
    await expect.poll(isNewer).toBe('1');
    await expect(person.page.getByText('Fog all day.')).toBeVisible();
    await person.visit('/today');
    await expect(person.peg('Cold swim')).toBeVisible();
    await person.leave();
  } finally {
    await wimbel.end();
    rmSync(folder, { recursive: true, force: true });
  }
});
