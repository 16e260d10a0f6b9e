const expo = require('jest-expo/web/jest-preset');

const { watchPlugins: _, ...preset } = expo;

/** Packages that are published as ES modules, or as sources. */
const TRANSFORMED =
  '(jest-)?react-native(-[a-z-]+)?|@react-native(-community)?|expo(nent)?|@expo(nent)?/.*|@expo-google-fonts/.*|react-navigation|@react-navigation/.*|lucide-react-native|react-native-svg|d3-[a-z-]+|internmap|@reduxjs/.*|react-redux|immer|redux|reselect|uuid|idb|@hookform/.*|react-hook-form|eventsource-parser';

module.exports = {
  ...preset,
  displayName: 'web',
  rootDir: __dirname,
  roots: ['<rootDir>/src'],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  transform: { ...preset.transform, '\\.mjs$': 'babel-jest' },
  transformIgnorePatterns: [`/node_modules/(?!(.*/)?(${TRANSFORMED})/)`],
  moduleFileExtensions: [...(preset.moduleFileExtensions ?? []), 'mjs'],
  setupFiles: [...(preset.setupFiles ?? []), '<rootDir>/src/testing/setup.ts'],
};
