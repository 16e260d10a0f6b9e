import fc from 'fast-check';

const { process } = globalThis as { process?: { env: Record<string, string | undefined> } };
/** Share of the runs of property tests, from `PROPERTY_SHARE`: the second time zone repeats the tests with fewer. */
const SHARE = Number(process?.env.PROPERTY_SHARE ?? 1);

/** Number of runs of a property test. */
export const runs = (most: number): number => Math.max(1, Math.ceil(most * SHARE));

/** Jest setup file: the default number of runs. */
fc.configureGlobal({ ...fc.readConfigureGlobal(), numRuns: runs(100) });
