import { closeSync, existsSync, mkdirSync, openSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureChromium } from '../tools/chromium.mjs';
import { ROOT, STATE, Trouble, aptInstall, checkNode, reportFault, say, show } from '../tools/system.mjs';

/** What figures the workbook's formulas out, to compare them with the report. */
const OFFICE = '/usr/bin/soffice';
const RESULTS = join(ROOT, 'test-results');
/** The core's rules are the same wherever the machine stands: two zones far apart, one with half hours. */
const ZONES = ['Pacific/Kiritimati', 'America/St_Johns'];

const tally = [];

/** Counts what a stage came to; `from` is when it began, in seconds since the run did. */
const count = (name, from, passed, failed) =>
  tally.push({ name, passed, failed, seconds: Math.round(process.uptime() - from) });

/** A check that passes or fails as a whole. Checks run concurrently: each one's output is shown when it ends. */
async function check(name, command, args) {
  const from = process.uptime();
  const file = join(RESULTS, `${name.replaceAll(/\W+/g, '-')}.log`);
  const output = openSync(file, 'w');
  const code = await show(command, args, { stdio: ['ignore', output, output] });
  closeSync(output);
  say(`\n— ${name}: ${code === 0 ? 'holds' : 'does not hold'}\n${readFileSync(file, 'utf8').trim()}`);
  count(name, from, code === 0 ? 1 : 0, code === 0 ? 0 : 1);
}

/** A run of Jest, counted test by test. A run that counted none has failed. */
async function jest(name, args, env = {}) {
  say(`\n— ${name}`);
  const from = process.uptime();
  const file = join(RESULTS, `${tally.length}.json`);
  const code = await show('npx', ['jest', ...args, '--maxWorkers=100%', '--json', `--outputFile=${file}`], {
    env: { ...process.env, ...env },
  });
  const result = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
  const failed = (result?.numFailedTests ?? 0) + (result?.numRuntimeErrorTestSuites ?? 0);
  const passed = result?.numPassedTests ?? 0;
  count(name, from, passed, failed + (failed === 0 && (code !== 0 || passed === 0) ? 1 : 0));
}

async function browser(name) {
  say(`\n— ${name}`);
  const from = process.uptime();
  const file = join(RESULTS, 'e2e.json');
  rmSync(file, { force: true });
  const code = await show('npx', ['playwright', 'test', '--config', 'playwright.config.ts'], {
    cwd: join(ROOT, 'e2e'),
  });
  const stats = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')).stats : null;
  const failed = stats?.unexpected ?? 0;
  const passed = (stats?.expected ?? 0) + (stats?.flaky ?? 0);
  if (stats?.flaky) say(`${stats.flaky} of them passed at the second attempt only`);
  count(name, from, passed, failed + (failed === 0 && (code !== 0 || passed === 0) ? 1 : 0));
}

const FOLDERS = ['packages', 'apps', 'e2e', 'bench', 'scripts', 'tools'];

/** Types, lint, import rules and format; from their caches where `isCached`. */
async function checks(isCached = false) {
  const projects = [
    'packages/core',
    'packages/contract',
    'packages/exchange',
    'packages/sync',
    'apps/server',
    'apps/web',
    'tsconfig.json',
  ];
  const cache = (name) => join(STATE, 'cache', name.replaceAll(/\W+/g, '-'));
  for (const project of projects) {
    const incremental = isCached ? ['--incremental', '--tsBuildInfoFile', `${cache(project)}.tsbuildinfo`] : [];
    await check(`types of ${project}`, 'npx', ['tsc', '-p', project, ...incremental]);
  }
  const lintCache = isCached ? ['--cache', '--cache-location', cache('eslint')] : [];
  await check('lint', 'npx', ['eslint', '.', '--max-warnings', '0', ...lintCache]);
  await check('import rules', 'npx', ['depcruise', '--config', '.dependency-cruiser.cjs', ...FOLDERS]);
  const formatCache = isCached ? ['--cache', '--cache-location', cache('prettier')] : [];
  await check('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.', ...formatCache]);
}

/** `npm run test:quick`: what needs neither database nor browser; checks use caches. */
async function quick() {
  const projects = ['core', 'contract', 'exchange', 'sync', 'web'];
  await Promise.all([
    checks(true),
    jest('core, contract, exchange, sync and web', ['--selectProjects', ...projects], { PROPERTY_SHARE: '0.2' }),
  ]);
}

async function tests() {
  const [first, second] = ZONES;
  await jest(`core in ${first}`, ['--selectProjects', 'core'], { TZ: first });
  // What a zone could change shows in few runs of a property.
  await jest(`core in ${second}`, ['--selectProjects', 'core'], { TZ: second, PROPERTY_SHARE: '0.1' });
  const others = ['contract', 'exchange', 'sync', 'scripts', 'server', 'web'];
  await jest('contract, exchange, sync, scripts, server and web', ['--selectProjects', ...others]);
}

async function whole() {
  const { dropCluster, ensurePostgres } = await import('../tools/postgres.mjs');
  ensurePostgres();
  ensureChromium();
  if (!existsSync(OFFICE)) {
    say('Installing LibreOffice from Debian …');
    aptInstall(['libreoffice-calc-nogui'], 'LibreOffice');
  }
  // Left by an interrupted run.
  for (const cluster of ['server-tests', 'e2e', 'cuts', 'histories']) dropCluster(cluster);

  // Checks and the build run beside the unit tests, so that both processors have work.
  const [code] = await Promise.all([checks().then(() => show('node', ['scripts/build.mjs'])), tests()]);
  if (code !== 0) throw new Trouble('What the browser is to be shown could not be built.');
  await check('histories of three devices', 'npx', ['tsx', 'e2e/soak/histories.ts', '1000']);
  await browser('as a person, in a browser');
}

async function main() {
  checkNode();
  const { ensurePackages } = await import('../tools/packages.mjs');
  ensurePackages();
  mkdirSync(RESULTS, { recursive: true });
  mkdirSync(join(STATE, 'cache'), { recursive: true });
  await (process.argv.includes('--quick') ? quick() : whole());

  say('');
  for (const { name, passed, failed, seconds } of tally)
    say(`${failed === 0 ? 'ok  ' : 'FAIL'} ${name}: ${passed} passed, ${failed} failed, ${seconds} s`);
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
