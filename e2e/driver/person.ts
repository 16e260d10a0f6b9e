import { randomUUID } from 'node:crypto';
import { type Browser, type BrowserContext, type Page, expect } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { STATE } from '../../tools/system.mjs';
import { NOW } from '../../tools/wimbel.ts';

export type HabitWish = {
  name: string;
  how?: 'check' | { unit: string; step: number; atLeast?: number; atMost?: number };
  often?: 'Every day' | { perWeek: number } | { perMonth: number } | { every: number } | { on: string[] };
  part?: 'Morning' | 'Midday' | 'Evening' | 'Any time';
  from?: string;
  quit?: boolean;
  area?: string;
};

type KeyResultWish = {
  title: string;
  kind: 'A number' | 'Money' | 'Yes or no' | 'Steps done' | 'Days of a habit' | 'Amount of a habit';
  start?: string;
  target?: string;
  unit?: string;
  habit?: string;
  weight?: string;
};

const WEEKDAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];
const PARTS = { Morning: 'morning', Midday: 'midday', Evening: 'evening', 'Any time': 'any' };

let count = 0;

/** An address nobody used before. */
const newEmail = (): string => `person${Date.now()}.${process.pid}.${++count}@example.org`;
export const PASSWORD = 'slow bow and long notes';

/** Somebody at a device, in the words that a person would use. */
export class Person {
  page: Page;
  readonly context: BrowserContext;

  private constructor(context: BrowserContext, page: Page) {
    this.context = context;
    this.page = page;
  }

  /** Sits down at a device of their own: a fresh browser, its clock at `now`. */
  static async at(
    browser: Browser,
    options: {
      url?: string;
      size?: { width: number; height: number };
      now?: string;
      scheme?: 'light' | 'dark';
      zone?: string;
      /** A device that is touched. */
      hasTouch?: boolean;
      /** Whether the browser keeps the app on the device, as it does for people. */
      keepsApp?: boolean;
    } = {},
  ) {
    const {
      url = process.env.E2E_URL,
      size,
      now = NOW,
      scheme = 'light',
      zone,
      hasTouch = false,
      keepsApp = false,
    } = options;
    const context = await browser.newContext({
      baseURL: url,
      colorScheme: scheme,
      hasTouch,
      serviceWorkers: keepsApp ? 'allow' : 'block',
      ...(size ? { viewport: size } : {}),
      ...(zone ? { timezoneId: zone } : {}),
    });
    const page = await context.newPage();
    await page.clock.install({ time: new Date(now) });
    return new Person(context, page);
  }

  /** Opens the app in a new tab of the same device, as after the one before was closed. */
  async reopen(address: string): Promise<void> {
    this.page = await this.context.newPage();
    await this.page.goto(address);
  }

  async signUp(email = newEmail(), weekday = 'Tuesday'): Promise<string> {
    await this.page.goto('/sign-up');
    await this.page.getByLabel('E-mail').fill(email);
    await this.page.getByLabel('Password').fill(PASSWORD);
    await this.button('Create account').click();
    await expect(this.heading(weekday)).toBeVisible();
    return email;
  }

  async signIn(email: string, password = PASSWORD): Promise<void> {
    await this.page.goto('/sign-in');
    await this.page.getByLabel('E-mail').fill(email);
    await this.page.getByLabel('Password').fill(password);
    await this.button('Sign in').click();
  }

  async openSample(): Promise<void> {
    await this.page.goto('/sign-in');
    await this.button('Open the sample').click();
    await expect(this.heading('Tuesday')).toBeVisible();
    await expect(this.page.getByText(/to go today/)).toBeVisible();
  }

