import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Page, chromium } from '@playwright/test';
import { DEFAULT_SETTINGS, type Entry, type Records, dayOf, formatDay } from '@wimbel/core';
import { LIST_COLLECTIONS } from '@wimbel/contract';
import { dataFileOf, workbookOf, writeDataFile } from '@wimbel/exchange';
import ExcelJS from 'exceljs';
import { CHROMIUM_ARGS, PHONE } from '../e2e/playwright.config.ts';
import { chromiumPath } from '../tools/chromium.mjs';
import { STATE } from '../tools/system.mjs';
import { startWimbel } from '../tools/wimbel.ts';
import { line, say } from './measure.ts';
import { signIn, signUp } from './onPage.ts';
import { FIRST, HABITS, NOW, TODAY, habits } from './tenYears.ts';

/** Ten years of fifty habits, done on most days, by a rule without chance. */
function record(): Records {
  const entries: Entry[] = [];
  const [first, last] = [dayOf(FIRST), dayOf(TODAY)];
  for (let habit = 0; habit < HABITS; habit++)
    for (let day = first; day <= last; day++)
      if ((habit * 7 + (day - first) * 13) % 10 < (habit % 3 === 2 ? 4 : 8))
        entries.push({ habitId: `h${habit}`, day: formatDay(day), mark: 'done' });
  return {
    settings: DEFAULT_SETTINGS,
    ...Object.fromEntries(LIST_COLLECTIONS.map((each) => [each, []])),
    habits,
    entries,
  } as unknown as Records;
}

async function timed<T>(work: () => T | Promise<T>): Promise<[ms: number, made: T]> {
  const startedMs = performance.now();
  const made = await work();
  return [performance.now() - startedMs, made];
}

/** Watches how long the page is ever blocked, until it is asked. */
const watch = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const own = window as unknown as { longestMs: number };
    own.longestMs = 0;
    new PerformanceObserver((list) => {
      for (const each of list.getEntries()) own.longestMs = Math.max(own.longestMs, each.duration);
    }).observe({ type: 'longtask' });
  });
const longest = (page: Page): Promise<number> =>
  page.evaluate(() => (window as unknown as { longestMs: number }).longestMs);

/** A file on the disk: one that is handed over as text would hold the page up by itself. */
function fileOf(name: string, content: string | Uint8Array): string {
  const path = join(STATE, name);
  writeFileSync(path, content);
  return path;
}

const PATIENCE_MS = 600_000;
const SETTLED_MS = 4000;
const wimbel = await startWimbel('bench', { now: NOW, env: { WIMBEL_REQUESTS_PER_MINUTE: '10000000' } });
const browser = await chromium.launch({
  executablePath: chromiumPath(),
  args: CHROMIUM_ARGS,
});
try {
  const records = record();
  say(`\n${records.entries.length} days of ${HABITS} habits in ten years:`);
  const [writeMs, text] = await timed(() => writeDataFile(dataFileOf(records, NOW)));
  const [parseMs] = await timed(() => JSON.parse(text) as unknown);
  const [bookMs, book] = await timed(() => workbookOf(records, dayOf(TODAY), null));
  const [loadMs] = await timed(() => new ExcelJS.Workbook().xlsx.load(book as unknown as ExcelJS.Buffer));
  line('our file, parsed alone', parseMs);
  line('the workbook, read by its library alone', loadMs);
  line('our file, written alone', writeMs);
  line('the workbook, written alone', bookMs);

  const newPage = async (email: string): Promise<Page> => {
    await signUp(wimbel.url, email);
    const context = await browser.newContext({ baseURL: wimbel.url, viewport: PHONE });
    const page = await context.newPage();
    page.setDefaultTimeout(PATIENCE_MS);
    await signIn(page, email);
    await page.waitForURL('**/today');
    return page;
  };
  const report = async (name: string, page: Page, alone: number, work: () => Promise<unknown>): Promise<void> => {
    await watch(page);
    const [ms] = await timed(work);
    line(name, ms);
    say(`    ${(ms / alone).toFixed(1)} × alone, longest block ${Math.round(await longest(page))} ms`);
  };

  const own = await newPage('ownfile@example.org');
  await own.goto('/settings/account');
  // The page stands, with all that comes behind it.
  await own.waitForTimeout(SETTLED_MS);
  const add = own.getByRole('button', { name: 'Add to what is here' });
  await report('our file, read, checked and compared', own, parseMs, async () => {
    await own.getByLabel('A Wimbel data file').setInputFiles(fileOf('years.json', text));
    await add.waitFor();
  });
  await report('and brought in', own, parseMs, async () => {
    await add.click();
    await own.getByText(/records? brought in/).waitFor();
  });
  await report('everything written as one file', own, writeMs, () =>
    Promise.all([own.waitForEvent('download'), own.getByRole('button', { name: 'Download my data' }).click()]),
  );
  await own.getByRole('button', { name: 'As a workbook' }).click();
  await own.getByRole('radio', { name: 'Everything' }).click();
  await report('everything written as a workbook', own, bookMs, () =>
    Promise.all([own.waitForEvent('download'), own.getByRole('button', { name: 'Download', exact: true }).click()]),
  );
  await own.context().close();

  const grid = await newPage('grid@example.org');
  await grid.goto('/settings/bring-in');
  await grid.waitForTimeout(SETTLED_MS);
  const bring = grid.getByRole('button', { name: /^Bring in [\d,]+ days/ });
  await report('the workbook, read and understood', grid, loadMs, async () => {
    await grid.getByLabel('A table as a file').setInputFiles(fileOf('years.xlsx', book));
    await bring.waitFor();
  });
  await report('and brought in', grid, loadMs, async () => {
    await bring.click();
    await grid.waitForURL(/log/);
  });
} finally {
  await browser.close();
  await wimbel.end();
}
