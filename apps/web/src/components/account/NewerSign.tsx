import { useEffect, useState } from 'react';
import { type NewVersion, onNewVersion, checkForUpdate } from '../../platform/serviceWorker.ts';
import { Button } from '../../ui/Button.tsx';
import { SignBar } from '../../ui/SignBar.tsx';

/** Whether a newer version is there is looked at when the app comes back after so long. */
const LOOK_AFTER_MS = 3_600_000;

/** One quiet line where a newer version is on the device: taken by a tap, else with the next start. */
export function NewerSign() {
  const [newer, setNewer] = useState<NewVersion | null>(null);
  useEffect(() => onNewVersion(setNewer), []);
  useEffect(() => {
    let lookedMs = performance.now();
    const look = (): void => {
      if (document.visibilityState !== 'visible' || performance.now() - lookedMs < LOOK_AFTER_MS) return;
      lookedMs = performance.now();
      checkForUpdate();
    };
    document.addEventListener('visibilitychange', look);
    return () => document.removeEventListener('visibilitychange', look);
  }, []);
  if (newer === null) return null;
  return (
    <SignBar role="status" text="A newer version is here. It opens with the next start.">
      <Button kind="bare" onPress={newer.take}>
        Open it now
      </Button>
    </SignBar>
  );
}
