import { expect, test } from '@playwright/test';
import { Person } from '../driver/person.ts';
import {
  type Figures,
  type HabitReport,
  keptOf,
  UNIT,
  amountsIn,
  counted,
  dated,
  percent,
  report,
  sample,
} from '../driver/report.ts';
import { TODAY } from '../../tools/wimbel.ts';
import { WIDE } from '../playwright.config.ts';

test('what the screens show of the sample is what the report says', async ({ browser }) => {
  const said = report();
  const { habits, goals } = sample();
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  const { done, due } = said.days[TODAY]!;
  await expect(person.page.getByRole('status').filter({ hasText: `${done} of ${due},` })).toBeVisible();
  let streaks = 0;
  for (const { id, name, archived, endsOn } of habits) {
    const { streak } = said.habits[id]!;
    const row = person.row(name);
    // Only what is over is not on Today.
    if (archived === true || (endsOn !== undefined && endsOn < TODAY)) {
      await expect(row).toHaveCount(0);
      continue;
    }
    await expect(row).toHaveCount(1);
    const words = `${streak.current} ${UNIT[streak.unit]}${streak.current === 1 ? '' : 's'}`;
    if (streak.current === 0) continue;
    await expect(row).toContainText(words);
    streaks++;
  }
  expect(streaks).toBeGreaterThan(4);

  for (const [month, address] of [
    ['2026-11', '/log'],
    ['2026-04', '/log?month=2026-04'],
  ] as const) {
    await person.visit(address);
    const all = said.months[month]!;
    const counts = { 'full day': all.fullDays, 'bright day': all.brightDays, ribbon: all.ribbons };
    for (const [what, count] of Object.entries(counts))
      await expect(person.button(new RegExp(`^${counted(count, what)}\\.`))).toBeVisible();
    let compared = 0;
    for (const { id, name, endsOn } of habits) {
      const figures = said.habits[id]!.months[month];
      const group = person.figures(name);
      const isOver = endsOn !== undefined && endsOn < `${month}-01`;
      await expect(group).toHaveCount(isOver ? 0 : 1);
      if (isOver) continue;
      const label = await group.getAttribute('aria-label');
      if (figures === undefined) {
        // What begins later can be recorded here, and starts then.
        expect(label).toMatch(new RegExp(`${name}: 0 done of 0, 0 (left|short)`));
        continue;
      }
      const left = month === '2026-11' ? 'left' : 'short';
      expect(label).toContain(`${name}: ${figures.actual} done of ${figures.target}, ${figures.left} ${left}, `);
      expect(label).toContain(keptOf(figures));
      expect(label?.includes('ribbon')).toBe(figures.ribbon);
      compared++;
    }
    expect(compared).toBeGreaterThan(8);
  }

  await person.visit('/goals');
  for (const { id, title, state } of goals) {
    const { progress, pace } = said.goals[id]!;
    const card = person.page.getByRole('link', { name: new RegExp(`^${title}, `) });
    await expect(card).toContainText(new RegExp(`${Math.floor(progress! * 100 + 0.5)}\\s%`));
    if (state === 'open') await expect(card).toContainText(pace === 'onPace' ? 'on pace' : pace!);
  }
  await person.leave();
});

/** How the sentence of each pace begins. */
const PACE: Record<string, RegExp> = {
  reached: /Reached\./,
  overdue: /Overdue by/,
  ahead: /Ahead\./,
  behind: /Behind: .+ planned by now\./,
  onPace: /On pace\./,
};
/** How each state of a step is told. */
const STEP: Record<string, RegExp> = {
  doneInTime: /, done \d+ \w+(, in time)?(, |$)/,
  doneLate: /, done \d+ \w+, \d+ days? late/,
  overdue: /, overdue by \d+ days?/,
  dueSoon: /, due (today|in \d days?)/,
  open: /, more(, due \d+ \w+( \d+)?)?(, (\d+ of \d+.*|\d+ days?|priority|for|\w+ impact).*)?$/,
};

