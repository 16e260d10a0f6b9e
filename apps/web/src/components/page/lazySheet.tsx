import { type ComponentType, createElement, useEffect, useState } from 'react';
import { yieldToMain } from '../../platform/yieldToMain.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';
import { NO_CONNECTION } from '../../text/offlineText.ts';
import { type LazyChunk, loadChunk, loadedChunk } from './lazyChunk.ts';

type SheetName = Extract<keyof LazyChunk, `${string}Sheet`>;
type PropsOf<Name extends SheetName> = Parameters<LazyChunk[Name]>[0];

/** The sheets made so far, to preload. */
const names = new Set<SheetName>();

/** Preloads the sheets once the first screen stands: loads the lazy chunk and evaluates one sheet's modules per task. */
export async function preloadSheets(): Promise<void> {
  const chunk = await loadChunk().catch(() => null);
  if (chunk === null) return;
  for (const name of names) {
    await yieldToMain();
    // Modules are evaluated when an export is first read.
    void chunk[name];
  }
}

/** A sheet of the lazy chunk, which is loaded after the first screen or when the sheet opens. A failed load says so in its place. */
export function lazySheet<Name extends SheetName>(name: Name): ComponentType<PropsOf<Name> & { onClose: () => void }> {
  names.add(name);
  return function LazySheet(props: PropsOf<Name> & { onClose: () => void }) {
    const [chunk, setChunk] = useState(loadedChunk);
    const [isMissing, setIsMissing] = useState(false);
    useEffect(() => {
      if (chunk !== null) return;
      let isMounted = true;
      loadChunk().then(
        (loaded) => isMounted && setChunk(loaded),
        () => isMounted && setIsMissing(true),
      );
      return () => void (isMounted = false);
    }, [chunk]);
    if (chunk !== null) return createElement(chunk[name] as ComponentType<object>, props);
    if (!isMissing) return null;
    return (
      <Sheet title="This could not be fetched" onClose={props.onClose}>
        <Words>{`${NO_CONNECTION}. Open this again once you are online.`}</Words>
        <Button kind="main" onPress={props.onClose}>
          Close
        </Button>
      </Sheet>
    );
  };
}
