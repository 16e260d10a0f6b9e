import { checkNode, reportFault, show } from '../tools/system.mjs';

async function main() {
  checkNode();
  const { ensurePackages } = await import('../tools/packages.mjs');
  ensurePackages();
  for (const file of [
    'bench/figures.ts',
    'bench/checkOff.ts',
    'bench/worstBodies.ts',
    'bench/newDevice.ts',
    'bench/live.ts',
    'bench/opening.ts',
    'bench/places.ts',
    'bench/pegboard.ts',
    'bench/manyHabits.ts',
    'bench/goals.ts',
    'bench/charts.ts',
    'bench/journal.ts',
    'bench/ledger.ts',
    'bench/dataInOut.ts',
  ]) {
    const code = await show('npx', ['tsx', file]);
    if (code !== 0) process.exit(code);
  }
}

main().catch((error) => {
  reportFault(error);
  process.exit(1);
});
