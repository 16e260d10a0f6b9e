import { createContext, type ReactNode, useCallback, useContext, useEffect, useState } from 'react';
import { Pressable, View } from 'react-native';
import { themed, useIsWide } from '../theme/Theme.tsx';
import { CORNER, SPACE, TOUCH_PX } from '../theme/space.ts';
import { Words } from './Words.tsx';

type Toast = { text: string; onUndo?: () => void };

const STAYS_MS = 6000;
/** Two things may come of one tap, each with something to say. */
const MOST_SHOWN = 2;

const ToastContext = createContext<(toast: Toast) => void>(() => {});

/** Says what was done, for a little while, with a way to take it back. */
export const useToast = () => useContext(ToastContext);

type Shown = Toast & { id: number };

export function ToastProvider({ children }: { children: ReactNode }) {
  const styles = useStyles();
  const isWide = useIsWide();
  const [shown, setShown] = useState<readonly Shown[]>([]);
  const show = useCallback((toast: Toast): void => {
    setShown((before) => [...before, { ...toast, id: (before.at(-1)?.id ?? 0) + 1 }].slice(-MOST_SHOWN));
  }, []);
  const drop = useCallback((toast: Shown): void => setShown((before) => before.filter((each) => each !== toast)), []);
  return (
    <ToastContext.Provider value={show}>
      {children}
      <View
        style={[styles.place, isWide && styles.placeWide]}
        pointerEvents="box-none"
        role="status"
        aria-live="polite"
      >
        {shown.map((toast) => (
          <ShownToast key={toast.id} toast={toast} onOver={drop} />
        ))}
      </View>
    </ToastContext.Provider>
  );
}

function ShownToast({ toast, onOver }: { toast: Shown; onOver: (toast: Shown) => void }) {
  const styles = useStyles();
  useEffect(() => {
    const timer = setTimeout(() => onOver(toast), STAYS_MS);
    return () => clearTimeout(timer);
  }, [toast, onOver]);
  return (
    <View style={styles.toast}>
      <Words tone="onWorking" style={styles.text} numberOfLines={2}>
        {toast.text}
      </Words>
      {toast.onUndo ? (
        <Pressable
          role="button"
          onPress={() => {
            toast.onUndo?.();
            onOver(toast);
          }}
          style={styles.undo}
        >
          <Words type="strong" style={styles.undoText}>
            Undo
          </Words>
        </Pressable>
      ) : null}
    </View>
  );
}

const useStyles = themed((colors) => ({
  place: { position: 'absolute', left: SPACE.l, right: SPACE.l, bottom: 84, alignItems: 'center', gap: SPACE.s },
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
  text: { color: colors.paper, flexShrink: 1, paddingVertical: SPACE.s, paddingRight: SPACE.m },
  undo: { minHeight: TOUCH_PX, justifyContent: 'center', paddingHorizontal: SPACE.l },
  undoText: { color: colors.hole, textDecorationLine: 'underline' },
}));
