import { checkNode, reportFault, say, show } from '../tools/system.mjs';

/** The long and brutal tests, each by itself and bounded: `npm run soak`, or one of them by its name. */
const SOAKS = ['devices', 'histories', 'crowd', 'migrations', 'floods'];

async function main() {
  checkNode();
  const { ensurePackages } = await import('../tools/packages.mjs');
  ensurePackages();
  const [only] = process.argv.slice(2);
  let failed = 0;
  const chosen = SOAKS.filter((name) => only === undefined || only === name);
  for (const name of chosen) {
    say(`\n— ${name}`);
    if ((await show('npx', ['tsx', `e2e/soak/${name}.ts`])) !== 0) failed++;
  }
  say(`\n${chosen.length - failed} passed, ${failed} failed`);
  process.exit(failed === 0 && chosen.length > 0 ? 0 : 1);
}

main().catch((error) => {
  reportFault(error);
  process.exit(1);
});
