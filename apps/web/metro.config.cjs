const { join } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { FileStore } = require('@expo/metro-config/file-store');

const config = getDefaultConfig(__dirname);
// Kept in the project, so that a second build is quick and nothing is left elsewhere on the machine.
config.cacheStores = [new FileStore({ root: join(__dirname, '.metro-cache') })];

module.exports = config;
