import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { PASSWORD, Person } from '../driver/person.ts';
import { PHONE, WIDE } from '../playwright.config.ts';

const accountPage = (person: Person) => person.visit('/settings/account');

test('on a phone: the password is changed, other browsers are signed out, and the account goes with everything in it', async ({
  browser,
}) => {
  const first = await Person.at(browser, { size: PHONE });
  const email = await first.signUp();
  await first.addHabit({ name: 'Scales' });
  await first.everythingSaved();
  const second = await Person.at(browser, { size: PHONE });
  await second.signIn(email);
  const third = await Person.at(browser, { size: PHONE });
  await third.signIn(email);
  for (const each of [second, third]) await each.heading('Tuesday').waitFor();

  await accountPage(first);
  await first.button('For a calendar').click();
  await first.button('Make an address').click();
  const calendar = await first.page.getByLabel('The address', { exact: true }).inputValue();
  const calendarStatus = async (): Promise<number> => (await fetch(calendar)).status;
  expect(await calendarStatus()).toBe(200);
  await first.visit('/today');

  await accountPage(first);
  await expect(first.page.getByText('this browser')).toHaveCount(1);
  const signOut = first.page.getByRole('button', { name: /^Sign out: Chrome on Linux, last used/ });
  await expect(signOut).toHaveCount(2);
  await signOut.first().click();
  await expect(signOut).toHaveCount(1);

  await first.page.getByLabel('Current password').fill('not the password');
  await first.page.getByLabel('New password', { exact: true }).fill('quiet water runs');
  await first.button('Change password').click();
  await expect(first.page.getByText('That is not your password. Nothing was changed.')).toBeVisible();
  await first.page.getByLabel('Current password').fill(PASSWORD);
  await first.page.getByLabel('New password', { exact: true }).fill('            ');
  await first.button('Change password').click();
  await expect(first.page.getByText('Use more than spaces')).toBeVisible();
  await first.page.getByLabel('New password', { exact: true }).fill('quiet water runs');
  await expect(first.page.getByRole('checkbox', { name: 'End the calendar address too' })).toBeChecked();
  expect(await calendarStatus()).toBe(200);
  await first.button('Change password').click();
  await expect(
    first.page.getByText(
      'The password is changed, you are signed out everywhere else, and the calendar address has ended',
    ),
  ).toBeVisible();
  expect(await calendarStatus()).toBe(404);
  // Both others are out at once: one was ended, the other by the new password.
  for (const other of [second, third]) {
    await other.page.reload();
    await expect(other.button('Sign in')).toBeVisible();
  }
  await second.page.getByLabel('E-mail').fill(email);
  await second.page.getByLabel('Password').fill(PASSWORD);
  await second.button('Sign in').click();
  await expect(second.page.getByText('Wrong e-mail or password. Nothing was changed.')).toBeVisible();
  await second.page.getByLabel('Password').fill('quiet water runs');
  await second.button('Sign in').click();
  await expect(second.peg('Scales')).toBeVisible();

  await accountPage(first);
  await first.button('Delete account').click();
  await first.page.getByLabel('Your password').fill('something else');
  await first.button('Delete everything').click();
  await expect(first.page.getByText('That is not your password. Nothing was changed.')).toBeVisible();
  await first.page.getByLabel('Your password').fill('quiet water runs');
  await first.button('Delete everything').click();
  await expect(first.button('Sign in')).toBeVisible();
  await second.page.reload();
  await expect(second.button('Sign in')).toBeVisible();
  for (const person of [first, second, third]) await person.leave();
});

test('everything is downloaded as one file, and a file is brought in beside what is here or in its place, with undo', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  const { page } = person;
  await person.signUpWithGoals();
  await person.checkOff('Tide table first');
  await person.everythingSaved();
  const before = await person.stored();
  await accountPage(person);
  const saving = page.waitForEvent('download');
  await person.button('Download my data').click();
  const download = await saving;
  expect(download.suggestedFilename()).toMatch(/^wimbel-.+-everything-2026-11-24\.json$/);
  const text = readFileSync(await download.path(), 'utf8');
  const file = JSON.parse(text) as { format: string; habits: { id: string; name: string }[]; entries: object[] };
  expect([file.format, file.entries.length]).toEqual(['wimbel', 1]);
  expect(file.habits).toHaveLength(before.filter((each) => each.collection === 'habits').length);

  const choose = async (name: string, content: string): Promise<void> => {
    await page
      .getByLabel('A Wimbel data file')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) });
  };
  // A file with a fault is told whole and nothing is written.
  await choose('broken.json', JSON.stringify({ ...file, habits: [{ ...file.habits[0], terms: [] }] }));
  await expect(page.getByRole('dialog')).toContainText('This file cannot be brought in');
  await expect(page.getByRole('dialog')).toContainText('habits[0].terms is empty');
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).first().click();
  expect(await person.stored()).toEqual(before);

  // The same file again changes nothing.
  await choose('same.json', text);
  await expect(page.getByRole('dialog')).toContainText(/same\.json can be brought in\. It holds .*1 day of a habit/);
  await person.button('Add to what is here').click();
  await expect(page.getByText('Everything in the file was here already')).toBeVisible();

  const small = {
    format: 'wimbel',
    version: 1,
    habits: [{ ...file.habits[0], id: 'new', name: 'Knots by feel', areaId: undefined, goalId: undefined }],
  };
  await choose('small.json', JSON.stringify(small));
  await person.button('Replace what is here').click();
  await expect(page.getByText(/records brought in/)).toBeVisible();
  await person.everythingSaved();
  expect((await person.stored()).filter((each) => each.collection !== 'settings').map((each) => each.key)).toEqual([
    'new',
  ]);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await person.everythingSaved();
  const sorted = (rows: { collection: string; key: string; record: object }[]) =>
    rows
      .map((row) => JSON.stringify([row.collection, row.key, Object.entries(row.record).sort()]))
      .filter((row) => !row.startsWith('["settings"'))
      .sort();
  await expect.poll(async () => sorted(await person.stored())).toEqual(sorted(before));
  await person.leave();
});

