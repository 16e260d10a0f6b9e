import { type ComponentType, createElement, useEffect, useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';
import { NO_CONNECTION } from '../../text/offlineText.ts';
import { type LazyChunk, loadChunk, loadedChunk } from './lazyChunk.ts';

type SheetName = Extract<keyof LazyChunk, `${string}Sheet`>;
type PropsOf<Name extends SheetName> = Parameters<LazyChunk[Name]>[0];

/** A sheet of the lazy chunk, which is loaded after the first screen or when the sheet opens. A failed load says so in its place. */
export function lazySheet<Name extends SheetName>(name: Name): ComponentType<PropsOf<Name> & { onClose: () => void }> {
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