test(
  'the pages of the goals say what the report says: every kind, pace and state',
  { tag: '@soak' },
  async ({ browser }) => {
    const said = report();
    const { goals, keyResults, steps } = sample();
    const person = await Person.at(browser, { size: WIDE });
    const { page } = person;
    await person.openSample();
    const paces = new Set<string | null>();
    for (const { id, title, state } of goals) {
      const goal = said.goals[id]!;
      await person.visit(`/goals/${id}`);
      await expect(person.heading(title)).toBeVisible();
      const standing = person.card('How it stands');
      await expect(standing).toContainText(percent(goal.progress));
      if (state === 'open') {
        if (goal.expected !== null) await expect(standing).toContainText(`${percent(goal.expected)} expected by today`);
        await expect(standing).toContainText(goal.pace === 'onPace' ? 'on pace' : goal.pace!);
        const left = goal.daysLeft!;
        const words = left < 0 ? `overdue by ${counted(-left, 'day')}` : `${counted(left, 'day')} left`;
        await expect(page.getByText(words).first()).toBeVisible();
      } else await expect(standing).toContainText(state);
      for (const { id: own, title: name } of keyResults.filter((each) => each.goalId === id)) {
        const figures = goal.keyResults[own]!;
        const row = person.keyResult(name);
        const label = (await row.getAttribute('aria-label'))!;
        expect(label).toContain(`, ${percent(figures.progress)}.`);
        const current = /: (yes|not yet)/.test(label)
          ? label.includes(': yes')
            ? 1
            : 0
          : amountsIn(label.slice(name.length))[0];
        expect(current, label).toBe(figures.current);
        if (state !== 'open') continue;
        paces.add(figures.pace);
        await expect(row).toContainText(PACE[figures.pace!]!);
        if (figures.pace === 'ahead') await expect(row).toContainText(`reached by ${dated(figures.forecast!)}.`);
        if (figures.pace === 'behind' || figures.pace === 'onPace') {
          // Told so that doing it does get there, and not by much more.
          const told = /(?:by now\.|pace\.) (.*?) (?:a week|every (\d+) weeks) from here/.exec(await row.innerText())!;
          const [amount] = amountsIn(told[1]!);
          const [weekly, exact] = [amount! / Number(told[2] ?? 1), Math.abs(figures.neededPerWeek!)];
          expect(weekly, told[0]).toBeGreaterThanOrEqual(exact);
          expect(weekly, told[0]).toBeLessThanOrEqual(Math.max(exact * 1.1, exact + 0.5));
          expect(told[1]!.startsWith('About'), told[0]).toBe(Math.abs(weekly - exact) > 1e-9);
        }
      }
      for (const { id: own, title: name } of steps.filter((each) => each.goalId === id)) {
        const state_ = goal.steps[own]!;
        await expect(page.getByRole('button', { name: new RegExp(`^${name}, more`) })).toHaveAccessibleName(
          STEP[state_]!,
        );
      }
      for (const { id: own, title: name } of keyResults.filter((each) => each.goalId === id && each.checkpoints)) {
        const choice = page.getByRole('radio', { name, exact: true });
        if ((await choice.count()) > 0) await choice.click();
        const rows = page.getByRole('table', { name: `Checkpoints of ${name}` }).getByRole('row');
        const { checkpoints } = goal.keyResults[own]!;
        await expect(rows).toHaveCount(checkpoints.length + 1);
        for (const [index, each] of checkpoints.entries()) {
          const isToCome = each.month > TODAY.slice(0, 7);
          const number = (value: number): string => value.toLocaleString('en-GB');
          const cells = isToCome
            ? [number(each.target), '–', '–', '–', 'to come']
            : [
                number(each.target),
                number(each.start),
                number(each.end),
                each.growth > 0 ? `+${number(each.growth)}` : number(each.growth),
                each.reached ? 'met' : each.month === TODAY.slice(0, 7) ? 'still open' : 'missed',
              ];
          // A number stands in its cell as words, or in a field where it can be put right.
          const told = await rows
            .nth(index + 1)
            .getByRole('cell')
            .evaluateAll((all) => all.map((cell) => cell.querySelector('input')?.value ?? cell.textContent));
          expect(told.slice(1).map((text) => text?.replaceAll(',', ''))).toEqual(
            cells.map((text) => text.replaceAll(',', '')),
          );
        }
      }
    }
    expect(paces).toEqual(new Set(['reached', 'overdue', 'ahead', 'behind', 'onPace']));
    await person.leave();
  },
);

