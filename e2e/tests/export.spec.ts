import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import { PHONE, WIDE, soakIf } from '../playwright.config.ts';

for (const [device, size] of [
  ['phone', PHONE],
  ['wide screen', WIDE],
] as const) {
  test(
    `on a ${device}: a year is taken out as a table and as a board, and what is due as a calendar`,
    { tag: soakIf(size === PHONE) },
    async ({ browser }) => {
      const person = await Person.at(browser, { size });
      const { page } = person;
      await person.signUp();
      await person.makeHabit({ name: 'Cold swim', from: '2026-11-20' });
      await person.makeHabit({ name: 'Scales', how: { unit: 'min', step: 5, atLeast: 20 }, often: { perWeek: 3 } });
      await person.setGoal({ title: 'Swim across the bay', due: '2027-03-01' });
      await person.visit('/today');
      await person.checkOff('Cold swim');
      await person.peg('Scales').click();
      await person.visit('/settings/account');
      /** Presses Download and gives the name and the text of what comes. */
      const taken = async (): Promise<[name: string, text: string]> => {
        const [file] = await Promise.all([page.waitForEvent('download'), person.button('Download').click()]);
        return [file.suggestedFilename(), readFileSync(await file.path(), 'utf8')];
      };
      await person.button('As a table').click();
      const [name, days] = await taken();
      expect(name).toMatch(/^wimbel-.+-days-line-by-line-2026-2026-11-24\.csv$/);
      expect(days).toBe(
        '\uFEFFDay,Habit,Area,Mark,Amount,Unit,Note\r\n2026-11-24,Cold swim,,done,,,\r\n2026-11-24,Scales,,,5,min,\r\n',
      );
      await expect(page.getByText(/^2 lines in wimbel-/)).toBeVisible();
      await person.button('As a table').click();
      await person.choose('Days, as a board');
      await person.choose('This month');
      const [boardName, board] = await taken();
      expect(boardName).toContain('days-as-a-board-2026-11-2026-11-24');
      expect(board.trimEnd().split('\r\n')).toHaveLength(31);
      expect(board).toContain('2026-11-24,done,5\r\n');
      // Goals are all of them: no span is asked for.
      await person.button('As a table').click();
      await person.choose('Goals');
      await expect(page.getByRole('radio', { name: 'This month' })).toHaveCount(0);
      expect((await taken())[1]).toContain('Swim across the bay,,open,2026-11-24,2027-03-01,');
      await person.button('For a calendar').click();
      await page.getByRole('checkbox', { name: 'Planned habits' }).click();
      await expect(page.getByText('Left out, as no days are set for it: Scales.')).toBeVisible();
      const [calendarName, calendar] = await taken();
      expect(calendarName).toMatch(/^wimbel-.+-calendar-2026-11-24\.ics$/);
      expect(calendar).toContain('SUMMARY:Due: Swim across the bay');
      expect(calendar).toContain('DTSTART;VALUE=DATE:20270301');
      expect(calendar).toMatch(/RRULE:FREQ=DAILY\r\nSUMMARY:Cold swim/);
      await person.button('As text').click();
      const [textName, story] = await taken();
      expect(textName).toMatch(/-goals-and-reviews-2026-11-24\.md$/);
      expect(story).toContain('## Swim across the bay\n\n2026-11-24 to 2027-03-01, open');
      // An address that a calendar looks up by itself: made, read by whoever knows it, ended.
      await person.button('For a calendar').click();
      await person.button('Make an address').click();
      const address = await page.getByLabel('The address', { exact: true }).inputValue();
      expect(address).toMatch(/\/api\/calendar\/feed\/[\w-]{43}\.ics$/);
      await expect(page.getByText(/There is one since 24 November 2026, and it shows: what is due/)).toBeVisible();
      const stranger = await (await fetch(address)).text();
      expect(stranger).toContain('SUMMARY:Due: Swim across the bay');
      expect(stranger).not.toContain('Cold swim');
      await person.button('End it').click();
      await expect(person.button('Make an address')).toBeVisible();
      expect((await fetch(address)).status).toBe(404);
      await person.leave();
    },
  );
}
