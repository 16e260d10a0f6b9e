import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { type PlainDay, dayOf, formatDay, monthOf, reportOf, writingOf } from '@wimbel/core';
import { sampleRecords } from '../../scripts/sample/generate.ts';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE } from '../playwright.config.ts';

const TODAY = dayOf('2026-11-24');
const sample = sampleRecords(TODAY);
const report = reportOf(sample, TODAY);

test('all pages stand newest first with their gaps, and one jumps to a month', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.openSample();
  await person.go('Journal');
  await person.choose('All pages');
  const first = person.page.getByRole('link', { name: /^Tuesday 24 November/ });
  await expect(first).toBeVisible();
  const november = new Set(sample.journal.flatMap(({ day }) => (day.startsWith('2026-11') ? [day] : [])));
  await expect(person.page.getByLabel(`${november.size} of 30 days have a page`)).toBeVisible();
  const gap = [TODAY - 1, TODAY - 2, TODAY - 3, TODAY - 4].find((day: PlainDay) => !november.has(formatDay(day)))!;
  await expect(person.page.getByRole('link', { name: /^No page, / }).first()).toBeVisible();
  expect(gap).toBeGreaterThan(0);
  await person.button('Jump to a month or a day').click();
  await person.page.getByRole('radiogroup', { name: 'Months of 2025' }).getByRole('radio', { name: 'Dec' }).click();
  // The last day of the month comes to the top of the list.
  const jumpedTo = person.page.getByRole('link', { name: /31 December|No page, .*31 December/ }).first();
  await expect.poll(async () => (await jumpedTo.boundingBox())?.y ?? Infinity).toBeLessThan(70);
  await expect(first).toBeHidden();
  // Only what is near the screen is laid out.
  expect(await person.page.locator('[data-index]').count()).toBeLessThan(40);
  await person.page
    .getByRole('link', { name: /December/ })
    .first()
    .click();
  await expect(person.page.getByText('Your day').first()).toBeVisible();
  await person.page.goBack();
  await expect(person.page.getByRole('radio', { name: 'All pages' })).toBeChecked();
  await person.leave();
});

test('a sentence from last winter is found as it is typed, narrowed, and leads to its page', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.openSample();
  await person.visit('/journal/pages');
  const field = person.page.getByLabel('Search all you have written');
  await field.pressSequentially('hull cannot dry');
  const words = sample.journal.filter((page) => writingOf(page).join(' ').includes('hull cannot dry'));
  await expect(person.page.getByText(`Found ${new Set(words.map(({ day }) => day)).size} times`)).toBeVisible();
  await person.button('Narrow the search').click();
  const sheet = person.page.getByRole('dialog');
  await sheet.getByLabel('From').fill('2025-12-01');
  await sheet.getByLabel('To').fill('2026-02-28');
  await sheet.getByRole('button', { name: 'Show' }).click();
  const winter = new Set(words.map(({ day }) => day).filter((day) => day >= '2025-12-01' && day <= '2026-02-28'));
  expect(winter.size).toBeGreaterThan(0);
  await expect(person.page.getByText(new RegExp(`^Found ${winter.size} time`))).toBeVisible();
  const found = person.page.getByRole('link', { name: /hull cannot dry/ }).first();
  await expect(found.getByText('hull', { exact: true })).toBeVisible();
  await found.click();
  await expect(person.page.getByText(/The hull cannot dry like this/)).toBeVisible();
  await person.page.goBack();
  await expect(person.page.getByLabel('Search all you have written')).toHaveValue('hull cannot dry');
  // Reasons of misses are found as well, and lead to their day in the log.
  await person.page.getByLabel('Search all you have written').fill('slept through the alarm');
  await person.page
    .getByRole('link', { name: /missed.*Slept through the alarm/ })
    .first()
    .click();
  await expect(person.page).toHaveURL(/\/log\?span=week&day=.*&at=/);
  await person.page.goBack();
  await person.page.getByLabel('Search all you have written').fill('zeppelin');
  await expect(person.page.getByText('Nothing you wrote holds all of this.')).toBeVisible();
  await person.leave();
});

test('the search goes on without a connection', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.openSample();
  await person.visit('/journal/pages');
  const field = person.page.getByLabel('Search all you have written');
  await field.fill('curlews');
  await expect(person.page.getByText(/^Found \d+ times/)).toBeVisible();
  await person.context.setOffline(true);
  await field.fill('sailmaker');
  await expect(person.page.getByRole('link', { name: /Answer the sailmaker/ }).first()).toBeVisible();
  await person.leave();
});

