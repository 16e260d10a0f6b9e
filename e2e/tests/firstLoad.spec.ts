import { type Page, expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE } from '../playwright.config.ts';

/** What the first Today may bring of script, as it is sent. */
const MOST_BYTES = 300_000;
/** What a worker may bring of its own, beside what the page has already. */
const MOST_OF_A_WORKER = 15_000;

/** Holds back what is asked for of some address, until what this gives is called. */
async function heldBack(page: Page, address: string): Promise<() => void> {
  let letIn = (): void => undefined;
  const gate = new Promise<void>((resolve) => (letIn = resolve));
  await page.route(address, async (route) => {
    await gate;
    await route.continue();
  });
  return letIn;
}

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

test('the way in stands where its frame stood, and stays there when the form and the sample come', async ({
  browser,
}) => {
  for (const size of [PHONE, WIDE]) {
    const person = await Person.at(browser, { size });
    const { page } = person;
    const name = page.getByText('Wimbel', { exact: true }).filter({ visible: true });
    const place = async (): Promise<number> => (await name.boundingBox())!.y;
    await page.route('**/_expo/**', (route) => route.abort());
    await page.goto('/sign-in');
    const frame = await place();
    await page.unroute('**/_expo/**');
    const letIn = await heldBack(page, '**/api/sample');
    await page.addInitScript(() => {
      const moved = Object.assign(globalThis, { moved: 0 });
      new PerformanceObserver((list) => {
        for (const each of list.getEntries()) moved.moved += (each as unknown as { value: number }).value;
      }).observe({ type: 'layout-shift', buffered: true });
    });
    await page.goto('/sign-in');
    await expect(person.button('Sign in')).toBeVisible();
    await expect(person.button('Open the sample')).toHaveCount(0);
    const field = await page.getByLabel('E-mail').boundingBox();
    expect(await place()).toBe(frame);
    letIn();
    await expect(person.button('Open the sample')).toBeVisible();
    expect(await place()).toBe(frame);
    expect(await page.getByLabel('E-mail').boundingBox()).toEqual(field);
    // Of the part of the page that moved, and how far; letters in another font move it a little.
    expect(await page.evaluate(() => (globalThis as unknown as { moved: number }).moved)).toBeLessThan(0.03);
    await person.leave();
  }
});

test('a part that cannot be had says so and can be opened again', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await page.route('**/screens-*.js', (route) => route.abort());
  await person.signUp();
  await page.keyboard.press('/');
  await expect(page.getByText('There seems to be no connection.', { exact: false })).toBeVisible();
  await person.button('Close').last().click();
  await page.unroute('**/screens-*.js');
  await page.keyboard.press('/');
  await expect(
    page.getByRole('combobox').or(page.getByRole('searchbox')).or(page.getByLabel('Find')).first(),
  ).toBeVisible();
  await person.leave();
});

test('what is typed while the field is still coming stands in it, and does nothing to the page below', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.signUp();
  const letIn = await heldBack(page, '**/screens-*.js');
  await page.reload();
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.keyboard.press('/');
  await page.keyboard.type('gx/o');
  for (let at = 0; at < 3; at++) await page.keyboard.press('Backspace');
  await page.keyboard.type('oals of');
  letIn();
  await expect(page.getByRole('combobox')).toHaveValue('goals of');
  await page.keyboard.type(' a year');
  await expect(page.getByRole('row').first()).toHaveAccessibleName(/^Goals of a year,/);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/goals\/year/);
  await person.leave();
});

test(
  'Enter that comes before the field opens what was typed, and with Ctrl checks it off',
  { tag: '@soak' },
  async ({ browser }) => {
    const person = await Person.at(browser, { size: WIDE });
    const { page } = person;
    await person.signUp();
    await person.addHabit({ name: 'Bow hold' });
    await person.everythingSaved();
    const letIn = await heldBack(page, '**/screens-*.js');
    await page.reload();
    await expect(person.row('Bow hold')).toBeVisible();
    await page.keyboard.press('/');
    await page.keyboard.type('bow');
    await page.keyboard.press('Control+Enter');
    letIn();
    await expect(page.getByRole('row').first().getByRole('checkbox')).toHaveAttribute('aria-checked', 'true');
    await expect(page.getByRole('combobox')).toHaveValue('bow');
    await page.keyboard.press('Escape');
    const letInAgain = await heldBack(page, '**/screens-*.js');
    await page.reload();
    await expect(person.row('Bow hold')).toBeVisible();
    await page.keyboard.press('/');
    await page.keyboard.type('goals of');
    await page.keyboard.press('Enter');
    letInAgain();
    await expect(page).toHaveURL(/\/goals\/year/);
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await person.leave();
  },
);

