import { closeSync, existsSync, mkdirSync, openSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, STATE, Trouble, aptInstall, checkNode, reportFault, say, show } from '../tools/system.mjs';

const CHROMIUM = '/usr/bin/chromium';
/** What figures the workbook's formulas out, to compare them with the report. */
const OFFICE = '/usr/bin/soffice';
const RESULTS = join(ROOT, 'test-results');
/** The core's rules are the same wherever the machine stands: two zones far apart, one with half hours. */
const ZONES = ['Pacific/Kiritimati', 'America/St_Johns'];

const tally = [];

/** One thing that must hold, as a whole: it passes or fails as one. It runs beside others, so it is shown once it is over. */
async function check(name, command, args) {
  const file = join(RESULTS, 'check.log');
  const output = openSync(file, 'w');
  const code = await show(command, args, { stdio: ['ignore', output, output] });
  closeSync(output);
  say(`\n— ${name}: ${code === 0 ? 'holds' : 'does not hold'}\n${readFileSync(file, 'utf8').trim()}`);
  tally.push({ name, passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1 });
}

/** A run of Jest, counted test by test. A run that counted none has failed. */
async function jest(name, args, env = {}) {
  say(`\n— ${name}`);
  const file = join(RESULTS, `${tally.length}.json`);
  const code = await show('npx', ['jest', ...args, '--json', `--outputFile=${file}`], {
    env: { ...process.env, ...env },
  });
  const result = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
  const failed = (result?.numFailedTests ?? 0) + (result?.numRuntimeErrorTestSuites ?? 0);
  const passed = result?.numPassedTests ?? 0;
  tally.push({ name, passed, failed: failed + (failed === 0 && (code !== 0 || passed === 0) ? 1 : 0) });
}

async function browser(name) {
  say(`\n— ${name}`);
  const file = join(RESULTS, 'e2e.json');
  rmSync(file, { force: true });
  const code = await show('npx', ['playwright', 'test', '--config', 'playwright.config.ts'], {
    cwd: join(ROOT, 'e2e'),
  });
  const stats = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')).stats : null;
  const failed = stats?.unexpected ?? 0;
  const passed = (stats?.expected ?? 0) + (stats?.flaky ?? 0);
  if (stats?.flaky) say(`${stats.flaky} of them passed at the second attempt only`);
  tally.push({ name, passed, failed: failed + (failed === 0 && (code !== 0 || passed === 0) ? 1 : 0) });
}

async function checks() {
  const rooms = ['packages/core', 'packages/contract', 'packages/exchange', 'apps/server', 'apps/web', 'tsconfig.json'];
  for (const room of rooms) await check(`types of ${room}`, 'npx', ['tsc', '-p', room]);
  await check('lint', 'npx', ['eslint', '.', '--max-warnings', '0']);
  const houses = ['packages', 'apps', 'e2e', 'bench', 'scripts', 'tools'];
  await check('import rules', 'npx', ['depcruise', '--config', '.dependency-cruiser.cjs', ...houses]);
  await check('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);
}

async function tests() {
  for (const zone of ZONES) await jest(`core in ${zone}`, ['--selectProjects', 'core'], { TZ: zone });
  const others = ['contract', 'exchange', 'scripts', 'server', 'web'];
  await jest('contract, exchange, scripts, server and web', ['--selectProjects', ...others]);
}

async function main() {
  checkNode();
  const { ensurePackages } = await import('../tools/packages.mjs');
  const { dropCluster, ensurePostgres } = await import('../tools/postgres.mjs');
  ensurePackages();
  ensurePostgres();
  if (!existsSync(CHROMIUM)) {
    say('Installing Chromium from Debian …');
    aptInstall(['chromium', 'fonts-noto-color-emoji'], 'Chromium');
  }
  if (!existsSync(OFFICE)) {
    say('Installing LibreOffice from Debian …');
    aptInstall(['libreoffice-calc-nogui'], 'LibreOffice');
  }
  mkdirSync(RESULTS, { recursive: true });
  mkdirSync(STATE, { recursive: true });
  // What an interrupted run may have left.
  for (const cluster of ['server-tests', 'e2e', 'cuts', 'histories']) dropCluster(cluster);

  // What only reads runs beside the tests, and what the browser is to be shown is built there, so that both processors have work.
  const [code] = await Promise.all([checks().then(() => show('node', ['scripts/build.mjs'])), tests()]);
  if (code !== 0) throw new Trouble('What the browser is to be shown could not be built.');
  await check('histories of three devices', 'npx', ['tsx', 'e2e/soak/histories.ts', '2000']);
  await browser('as a person, in a browser');

  say('');
  for (const { name, passed, failed } of tally)
    say(`${failed === 0 ? 'ok  ' : 'FAIL'} ${name}: ${passed} passed, ${failed} failed`);
  const passed = tally.reduce((sum, each) => sum + each.passed, 0);
  const failed = tally.reduce((sum, each) => sum + each.failed, 0);
  say(`\n${passed} passed, ${failed} failed`);
  process.exit(failed === 0 ? 0 : 1);
}

main().catch((error) => {
  reportFault(error);
  say('\n0 passed, 1 failed');
  process.exit(1);
});
