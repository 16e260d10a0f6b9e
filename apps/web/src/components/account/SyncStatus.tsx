import CloudOff from 'lucide-react-native/icons/cloud-off';
import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { View } from 'react-native';
import { counted } from '../../text/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { CORNER, SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Words } from '../../ui/Words.tsx';
import type { Refusal } from '@wimbel/sync';
import { useAppSelector } from '../../store/store.ts';
import { onBlocked, isHeldUp } from '../../sync/deviceDatabase.ts';
import { changeName, issueWords } from '../../text/issueText.ts';
import { lazySheet } from '../page/lazySheet.tsx';

const MendSheet = lazySheet('RefusedChangeSheet');

/** A change that is on its way for less than this is not worth a word. */
const CALM_MS = 1500;

/** Whether an older version of the app in another tab keeps this one from what the device holds. */
export const useIsHeldUp = (): boolean => useSyncExternalStore(onBlocked, isHeldUp, () => false);

/** What to do about {@link useIsHeldUp}. */
export const HELD_UP_WORDS =
  'An older version of Wimbel is open in another tab. Close that tab, and this one goes on by itself.';

/** A small, calm sign of what is still waiting, and plain words for what the server would not take. */
export function SyncStatus() {
  const styles = useStyles();
  const { colors } = useTheme();
  const waiting = useAppSelector((state) => state.outbox.waiting.count);
  const isReachable = useAppSelector((state) => state.outbox.isReachable);
  const isKept = useAppSelector((state) => state.outbox.isKept);
  const heldUp = useIsHeldUp();
  const refusals = useAppSelector((state) => state.outbox.refused);
  const [isLong, setIsLong] = useState(false);
  const isWaiting = waiting > 0;
  useEffect(() => {
    if (!isWaiting) return;
    const timer = setTimeout(() => setIsLong(true), CALM_MS);
    return () => {
      clearTimeout(timer);
      setIsLong(false);
    };
  }, [isWaiting]);
  const [refusal] = refusals;
  return (
    <>
      <View role="status" aria-live="polite">
        {heldUp ? (
          <View style={styles.sign}>
            <TriangleAlert size={15} color={colors.madder} />
            <Words type="quiet" tone="madder" style={styles.words}>
              {HELD_UP_WORDS}
            </Words>
          </View>
        ) : isWaiting && !isKept && (isLong || !isReachable) ? (
          <View style={styles.sign}>
            <TriangleAlert size={15} color={colors.madder} />
            <Words type="quiet" tone="madder">
              {`${counted(waiting, 'change')} not saved yet, and this browser keeps nothing: leave this page open until it is`}
            </Words>
          </View>
        ) : isWaiting && (isLong || !isReachable) ? (
          <View style={styles.sign}>
            <CloudOff size={15} color={colors.quiet} />
            <Words type="quiet" tone="quiet">
              {isReachable
                ? `Saving ${counted(waiting, 'change')}`
                : `Offline: ${counted(waiting, 'change')} waiting to sync`}
            </Words>
          </View>
        ) : null}
      </View>
      {refusal ? <RefusalSign refusal={refusal} count={refusals.length} /> : null}
    </>
  );
}

/** A change that the server would not take, what was wrong with it, and the way to mend it. */
function RefusalSign({ refusal, count }: { refusal: Refusal; count: number }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const records = useAppSelector((state) => state.records);
  const [isMending, setIsMending] = useState(false);
  return (
    <>
      <View style={styles.refusal} role="alert">
        <TriangleAlert size={18} color={colors.madder} />
        <View style={styles.words}>
          <Words type="strong">
            {count === 1 ? 'One change could not be saved' : `${counted(count, 'change')} could not be saved`}
          </Words>
          <Words type="quiet" tone="quiet">
            {changeName(records, refusal.change)}: {refusal.issues.map(issueWords).join('; ')}. It is kept on this
            device; everything else is saved.
          </Words>
        </View>
        <Button kind="bare" onPress={() => setIsMending(true)}>
          Fix it
        </Button>
      </View>
      {isMending ? <MendSheet key={refusal.change.id} refusal={refusal} onClose={() => setIsMending(false)} /> : null}
    </>
  );
}

const useStyles = themed((colors) => ({
  sign: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    paddingHorizontal: SPACE.l,
    paddingVertical: SPACE.s,
    backgroundColor: colors.tint,
  },
  refusal: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.m,
    margin: SPACE.s,
    padding: SPACE.m,
    borderRadius: CORNER.field,
    borderWidth: 1,
    borderColor: colors.madder,
    backgroundColor: colors.raised,
  },
  words: { flex: 1, gap: 2 },
}));