test('a habit’s page says what the report says, for a habit of each kind', { tag: '@soak' }, async ({ browser }) => {
  const said = report();
  const { habits } = sample();
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  const amounts: string[] = [];
  for (const id of ['scales', 'swim', 'sand', 'splice', 'cards', 'birds', 'coffee', 'screen', 'busk']) {
    const { streak, kept, months, years, last30, finishedOn } = said.habits[id]!;
    await person.visit(`/habits/${id}`);
    await expect(person.heading(habits.find((each) => each.id === id)!.name)).toBeVisible();
    const unit = UNIT[streak.unit]!;
    const text = async (title: string): Promise<string> =>
      (await person.card(title).innerText()).replace(/\s*\n\s*/g, ' ');

    const { current, from, longest, longestFrom, longestTo } = streak;
    expect(await text('Streak')).toContain(
      from === null ? 'Now no streak yet' : `Now ${counted(current, unit)}, since ${dated(from)}`,
    );
    expect(await text('Streak')).toContain(
      `Longest ${counted(longest, unit)}, ${dated(longestFrom!)} to ${dated(longestTo!)}`,
    );

    const names = { last7: '7 days', last30: '30 days', month: 'This month', year: 'This year', all: 'In all' };
    for (const [span, name] of Object.entries(names)) {
      const { kept: held, asked, rate } = kept[span as keyof typeof kept];
      const words = asked === 0 ? 'nothing due' : `${held} of ${asked}, ${percent(rate)}`;
      expect(await text('Kept'), `${id} ${span}`).toContain(`${name} ${words}`);
    }

    const month = months[TODAY.slice(0, 7)]!;
    expect(await text('Month')).toContain(
      month.rate === null ? 'nothing due yet' : `${percent(month.rate)} ${month.kept} of ${month.asked} kept`,
    );
    const own = habits.find((each) => each.id === id)!;
    // What holds for this month: its own target, else the latest earlier one that goes on.
    const [, held] = Object.entries(own.monthTargets ?? {})
      .filter(([of, each]) => of === TODAY.slice(0, 7) || (of < TODAY.slice(0, 7) && each.onward))
      .sort(([a], [b]) => (a < b ? 1 : -1))[0] ?? [undefined, undefined];
    const isSet = { month: held?.days, year: own.yearTargets?.['2026']?.days };
    expect(await person.card('Month').getByRole('img', { name: 'Ribbon' }).count()).toBe(month.ribbon ? 1 : 0);
    const year = years[TODAY.slice(0, 4)]!;
    // Done against a target is said where somebody set one.
    const ofTarget = ({ actual, target, left, share }: Figures): string =>
      `${actual} of the target of ${target}, ${left > 0 ? `${left} left` : 'reached'}, ${percent(share)}`;
    for (const [set, figures] of [
      [isSet.month, month],
      [isSet.year, year],
    ] as const)
      expect(await text('Targets'), id).toContain(
        set === undefined ? `${counted(figures.target, 'day')} planned, ${figures.actual} done` : ofTarget(figures),
      );
    for (const { amount, amountTarget } of [month, year]) {
      if (amount === undefined || typeof amountTarget !== 'number') continue;
      amounts.push(id);
      expect(amountsIn(await text('Targets'))).toEqual(expect.arrayContaining([amount, amountTarget]));
    }

    const sign = last30.change.done > 0 ? '+' : last30.change.done < 0 ? '\u2212' : '';
    expect(await text('30 days')).toContain(
      `Done ${counted(last30.done, 'day')}, ${sign}${Math.abs(last30.change.done)}`,
    );
    if (month.amount !== undefined)
      expect(amountsIn((await text('30 days')).replace(/^.*Amount/, ''))).toEqual(
        expect.arrayContaining([last30.sum, Math.abs(last30.change.sum)]),
      );
    if (finishedOn !== null) expect(await text('Finish line')).toContain(`reached on ${dated(finishedOn)}`);
  }
  expect(new Set(amounts)).toEqual(new Set(['swim', 'busk']));
  expect(said.habits.splice!.finishedOn).not.toBeNull();
  await person.leave();
});

