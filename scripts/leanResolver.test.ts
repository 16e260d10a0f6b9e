import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { leftOut, resolveLean } from '../apps/web/bundler/leanResolver.cjs';

const MODULES = join(__dirname, '../node_modules');

/** Resolves a request that Metro resolves to some file. */
const resolved = (file: string, { name = './x', from = join(MODULES, 'expo-router/build/index.js') } = {}): unknown =>
  resolveLean(
    { originModulePath: from, resolveRequest: () => ({ type: 'sourceFile', filePath: join(MODULES, file) }) },
    name,
    'web',
  );

describe('the lean resolver', () => {
  it('names only modules that exist, so that an update of a package shows', () => {
    expect([...leftOut].filter((file) => !existsSync(file))).toEqual([]);
    expect(leftOut.size).toBeGreaterThan(20);
  });

  it('leaves out what it names, and nothing else', () => {
    for (const file of leftOut) expect(resolved(file.slice(MODULES.length + 1))).toEqual({ type: 'empty' });
    expect(resolved('expo-router/build/hooks.js')).toMatchObject({
      filePath: join(MODULES, 'expo-router/build/hooks.js'),
    });
  });

  it('gives the router the part of React Native that it uses, and the app the whole', () => {
    const whole = 'react-native-web/dist/index.js';
    const part = resolved(whole, { name: 'react-native' }) as { filePath: string };
    expect(part.filePath).toMatch(/bundler\/reactNative\.js$/);
    expect(existsSync(part.filePath)).toBe(true);
    const app = resolved(whole, { name: 'react-native', from: join(__dirname, '../apps/web/src/ui/Peg.tsx') });
    expect(app).toMatchObject({ filePath: join(MODULES, whole) });
  });
});
