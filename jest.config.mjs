const swc = [
  '@swc/jest',
  { jsc: { target: 'es2022', parser: { syntax: 'typescript' } }, module: { type: 'commonjs' } },
];

/** Packages that are published as ES modules only. */
const ESM =
  'd3-[a-z-]+|internmap|better-auth|@better-auth|@better-fetch|better-call|jose|nanostores|@noble|@standard-schema|rou3|defu|zod|kysely|set-cookie-parser|uuid|p-limit|yocto-queue';

const node = (displayName, folder, more = {}) => ({
  displayName,
  rootDir: import.meta.dirname,
  roots: [`<rootDir>/${folder}`],
  testEnvironment: 'node',
  testMatch: ['**/*.test.ts'],
  transform: { '\\.(ts|mjs|js)$': swc },
  transformIgnorePatterns: [`/node_modules/(?!(?:.*/)?(${ESM})/)`],
  ...more,
});

export default {
  testTimeout: 120_000,
  projects: [
    node('core', 'packages/core/src', { setupFiles: ['<rootDir>/packages/core/src/testing/runs.ts'] }),
    node('contract', 'packages/contract/src'),
    node('exchange', 'packages/exchange/src'),
    node('sync', 'packages/sync/src'),
    node('scripts', 'scripts'),
    node('server', 'apps/server/src', {
      globalSetup: '<rootDir>/apps/server/src/testing/globalSetup.cjs',
      globalTeardown: '<rootDir>/apps/server/src/testing/globalTeardown.cjs',
    }),
    '<rootDir>/apps/web/jest.config.cjs',
  ],
};
