import { execFileSync, spawnSync } from 'node:child_process';
import { copyFileSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const ROOT = join(__dirname, '..');
const MIGRATIONS = join(ROOT, 'apps/server/drizzle');
const states: string[] = [];

function newState(): string {
  const state = mkdtempSync(join(tmpdir(), 'wimbel-backup-'));
  states.push(state);
  return state;
}
const run = (script: string, state: string, ...args: string[]) =>
  spawnSync('node', [join('scripts', script), ...args], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, WIMBEL_STATE: state },
  });

/** Runs something on a state's own cluster, which is started for it and stopped after. */
function onCluster(state: string, work: string): string {
  const code = `import { startCluster, stopCluster, ensureDatabase, databaseTool } from './tools/postgres.mjs';
    const cluster = await startCluster(); ensureDatabase(cluster, 'wimbel');
    try { ${work} } finally { stopCluster(); }`;
  return execFileSync('node', ['--input-type=module', '-e', code], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, WIMBEL_STATE: state },
  });
}
const query = (sql: string) =>
  `process.stdout.write(databaseTool('psql', cluster, ['-d', 'wimbel', '-Atc', ${JSON.stringify(sql)}]));`;

afterAll(() => {
  for (const state of states) {
    const settings = join(state, 'postgres.json');
    try {
      rmSync((JSON.parse(readFileSync(settings, 'utf8')) as { data: string }).data, { recursive: true, force: true });
    } catch {
      // It had no cluster.
    }
    rmSync(state, { recursive: true, force: true });
  }
});

it('a backup brings everything back into an empty cluster, and never over something that is there', () => {
  const [first, second] = [newState(), newState()];
  const migrations = readdirSync(MIGRATIONS)
    .filter((name) => name.endsWith('.sql'))
    .sort();
  const fill = [
    `insert into "user" (id, name, email) values ('anna', 'Anna', 'anna@example.org')`,
    `insert into revisions values ('anna', 2)`,
    `insert into habits (user_id, id, name, "order", aim, part_of_day, measure, terms, starts_on) values ('anna', 'h',
      'Öl und Segel', 1.5, 'build', 'any', '{"kind":"check"}', '[{"from":"2026-11-01"}]', '2026-11-01')`,
    `insert into entries (user_id, habit_id, day, amount, note) values ('anna', 'h', '2026-11-24', 0.1, 'Tide, 油')`,
    `insert into change_log values ('anna', 'entries', '2026-11-24 h', 2, '2026-11-24T10:00:00.123456Z', 'c', false)`,
  ].join(';\n');
  const fillFile = join(first, 'fill.sql');
  writeFileSync(fillFile, fill);
  onCluster(
    first,
    [...migrations.map((name) => join(MIGRATIONS, name)), fillFile]
      .map(
        (file) =>
          `databaseTool('psql', cluster, ['-d', 'wimbel', '-v', 'ON_ERROR_STOP=1', '-q', '-f', ${JSON.stringify(file)}]);`,
      )
      .join('\n'),
  );
  const everything = query(
    `select (select jsonb_agg(e) from entries e)::text, (select jsonb_agg(h) from habits h)::text,
     (select jsonb_agg(l) from change_log l)::text, (select jsonb_agg(u) from "user" u)::text`,
  );
  const before = onCluster(first, everything);
  expect(before).toContain('Öl und Segel');

  const made = run('backup.mjs', first);
  expect([made.status, made.stderr]).toEqual([0, '']);
  const [name] = readdirSync(join(first, 'backups'));
  expect(name).toMatch(/^wimbel-\d{4}-\d{2}-\d{2}-\d{6}\.dump$/);
  const file = join(second, 'kept.dump');
  copyFileSync(join(first, 'backups', name!), file);

  const back = run('restore.mjs', second, file);
  expect([back.status, back.stderr]).toEqual([0, '']);
  expect(onCluster(second, everything)).toBe(before);
  // The next one would write over it.
  const again = run('restore.mjs', second, file);
  expect([again.status, again.stderr]).toEqual([
    1,
    expect.stringContaining('holds something already. Nothing was changed'),
  ]);
  expect(onCluster(second, everything)).toBe(before);
});

it('says in words what is missing, and that a file would be written over', () => {
  const state = newState();
  expect(run('restore.mjs', state).stderr).toContain('Which backup?');
  expect(run('restore.mjs', state, '/nowhere.dump').stderr).toContain('There is no /nowhere.dump');
  const file = join(state, 'mine.dump');
  writeFileSync(file, 'mine');
  const over = run('backup.mjs', state, file);
  expect([over.status, over.stderr]).toEqual([1, expect.stringContaining('is there already. Nothing was written')]);
  expect(readFileSync(file, 'utf8')).toBe('mine');
});
