import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { type NewerVersion, hearOfNewer, lookForNewer } from '../shared/serviceWorker.ts';
import { themed } from '../theme/Theme.tsx';
import { SPACE } from '../theme/space.ts';
import { Button } from '../ui/Button.tsx';
import { Words } from '../ui/Words.tsx';

/** Whether a newer version is there is looked at when the app comes back after so long. */
const LOOK_AFTER_MS = 3_600_000;

/** One quiet line where a newer version is on the device: taken by a tap, else with the next start. */
export function NewerSign() {
  const styles = useStyles();
  const [newer, setNewer] = useState<NewerVersion | null>(null);
  useEffect(() => hearOfNewer(setNewer), []);
  useEffect(() => {
    let lookedMs = performance.now();
    const look = (): void => {
      if (document.visibilityState !== 'visible' || performance.now() - lookedMs < LOOK_AFTER_MS) return;
      lookedMs = performance.now();
      lookForNewer();
    };
    document.addEventListener('visibilitychange', look);
    return () => document.removeEventListener('visibilitychange', look);
  }, []);
  if (newer === null) return null;
  return (
    <View role="status" style={styles.sign}>
      <Words type="quiet" tone="quiet" style={styles.words}>
        A newer version is here. It opens with the next start.
      </Words>
      <Button kind="bare" onPress={newer.take}>
        Open it now
      </Button>
    </View>
  );
}

const useStyles = themed((colors) => ({
  sign: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    paddingLeft: SPACE.l,
    backgroundColor: colors.tint,
  },
  words: { flexGrow: 1 },
}));
