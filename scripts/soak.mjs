import { join } from 'node:path';
import { ROOT, checkNode, reportFault, say, show } from '../tools/system.mjs';

/** The long and brutal tests, each by itself and bounded, and every bench once, short: `npm run soak`, or one of them by its name. */
const SOAKS = ['devices', 'histories', 'crowd', 'migrations', 'floods', 'browser', 'benches'];

/** Runs one soak; its exit code. The browser's are the tests with the tag `@soak`, which `npm test` leaves out. */
async function runSoak(name) {
  switch (name) {
    case 'benches':
      return show('node', ['scripts/bench.mjs'], { env: { ...process.env, BENCH_SHORT: '1' } });
    case 'browser': {
      const { ensureChromium } = await import('../tools/chromium.mjs');
      ensureChromium();
      const built = await show('node', ['scripts/build.mjs']);
      if (built !== 0) return built;
      const args = ['playwright', 'test', '--config', 'playwright.config.ts'];
      return show('npx', args, { cwd: join(ROOT, 'e2e'), env: { ...process.env, E2E_SOAK: '1' } });
    }
    default:
      return show('npx', ['tsx', `e2e/soak/${name}.ts`]);
  }
}

async function main() {
  checkNode();
  const { ensurePackages } = await import('../tools/packages.mjs');
  ensurePackages();
  const [only] = process.argv.slice(2);
  let failed = 0;
  const chosen = SOAKS.filter((name) => only === undefined || only === name);
  for (const name of chosen) {
    say(`\n— ${name}`);
    const code = await runSoak(name);
    if (code !== 0) failed++;
  }
  say(`\n${chosen.length - failed} passed, ${failed} failed`);
  process.exit(failed === 0 && chosen.length > 0 ? 0 : 1);
}

main().catch((error) => {
  reportFault(error);
  process.exit(1);
});
