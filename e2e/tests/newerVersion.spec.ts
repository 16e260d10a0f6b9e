import { cpSync, mkdtempSync, readFileSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { WEB_DIST } from '../../tools/build.mjs';
import { startWimbel } from '../../tools/wimbel.ts';
import { Person } from '../driver/person.ts';

const SCRIPTS = '_expo/static/js/web';
const NEWER = 'f'.repeat(32);

/** Every file of a folder and those below it. */
const filesIn = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((each) => each.isFile())
    .map((each) => join(each.parentPath, each.name));

/** Lays a newer version over an older one: the part with the charts has another name, and the old one is gone. */
function layNewer(folder: string): { before: string; after: string } {
  const before = readdirSync(join(folder, SCRIPTS)).find((name) => /^ChartsScreen-.*\.js$/.test(name));
  if (before === undefined) throw new Error('There is no part with the charts.');
  const after = before.replace(/[0-9a-f]{32}/, NEWER);
  for (const file of filesIn(folder)) {
    if (!/\.(js|html|json)$/.test(file)) continue;
    const text = readFileSync(file, 'utf8');
    if (text.includes(before)) writeFileSync(file, text.replaceAll(before, after));
  }
  renameSync(join(folder, SCRIPTS, before), join(folder, SCRIPTS, after));
  return { before, after };
}

test('a newer version is fetched beside the one that runs, which goes on with its own parts until it is taken', async ({
  browser,
}) => {
  test.setTimeout(300_000);
  const folder = mkdtempSync(join(tmpdir(), 'wimbel-version-'));
  cpSync(WEB_DIST, folder, { recursive: true });
  // What is pressed beforehand would still be the older one.
  for (const file of filesIn(folder)) if (/\.(br|gz)$/.test(file)) rmSync(file);
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

    const { before, after } = layNewer(folder);
    await wimbel.restartServer();
    expect((await page.request.get(`/${SCRIPTS}/${before}`)).status()).toBe(404);
    // The app comes to the front again after a while, and looks.
    await page.clock.fastForward(3 * 3_600_000);
    await page.evaluate(() => document.dispatchEvent(new Event('visibilitychange')));
    await expect(page.getByText('A newer version is here.')).toBeVisible({ timeout: 30_000 });

    // Nothing changes under one's hands: what is written stays, and a place not opened before opens with the old part.
    await person.go('Charts');
    await expect(person.heading(/2026/).first()).toBeVisible();
    expect(await part(before)).toBe(true);
    await person.go('Today');
    await person.checkOff('Cold swim');
    const reloaded = page.waitForEvent('load');
    await person.button('Open it now').click();
    await reloaded;
    await expect(person.peg('Cold swim')).toHaveAttribute('aria-checked', 'true');
    await expect(page.getByText('A newer version is here.')).toBeHidden();
    const fetched = page.waitForResponse((response) => response.url().endsWith(after));
    await person.go('Charts');
    expect((await fetched).fromServiceWorker()).toBe(true);
    await expect(person.heading(/2026/).first()).toBeVisible();
    await expect.poll(() => part(before)).toBe(false);
    await person.everythingSaved();
    await person.leave();
  } finally {
    await wimbel.end();
    rmSync(folder, { recursive: true, force: true });
  }
});
