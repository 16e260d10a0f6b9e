import { type ChildProcess, spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { type Page, chromium } from '@playwright/test';
import { CHROMIUM_ARGS, PHONE, WIDE } from '../e2e/playwright.config.ts';
import { chromiumPath } from '../tools/chromium.mjs';
import { startWimbel } from '../tools/wimbel.ts';
import { median, rounds, say } from './measure.ts';
import { signIn } from './onPage.ts';
import { HABITS, NOW, fill } from './tenYears.ts';

const ROUNDS = rounds(9);
/** How long a place is given to come and settle, everything behind it included. */
const SETTLED_MS = 4000;
const ALL = [
  ...['today', 'log', 'log?span=sevenDays', 'goals', 'charts', 'journal', 'seasons', 'habits/h0'],
  ...['rewards/ledger', 'settings', 'settings/account'],
];
/** Some of the places can be named, as `log,charts`, and one of the screens. */
const [, , named, screen] = process.argv;
const PLACES = named ? named.split(',') : ALL;

type Browser = { process: ChildProcess; folder: string; door: string };

/** A browser of its own that nobody drives; it listens at `door`. */
async function start({ width, height }: { width: number; height: number }): Promise<Browser> {
  const folder = mkdtempSync(join(tmpdir(), 'wimbel-places-'));
  const process_ = spawn(
    chromiumPath(),
    [
      ...CHROMIUM_ARGS,
      ...['--headless=new', '--remote-debugging-port=0', `--user-data-dir=${folder}`],
      ...[`--window-size=${width},${height}`, 'about:blank'],
    ],
    { stdio: 'ignore' },
  );
  const told = join(folder, 'DevToolsActivePort');
  for (let tries = 0; !existsSync(told) && tries < 100; tries++) await wait(100);
  return { process: process_, folder, door: `http://127.0.0.1:${readFileSync(told, 'utf8').split('\n')[0]}` };
}

/** Drives the browser for as long as `work` takes: only while nothing is measured, for a driver weighs on the page. */
async function driven<T>({ door }: Browser, work: (pages: Page[]) => Promise<T>): Promise<T> {
  const browser = await chromium.connectOverCDP(door);
  try {
    return await work(browser.contexts()[0]!.pages());
  } finally {
    await browser.close();
  }
}

/** The longest block of a page that was opened a while ago, in ms: 0 where nothing was as long as 50 ms, where a block begins. */
const longestBlock = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const watch = new PerformanceObserver((list) =>
          resolve(Math.max(0, ...list.getEntries().map((each) => each.duration))),
        );
        watch.observe({ type: 'longtask', buffered: true });
        setTimeout(() => resolve(0), 500);
      }),
  );

/** Opens a place in a page of its own, as a person does, and tells its longest block once all is quiet. */
async function open(browser: Browser, url: string): Promise<number> {
  await fetch(`${browser.door}/json/new?${url}`, { method: 'PUT' });
  await wait(SETTLED_MS);
  return driven(browser, async (pages) => {
    const page = pages.find((each) => each.url() === url);
    if (page === undefined || (await page.getByRole('heading').count()) === 0) throw new Error(`${url} did not open`);
    const longest = await longestBlock(page);
    await page.close();
    return longest;
  });
}

const wimbel = await startWimbel('bench', { now: NOW, env: { WIMBEL_REQUESTS_PER_MINUTE: '10000000' } });
try {
  await fill(wimbel.url, wimbel.databaseUrl(), 'places@example.org');
  for (const [name, size] of [
    ['phone', PHONE],
    ['wide', WIDE],
  ] as const) {
    if (screen !== undefined && screen !== name) continue;
    const browser = await start(size);
    try {
      await driven(browser, async ([page]) => {
        await signIn(page!, 'places@example.org', wimbel.url);
        await page!.getByRole('checkbox').first().waitFor();
        // The record is written down behind the screen, the app kept, and all is quiet again.
        await page!.waitForTimeout(20_000);
        say(
          `\nEach place by its address, ${HABITS} habits × ten years, ${name} (${await page!.evaluate(() => innerWidth)} px wide): longest block in ms, median of ${ROUNDS} (all):`,
        );
        await page!.goto('about:blank');
      });
      for (const place of PLACES) {
        const longest: number[] = [];
        for (let round = 0; round < ROUNDS; round++) longest.push(await open(browser, `${wimbel.url}/${place}`));
        say(
          `  ${place.padEnd(22)} ${median(longest).toFixed(0).padStart(4)}  (${longest.map((each) => each.toFixed(0)).join(' ')})`,
        );
      }
    } finally {
      browser.process.kill();
      await wait(1000);
      rmSync(browser.folder, { recursive: true, force: true });
    }
  }
} finally {
  await wimbel.end();
}
