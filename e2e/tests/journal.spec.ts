import { expect, test } from '@playwright/test';
import { PHONE, WIDE } from '../playwright.config.ts';
import { Person } from '../driver/person.ts';

/** Adds a prompt in the settings of the journal. */
async function addPrompt(person: Person, text: string, when: string, how: string): Promise<void> {
  await person.visit('/settings/prompts');
  await person.button('Add a prompt').click();
  await person.page.getByLabel('What it asks').fill(text);
  await person.choose(when);
  await person.choose(how);
  await person.button('Add prompt').click();
  await expect(person.button(`Edit: ${text}`)).toBeVisible();
}

test('a page is written without a connection, says that it is kept, and is on the second device afterwards', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  const email = await person.signUp();
  await addPrompt(person, 'What went well?', 'Evening', 'Text');
  await person.go('Journal');
  await person.everythingSaved();
  await person.context.setOffline(true);
  await person.choose('Good');
  await person.page.getByLabel('Why?').fill('Third position held for a whole page');
  await person.page.clock.runFor(700);
  await expect(person.page.getByText('Kept')).toBeVisible();
  await person.button('Add a feeling').click();
  await person.page.getByLabel('A feeling, in a word').fill('proud');
  await person.page.keyboard.press('Enter');
  await expect(person.page.getByRole('checkbox', { name: 'proud' })).toBeChecked();
  await person.page.getByLabel('What went well?').fill('The bow hand');
  await person.page.getByLabel('What went well?').blur();
  expect(await person.waiting()).toBeGreaterThan(0);
  // The tab is closed while the server is still away, and the app opened again.
  await person.page.close();
  await person.context.setOffline(false);
  await person.reopen('/journal');
  await expect(person.page.getByText('Third position held for a whole page')).toBeVisible();
  await expect(person.page.getByText('The bow hand')).toBeVisible();
  await person.page.clock.runFor(20_000);
  await person.everythingSaved();

  const other = await Person.at(browser, { size: WIDE });
  await other.signIn(email);
  await other.heading('Tuesday').waitFor();
  await other.go('Journal');
  await expect(other.page.getByRole('radio', { name: 'Good' })).toBeChecked();
  await expect(other.page.getByText('Third position held for a whole page')).toBeVisible();
  await expect(other.page.getByText('The bow hand')).toBeVisible();
  await expect(other.page.getByRole('checkbox', { name: 'proud' })).toBeChecked();
  // Another day is another page.
  await other.button('The day before').click();
  await expect(other.page.getByLabel('Why?')).toHaveValue('');
  await expect(other.page.getByRole('radio', { name: 'Good' })).not.toBeChecked();
  await person.leave();
  await other.leave();
});

test('two devices that write on the same page lose nothing: what both wrote is put together by hand', async ({
  browser,
}) => {
  const phone = await Person.at(browser, { size: PHONE });
  const email = await phone.signUp();
  await phone.go('Journal');
  await phone.page.getByLabel('Why?').fill('Rain.');
  await phone.page.getByLabel('Why?').blur();
  await phone.everythingSaved();
  const desk = await Person.at(browser, { size: WIDE });
  await desk.signIn(email);
  await desk.heading('Tuesday').waitFor();
  await desk.go('Journal');
  await desk.button('Write on: Why?').click();

  await phone.context.setOffline(true);
  await phone.page.getByLabel('Why?').fill('Rain. Then fog over the flats.');
  await phone.page.getByLabel('Why?').blur();
  await phone.choose('Good');
  await desk.page.getByLabel('Why?').fill('Rain. I stayed in and spliced a rope.');
  await desk.page.getByLabel('Why?').blur();
  await desk.everythingSaved();
  await phone.context.setOffline(false);
  await phone.page.clock.runFor(20_000);
  await phone.everythingSaved();

  // One of them shows, by the device's clocks the later; the other is offered beside it. The mood of one is on both.
  const both = ['Rain. Then fog over the flats.', 'Rain. I stayed in and spliced a rope.'];
  const beside = phone.page.getByRole('group', { name: 'Written on another device at the same time' });
  await expect(beside).toBeVisible();
  const shown = await phone.page.getByLabel('Why?', { exact: true }).inputValue();
  expect(both).toContain(shown);
  await expect(beside).toContainText(both.find((text) => text !== shown)!);
  await desk.page.reload();
  await expect(desk.page.getByRole('radio', { name: 'Good' })).toBeChecked();
  await desk.button('Put below the other').click();
  await expect(desk.button('Put below the other')).toBeHidden();
  await desk.everythingSaved();
  await phone.page.reload();
  await expect(phone.page.getByText('Rain. I stayed in and spliced a rope.')).toBeVisible();
  await expect(phone.page.getByText('Rain. Then fog over the flats.')).toBeVisible();
  await expect(phone.button('Put below the other')).toHaveCount(0);
  await phone.leave();
  await desk.leave();
});

