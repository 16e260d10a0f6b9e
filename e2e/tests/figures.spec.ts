import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { TODAY } from '../driver/server.ts';
import { ROOT, STATE } from '../../scripts/machine/system.mjs';
import { PHONE, WIDE } from '../playwright.config.ts';

type Figures = { actual: number; target: number; left: number; share: number | null; ribbon: boolean };
type Report = {
  habits: Record<string, { streak: { unit: string; current: number }; months: Record<string, Figures> }>;
  days: Record<string, { done: number; due: number }>;
  months: Record<string, { fullDays: number; brightDays: number; ribbons: number }>;
  goals: Record<
    string,
    { progress: number; pace: string; keyResults: Record<string, { current: number; progress: number }> }
  >;
};

const report = (): Report =>
  JSON.parse(
    execFileSync('npx', ['tsx', 'scripts/report.ts', join(STATE, 'e2e-sample.json'), '--today', TODAY], {
      cwd: ROOT,
      encoding: 'utf8',
      maxBuffer: 1 << 26,
    }),
  ) as Report;
const sample = () =>
  JSON.parse(readFileSync(join(STATE, 'e2e-sample.json'), 'utf8')) as {
    habits: { id: string; name: string }[];
    goals: { id: string; title: string; state: string }[];
  };

const UNIT: Record<string, string> = { days: 'day', weeks: 'week', months: 'month' };

test('what the screens show of the sample is what the report says', async ({ browser }) => {
  const said = report();
  const { habits, goals } = sample();
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  const { done, due } = said.days[TODAY]!;
  await expect(person.page.getByRole('status').filter({ hasText: `${done} of ${due},` })).toBeVisible();
  for (const { id, name } of habits) {
    const { streak } = said.habits[id]!;
    const row = person.row(name);
    if ((await row.count()) === 0) continue;
    const words = `${streak.current} ${UNIT[streak.unit]}${streak.current === 1 ? '' : 's'}`;
    if (streak.current > 0) await expect(row).toContainText(words);
  }

  for (const [month, address] of [
    ['2026-11', '/log'],
    ['2026-04', '/log?month=2026-04'],
  ] as const) {
    await person.page.goto(address);
    const all = said.months[month]!;
    await expect(
      person.page.getByText(
        new RegExp(`^${all.fullDays} full days? · ${all.brightDays} bright days? · ${all.ribbons} ribbons?$`),
      ),
    ).toBeVisible();
    let compared = 0;
    for (const { id, name } of habits) {
      const figures = said.habits[id]!.months[month];
      const group = person.figures(name);
      if (figures === undefined || (await group.count()) === 0) continue;
      const label = await group.getAttribute('aria-label');
      expect(label).toContain(`${name}: ${figures.actual} done of ${figures.target}, ${figures.left} left`);
      expect(label?.includes('ribbon')).toBe(figures.ribbon);
      compared++;
    }
    expect(compared).toBeGreaterThan(8);
  }

  await person.page.goto('/goals');
  for (const { id, title, state } of goals) {
    const { progress, pace } = said.goals[id]!;
    const card = person.page.getByRole('link', { name: new RegExp(`^${title}, `) });
    await expect(card).toContainText(new RegExp(`${Math.floor(progress * 100 + 0.5)}\\s%`));
    if (state === 'open') await expect(card).toContainText(pace === 'onPace' ? 'on pace' : pace);
  }
  await person.leave();
});

for (const scheme of ['light', 'dark'] as const) {
  test(`no screen has a fault that axe finds, in the ${scheme} theme`, async ({ browser }) => {
    test.setTimeout(600_000);
    for (const size of [PHONE, WIDE]) {
      const person = await Person.at(browser, { size, scheme });
      await person.openSample();
      for (const address of ['/today', '/log', '/charts', '/goals', '/goals/island', '/habits/new', '/goals/new']) {
        await person.page.goto(address);
        await expect(person.page.getByRole('heading').first()).toBeVisible();
        await person.page.clock.runFor(500);
        const { violations } = await new AxeBuilder({ page: person.page as never })
          .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
          .analyze();
        expect(
          violations.map(({ id, nodes }) => `${address} ${size.width}: ${id} ${nodes[0]?.html.slice(0, 160)}`),
        ).toEqual([]);
      }
      await person.leave();
    }
  });
}