test('moods of a month and a year say the same figures as the report, and a day leads to its page', async ({
  browser,
}) => {
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  await person.visit('/journal/moods?span=month&day=2026-10-10');
  const october = report.mood.months['2026-10']!;
  const told = `Mean ${october.mean.toFixed(1)} on ${october.days} days`;
  await expect(person.page.getByText(told)).toBeVisible();
  await person.visit('/journal/look-back?span=month&day=2026-10-10');
  await expect(person.card('Mood')).toContainText(`mean ${october.mean.toFixed(1)} on ${october.days} days`);
  await person.visit('/charts?span=month&day=2026-10-10');
  await expect(person.card('Mood over time')).toContainText(`mean ${october.mean.toFixed(1)} on ${october.days} days`);
  await person.visit('/journal/moods?span=year');
  const year = Object.entries(report.mood.months).filter(([month]) => month.startsWith('2026'));
  const days = year.reduce((sum, [, each]) => sum + each.days, 0);
  const mean = year.reduce((sum, [, each]) => sum + each.mean * each.days, 0) / days;
  await expect(person.page.getByText(`Mean ${mean.toFixed(1)} on ${days} days`)).toBeVisible();
  const picture = person.page.getByTestId('mood-plate');
  await picture.focus();
  await picture.press('Home');
  await expect(person.page.getByText(/^Thursday 1 January:/)).toBeVisible();
  await person.button('Open its page').click();
  await expect(person.heading('Thursday')).toBeVisible();
  expect(monthOf('2026-01')).toBeGreaterThan(0);
  await person.leave();
});

test('pages to take along have what was chosen, are printed on A4 and saved as Markdown', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE, scheme: 'dark' });
  await person.openSample();
  await person.visit('/journal/take-along?from=2026-11-10&to=2026-11-24');
  const sheet = person.page.locator('[data-print-flow]');
  await expect(sheet).toContainText('10 to 24 November');
  await expect(sheet).toContainText('Missed, and why');
  await person.page.getByRole('checkbox', { name: 'Missed, and why' }).click();
  await expect(sheet).not.toContainText('Missed, and why');
  // A year that is only half typed neither stops the page nor moves the other day.
  await person.page.getByLabel('From', { exact: true }).fill('0002-11-10');
  await expect(sheet).toContainText(/to 24 November/);
  await expect(person.page.getByLabel('To', { exact: true })).toHaveValue('2026-11-24');
  await person.page.getByLabel('From', { exact: true }).fill('2026-11-10');
  await expect(sheet).toContainText('10 to 24 November');
  const pdf = (await person.page.pdf({ preferCSSPageSize: true })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page\b/g)?.length ?? 0).toBeGreaterThan(0);
  expect(pdf).toMatch(/\/MediaBox\s*\[\s*0 0 59[45][\d.]* 84[12][\d.]*\s*\]/);
  const [file] = await Promise.all([person.page.waitForEvent('download'), person.button('Save as Markdown').click()]);
  await expect(person.page.getByText(/^Saved as wimbel-.+-journal/)).toBeInViewport();
  expect(file.suggestedFilename()).toMatch(/^wimbel-.+-journal-2026-11-10-2026-11-24-2026-11-24\.md$/);
  const text = readFileSync(await file.path(), 'utf8');
  expect(text.startsWith('# 10 to 24 November\n')).toBe(true);
  expect(text).not.toContain('Missed, and why');
  const last = sample.journal.find(({ day, part }) => day === '2026-11-24' && part === 'day')!;
  expect(text).toContain(last.text!);
  // What was left out stays left out on this device.
  await person.page.reload();
  await expect(person.page.getByRole('checkbox', { name: 'Missed, and why' })).not.toBeChecked();
  await person.leave();
});

test('moods have a sign and a word of one’s own, everywhere', async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  await person.visit('/settings');
  await person.button('Choose your own').click();
  await person.page.getByLabel('Sign for Great').fill('🎻');
  await person.page.getByLabel('Sign for Great').blur();
  await person.page.getByLabel('Word for Great').fill('Singing');
  await person.page.getByLabel('Word for Great').blur();
  await person.go('Journal');
  await person.choose('Singing');
  await expect(person.page.getByText('🎻')).toBeVisible();
  await person.choose('All pages');
  await expect(person.page.getByRole('link', { name: /Tuesday 24 November. Singing/ })).toBeVisible();
  await person.everythingSaved();
  await person.page.reload();
  await expect(person.page.getByText('🎻')).toBeVisible();
  await person.leave();
});

test('web addresses in a page are links, and lists are lists', { tag: '@soak' }, async ({ browser }) => {
  const person = await Person.at(browser, { size: PHONE });
  await person.signUp();
  await person.go('Journal');
  await person.page.getByLabel('Why?').fill('Tides: https://example.org/tides\n\n- larch\n- rope');
  await person.page.getByLabel('Why?').blur();
  await person.everythingSaved();
  await person.page.reload();
  const link = person.page.getByRole('link', { name: 'https://example.org/tides' });
  await expect(link).toHaveAttribute('href', 'https://example.org/tides');
  await expect(person.page.getByRole('listitem')).toHaveText([/larch/, /rope/]);
  await person.page.getByText('Tides:').click({ position: { x: 2, y: 4 } });
  await expect(person.page.getByLabel('Why?')).toBeFocused();
  await person.leave();
});
