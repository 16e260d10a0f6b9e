const { join } = require('node:path');

const NODE_MODULES = join(__dirname, '../../../node_modules');

/**
 * Modules that the web app never uses, left out of the module graph, by package and path: navigators, links and pages of the router
 * that we do not show, SVG from text, and the versions of `uuid` but v7. An importer gets an empty module.
 */
const LEFT_OUT = {
  'expo-router/build/': [
    'layouts/Tabs.js',
    'layouts/Stack.web.js',
    'layouts/experimental-stack/index.web.js',
    'layouts/stack-utils/index.js',
    'native-tabs/NativeTabTrigger.js',
    'views/ErrorBoundary.js',
    'views/Sitemap.js',
    'views/Toast.js',
    'views/Unmatched.js',
    'link/ExpoLink.js',
    'link/LinkWithPreview.js',
    'link/elements.js',
    'link/zoom/link-apple-zoom.js',
    'link/zoom/link-apple-zoom-target.js',
    'utils/color.js',
    'react-navigation/bottom-tabs/index.js',
    'react-navigation/native-stack/index.js',
    'react-navigation/native/createStaticNavigation.js',
    'react-navigation/native/Link.js',
    'react-navigation/core/StaticNavigation.js',
    'react-navigation/routers/TabRouter.js',
    'react-navigation/routers/DrawerRouter.js',
  ],
  'react-native-svg/lib/module/': [
    'xml.js',
    'xmlTags.js',
    'css/index.js',
    'css/css.js',
    'lib/extract/transform.js',
    'lib/extract/transformToRn.js',
  ],
  'uuid/dist/esm-browser/': [
    'v1.js',
    'v3.js',
    'v4.js',
    'v5.js',
    'v6.js',
    'v1ToV6.js',
    'v6ToV1.js',
    'md5.js',
    'sha1.js',
  ],
};
const leftOut = new Set(
  Object.entries(LEFT_OUT).flatMap(([folder, files]) => files.map((file) => join(NODE_MODULES, folder, file))),
);

/** Importers that get the parts of React Native for the web that the start needs, instead of its whole index. */
const OF_THE_ROUTER = /\/node_modules\/(expo-router|expo|expo-[a-z-]+|react-native-safe-area-context)\//;
const WHOLE_REACT_NATIVE = join(NODE_MODULES, 'react-native-web/dist/index.js');
const ownFile = (name) => ({ type: 'sourceFile', filePath: join(__dirname, name) });

/** Metro's `resolver.resolveRequest`: leaves out of the module graph what the web app never runs. */
function resolveLean(context, name, platform) {
  if (name === 'react-native-screens') return ownFile('reactNativeScreens.js');
  const found = context.resolveRequest(context, name, platform);
  if (found.type !== 'sourceFile') return found;
  if (leftOut.has(found.filePath)) return { type: 'empty' };
  const isWhole = found.filePath === WHOLE_REACT_NATIVE && OF_THE_ROUTER.test(context.originModulePath);
  return isWhole ? ownFile('reactNative.js') : found;
}

module.exports = { leftOut, resolveLean };
