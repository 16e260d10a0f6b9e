import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { themed, useIsWide } from '../theme/Theme.tsx';
import { CORNER, SPACE, TOUCH_PX } from '../theme/space.ts';
import { Words } from './Words.tsx';

type Toast = {
  text: string;
  onUndo?: () => void;
  /** Further actions. */
  action?: { label: string; onPress: () => void };
  /** Comes of what another toast tells, if one is shown: stands below its words. */
  isAside?: boolean;
};

const STAYS_MS = 6000;

const ToastContext = createContext<(toast: Toast) => void>(() => {});

/** Says what was done, for a little while, with a way to take it back. */
export const useToast = () => useContext(ToastContext);

export function ToastProvider({ children }: { children: ReactNode }) {
  const styles = useStyles();
  const isWide = useIsWide();
  const [shown, setShown] = useState<(Toast & { aside?: string; at: number }) | null>(null);
  const show = useCallback((toast: Toast) => {
    setShown((before) =>
      toast.isAside && before !== null ? { ...before, aside: toast.text } : { ...toast, at: (before?.at ?? 0) + 1 },
    );
  }, []);
  useEffect(() => {
    if (shown === null) return;
    const timer = setTimeout(() => setShown(null), STAYS_MS);
    return () => clearTimeout(timer);
  }, [shown]);
  const undo = useMemo(
    () => () => {
      shown?.onUndo?.();
      setShown(null);
    },
    [shown],
  );
  const act = (): void => {
    shown?.action?.onPress();
    setShown(null);
  };
  return (
    <ToastContext.Provider value={show}>
      {children}
      <View
        style={[styles.place, isWide && styles.placeWide]}
        pointerEvents="box-none"
        role="status"
        aria-live="polite"
      >
        {shown ? (
          <View style={styles.toast}>
            <View style={styles.words}>
              <Words tone="onWorking" style={styles.text} numberOfLines={2}>
                {shown.text}
              </Words>
              {shown.aside ? (
                <Words type="quiet" tone="onWorking" style={styles.text} numberOfLines={2}>
                  {shown.aside}
                </Words>
              ) : null}
            </View>
            {shown.action ? (
              <Pressable role="button" onPress={act} style={styles.undo}>
                <Words type="strong" style={styles.undoText}>
                  {shown.action.label}
                </Words>
              </Pressable>
            ) : null}
            {shown.onUndo ? (
              <Pressable role="button" onPress={undo} style={styles.undo}>
                <Words type="strong" style={styles.undoText}>
                  Undo
                </Words>
              </Pressable>
            ) : null}
          </View>
        ) : null}
      </View>
    </ToastContext.Provider>
  );
}

const useStyles = themed((colors) => ({
  place: { position: 'absolute', left: SPACE.l, right: SPACE.l, bottom: 84, alignItems: 'center' },
  placeWide: { bottom: SPACE.xl, left: 200 },
  toast: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    paddingLeft: SPACE.l,
    maxWidth: 480,
    minHeight: TOUCH_PX + 4,
    borderRadius: CORNER.field,
    backgroundColor: colors.ink,
  },
  words: { flexShrink: 1, paddingVertical: SPACE.s, paddingRight: SPACE.m },
  text: { color: colors.paper },
  undo: { minHeight: TOUCH_PX, justifyContent: 'center', paddingHorizontal: SPACE.l },
  undoText: { color: colors.hole, textDecorationLine: 'underline' },
}));