test('the log says what the report says, over a week, a month and a year', { tag: '@soak' }, async ({ browser }) => {
  const said = report();
  const { habits } = sample();
  const person = await Person.at(browser, { size: WIDE });
  await person.openSample();
  for (const [address, first, of] of [
    ['/log?span=week', '2026-11-23', ({ weeks }: HabitReport) => weeks['2026-11-23']],
    ['/log?span=week&day=2026-10-29', '2026-10-26', ({ weeks }: HabitReport) => weeks['2026-10-26']],
    ['/log?span=year', '2026-01-01', ({ years }: HabitReport) => years['2026']],
    ['/log?span=year&day=2025-12-01', '2025-01-01', ({ years }: HabitReport) => years['2025']],
  ] as const) {
    await person.visit(address);
    await expect(person.page.getByRole('grid')).toBeVisible();
    let compared = 0;
    for (const { id, name, endsOn } of habits) {
      const figures = of(said.habits[id]!);
      const group = person.figures(name);
      const isOver = endsOn !== undefined && endsOn < first;
      await expect(group).toHaveCount(isOver ? 0 : 1);
      if (isOver) continue;
      const label = (await group.getAttribute('aria-label'))!;
      if (figures === undefined) {
        expect(label, address).toMatch(new RegExp(`${name}: 0 done of 0, 0 (left|short)`));
        continue;
      }
      const { actual, target, left, amount, amountTarget } = figures;
      expect(label, address).toMatch(new RegExp(`${name}: ${actual} done of ${target}, ${left} (left|short), `));
      expect(label, address).toContain(keptOf(figures));
      if (amount)
        expect(amountsIn(label.slice(label.indexOf(keptOf(figures)) + keptOf(figures).length)), label).toContain(
          amount,
        );
      if (amountTarget) expect(amountsIn(label), label).toContain(amountTarget);
      compared++;
    }
    expect(compared, address).toBeGreaterThan(7);
  }

  await person.visit('/log');
  // The sums of the columns, and what was kept of what was asked.
  const november = habits.flatMap(({ id }) => said.habits[id]!.months['2026-11'] ?? []);
  const sumOf = (of: (figures: Figures) => number): number => november.reduce((sum, each) => sum + of(each), 0);
  const actual = sumOf((each) => each.actual);
  const { kept } = said.months['2026-11']!;
  const all = (await person.figures('All habits').getAttribute('aria-label'))!;
  expect(all).toContain(`${actual} done of ${sumOf((each) => each.target)}, ${sumOf((each) => each.left)} left, `);
  expect(all).toContain(keptOf(said.months['2026-11']!));
  expect(all).toContain(`${actual - kept} more than asked`);
  for (const [day, { done, due, score }] of Object.entries(said.days)) {
    if (!day.startsWith('2026-11')) continue;
    const foot = person.page.getByTestId(`day-${Math.floor(Date.parse(day) / 86_400_000)}`);
    await expect(foot, day).toHaveAccessibleName(new RegExp(`, ${done} of ${due}, ${percent(score)}`));
  }
  await person.leave();
});
