import { type Locator, expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE } from '../playwright.config.ts';

/** Types key by key into a field, as a person does: a line break is the Enter key. */
async function type(person: Person, field: Locator, text: string, delay: number): Promise<void> {
  await field.click();
  await person.page.keyboard.type(text, { delay });
}

async function addPrompt(person: Person, text: string, how: string): Promise<void> {
  await person.visit('/settings/prompts');
  await person.button('Add a prompt').click();
  await type(person, person.page.getByLabel('What it asks'), text, 0);
  await person.choose(how);
  await person.button('Add prompt').click();
  await expect(person.button(`Edit: ${text}`)).toBeVisible();
}

for (const [device, size, delay] of [
  ['phone, at 20 ms a key', PHONE, 20],
  ['phone, all at once', PHONE, 0],
  ['wide screen, at 20 ms a key', WIDE, 20],
  ['wide screen, all at once', WIDE, 0],
] as const) {
  test(
    `on a ${device}: Enter goes on to the next line of a list, and no typed word is lost`,
    { tag: '@soak' },
    async ({ browser }) => {
      const person = await Person.at(browser, { size });
      const { page } = person;
      await person.signUp();
      await addPrompt(person, 'Three good things?', 'List');
      await addPrompt(person, 'What has to be finished?', 'To tick off');
      await person.go('Journal');
      // Four lines into a list of fewer: the last ones are made by Enter.
      const things = ['fog lifted', 'bow hand', 'warm bread', 'one more'];
      await type(person, page.getByLabel('Three good things?, line 1'), things.join('\n'), delay);
      const tasks = ['ring Mara', 'order planks', 'oil the blocks'];
      await type(person, page.getByLabel('What has to be finished?, line 1'), tasks.join('\n'), delay);
      // Enter on a line that says nothing stays there.
      await page.keyboard.press('Enter');
      await page.keyboard.press('Enter');
      await page.keyboard.type('sand', { delay });
      await type(person, page.getByLabel('Why?'), 'Slow, and\nquiet.', delay);
      await page.getByLabel('Why?').blur();
      await person.everythingSaved();
      await page.reload();
      const lines = async (label: string, count: number): Promise<string[]> =>
        Promise.all(Array.from({ length: count }, (_, at) => page.getByLabel(`${label}, line ${at + 1}`).inputValue()));
      await expect(page.getByLabel('Three good things?, line 4')).toBeVisible();
      expect(await lines('Three good things?', 4)).toEqual(things);
      expect(await lines('What has to be finished?', 4)).toEqual([...tasks, 'sand']);
      await expect(page.getByText('Slow, and')).toBeVisible();
      await expect(page.getByText('quiet.')).toBeVisible();

      await person.visit('/journal/look-back?span=month&day=2026-10-15');
      await person.button('Add something to keep in mind').click();
      await page.keyboard.type('warm hat\none thing at a time\n', { delay });
      for (const aim of ['warm hat', 'one thing at a time']) {
        await expect(page.getByRole('checkbox', { name: aim })).toBeChecked();
      }
      await person.setGoal({ title: 'A skiff of my own' });
      await type(person, page.getByLabel('A new step'), 'lofting\nribs\nplanks\n', delay);
      for (const step of ['lofting', 'ribs', 'planks'])
        await expect(page.getByText(step, { exact: true })).toBeVisible();
      await person.leave();
    },
  );
}