test('a second tab with another account stops the first, and nothing of one gets into the other', async ({
  browser,
}) => {
  const anna = await Person.at(browser);
  await anna.signUp();
  await anna.addHabit({ name: 'Scales' });
  await anna.everythingSaved();
  // What anna writes now cannot go out, and waits.
  const { user } = (await (await anna.page.request.get('/api/auth/get-session')).json()) as { user: { id: string } };
  await anna.context.route('**/api/changes*', (route) =>
    route.request().headers()['x-wimbel-account'] === user.id ? route.abort() : route.continue(),
  );
  await anna.checkOff('Scales');
  await expect.poll(() => anna.waiting()).toBe(1);

  const tab = await anna.context.newPage();
  await tab.clock.install({ time: new Date('2026-11-24T09:40:00Z') });
  await tab.goto('/sign-in');
  await tab.getByRole('button', { name: 'Open the sample' }).click();
  await expect(tab.getByText(/to go today/)).toBeVisible();
  await expect(anna.page.getByText('Another account is open in another tab')).toBeVisible();
  await anna.context.unroute('**/api/changes*');
  // Even a page that had heard nothing is refused by the server.
  const status = await anna.page.evaluate(async () => {
    const headers = { 'content-type': 'application/json', 'x-wimbel-account': 'somebody else' };
    const body = JSON.stringify({ changes: [] });
    return (await fetch('/api/changes', { method: 'POST', headers, body })).status;
  });
  expect(status).toBe(409);
  expect(await anna.waiting()).toBe(1);
  await anna.button('Go on with the other account').click();
  await expect(anna.page.getByRole('checkbox', { name: /^Scales:/ })).toHaveCount(0);
  await expect(anna.page.getByText(/to go today/)).toBeVisible();
  // Signing out in one tab is felt in the other.
  await anna.visit('/settings');
  await anna.button('Sign out').click();
  await expect(tab.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await anna.leave();
});

test('without a connection a place not opened before says so, the others go on, and it comes back by itself', async ({
  browser,
}) => {
  const person = await Person.at(browser);
  await person.signUp();
  await person.addHabit({ name: 'Scales' });
  await person.everythingSaved();
  // The screens are not preloaded here.
  await person.page.route('**/screens-*.js', (route) => route.abort());
  await person.page.reload();
  await expect(person.row('Scales')).toBeVisible();
  await person.context.setOffline(true);
  await person.go('Charts');
  await expect(person.page.getByText('This page could not be fetched')).toBeVisible();
  await person.go('Today');
  await person.checkOff('Scales');
  await person.go('Charts');
  await expect(person.page.getByText('This page could not be fetched')).toBeVisible();
  await person.page.unroute('**/screens-*.js');
  await person.context.setOffline(false);
  await expect(person.heading(/2026/).first()).toBeVisible();
  await person.go('Today');
  await expect(person.peg('Scales')).toHaveAttribute('aria-checked', 'true');
  await person.leave();
});

test('the parts of the app are fetched ahead, so that a place opens without a connection', async ({ browser }) => {
  const person = await Person.at(browser);
  const fetched: string[] = [];
  person.page.on('requestfinished', (request) => fetched.push(new URL(request.url()).pathname));
  await person.signUp();
  await person.addHabit({ name: 'Scales' });
  await person.everythingSaved();
  const parts = (await (await person.page.request.get('/chunks.json')).json()) as string[];
  expect(parts.length).toBeGreaterThan(5);
  await person.page.clock.runFor(60_000);
  await expect.poll(() => parts.filter((part) => !fetched.includes(part)), { timeout: 60_000 }).toEqual([]);
  await person.context.setOffline(true);
  await person.go('Charts');
  await expect(person.heading(/2026/).first()).toBeVisible();
  await person.leave();
});
