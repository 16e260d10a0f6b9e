import { expect, test } from '@playwright/test';
import { PHONE, WIDE } from '../playwright.config.ts';
import { Person } from '../driver/person.ts';

const AREAS = 15;
const HABITS = 450;

/** Somebody with 450 habits in fifteen areas, begun on the first of the month. */
async function withHundreds(person: Person): Promise<void> {
  await person.signUp();
  const areas = Array.from({ length: AREAS }, (_, index): [string, string, object] => [
    'areas',
    `a${index}`,
    { id: `a${index}`, name: `Area ${index + 1}`, order: index },
  ]);
  const habits = Array.from({ length: HABITS }, (_, index): [string, string, object] => [
    'habits',
    `h${index}`,
    {
      id: `h${index}`,
      name: `Practice ${index + 1}`,
      order: index,
      aim: 'build',
      partOfDay: 'any',
      measure: { kind: 'check' },
      terms: [{ from: '2026-11-01', schedule: { kind: 'daily' } }],
      startsOn: '2026-11-01',
      areaId: `a${index % AREAS}`,
    },
  ]);
  await person.send(areas);
  for (let at = 0; at < HABITS; at += 150) {
    const answers = await person.send(habits.slice(at, at + 150));
    expect(new Set(answers.map((each) => each.status))).toEqual(new Set(['accepted']));
  }
  await person.page.goto('/today');
  await expect(person.page.getByText(`${HABITS} to go today`)).toBeVisible();
}

test(
  '450 habits are lived with for a week by keyboard alone: found, checked off, counted',
  { tag: '@soak' },
  async ({ browser }) => {
    test.setTimeout(180_000);
    const person = await Person.at(browser, { size: WIDE });
    const { page } = person;
    await withHundreds(person);
    const days = ['Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday', 'Monday'];
    for (const [index, weekday] of days.entries()) {
      await expect(person.heading(weekday)).toBeVisible();
      // Three on the first day and on the last, one in between.
      for (const [at, number] of (index % 6 === 0 ? [433, 217, 8] : [433]).entries()) {
        await page.keyboard.press('/');
        await page.keyboard.type(`practice ${number}`);
        await expect(page.getByRole('row').first()).toHaveAccessibleName(new RegExp(`^Practice ${number},`));
        await page.keyboard.press('Control+Enter');
        await page.keyboard.press('Escape');
        await expect(page.getByText(`${HABITS - at - 1} to go today`)).toBeVisible();
      }
      await person.everythingSaved();
      if (index === days.length - 1) break;
      await page.clock.fastForward('24:00:00');
      await page.clock.runFor(20_000);
    }
    await person.visit('/log?span=sevenDays&only=area.a12');
    await person.reach('Practice 433', 'Monday 30 November');
    await expect(person.figures('Practice 433')).toHaveAccessibleName(/^Practice 433: 7 done of 7/);
    // Thirty habits on six days, and of today the one that is done.
    await expect(page.getByRole('status', { name: 'The seven days in figures' })).toContainText('7 of 181 due so far');
    await person.leave();
  },
);

test(
  'on a phone, one area of fifteen is shown or gone to with two taps, and folded groups stay folded',
  { tag: '@soak' },
  async ({ browser }) => {
    const person = await Person.at(browser, { size: PHONE });
    const { page } = person;
    await withHundreds(person);
    await person.choose('By area');
    await person.button('Go to Area 14').click();
    await expect(person.peg('Practice 14')).toBeInViewport();
    await person.checkOff('Practice 14');
    await person.button('Area 14, 29 to go').click();
    await expect(person.peg('Practice 14')).toBeHidden();
    await page.reload();
    await expect(person.button('Area 14, 29 to go')).toHaveAttribute('aria-expanded', 'false');
    await person.button('Only some habits').click();
    await person.choose('Area 3 (30)');
    await person.button('Close').last().click();
    await expect(person.peg('Practice 3')).toBeVisible();
    await expect(page.getByRole('checkbox', { name: /^Practice \d+:/ })).toHaveCount(30);
    await person.leave();
  },
);
