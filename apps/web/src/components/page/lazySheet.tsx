import { type ComponentType, useEffect, useState } from 'react';
import { yieldToMain } from '../../platform/yieldToMain.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';
import { NO_CONNECTION } from '../../text/offlineText.ts';

/** Modules preloaded once the first screen stands. */
const ahead: (() => Promise<void>)[] = [];

/**
 * Brings what the first screen did without, one after the other, so that the page never stands still for all of it; what
 * fails is brought when it is asked for.
 */
export async function preloadSheets(): Promise<void> {
  for (const bring of ahead.splice(0)) {
    await bring().catch(() => undefined);
    await yieldToMain();
  }
}

/**
 * A sheet that is not brought with the first screen, but right after it or when it is first opened. Where it cannot be had, that
 * is said, and the next opening tries again.
 */
export function lazySheet<P extends object>(
  load: () => Promise<ComponentType<P>>,
): ComponentType<P & { onClose: () => void }> {
  let Brought: ComponentType<P> | null = null;
  let bringing: Promise<void> | null = null;
  const bring = (): Promise<void> =>
    (bringing ??= load().then(
      (component) => void (Brought = component),
      (error: unknown) => {
        bringing = null;
        throw error;
      },
    ));
  ahead.push(bring);
  return function Later(props: P & { onClose: () => void }) {
    const [, setIsBrought] = useState(false);
    const [isMissing, setIsMissing] = useState(false);
    useEffect(() => {
      if (Brought !== null) return;
      let isHere = true;
      bring().then(
        () => isHere && setIsBrought(true),
        () => isHere && setIsMissing(true),
      );
      return () => void (isHere = false);
    }, []);
    if (Brought !== null) return <Brought {...props} />;
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