test('a habit done by writing is checked off with the first word, and only that mark goes with the last', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  await person.visit('/habits/new');
  await person.page.getByLabel('Name', { exact: true }).fill('Pages');
  await person.choose('Writing in the journal');
  await person.button('Add habit').click();
  await person.go('Journal');
  // A mood alone is no writing.
  await person.choose('Even');
  await person.visit('/today');
  await expect(person.peg('Pages')).toHaveAttribute('aria-checked', 'false');
  await person.go('Journal');
  const why = person.page.getByLabel('Why?', { exact: true });
  await why.fill('Wind');
  await why.blur();
  await expect(person.page.getByText('Pages: done by writing')).toBeVisible();
  await person.visit('/today');
  await expect(person.peg('Pages')).toHaveAttribute('aria-checked', 'true');
  await person.go('Journal');
  await person.button('Write on: Why?').click();
  await why.fill('');
  await why.blur();
  await person.visit('/today');
  await expect(person.peg('Pages')).toHaveAttribute('aria-checked', 'false');
  // What was checked off by hand stays.
  await person.checkOff('Pages');
  await person.go('Journal');
  await why.fill('Rain');
  await why.blur();
  await why.fill('');
  await why.blur();
  await person.visit('/today');
  await expect(person.peg('Pages')).toHaveAttribute('aria-checked', 'true');
  await person.leave();
});

test('lines of a checklist stand on Today until they are ticked off; open ones are offered the day after', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE, now: '2026-11-23T09:30:00Z' });
  await person.signUp(undefined, 'Monday');
  // The device is a day behind the server: the sign that says so moves what is below it.
  await person.button('Keep 23 November 2026').click();
  await person.makeHabit({ name: 'Scales' });
  await addPrompt(person, 'What has to be finished?', 'Morning', 'To tick off');
  await person.go('Journal');
  for (const [index, line] of ['Ring the harbour master', 'Order planks'].entries()) {
    const field = person.page.getByLabel(`What has to be finished?, line ${index + 1}`);
    await field.fill(line);
    await field.blur();
  }
  await person.visit('/today');
  await person.page.getByRole('checkbox', { name: 'Ring the harbour master: done' }).click();
  await expect(person.page.getByRole('checkbox', { name: 'Ring the harbour master: done' })).toBeHidden();
  await expect(person.page.getByRole('checkbox', { name: 'Order planks: done' })).toBeVisible();
  await person.go('Journal');
  await expect(person.page.getByRole('checkbox', { name: 'Ring the harbour master: done' })).toBeChecked();
  await person.everythingSaved();
  await person.page.clock.fastForward('24:00:00');
  await person.page.clock.runFor(20_000);
  await person.visit('/today');
  await expect(person.page.getByText('From the journal')).toBeHidden();
  await person.go('Journal');
  await person.button('Take over from the day before: Order planks').click();
  await expect(person.page.getByRole('checkbox', { name: 'Order planks: done' })).not.toBeChecked();
  await person.leave();
});

