import { ExpoRoot } from 'expo-router';
import { startTransition } from 'react';
import { AppRegistry } from 'react-native';
import { setLazyChunk } from '../components/page/lazyChunk.ts';

setLazyChunk(() => import('./screens.ts'));

/** Every route, by its file. */
const routes = require.context('../../app', true, /\.tsx$/);

const App = () => <ExpoRoot context={routes} />;

AppRegistry.registerComponent('main', () => App);
// As a transition, the first render is sliced.
startTransition(() => AppRegistry.runApplication('main', { rootTag: document.getElementById('root') }));
