import { type ComponentType, createElement, use } from 'react';
import { type LazyChunk, loadedChunk, loadedOrFailed } from '../components/page/lazyChunk.ts';
import type * as screens from './screens.ts';

type Screens = typeof screens;

declare module '../components/page/lazyChunk.ts' {
  // eslint-disable-next-line @typescript-eslint/no-empty-object-type
  interface LazyChunk extends Screens {}
}

type ScreenName = Extract<keyof LazyChunk, `${string}Screen`>;

/** A screen of the lazy chunk: drawn in the same turn where the chunk is loaded, else suspends until it is. */
export function lazyScreen<Name extends ScreenName>(name: Name): LazyChunk[Name] {
  const LazyScreen = (props: object) =>
    createElement((loadedChunk() ?? use(loadedOrFailed()))[name] as ComponentType<object>, props);
  LazyScreen.displayName = name;
  return LazyScreen as unknown as LazyChunk[Name];
}
