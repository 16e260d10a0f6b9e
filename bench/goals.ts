import { type Page, chromium } from '@playwright/test';
import { startWimbel } from '../tools/wimbel.ts';
import { CHROMIUM_ARGS, WIDE } from '../e2e/playwright.config.ts';
import { chromiumPath } from '../tools/chromium.mjs';
import { line, median, ratio, rounds, say } from './measure.ts';
import { signIn, signUp, tapMs } from './onPage.ts';

const OPENINGS = rounds(7);
const TAPS = rounds(24);
const NOW = '2026-11-24T09:30:00.000Z';

type Size = { steps: number; checkIns: number; keyResults: number };
const LARGE: Size = { steps: 200, checkIns: 60, keyResults: 12 };
const SMALL: Size = { steps: 1, checkIns: 1, keyResults: 1 };

/** A goal with so many steps, check-ins and key results; a step's name tells its goal and place. */
function goalOf(
  id: string,
  { steps, checkIns, keyResults }: Size,
): [collection: string, key: string, record: object][] {
  const dated = (offset: number): string => new Date(Date.UTC(2026, 5, 1 + offset)).toISOString().slice(0, 10);
  return [
    ['goals', id, { id, title: `Goal ${id}`, startsOn: '2026-06-01', dueOn: '2027-05-31', state: 'open', order: 0 }],
    ...Array.from({ length: keyResults }, (_, index): [string, string, object] => {
      const measure = index % 4 === 3 ? { kind: 'steps' } : { kind: 'number', unit: 'h', start: 0, target: 100 };
      return [
        'keyResults',
        `${id}k${index}`,
        { id: `${id}k${index}`, goalId: id, title: `Result ${index}`, order: index, measure },
      ];
    }),
    ...Array.from({ length: checkIns }, (_, index): [string, string, object] => {
      const day = dated(Math.floor((index * 170) / checkIns));
      const place = index % keyResults;
      const keyResultId = `${id}k${place % 4 === 3 ? 0 : place}`;
      return [
        'checkIns',
        `${id}c${index}`,
        { id: `${id}c${index}`, keyResultId, day, value: index, madeAt: `${day}T10:00:00Z` },
      ];
    }),
    ...Array.from({ length: steps }, (_, index): [string, string, object] => [
      'steps',
      `${id}s${index}`,
      {
        id: `${id}s${index}`,
        goalId: id,
        title: `Step ${id} ${index}`,
        order: index,
        ...(keyResults > 3 ? { keyResultId: `${id}k${[3, 7, 11][index % 3]}` } : {}),
        startsOn: dated(index),
        dueOn: dated(index + 20),
      },
    ]),
  ];
}

/** Milliseconds from the tap on a goal in the list until its page is painted, by the page's own clock; and the longest block. */
async function openMs(page: Page, title: string): Promise<{ ms: number; blockMs: number }> {
  await page.getByRole('navigation').getByRole('link', { name: 'Goals' }).click();
  const link = page.getByRole('link', { name: new RegExp(`^${title},`) });
  await link.waitFor();
  await page.waitForTimeout(150);
  await page.evaluate((heading) => {
    const blocks: number[] = [];
    new PerformanceObserver((list) => list.getEntries().forEach((each) => blocks.push(each.duration))).observe({
      type: 'longtask',
    });
    const opened = new Promise<{ ms: number; blockMs: number }>((resolve) => {
      const watch = ({ timeStamp }: MouseEvent): void => {
        const look = (): void => {
          const isThere =
            document.querySelector('h1')?.textContent === heading && document.querySelector('[role=checkbox]');
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = () => {
            if (!isThere) requestAnimationFrame(look);
            else {
              const ms = performance.now() - timeStamp;
              setTimeout(() => resolve({ ms, blockMs: Math.max(0, ...blocks) }), 200);
            }
          };
          port2.postMessage(null);
        };
        requestAnimationFrame(look);
      };
      window.addEventListener('click', watch, { once: true, capture: true });
    });
    Object.assign(globalThis, { opened });
  }, title);
  await link.click();
  return page.evaluate(() => (globalThis as unknown as { opened: Promise<{ ms: number; blockMs: number }> }).opened);
}

const wimbel = await startWimbel('bench', { now: NOW });
const browser = await chromium.launch({
  executablePath: chromiumPath(),
  args: CHROMIUM_ARGS,
});
try {
  const email = 'goals@example.org';
  const person = await signUp(wimbel.url, email);
  await person.send([...goalOf('large', LARGE), ...goalOf('small', SMALL)]);
  const page = await (await browser.newContext({ baseURL: wimbel.url, viewport: WIDE })).newPage();
  await page.addInitScript('globalThis.__name = (named) => named');
  await signIn(page, email);
  await page.getByRole('link', { name: 'Goals', exact: true }).first().waitFor({ timeout: 240_000 });

  const opening = { large: [] as number[], small: [] as number[] };
  const blocks = { large: [] as number[], small: [] as number[] };
  for (let i = 0; i < OPENINGS; i++) {
    for (const size of ['large', 'small'] as const) {
      const { ms, blockMs } = await openMs(page, `Goal ${size}`);
      opening[size].push(ms);
      blocks[size].push(blockMs);
    }
  }

  const tap = { large: [] as number[], small: [] as number[] };
  const tick = async (size: 'large' | 'small', place: number): Promise<void> => {
    await page.goto(`/goals/${size}`);
    const step = `[role=checkbox][aria-label="Step ${size} ${place}: done"]`;
    await page.locator(step).waitFor({ timeout: 60_000 });
    await page.locator(step).scrollIntoViewIfNeeded();
    await page.waitForTimeout(300);
    tap[size].push(await tapMs(page, step));
    await page.getByText(`Step ${size} ${place} is `).waitFor();
  };
  for (let i = 0; i < TAPS; i++) {
    // Ticked and opened again by turns, up and down the list.
    await tick('large', (Math.floor(i / 2) * 17) % LARGE.steps);
    await tick('small', 0);
  }

  say(
    `\nA goal with ${LARGE.steps} steps, ${LARGE.checkIns} check-ins and ${LARGE.keyResults} key results, beside one with one of each, in Chromium`,
  );
  line('from the tap in the list to its painted page (median)', median(opening.large));
  line('the same of the goal with one of each (median)', median(opening.small));
  ratio('opening the large goal / the small one', median(opening.large) / median(opening.small));
  line('longest block of the main thread while it opens (median)', median(blocks.large));
  line('the same of the goal with one of each (median)', median(blocks.small));
  line('from tap on a step to painted peg (median)', median(tap.large));
  line('the same of the goal with one of each (median)', median(tap.small));
  ratio('ticking a step of the large goal / of the small one', median(tap.large) / median(tap.small));
  say(`  all ${TAPS} ticks of each were taken`);
} finally {
  await browser.close();
  await wimbel.end();
}
