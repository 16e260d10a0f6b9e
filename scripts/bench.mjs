import { Trouble, checkNode, reportFault, show } from '../tools/system.mjs';

/** The benches: `npm run bench`, or one of them by its name. */
const BENCHES = [
  'figures',
  'checkOff',
  'worstBodies',
  'newDevice',
  'live',
  'opening',
  'places',
  'pegboard',
  'manyHabits',
  'goals',
  'charts',
  'journal',
  'ledger',
  'dataInOut',
];

async function main() {
  checkNode();
  const { ensurePackages } = await import('../tools/packages.mjs');
  ensurePackages();
  const [only] = process.argv.slice(2);
  const chosen = BENCHES.filter((name) => only === undefined || only === name);
  if (chosen.length === 0) throw new Trouble(`There is no bench named ${only}: ${BENCHES.join(', ')}.`);
  for (const name of chosen) {
    const code = await show('npx', ['tsx', `bench/${name}.ts`]);
    if (code !== 0) process.exit(code);
  }
}

main().catch((error) => {
  reportFault(error);
  process.exit(1);
});
