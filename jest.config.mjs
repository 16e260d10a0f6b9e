const node = (name, dir, zone) => ({
  displayName: name,
  rootDir: import.meta.dirname,
  roots: [`<rootDir>/${dir}`],
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts'],
  testMatch: ['**/*.test.ts'],
  transform: {
    '^.+\\.(ts|mjs|js)$': [
      '@swc/jest',
      { jsc: { target: 'es2022', parser: { syntax: 'typescript' } }, module: { type: 'commonjs' } },
    ],
  },
  transformIgnorePatterns: ['/node_modules/(?!(d3-[a-z]+|internmap)/)'],
  ...(zone ? { globals: { zone } } : {}),
});
export default {
  projects: [
    node('core', 'packages/core/src'),
    node('contract', 'packages/contract/src'),
    node('exchange', 'packages/exchange/src'),
  ],
};