test('a feeling is renamed everywhere, and two become one', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  await person.go('Journal');
  const feel = async (word: string): Promise<void> => {
    await person.button('Add a feeling').click();
    await person.page.getByLabel('A feeling, in a word').fill(word);
    await person.page.keyboard.press('Enter');
    await person.button('Done').click();
  };
  await feel('weary');
  await person.button('The day before').click();
  await feel('tired');
  await person.button('Your words').click();
  await person.button('Rename weary').click();
  await person.page.getByLabel('Another word for weary').fill('tired');
  await expect(person.page.getByText('You use tired already: the two become one.')).toBeVisible();
  await person.button('Join').click();
  await expect(person.page.getByText('2 days')).toBeVisible();
  await person.button('Close').last().click();
  await person.button('The day after').click();
  await expect(person.page.getByRole('checkbox', { name: 'tired' })).toBeChecked();
  await expect(person.page.getByRole('checkbox', { name: 'weary' })).toHaveCount(0);
  await person.leave();
});

test('a reworded prompt leaves old pages as they were, and one no longer asked keeps its answers', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.signUp();
  await addPrompt(person, 'What did you learn?', 'Evening', 'Text');
  await person.go('Journal');
  await person.page.getByLabel('What did you learn?').fill('To wait');
  await person.page.getByLabel('What did you learn?').blur();
  await person.visit('/settings/prompts');
  await person.button('Edit: What did you learn?').click();
  await person.page.getByLabel('What it asks').fill('What surprised you?');
  await person.button('Save').click();
  await person.go('Journal');
  await expect(person.page.getByText('What did you learn?')).toBeVisible();
  await expect(person.page.getByText('To wait')).toBeVisible();
  await person.button('The day before').click();
  await expect(person.page.getByLabel('What surprised you?')).toHaveValue('');
  await person.visit('/settings/prompts');
  await person.button('Edit: What surprised you?').click();
  // It was answered: it can be put aside, not deleted.
  await expect(person.button('Delete')).toHaveCount(0);
  await person.button('Stop asking').click();
  await person.go('Journal');
  await expect(person.page.getByText('What did you learn?')).toBeVisible();
  await expect(person.page.getByText('To wait')).toBeVisible();
  await person.button('The day before').click();
  await expect(person.page.getByLabel('What surprised you?')).toHaveCount(0);
  await person.leave();
});

test('the month’s word and aims are changed where they stand, and whoever wants no journal sees none', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  await person.go('Journal');
  await person.button('Give November a word, and what to keep in mind').click();
  await person.page.getByLabel('A word for November').fill('slow is smooth');
  await person.page.getByLabel('To keep in mind, one a line').fill('Bow before phone\nOne thing at a time');
  await person.button('Done').click();
  await expect(person.page.getByText('November: slow is smooth')).toBeVisible();
  await expect(person.page.getByText('Bow before phone · One thing at a time')).toBeVisible();
  await person.everythingSaved();
  await person.makeHabit({ name: 'Scales' });
  await person.visit('/today');
  // The mood is one tap on Today, and the why is a tap from it.
  await person.choose('Good');
  await person.button('Say why, in the journal').click();
  await expect(person.page.getByRole('radio', { name: 'Good' })).toBeChecked();
  await person.visit('/settings');
  await person.page.getByRole('radiogroup', { name: 'Journal' }).getByRole('radio', { name: 'Hidden' }).click();
  await expect(person.page.getByRole('link', { name: 'Journal' })).toHaveCount(0);
  await person.visit('/today');
  await expect(person.page.getByText('How was the day?')).toHaveCount(0);
  await person.visit('/settings');
  await person.button('Find').click();
  await person.page.getByRole('combobox').fill('journal');
  await expect(person.page.getByText('Nothing of yours has this in its name.')).toBeVisible();
  await person.leave();
});
