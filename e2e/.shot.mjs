import { chromium } from 'playwright-core';
const [out, address, size = 'phone', scheme = 'light', steps = '[]'] = process.argv.slice(2);
const base = process.env.URL ?? 'http://127.0.0.1:4790';
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const viewport =
  size === 'phone'
    ? { width: 390, height: Number(process.env.HEIGHT ?? 844) }
    : { width: 1280, height: Number(process.env.HEIGHT ?? 800) };
const context = await browser.newContext({
  baseURL: base,
  viewport,
  colorScheme: scheme,
  locale: 'en-GB',
  timezoneId: 'Europe/London',
  reducedMotion: 'reduce',
});
const page = await context.newPage();
page.on('pageerror', (e) => console.log('ERR', String(e).slice(0, 300)));
page.on('console', (m) => m.type() === 'error' && console.log('CON', m.text().slice(0, 300)));
await page.clock.install({ time: new Date('2026-11-24T09:30:00Z') });
await page.goto('/sign-in');
await page.getByRole('button', { name: 'Open the sample' }).click();
await page.getByText(/to go today/).waitFor();
await page.goto(address);
await page.locator('h1').first().waitFor();
await page.waitForTimeout(600);
for (const [kind, a, b, c] of JSON.parse(steps)) {
  if (kind === 'click')
    await page
      .getByRole(a, { name: new RegExp(b) })
      .nth(c ?? 0)
      .click();
  if (kind === 'key') await page.keyboard.press(a);
  if (kind === 'fill') await page.getByLabel(new RegExp(a)).first().fill(b);
  if (kind === 'wait') await page.waitForTimeout(a);
  if (kind === 'scroll')
    await page.evaluate(
      (y) =>
        [...document.querySelectorAll('*')]
          .filter(
            (n) =>
              n.scrollHeight > n.clientHeight + 50 &&
              getComputedStyle(n).overflowY !== 'visible' &&
              n.clientHeight > 300,
          )
          .forEach((n) => n.scrollTo(0, y)),
      a,
    );
  if (kind === 'eval') console.log(await page.evaluate(a));
}
await page.waitForTimeout(300);
await page.screenshot({ path: out });
await browser.close();
