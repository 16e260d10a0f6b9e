import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { chromium } from '@playwright/test';
import { build } from 'esbuild';
import { startWimbel } from '../tools/wimbel.ts';
import { CHROMIUM_ARGS, WIDE } from '../e2e/playwright.config.ts';
import { chromiumPath } from '../tools/chromium.mjs';
import { line, median, ratio, rounds, say } from './measure.ts';
import { openingMs, signIn, signUp, tapMs } from './onPage.ts';
import { sendYear } from './year.ts';

const HABITS = 400;
/** A leap year, all of it past. */
const FIRST = '2024-01-01';
const DAYS = 366;
const LOG = '/log?span=year&day=2024-12-31';
const OPENINGS = rounds(15);
const TAPS = rounds(40);

/** The bare page, built as the app is, on a port of its own. */
async function serveBare(): Promise<{ url: string; end: () => void }> {
  const { outputFiles } = await build({
    entryPoints: [new URL('./bareCell.tsx', import.meta.url).pathname],
    bundle: true,
    minify: true,
    write: false,
    jsx: 'automatic',
    alias: { 'react-native': 'react-native-web' },
    define: { 'process.env.NODE_ENV': '"production"', __DEV__: 'false', global: 'globalThis' },
  });
  const script = outputFiles[0]!.text;
  const page = '<!doctype html><meta charset="utf-8"><div id="root"></div><script src="/bare.js"></script>';
  const server = createServer((request, response) => {
    const isScript = request.url === '/bare.js';
    response.setHeader('content-type', isScript ? 'text/javascript' : 'text/html');
    response.end(isScript ? script : page);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return { url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, end: () => void server.close() };
}

const wimbel = await startWimbel('bench', {
  now: new Date().toISOString(),
  env: { WIMBEL_REQUESTS_PER_MINUTE: '10000000' },
});
const bare = await serveBare();
const browser = await chromium.launch({
  executablePath: chromiumPath(),
  args: CHROMIUM_ARGS,
});
try {
  const email = 'pegs@example.org';
  await sendYear(await signUp(wimbel.url, email), { habits: HABITS, first: FIRST, days: DAYS });
  const app = await (await browser.newContext({ baseURL: wimbel.url, viewport: WIDE })).newPage();
  const least = await (await browser.newContext({ baseURL: bare.url, viewport: WIDE })).newPage();
  // What runs in the page is compiled with the names of its functions kept by a helper of this name.
  for (const page of [app, least]) await page.addInitScript('globalThis.__name = (named) => named');
  await signIn(app, email);
  await app.getByRole('checkbox').first().waitFor({ timeout: 240_000 });

  const opening = { app: [] as number[], bare: [] as number[] };
  for (let i = 0; i < OPENINGS; i++) {
    opening.app.push(await openingMs(app, LOG, '[data-day]'));
    opening.bare.push(await openingMs(least, '/', '[role=checkbox]'));
  }
  const drawn = await app.locator('[data-day]').count();

  const grid = app.getByRole('grid');
  const tap = { app: [] as number[], bare: [] as number[] };
  for (let i = 0; i < TAPS; i++) {
    // Somewhere else each time, as a person mends a year: the tap follows at once on the scrolling.
    await grid.evaluate(
      (node, [x, y]) =>
        node.scrollTo(x! * (node.scrollWidth - node.clientWidth), y! * (node.scrollHeight - node.clientHeight)),
      [(i * 0.37) % 1, (i * 0.61) % 1],
    );
    const id = await app.evaluate(
      () =>
        new Promise<string>((resolve) => {
          const box = document.querySelector('[role=grid]')!.getBoundingClientRect();
          const look = (): void => {
            const hit = document
              .elementFromPoint(box.left + box.width / 2, box.top + box.height / 2)
              ?.closest<HTMLElement>('[role=checkbox]');
            if (hit) resolve(hit.id);
            else requestAnimationFrame(look);
          };
          look();
        }),
    );
    tap.app.push(await tapMs(app, `[id="${id}"]`));
    tap.bare.push(await tapMs(least, '[role=checkbox]'));
  }

  say(`\nThe log of ${HABITS} habits × ${DAYS} days, in Chromium (${drawn} cells drawn at a time)`);
  line('opening it by its address, to the first cell (median)', median(opening.app));
  line('opening a bare page of one round cell (median)', median(opening.bare));
  ratio('opening the log / the bare page', median(opening.app) / median(opening.bare));
  line('from tap to painted peg (median)', median(tap.app));
  line('from tap to painted cell on the bare page (median)', median(tap.bare));
  ratio('a tap in the log / on the bare page', median(tap.app) / median(tap.bare));
  say(`  all ${TAPS} taps, each right after scrolling, were taken`);
} finally {
  await browser.close();
  bare.end();
  await wimbel.end();
}
