import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromiumPath, ensureChromium } from '../tools/chromium.mjs';
import { ROOT, checkNode, reportFault, say } from '../tools/system.mjs';

const FOLDER = join(ROOT, 'docs/screenshots');

/** Each main view: its file, its address, the device, and the theme. */
const VIEWS = [
  ['today-phone', '/today', 'phone', 'light'],
  ['today-phone-dark', '/today', 'phone', 'dark'],
  ['log-phone', '/log', 'phone', 'light'],
  ['charts-phone', '/charts', 'phone', 'light'],
  ['journal-phone', '/journal', 'phone', 'light'],
  ['journal-pages-phone', '/journal/pages', 'phone', 'light'],
  ['look-back-wide', '/journal/look-back?span=month&day=2026-10-15', 'wide', 'light'],
  ['moods-year-wide', '/journal/moods?span=year', 'wide', 'light'],
  ['goals-phone', '/goals', 'phone', 'light'],
  ['today-wide', '/today', 'wide', 'light'],
  ['log-wide', '/log', 'wide', 'light'],
  ['rewards-phone', '/rewards', 'phone', 'light'],
  ['ledger-wide', '/rewards/ledger', 'wide', 'light'],
  ['habit-wide', '/habits/swim', 'wide', 'light'],
  ['goal-wide', '/goals/island', 'wide', 'light'],
  ['charts-wide', '/charts', 'wide', 'light'],
  ['season-wide', '/seasons/winter-bench', 'wide', 'light'],
  ['data-phone', '/settings/account', 'phone', 'light'],
  ['table-read-wide', '/settings/bring-in', 'wide', 'light'],
];

/** A month as somebody may have kept it before. */
const TABLE = Buffer.from(
  [
    'May 2026',
    `Habit,Goal,${Array.from({ length: 31 }, (_, at) => at + 1).join(',')},Done`,
    `Scales,20,${Array.from({ length: 31 }, (_, at) => (at % 3 === 1 ? '' : at % 7 === 6 ? 'no' : 'x')).join(',')},18`,
    `Cold swim,12,${Array.from({ length: 31 }, (_, at) => (at % 2 ? '' : `${6 + (at % 5)} min`)).join(',')},16`,
    `Whittle,,${Array.from({ length: 31 }, (_, at) => (at === 4 ? '?' : at % 4 ? '' : '✓')).join(',')},8`,
    `Total,,${Array.from({ length: 31 }, (_, at) => 1 + (at % 3)).join(',')},`,
  ].join('\n'),
);

async function main() {
  checkNode();
  const { ensurePackages } = await import('../tools/packages.mjs');
  ensurePackages();
  ensureChromium();
  // The tests' own server and person are what takes the pictures too.
  const { register } = await import('tsx/esm/api');
  register();
  const { chromium } = await import('@playwright/test');
  const { CHROMIUM_ARGS, PHONE, WIDE } = await import('../e2e/playwright.config.ts');
  const { NOW, startWimbel } = await import('../tools/wimbel.ts');
  const wimbel = await startWimbel('screenshots');
  const browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_ARGS });
  mkdirSync(FOLDER, { recursive: true });
  try {
    for (const [file, address, device, colorScheme] of VIEWS) {
      const context = await browser.newContext({
        baseURL: wimbel.url,
        viewport: device === 'phone' ? PHONE : WIDE,
        deviceScaleFactor: device === 'phone' ? 2 : 1.25,
        colorScheme,
        locale: 'en-GB',
        timezoneId: 'Europe/London',
        reducedMotion: 'reduce',
      });
      // A busy machine takes its time.
      context.setDefaultTimeout(180_000);
      const page = await context.newPage();
      await page.clock.setFixedTime(new Date(NOW));
      await page.goto('/sign-in');
      await page.getByRole('button', { name: 'Open the sample' }).waitFor();
      if (address !== '/sign-in') {
        await page.getByRole('button', { name: 'Open the sample' }).click();
        await page.getByText(/to go today/).waitFor();
        if (address !== '/today') await page.goto(address);
        await page.getByRole('heading').first().waitFor();
      }
      if (address === '/settings/bring-in') {
        await page
          .getByLabel('A table as a file')
          .setInputFiles({ name: 'my-log.csv', mimeType: 'text/csv', buffer: TABLE });
        await page.getByRole('button', { name: /^Bring in \d/ }).waitFor();
      }
      await page.waitForTimeout(800);
      await page.screenshot({ path: join(FOLDER, `${file}.png`) });
      say(`docs/screenshots/${file}.png`);
      await context.close();
    }
  } finally {
    await browser.close();
    await wimbel.end();
  }
}

main().catch((error) => {
  reportFault(error);
  process.exit(1);
});