test('a field that is still coming is given up with Escape', { tag: '@soak' }, async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.signUp();
  const letIn = await heldBack(page, '**/screens-*.js');
  await page.reload();
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.keyboard.press('/');
  await page.keyboard.type('abc');
  await page.keyboard.press('Escape');
  const brought = page.waitForResponse('**/screens-*.js');
  letIn();
  await brought;
  await page.keyboard.press('/');
  await expect(page.getByRole('combobox')).toHaveValue('');
  await expect(page.getByRole('dialog')).toHaveCount(1);
  await person.leave();
});

test(
  'what is typed at once after the key that opens the field stands there in its order',
  { tag: '@soak' },
  async ({ browser }) => {
    const person = await Person.at(browser, { size: PHONE });
    const { page } = person;
    await page.goto('/sign-in');
    await person.button('Open the sample').click();
    await page.getByRole('checkbox').first().waitFor();
    await page.goto('/log');
    for (const words of ['bring', 'goals of', 'charts', 'bow hold']) {
      await page.reload();
      await page.locator('[data-day]').first().waitFor();
      await page.keyboard.press('/');
      await page.keyboard.type(words);
      await expect(page.getByRole('combobox')).toHaveValue(words);
      await page.waitForTimeout(300);
      await expect(page.getByRole('combobox')).toHaveValue(words);
    }
    await person.leave();
  },
);

test('what a place needs is asked for before the app runs, and only where somebody is known', async ({ browser }) => {
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.signUp();
  await person.addHabit({ name: 'Bow hold' });
  await person.everythingSaved();
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url()));
  const isAsked = (part: RegExp): boolean => asked.some((each) => part.test(each));
  const letIn = await heldBack(page, '**/index-*.js');
  await page.goto('/log', { waitUntil: 'commit' });
  await expect.poll(() => isAsked(/\/screens-/)).toBe(true);
  // The letters too: nothing is drawn in others first.
  await expect
    .poll(() => page.evaluate(() => [...document.fonts].every(({ status }) => status === 'loaded')))
    .toBe(true);
  await expect(page.locator('.frame-brand')).toBeVisible();
  letIn();
  await expect(person.cell('Bow hold', 'Tuesday 24 November')).toBeVisible();
  asked.length = 0;
  await page.evaluate(() => localStorage.clear());
  await page.context().clearCookies();
  await page.goto('/sign-in');
  await expect(person.button('Sign in')).toBeVisible();
  expect([isAsked(/\/index-/), isAsked(/\/screens-/)]).toEqual([true, false]);
  await person.leave();
});

test('a table is read beside the screen, however slowly the app came', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await person.signUp();
  const letIn = await heldBack(page, '**/index-*.js');
  await page.goto('/settings/bring-in', { waitUntil: 'commit' });
  // What came before the last script has been run by then.
  await page.waitForTimeout(2500);
  letIn();
  await page
    .getByLabel('Or paste cells here')
    .fill('Date,Swim\n2026-11-20,x\n2026-11-21,x\n2026-11-22,x\n2026-11-23,x\n');
  await person.button('Read what I pasted').click();
  await expect(page.getByText(/^4 days of 1 habit/)).toBeVisible();
  await person.leave();
});

for (const address of ['/log', '/goals']) {
  test(`${address} without its chunk says so, and opens once that can be loaded`, async ({ browser }) => {
    const person = await Person.at(browser, { size: PHONE });
    const { page } = person;
    await person.signUp();
    await page.route('**/screens-*.js', (route) => route.abort());
    await page.goto(address);
    await expect(page.getByText('This page could not be fetched')).toBeVisible();
    expect(new URL(page.url()).pathname).toBe(address);
    await page.unroute('**/screens-*.js');
    await person.button('Try again').click();
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expect(page.getByText('This page could not be fetched')).toBeHidden();
    expect(new URL(page.url()).pathname).toBe(address);
    await person.leave();
  });
}
