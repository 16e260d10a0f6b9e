const { createHash } = require('node:crypto');
const { readFileSync } = require('node:fs');
const { join } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { FileStore } = require('@expo/metro-config/file-store');

const config = getDefaultConfig(__dirname);
// Kept in the project, so that a second build is quick and nothing is left elsewhere on the machine.
config.cacheStores = [new FileStore({ root: join(__dirname, '.metro-cache') })];
// What was made of a file by where the packages' exports stood is made anew once they stand elsewhere.
const places = ['core', 'contract', 'exchange', 'sync'].map((room) =>
  readFileSync(join(__dirname, '../../packages', room, 'src/index.ts'), 'utf8'),
);
config.cacheVersion = createHash('sha256').update(places.join()).digest('hex');
// Of what others wrote, the licences stand in the packages; a person's device need not fetch them as comments.
config.transformer.minifierConfig.output = { ...config.transformer.minifierConfig.output, comments: false };

/** Parts of the router that a web app with plain slots never shows (navigators, links, its own pages), and
 * pictures from text; and drafts of the store, whose reducers are plain functions. */
const LEFT_OUT =
  /\/expo-router\/build\/(layouts\/stack-utils\/index|native-tabs\/NativeTabTrigger|views\/(Sitemap|Unmatched|Toast)|link\/(Link|LinkWithPreview|elements)|react-navigation\/(native\/(createStaticNavigation|Link)|core\/StaticNavigation|routers\/(TabRouter|DrawerRouter)))\.js$|\/immer\/dist\/immer\.mjs$|\/react-native-svg\/lib\/module\/((xml|css)[\w/]*|lib\/extract\/(transform|transformToRn))\.js$/;
const OF_THE_ROUTER = /\/node_modules\/(expo-router|expo|expo-[a-z-]+|react-native-(screens|safe-area-context))\//;
/** Files of others in whose place ours stand. */
const OWN_INSTEAD = [
  [/\/expo-router\/build\/head\/index\.js$/, 'head.js'],
  [/\/expo-router\/build\/fork\/native-stack\/createNativeStackNavigator\.js$/, 'nativeStack.js'],
  [/\/expo-router\/build\/screensFeatureFlags\.js$/, 'screensFeatureFlags.js'],
  [/\/react-native-safe-area-context\/lib\/module\/index\.js$/, 'safeArea.js'],
  [/\/expo\/src\/utils\/getBundleUrl\.web\.ts$/, 'bundleUrl.js'],
  [/\/uuid\/dist\/esm-browser\/index\.js$/, 'uuid.js'],
];
const OWN = (name) => ({ type: 'sourceFile', filePath: join(__dirname, 'lean', name) });

/** What a person has to wait for before the first screen stands is what they use; the rest is not brought. */
function lean(context, name, platform) {
  const from = context.originModulePath;
  if (name === 'expo-router' && !from.includes('/node_modules/')) return OWN('router.js');
  const found = context.resolveRequest(context, name, platform);
  if (found.type !== 'sourceFile') return found;
  if (LEFT_OUT.test(found.filePath)) return { type: 'empty' };
  if (OF_THE_ROUTER.test(from) && /\/react-native-web\/dist\/index\.js$/.test(found.filePath))
    return OWN('reactNative.js');
  const own = OWN_INSTEAD.find(([file]) => file.test(found.filePath));
  return own === undefined ? found : OWN(own[1]);
}

if (process.env.NODE_ENV === 'production') config.resolver.resolveRequest = lean;

module.exports = config;
