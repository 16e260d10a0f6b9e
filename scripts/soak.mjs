import { checkNode, reportFault, say, show } from '../tools/system.mjs';

/** The long and brutal tests, each by itself and bounded, and every bench once, short: `npm run soak`, or one of them by its name. */
const SOAKS = ['devices', 'histories', 'crowd', 'migrations', 'floods', 'benches'];

async function main() {
  checkNode();
  const { ensurePackages } = await import('../tools/packages.mjs');
  ensurePackages();
  const [only] = process.argv.slice(2);
  let failed = 0;
  const chosen = SOAKS.filter((name) => only === undefined || only === name);
  for (const name of chosen) {
    say(`\n— ${name}`);
    const code =
      name === 'benches'
        ? await show('node', ['scripts/bench.mjs'], { env: { ...process.env, BENCH_SHORT: '1' } })
        : await show('npx', ['tsx', `e2e/soak/${name}.ts`]);
    if (code !== 0) failed++;
  }
  say(`\n${chosen.length - failed} passed, ${failed} failed`);
  process.exit(failed === 0 && chosen.length > 0 ? 0 : 1);
}

main().catch((error) => {
  reportFault(error);
  process.exit(1);
});
