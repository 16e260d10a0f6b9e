import { rmSync } from 'node:fs';
import { NOW, startWimbel } from '../tools/wimbel.ts';

/** One server with the sample data for all tests that don't end it. */
export default async function globalSetup() {
  const wimbel = await startWimbel('e2e', { now: NOW });
  process.env.E2E_URL = wimbel.url;
  return async () => {
    await wimbel.end();
    rmSync(wimbel.sampleFile, { force: true });
  };
}
