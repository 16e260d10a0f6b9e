const { createHash } = require('node:crypto');
const { readFileSync } = require('node:fs');
const { join } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { FileStore } = require('@expo/metro-config/file-store');
const { resolveLean } = require('./bundler/leanResolver.cjs');

const config = getDefaultConfig(__dirname);
// In the project: a second build is quick, and nothing is left elsewhere on the machine.
config.cacheStores = [new FileStore({ root: join(__dirname, '.metro-cache') })];
// `bundler/directImports.cjs` reads the packages' indexes, which are no input of the files it transforms.
const indexes = ['core', 'contract', 'exchange', 'sync'].map((name) =>
  readFileSync(join(__dirname, '../../packages', name, 'src/index.ts'), 'utf8'),
);
config.cacheVersion = createHash('sha256').update(indexes.join()).digest('hex');
// Licences are in the packages; the build leaves comments out.
config.transformer.minifierConfig.output = { ...config.transformer.minifierConfig.output, comments: false };
// `WIMBEL_LEAN=0` builds without the lean resolver, a larger app that does the same.
if (process.env.WIMBEL_LEAN !== '0') config.resolver.resolveRequest = resolveLean;

module.exports = config;
