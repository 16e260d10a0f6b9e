import { cpSync, mkdtempSync, readFileSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { expect, test } from '@playwright/test';
import { WEB_DIST } from '../../tools/build.mjs';
import { NOW, startWimbel } from '../../tools/wimbel.ts';
import { Person } from '../driver/person.ts';

const SCRIPTS = '_expo/static/js/web';

/** Every file of a folder and those below it. */
const filesIn = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((each) => each.isFile())
    .map((each) => join(each.parentPath, each.name));

/** Lays a newer version over an older one: the chunk with the account page has another name, and so have those that name it. */
function layNewer(folder: string): { before: string; after: string } {
  const scripts = readdirSync(join(folder, SCRIPTS)).filter((name) => name.endsWith('.js'));
  const textOf = new Map(scripts.map((name) => [name, readFileSync(join(folder, SCRIPTS, name), 'utf8')]));
  const before = scripts.find((name) => name.startsWith('screens-') && textOf.get(name)!.includes('this browser'));
  if (before === undefined) throw new Error('There is no chunk with the account page.');
  const newer = new Map<string, string>();
  for (const left = [before]; left.length > 0;) {
    const name = left.pop()!;
    newer.set(name, name.replace(/[0-9a-f]{4}\.js$/, 'ffff.js'));
    left.push(...scripts.filter((each) => !newer.has(each) && textOf.get(each)!.includes(name)));
  }
  for (const file of filesIn(folder)) {
    if (!/\.(js|html|json)$/.test(file)) continue;
    const old = readFileSync(file, 'utf8');
    let text = old;
    for (const [was, is] of newer) text = text.replaceAll(was, is);
    if (text === old && !newer.has(basename(file))) continue;
    writeFileSync(file, text);
    // What is compressed beforehand is still the older one.
    for (const ending of ['.br', '.gz']) rmSync(`${file}${ending}`, { force: true });
  }
  // The page names them, so it is another too.
  const worker = join(folder, 'sw.js');
  for (const ending of ['.br', '.gz']) rmSync(`${worker}${ending}`, { force: true });
  writeFileSync(worker, readFileSync(worker, 'utf8').replace(/(url:"\/",revision:")\w+/, '$1newer'));
  for (const [was, is] of newer) renameSync(join(folder, SCRIPTS, was), join(folder, SCRIPTS, is));
  return { before, after: newer.get(before)! };
}

test('a newer version is fetched beside the one that runs, which goes on with its own parts until it is taken', async ({
  browser,
}) => {
  test.setTimeout(300_000);
  const folder = mkdtempSync(join(tmpdir(), 'wimbel-version-'));
  cpSync(WEB_DIST, folder, { recursive: true });
  const wimbel = await startWimbel('versions', { env: { WIMBEL_WEB_ROOT: folder } });
  try {
    const person = await Person.at(browser, { url: wimbel.url, keepsApp: true });
    const { page } = person;
    const part = async (name: string): Promise<boolean> =>
      page.evaluate(
        async (path) => (await caches.match(path, { ignoreSearch: true })) !== undefined,
        `/${SCRIPTS}/${name}`,
      );
    await person.signUp();
    await person.addHabit({ name: 'Cold swim' });
    await person.everythingSaved();
    await page.clock.runFor(6000);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));

    const second = await person.context.newPage();
    await second.clock.install({ time: new Date(NOW) });
    await second.goto('/today');
    await expect(second.getByRole('checkbox', { name: 'Cold swim' })).toBeVisible();
    await person.visit('/journal');
    await person.choose('Flat');
    const field = page.getByLabel('Why?');
    await field.fill('Fog all d');
    const { before, after } = layNewer(folder);
    await wimbel.restartServer();
    expect((await page.request.get(`/${SCRIPTS}/${before}`)).status()).toBe(404);
    // The app comes to the front again after a while, and looks.
    await page.clock.fastForward(3 * 3_600_000);
    await page.evaluate(() => document.dispatchEvent(new Event('visibilitychange')));
    await expect(page.getByText('A newer version is here.')).toBeVisible({ timeout: 30_000 });

    // Nothing is taken away from under somebody who types, and a place not opened before opens with the old part.
    await expect(field).toHaveValue('Fog all d');
    await field.pressSequentially('ay.');
    await field.blur();
    await person.everythingSaved();
    await person.visit('/settings/account');
    await expect(page.getByText('this browser')).toBeVisible();
    expect(await part(before)).toBe(true);
    await person.visit('/today');
    await person.checkOff('Cold swim');
    const reloaded = page.waitForEvent('load');
    await person.button('Open it now').click();
    await reloaded;
    await expect(person.peg('Cold swim')).toHaveAttribute('aria-checked', 'true');
    await expect(page.getByText('A newer version is here.')).toBeHidden();
    // What the other tab has not fetched yet is gone with it: that is said there, and it goes on until then.
    await expect(second.getByText('A newer version is here.')).toBeVisible();
    await expect(second.getByRole('checkbox', { name: 'Cold swim' })).toHaveAttribute('aria-checked', 'true');
    await person.visit('/settings/account');
    await expect(page.getByText('this browser')).toBeVisible();
    expect(await part(after)).toBe(true);
    await expect.poll(() => part(before)).toBe(false);
    await person.visit('/journal');
    await expect(page.getByText('Fog all day.')).toBeVisible();
    await person.everythingSaved();
    await person.leave();
  } finally {
    await wimbel.end();
    rmSync(folder, { recursive: true, force: true });
  }
});
