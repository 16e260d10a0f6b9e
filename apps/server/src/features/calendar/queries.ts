import { type Entry, type Habit, type PlainDay, formatDay } from '@wimbel/core';
import type { CalendarKind, CalendarRecords } from '@wimbel/exchange';
import type { Pool } from 'pg';

/** Row limit per table. */
const MOST_ROWS = 2000;
/** A season of the longest kind that still runs began so many days ago. */
const LONGEST_SEASON_DAYS = 520 * 7;
const TITLE = 300;
const ABOUT = 1000;

/** The account, choice and revision behind a secret; null for an unknown one. */
export async function addressBehind(
  pool: Pool,
  secretHash: string,
): Promise<{ userId: string; shows: CalendarKind[]; revision: number } | null> {
  const { rows } = await pool.query<{ user_id: string; shows: CalendarKind[]; revision: string | null }>(
    `select a.user_id, a.shows, r.revision from calendar_addresses a left join revisions r on r.user_id = a.user_id
     where a.secret_hash = $1`,
    [secretHash],
  );
  const [row] = rows;
  return row === undefined ? null : { userId: row.user_id, shows: row.shows, revision: Number(row.revision ?? 0) };
}

/**
 * What a calendar shows of a person's record, and nothing else of it: rows of a window of days, so many of each table at most,
 * the nearest first, texts cut short.
 */
export async function calendarRecords(
  pool: Pool,
  userId: string,
  shows: ReadonlySet<CalendarKind>,
  window: { first: PlainDay; last: PlainDay },
  today: PlainDay,
): Promise<CalendarRecords> {
  const [from, to, on] = [window.first, window.last, today].map(formatDay);
  const read = async <T extends object>(isWanted: boolean, text: string, ...values: unknown[]): Promise<T[]> =>
    isWanted ? (await pool.query<T>(`${text} limit ${MOST_ROWS}`, [userId, ...values])).rows.map(withoutNulls) : [];
  const isOfGoals = shows.has('due') || shows.has('milestones');
  const due = (table: string, more: string): string =>
    `select t.id, t.goal_id as "goalId", left(t.title, ${TITLE}) as title, t.due_on::text as "dueOn" from ${table} t
     join goals g on g.user_id = t.user_id and g.id = t.goal_id and g.state = 'open'
     where t.user_id = $1 and t.due_on between $2 and $3 ${more} order by t.due_on, t.id`;
  return {
    goals: await read(
      isOfGoals,
      `select id, left(title, ${TITLE}) as title, left(why, ${ABOUT}) as why, due_on::text as "dueOn", state from goals
       where user_id = $1 and state = 'open' order by due_on, id`,
    ),
    keyResults: await read(shows.has('due'), due('key_results', ''), from, to),
    steps: await read(shows.has('due'), due('steps', 'and t.done_on is null'), from, to),
    milestones: await read(shows.has('milestones'), due('milestones', 'and t.reached_on is null'), from, to),
    seasons: await read(
      shows.has('seasons'),
      `select id, left(title, ${TITLE}) as title, starts_on::text as "startsOn", weeks from seasons
       where user_id = $1 and starts_on between $2::date - ${LONGEST_SEASON_DAYS} and $3
         and starts_on + weeks * 7 > $2 order by starts_on, id`,
      on,
      to,
    ),
    ...(await plannedHabits(pool, userId, shows.has('habits'), on!)),
  };
}

/** Habits that are planned from today on; of those whose days go by what was done, what was recorded. */
async function plannedHabits(
  pool: Pool,
  userId: string,
  isWanted: boolean,
  today: string,
): Promise<{ habits: Habit[]; entries: Entry[] }> {
  if (!isWanted) return { habits: [], entries: [] };
  const { rows: habits } = await pool.query<Habit>(
    `select id, left(name, ${TITLE}) as name, "order", aim, part_of_day as "partOfDay", measure, terms,
       starts_on::text as "startsOn", ends_on::text as "endsOn", pauses from habits
     where user_id = $1 and archived is not true and (ends_on is null or ends_on >= $2) order by "order", id limit ${MOST_HABITS}`,
    [userId, today],
  );
  const ids = habits.flatMap(({ id, terms }) =>
    terms.some(({ schedule }) => schedule.kind === 'interval') ? [id] : [],
  );
  if (ids.length === 0) return { habits: habits.map(withoutNulls), entries: [] };
  const { rows } = await pool.query<Entry>(
    `select habit_id as "habitId", day::text as day, mark, amount::float8 as amount from entries
     where user_id = $1 and habit_id = any($2) and (mark is not null or amount is not null)
     order by day desc limit ${MOST_ENTRIES}`,
    [userId, ids],
  );
  return { habits: habits.map(withoutNulls), entries: rows.map(withoutNulls) };
}

/** How many habits a calendar shows, and how many of their days are read to find the next one of those that go by them. */
const MOST_HABITS = 500;
const MOST_ENTRIES = 20_000;

const withoutNulls = <T extends object>(row: T): T =>
  Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null)) as T;
