import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { startWimbel } from '../../tools/wimbel.ts';

/**
 * A database of an older version is brought to the newest, killed before each of the statements that do so and started again:
 * nothing of a person's record changes but what the migrations change.
 */
const MIGRATIONS = fileURLToPath(new URL('../../apps/server/drizzle', import.meta.url));
/** Databases of this version are tried; the sample's record is in them. */
const FROM = 8;

const say = (text: string): void => void process.stdout.write(`${text}\n`);
const wimbel = await startWimbel('migrations');
let failed = 0;
const check = (holds: boolean, words: string): void => {
  say(`${holds ? 'ok  ' : 'FAIL'} ${words}`);
  if (!holds) failed++;
};

/** A folder of the migrations up to a number. */
function folderUpTo(last: number): string {
  const folder = mkdtempSync(join(tmpdir(), 'wimbel-migrations-'));
  cpSync(MIGRATIONS, folder, { recursive: true });
  const file = join(folder, 'meta/_journal.json');
  const journal = JSON.parse(readFileSync(file, 'utf8')) as { entries: { idx: number }[] };
  writeFileSync(file, JSON.stringify({ ...journal, entries: journal.entries.filter(({ idx }) => idx <= last) }));
  return folder;
}

const urlOf = (name: string): string => wimbel.databaseUrl().replace(/\/wimbel$/, `/${name}`);

async function on<T>(url: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

const newDatabase = (name: string, template?: string): Promise<unknown> =>
  on(urlOf('postgres'), (client) =>
    client.query(`create database ${name}${template === undefined ? '' : ` template ${template}`}`),
  );

/** Everything of every table but the list of migrations, as text. */
const contents = (url: string): Promise<string> =>
  on(url, async (client) => {
    const { rows: tables } = await client.query<{ name: string }>(
      `select table_name as name from information_schema.tables where table_schema = 'public' order by 1`,
    );
    const all: unknown[] = [];
    for (const { name } of tables) {
      const { rows } = await client.query(`select t::text as row from "${name}" t order by 1`);
      all.push([name, rows.map(({ row }) => row as string)]);
    }
    return JSON.stringify(all);
  });

const migrate = (url: string, folder: string, killAt: number) =>
  spawnSync('npx', ['tsx', fileURLToPath(new URL('./migrateOnce.ts', import.meta.url)), url, folder, String(killAt)], {
    encoding: 'utf8',
  });

try {
  const older = folderUpTo(FROM);
  await newDatabase('older');
  check(migrate(urlOf('older'), older, 0).status === 0, `a database of migration ${FROM} is made`);
  // The sample's rows, by the columns that both versions have.
  await on(wimbel.databaseUrl(), async (client) => {
    const { rows: tables } = await client.query<{ name: string; columns: string[] }>(
      `select table_name as name, array_agg(column_name::text) as columns from information_schema.columns
       where table_schema = 'public' group by 1`,
    );
    await on(urlOf('older'), async (to) => {
      await to.query('set session_replication_role = replica');
      const { rows: own } = await to.query<{ name: string; columns: string[] }>(
        `select table_name as name, array_agg(column_name::text) as columns from information_schema.columns
         where table_schema = 'public' group by 1`,
      );
      for (const { name, columns } of own) {
        const both = columns.filter((each) => tables.find((table) => table.name === name)?.columns.includes(each));
        const list = both.map((each) => `"${each}"`).join();
        const { rows } = await client.query(`select ${list} from "${name}"`);
        await to.query(
          `insert into "${name}" (${list}) select ${list} from json_populate_recordset(null::"${name}", $1::json)`,
          [JSON.stringify(rows)],
        );
      }
    });
  });
  // Its log held a copy of each record.
  await on(urlOf('older'), (to) =>
    to.query(
      `create function pg_temp.camel(name text) returns text language sql as $$
         select lower(left(each, 1)) || substr(each, 2) from (select replace(initcap(replace(name, '_', ' ')), ' ', '') as each) words
       $$;
       do $$
       declare
         named record;
       begin
         for named in select * from (values
           ('settings', 'settings', $k$'settings'$k$), ('areas', 'areas', 'id'), ('goals', 'goals', 'id'), ('habits', 'habits', 'id'),
           ('entries', 'entries', $k$day::text || ' ' || habit_id$k$), ('key_results', 'keyResults', 'id'),
           ('check_ins', 'checkIns', 'id'), ('steps', 'steps', 'id'), ('milestones', 'milestones', 'id'), ('seasons', 'seasons', 'id'),
           ('months', 'months', 'month'), ('prompts', 'prompts', 'id'), ('journal', 'journal', 'id'), ('reviews', 'reviews', 'id'),
           ('habit_notes', 'habitNotes', 'id'), ('rewards', 'rewards', 'id'), ('claims', 'claims', 'id'), ('quotes', 'quotes', 'id'),
           ('reminders', 'reminders', 'id')
         ) as tables(name, collection, key)
         loop
           execute format($q$
             update change_log l set record = t.record from (
               select user_id, %s as key, (select json_object_agg(pg_temp.camel(field.key), field.value)
                 from jsonb_each(to_jsonb(t) - 'user_id') field where field.value <> 'null'::jsonb) as record from %I t
             ) t where l.user_id = t.user_id and l.collection = %L and l.key = t.key
           $q$, named.key, named.name, named.collection);
         end loop;
       end
       $$`,
    ),
  );
  const before = await contents(urlOf('older'));
  await newDatabase('whole', 'older');
  const { stdout, status } = migrate(urlOf('whole'), MIGRATIONS, 0);
  check(status === 0, 'it is brought to the newest version');
  const after = await contents(urlOf('whole'));
  const statements = Number(stdout.trim());
  check(statements > readdirSync(MIGRATIONS).length - FROM && after !== before, `by ${statements} statements`);
  await newDatabase('killed', 'older');
  for (let killAt = 1; killAt <= statements; killAt++) {
    const killed = migrate(urlOf('killed'), MIGRATIONS, killAt);
    const now = await contents(urlOf('killed'));
    check(
      killed.signal === 'SIGKILL' || killed.status !== 0,
      `killed before statement ${killAt}: ${now === before ? 'as it was before' : now === after ? 'as it is after' : 'in between'}`,
    );
    check(now === before || now === after, '  nothing is in between');
  }
  check(migrate(urlOf('killed'), MIGRATIONS, 0).status === 0, 'started again after all of them it comes up');
  check((await contents(urlOf('killed'))) === after, 'with the same content as without a kill');
  rmSync(older, { recursive: true });
} finally {
  await wimbel.end();
}
say(`\n${failed === 0 ? 'migrations hold' : `${failed} failed`}`);
process.exit(failed === 0 ? 0 : 1);
