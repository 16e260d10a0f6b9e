import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import { NOW } from '../tools/wimbel.ts';

let made = 0;

const PASSWORD = 'a long enough word';

export type BenchPerson = {
  id: string;
  /** What every request of theirs carries. */
  headers: Record<string, string>;
  send: (records: [collection: string, key: string, record: object][]) => Promise<void>;
};

/** Somebody new at a server, and a way to send records as the app would; throws where one is not accepted. */
export async function signUp(url: string, email: string): Promise<BenchPerson> {
  const headers = { 'content-type': 'application/json', origin: url };
  const body = JSON.stringify({ email, password: PASSWORD, name: 'Bench' });
  const answer = await fetch(`${url}/api/auth/sign-up/email`, { method: 'POST', headers, body });
  const cookie = answer.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ');
  const { user } = (await answer.json()) as { user: { id: string } };
  const own = { ...headers, cookie, 'x-wimbel-account': user.id };
  return {
    id: user.id,
    headers: own,
    send: async (records) => {
      const changes = records.map(([collection, key, record]) => ({
        id: randomUUID(),
        madeAt: new Date(Date.parse(NOW) + made++).toISOString(),
        collection,
        key,
        record,
      }));
      const response = await fetch(`${url}/api/changes`, {
        method: 'POST',
        headers: own,
        body: JSON.stringify({ changes }),
      });
      const text = await response.text();
      if (!response.ok || text.includes('"refused"'))
        throw new Error(`not accepted: ${response.status} ${text.slice(0, 2000)}`);
    },
  };
}

export async function signIn(page: Page, email: string, url = ''): Promise<void> {
  await page.goto(`${url}/sign-in`);
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
}

/**
 * Milliseconds from asking for a page until the frame in which something of it stands is painted, by the page's own clock:
 * looking from outside is done ever more seldom, and finds it up to half a second late.
 */
export async function openingMs(page: Page, url: string, cell: string): Promise<number> {
  await page.goto(url, { waitUntil: 'commit' });
  return page.evaluate(
    (selector) =>
      new Promise<number>((resolve, reject) => {
        setTimeout(() => reject(new Error(`${selector} never came`)), 240_000);
        const watch = {
          look() {
            const isThere = document.querySelector(selector) !== null;
            const { port1, port2 } = new MessageChannel();
            // A message sent within a frame arrives after that frame is painted.
            port1.onmessage = () => (isThere ? resolve(performance.now()) : requestAnimationFrame(watch.look));
            port2.postMessage(null);
          },
        };
        requestAnimationFrame(watch.look);
      }),
    cell,
  );
}

/**
 * Milliseconds from the finger leaving a checkbox until the frame in which it is changed has been painted, by the page's
 * own clock.
 */
export async function tapMs(page: Page, cell: string): Promise<number> {
  const box = (await page.locator(cell).boundingBox())!;
  await page.evaluate((selector) => {
    const checked = (): string | null => document.querySelector(selector)?.getAttribute('aria-checked') ?? null;
    const before = checked();
    const painted = new Promise<number>((resolve, reject) => {
      setTimeout(() => reject(new Error('the tap was dropped')), 20_000);
      const watch = ({ timeStamp }: PointerEvent): void => {
        const look = (): void => {
          const isChanged = checked() !== before;
          const { port1, port2 } = new MessageChannel();
          // A message sent within a frame arrives after that frame is painted.
          port1.onmessage = () => (isChanged ? resolve(performance.now() - timeStamp) : requestAnimationFrame(look));
          port2.postMessage(null);
        };
        requestAnimationFrame(look);
      };
      window.addEventListener('pointerup', watch, { once: true, capture: true });
    });
    Object.assign(globalThis, { painted });
  }, cell);
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  return page.evaluate(() => (globalThis as unknown as { painted: Promise<number> }).painted);
}
