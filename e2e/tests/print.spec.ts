import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE } from '../playwright.config.ts';
import { report } from '../driver/report.ts';

/** The pages of A4 that the page is printed on. */
async function pagesOf({ page }: Person): Promise<number> {
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  expect(pdf).toMatch(/\/MediaBox\s*\[\s*0 0 59[45][\d.]* 84[12][\d.]*\s*\]/);
  return pdf.match(/\/Type\s*\/Page\b/g)?.length ?? 0;
}

test(
  'a goal, a season and a look back are printed as they stand, whole and on white, the places left out',
  { tag: '@soak' },
  async ({ browser }) => {
    const person = await Person.at(browser, { size: WIDE, scheme: 'dark' });
    const { page } = person;
    await person.openSample();
    await page.evaluate(() => {
      window.print = () => void (document.title = 'printed');
    });
    for (const [address, last, menu] of [
      ['/goals/island', /^Its story/, /^More about this goal/],
      ['/seasons/winter-bench', /./, /^More about/],
      ['/journal/look-back?span=month&day=2026-10-15', /./, null],
    ] as const) {
      await person.visit(address);
      const main = page.getByRole('main');
      await expect(main.getByRole('heading').first()).toBeVisible();
      // How tall all of it is, most of it scrolled out of sight.
      const tallPx = await page.evaluate(() =>
        Math.max(...[...document.querySelectorAll('[role="main"] *')].map((each) => each.scrollHeight)),
      );
      await page.emulateMedia({ media: 'print', colorScheme: 'dark' });
      await page.evaluate(() => dispatchEvent(new Event('beforeprint')));
      await expect(page.getByRole('navigation')).toBeHidden();
      // There is nothing to tap, and what can be asked stands as it is.
      for (const name of ['Back', 'Check in', 'Edit goal', 'Add a key result', 'Edit season'])
        await expect(main.getByRole('button', { name, exact: true })).toHaveCount(0);
      // Nothing of it scrolls inside itself: what is below is on paper too.
      const cut = await page.evaluate(() => {
        const { height } = document.querySelector('[role="main"]')!.getBoundingClientRect();
        const scale = Number(getComputedStyle(document.documentElement).getPropertyValue('--print-scale'));
        return {
          printedPx: height / scale,
          scale,
          ink: getComputedStyle(document.querySelector('h1')!).color,
        };
      });
      expect(cut.scale).toBeLessThan(1);
      // What chooses between views or leads to another page is left out on paper.
      expect(cut.printedPx, address).toBeGreaterThan(tallPx * 0.8);
      const [light] = /\d+/.exec(cut.ink)!;
      expect(Number(light), `${address}: ${cut.ink} on white`).toBeLessThan(100);
      await expect(main.getByText(last).last()).toBeAttached();
      expect(await pagesOf(person), address).toBeGreaterThan(0);
      await page.evaluate(() => dispatchEvent(new Event('afterprint')));
      await page.emulateMedia({ media: 'screen', colorScheme: 'dark' });
      if (menu !== null) {
        await page.evaluate(() => void (document.title = 'not yet'));
        await page.getByRole('button', { name: menu }).first().click();
        await page.getByRole('dialog').getByRole('button', { name: 'Print' }).click();
        await page.clock.runFor(200);
        await expect.poll(() => page.title()).toBe('printed');
      }
    }
    await person.leave();
  },
);

test('the log of a month and of a year is printed with its figures', { tag: '@soak' }, async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  const { page } = person;
  await person.openSample();
  const { months } = report();
  await person.visit('/log?month=2026-10');
  await person.button('Which habits, in which order').click();
  await person.button('Print the log').click();
  await expect(page).toHaveURL(/log-print\?month=2026-10/);
  const sheet = page.locator('[data-print-flow]');
  await expect(sheet).toContainText('Log of October 2026');
  const { kept, asked } = months['2026-10']!;
  await expect(sheet).toContainText(`${kept} of ${asked} kept`);
  await expect(sheet.getByRole('img')).toHaveCount(months['2026-10']!.ranking.length);
  expect(await pagesOf(person)).toBe(1);
  await page.goto('/log-print?year=2026');
  await expect(sheet.getByText('January 2026')).toBeVisible();
  for (const [month, told] of Object.entries(months))
    if (month.startsWith('2026')) await expect(sheet).toContainText(`${told.kept} of ${told.asked} kept`);
  expect(await pagesOf(person)).toBeGreaterThan(2);
  await person.button('Back to the log').click();
  await expect(page).toHaveURL(/\/log/);
  await person.leave();
});
