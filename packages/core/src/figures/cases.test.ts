import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { dayOf } from '../calendar/plainDay.ts';
import { type Records, emptyRecords } from '../record/records.ts';
import { expectAt } from '../testing/expectAt.ts';
import { reportOf } from './report.ts';

type Case = { name: string; today: string; file: Partial<Records>; expect: Record<string, unknown> };

const casesIn = (folder: string): Case[] =>
  existsSync(folder)
    ? readdirSync(folder)
        .filter((name) => name.endsWith('.json'))
        .map((name) => JSON.parse(readFileSync(join(folder, name), 'utf8')) as Case)
    : [];

const own = casesIn(join(__dirname, 'cases'));
const shared = casesIn(join(__dirname, '../../../../../shared/cases'));

describe('cases worked out by hand', () => {
  it('has cases of its own', () => expect(own.length).toBeGreaterThan(5));

  it.each([...own, ...shared].map((each) => [each.name, each] as const))('%s', (_, each) => {
    const report = reportOf({ ...emptyRecords(), ...each.file }, dayOf(each.today));
    for (const [path, value] of Object.entries(each.expect)) expectAt(report, path, value);
  });
});