  async go(place: 'Today' | 'Log' | 'Goals' | 'Charts' | 'Journal' | 'Settings'): Promise<void> {
    await this.page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: place }).click();
  }

  /** Goes to an address of the open app, as a link in it would, and waits until the screen there has come. */
  async visit(address: string): Promise<void> {
    const { pathname, search } = new URL(this.page.url());
    if (pathname + search === address) return;
    // An app that is only just loading would not hear of it.
    await this.page.locator('h1').first().waitFor();
    await this.page.evaluate((to) => {
      document.querySelector('h1')?.setAttribute('data-left', '');
      history.pushState(null, '', to);
      dispatchEvent(new PopStateEvent('popstate', { state: null }));
    }, address);
    const isThere = (to: string): boolean =>
      location.pathname + location.search === to && document.querySelector('h1:not([data-left])') !== null;
    await this.page.waitForFunction(isThere, address);
    await expect(this.page.locator('h1[data-left]')).toHaveCount(0);
  }

  /** Waits until the whole app is kept on the device. */
  async appKept(): Promise<void> {
    await expect
      .poll(() =>
        this.page.evaluate(async () => {
          const registration = await navigator.serviceWorker.getRegistration();
          return registration?.active?.state ?? 'none';
        }),
      )
      .toBe('activated');
  }

  /** Waits until the record of this device is kept up to what it shows. */
  async recordKept(): Promise<void> {
    await this.everythingSaved();
    // What was taken in is written down behind the screen.
    await this.page.waitForTimeout(400);
  }

  /** Sets the clock of the device to another morning and opens the app anew. */
  async onDay(instant: string, address = '/today'): Promise<void> {
    await this.everythingSaved();
    await this.page.clock.setSystemTime(new Date(instant));
    await this.page.goto(address);
    await this.page.locator('h1').first().waitFor();
  }

  button(name: string | RegExp) {
    return this.page.getByRole('button', { name, exact: typeof name === 'string' });
  }

  heading(name: string | RegExp) {
    return this.page.getByRole('heading', { name });
  }

  /** One of a few choices, chosen by its words. */
  async choose(name: string): Promise<void> {
    await this.page.getByRole('radio', { name, exact: true }).click();
  }

  async addHabit({ name, how = 'check', often = 'Every day', part, from, quit, area }: HabitWish): Promise<void> {
    await this.visit('/habits/new');
    await this.page.getByLabel('Name', { exact: true }).fill(name);
    if (area) {
      await this.choose('New area');
      await this.page.getByLabel('Name of the new area').fill(area);
    }
    if (quit) await this.choose('Something to quit');
    if (how !== 'check') {
      await this.choose('An amount');
      await this.page.getByLabel('Unit').fill(how.unit);
      await this.page.getByLabel('One tap adds').fill(String(how.step));
      await this.choose(how.atLeast === undefined ? 'At most' : 'At least');
      await this.page.getByLabel(/how much$/).fill(String(how.atLeast ?? how.atMost));
    }
    if (typeof often !== 'string') {
      if ('perWeek' in often) {
        await this.choose('Times a week');
        await this.page.getByLabel('Days a week').fill(String(often.perWeek));
      } else if ('perMonth' in often) {
        await this.choose('Times a month');
        await this.page.getByLabel('Days a month').fill(String(often.perMonth));
      } else if ('every' in often) {
        await this.choose('Every few days');
        await this.page.getByLabel('Every how many days').fill(String(often.every));
      } else {
        await this.choose('On weekdays');
        for (const day of ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']) {
          const box = this.page.getByRole('checkbox', { name: day });
          if ((await box.getAttribute('aria-checked')) !== String(often.on.includes(day))) await box.click();
        }
      }
    }
    if (part) await this.choose(part);
    if (from) await this.page.getByLabel('First day').fill(from);
    await this.button('Add habit').click();
    await expect(this.page.getByText(`${name} is on your days`)).toBeVisible();
  }

  /** A habit that is there already, as made on another device: for tests of what comes after. */
  async makeHabit({ name, how = 'check', often = 'Every day', part, from, quit, area }: HabitWish): Promise<void> {
    const today = await this.page.evaluate(() => new Date().toLocaleDateString('sv'));
    const [id, areaId] = [randomUUID(), randomUUID()];
    const schedule =
      typeof often === 'string'
        ? { kind: 'daily' }
        : 'perWeek' in often
          ? { kind: 'perWeek', times: often.perWeek }
          : 'perMonth' in often
            ? { kind: 'perMonth', times: often.perMonth }
            : 'every' in often
              ? { kind: 'interval', every: often.every }
              : {
                  kind: 'weekdays',
                  days: often.on.map((each) => WEEKDAYS.find((day) => day.startsWith(each.toLowerCase()))),
                };
    const { unit, step, ...limits } = how === 'check' ? { unit: '', step: 0 } : how;
    const answers = await this.send([
      ...(area === undefined
        ? []
        : [['areas', areaId, { id: areaId, name: area, order: count++ }] as [string, string, object]]),
      [
        'habits',
        id,
        {
          id,
          name,
          order: count++,
          aim: quit ? 'quit' : 'build',
          partOfDay: PARTS[part ?? 'Any time'],
          measure: how === 'check' ? { kind: 'check' } : { kind: 'amount', unit, step },
          terms: [{ from: from ?? today, schedule, ...limits }],
          startsOn: from ?? today,
          ...(area === undefined ? {} : { areaId }),
        },
      ],
    ]);
    expect(answers.map(({ status, issues }) => `${status} ${JSON.stringify(issues ?? [])}`).join()).not.toContain(
      'refused',
    );
    await this.visit('/settings/habits');
    await expect(this.page.getByRole('link', { name, exact: true })).toBeVisible();
    await this.visit('/today');
  }

  /** The large peg of a habit on Today. */
  peg(name: string) {
    return this.page.getByRole('checkbox', { name: new RegExp(`^${name}:`) });
  }

  /** A habit's row on Today: how it stands, in words. */
  row(name: string) {
    return this.page.getByRole('button', { name: `${name}, more` });
  }

  async checkOff(name: string): Promise<void> {
    await this.peg(name).click();
    await expect(this.peg(name)).toHaveAttribute('aria-checked', 'true');
  }

  /** A cell of the pegboard, by habit and day in words ("Tuesday 24 November"). */
  cell(habit: string, day: string) {
    return this.page.getByRole('checkbox', { name: new RegExp(`^${habit}, ${day}:`) });
  }

  /** The cell of the pegboard for a day, scrolled to: only what is seen is drawn. */
  async reach(habit: string, day: string) {
    const cell = this.cell(habit, day);
    const grid = this.page.getByRole('grid');
    await grid.waitFor();
    for (let y = -1; ; y++) {
      for (let x = 0; ; x++) {
        if ((await cell.count()) > 0) {
          // The pegboard may only just be on its way to today.
          await this.page.waitForTimeout(150);
          if ((await cell.count()) > 0) return cell;
        }
        const isPast = await grid.evaluate(
          (node, [across, down]) => {
            node.scrollTo(across! * 180, Math.max(0, down!) * 180);
            return across! * 180 > node.scrollWidth;
          },
          [x, y],
        );
        if (isPast) break;
        await this.page.waitForTimeout(50);
      }
      if (await grid.evaluate((node, down) => down * 180 > node.scrollHeight, y)) break;
    }
    throw new Error(`no cell of ${habit} on ${day}`);
  }

  /** Opens a habit's page by its name in the list of all habits. */
  async openHabit(name: string): Promise<void> {
    await this.visit('/settings/habits');
    await this.page.getByRole('link', { name, exact: true }).click();
    await expect(this.heading(name)).toBeVisible();
  }

  /** A card of the habit page, by its title. */
  card(title: string) {
    return this.page.getByRole('group', { name: title, exact: true });
  }

  /** Sets a goal on one page. */
  async setGoal({ title, starts, due }: { title: string; starts?: string; due?: string }): Promise<void> {
    await this.visit('/goals/new/direct');
    await this.page.getByLabel('What do you want to have reached').fill(title);
    if (starts) await this.page.getByLabel('Starts on').fill(starts);
    if (due) await this.page.getByLabel('Due on').fill(due);
    await this.button('Set goal').click();
    await expect(this.heading(title)).toBeVisible();
  }

  /** Fills in a key result, on the page of its goal or while the goal is thought out. */
  async addKeyResult({ title, kind, start, target, unit, habit, weight }: KeyResultWish): Promise<void> {
    await this.button('Add a key result').click();
    await this.page.getByLabel('What is counted').fill(title);
    await this.choose(kind);
    if (habit) await this.choose(habit);
    if (start) await this.page.getByLabel('Starts at').fill(start);
    if (target)
      await this.page.getByLabel(kind === 'Days of a habit' ? 'How many days' : 'Target', { exact: true }).fill(target);
    if (unit) await this.page.getByLabel(kind === 'Money' ? 'Currency' : 'Unit').fill(unit);
    if (weight) await this.page.getByLabel('Weight').fill(weight);
    await this.button('Add key result').click();
    await expect(this.button('Add key result')).toBeHidden();
  }

  /** A key result on the page of its goal: its name says where it stands. */
  keyResult(title: string) {
    return this.page.getByRole('button', { name: new RegExp(`^${title}: `) });
  }

  /** Checks in to a key result from the page of its goal. */
  async checkIn(
    title: string,
    value: string,
    { day, note, adds = false }: { day?: string; note?: string; adds?: boolean } = {},
  ): Promise<void> {
    await this.keyResult(title).click();
    const sheet = this.page.getByRole('dialog');
    if (value === 'Yes') await this.choose('Yes');
    else {
      if (adds) await this.choose('Add to it');
      await sheet
        .getByLabel(adds ? 'How much more' : 'New value')
        .last()
        .fill(value);
    }
    if (day) await sheet.getByLabel('Day', { exact: true }).fill(day);
    if (note) await sheet.getByLabel('Note').fill(note);
    await sheet.getByRole('button', { name: 'Check in', exact: true }).click();
    await expect(this.page.getByRole('dialog', { name: title, exact: true })).toBeHidden();
  }

  /** The figures beside a habit's row in the log: "Cello: 3 done of 30, 27 left, 3 of 12 kept, 25 %". */
  figures(habit: string) {
    return this.page.getByRole('button', { name: new RegExp(`^${habit}: \\d+ done of`) });
  }

  /** Words on screen that do not show whole: cut off at their end, or beyond the sides of the window. */
  cutWords(): Promise<string[]> {
    return this.page.evaluate(() => {
      const cut: string[] = [];
      const scrolls = (node: Element | null): boolean =>
        node !== null && (['auto', 'scroll'].includes(getComputedStyle(node).overflowX) || scrolls(node.parentElement));
      for (const node of document.querySelectorAll<HTMLElement>('[dir="auto"], button, input')) {
        const words = node.textContent?.trim() ?? '';
        const box = node.getBoundingClientRect();
        if (words === '' || box.width === 0 || node.closest('[aria-hidden="true"]')) continue;
        const isCut =
          getComputedStyle(node).overflowX !== 'visible' &&
          (node.scrollWidth > node.clientWidth + 1 || node.scrollHeight > node.clientHeight + 2);
        const isBeyond = (box.left < -1 || box.right > window.innerWidth + 1) && !scrolls(node.parentElement);
        if (isCut || isBeyond) cut.push(`${isCut ? 'cut' : 'beyond'}: ${words.slice(0, 60)}`);
      }
      return cut;
    });
  }

  /** Waits until nothing waits to be sent any more. */
  async everythingSaved(): Promise<void> {
    await expect.poll(() => this.waiting(), { message: 'changes still waiting on the device' }).toBe(0);
  }

  /** How many changes are kept on this device for the server. */
  waiting(): Promise<number> {
    return this.page.evaluate(
      () =>
        new Promise<number>((resolve, reject) => {
          const opening = indexedDB.open('wimbel');
          opening.onerror = () => reject(opening.error);
          opening.onsuccess = () => {
            const db = opening.result;
            const counting = db.transaction('changes').objectStore('changes').count();
            counting.onsuccess = () => {
              db.close();
              resolve(counting.result);
            };
          };
        }),
    );
  }

  /**
   * An account of one's own with the habits and goals of the sample, but nothing recorded under the habits: for those who
   * change what others compare.
   */
  async signUpWithGoals(): Promise<void> {
    await this.signUp();
    const sample = JSON.parse(readFileSync(join(STATE, 'e2e-sample.json'), 'utf8')) as Record<string, { id: string }[]>;
    const collections = ['areas', 'goals', 'habits', 'keyResults', 'checkIns', 'steps', 'milestones', 'quotes'];
    const answers = await this.send(
      collections.flatMap((collection) =>
        sample[collection]!.map((record): [string, string, object] => [collection, record.id, record]),
      ),
    );
    expect(new Set(answers.map((each) => each.status))).toEqual(new Set(['accepted']));
    await this.page.goto('/today');
    await expect(this.page.getByText(/to go today/)).toBeVisible();
  }

  /** Sends records as the app would; gives what the server said to each: its status, and what is wrong. */
  send(
    records: [collection: string, key: string, record: object | null][],
  ): Promise<{ status: string; issues?: { path: string; message: string }[] }[]> {
    const changes = records.map(([collection, key, record], index) => ({
      id: randomUUID(),
      madeAt: new Date(Date.UTC(2026, 10, 24, 8, 0, 0, index)).toISOString(),
      collection,
      key,
      record,
    }));
    return this.page.evaluate(async (body) => {
      const { user } = (await (await fetch('/api/auth/get-session')).json()) as { user: { id: string } };
      const headers = { 'content-type': 'application/json', 'x-wimbel-account': user.id };
      const response = await fetch('/api/changes', { method: 'POST', headers, body });
      return ((await response.json()) as { results: { status: string }[] }).results;
    }, JSON.stringify({ changes }));
  }

  /** What the server has of this account's records, removals left out. */
  stored(): Promise<{ collection: string; key: string; record: object }[]> {
    return this.page.evaluate(async () => {
      const { user } = (await (await fetch('/api/auth/get-session')).json()) as { user: { id: string } };
      const response = await fetch('/api/changes?since=0', { headers: { 'x-wimbel-account': user.id } });
      const { rows } = (await response.json()) as {
        rows: { collection: string; key: string; record: object | null }[];
      };
      return rows.flatMap(({ record, ...row }) => (record === null ? [] : [{ ...row, record }]));
    });
  }

  async leave(): Promise<void> {
    await this.context.close();
  }
}
