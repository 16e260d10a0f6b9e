import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Habit, dayOf, formatDay, startOfWeek } from '@wimbel/core';
import { postgresPrograms } from '../tools/postgres.mjs';
import { STATE } from '../tools/system.mjs';
import { signUp } from './onPage.ts';

/** So many habits are kept for ten years. */
export const HABITS = 50;
export const NOW = new Date().toISOString();
export const TODAY = NOW.slice(0, 10);
/** Ten years up to today, beginning on a Monday. */
export const FIRST = formatDay(startOfWeek(dayOf(TODAY) - 3652, 'monday'));

/** Of three habits two are asked every day, one three times a week. */
const scheduleOf = (index: number): Habit['terms'][number]['schedule'] =>
  index % 3 === 2 ? { kind: 'perWeek', times: 3 } : { kind: 'daily' };

export const habits = Array.from({ length: HABITS }, (_, index): Habit => ({
  id: `h${index}`,
  name: `Habit ${index + 1}`,
  order: index,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'check' },
  terms: [{ from: FIRST, schedule: scheduleOf(index), pips: 1 + (index % 3) }],
  startsOn: FIRST,
}));

/** Habits by the server, their records since a day by the database: done on most days, by a rule without chance. */
export async function fill(url: string, databaseUrl: string, email: string, first = FIRST): Promise<string> {
  const person = await signUp(url, email);
  const since = habits.map((habit) => ({ ...habit, startsOn: first, terms: [{ ...habit.terms[0]!, from: first }] }));
  await person.send(since.map((habit) => ['habits', habit.id, habit]));
  const script = join(STATE, 'bench-charts.sql');
  writeFileSync(
    script,
    `insert into entries (user_id, habit_id, day, mark)
select '${person.id}', 'h' || habit, day, 'done'
from generate_series(0, ${HABITS - 1}) habit, generate_series(date '${first}', date '${TODAY}', interval '1 day') day
where (habit * 7 + (day::date - date '${first}') * 13) % 10 < case when habit % 3 = 2 then 4 else 8 end;
insert into change_log (user_id, collection, key, revision, changed_at, change_id, deleted)
select user_id, 'entries', day || ' ' || habit_id, ${HABITS} + row_number() over (order by day, habit_id), now(), 'bench', false
from entries where user_id = '${person.id}';
update revisions set revision = (select max(revision) from change_log where user_id = '${person.id}') where user_id = '${person.id}';
analyze entries, change_log;\n`,
  );
  execFileSync(join(postgresPrograms()!, 'psql'), ['-q', '-v', 'ON_ERROR_STOP=1', '-f', script, databaseUrl]);
  return person.id;
}
