import { type ComponentType, useEffect, useState } from 'react';
import { Pressable, View } from 'react-native';
import { themed, useIsWide, useTheme } from '../theme/Theme.tsx';
import { CORNER, SPACE, TOUCH_PX } from '../theme/space.ts';
import { ONLY_ON_SCREEN } from './onlyOnScreen.ts';
import { Words } from './Words.tsx';

/** How long the name of an icon stays after a long press. */
const TOLD_MS = 2500;

export type Icon = ComponentType<{ size?: number; color?: string; strokeWidth?: number }>;

type Props = {
  icon: Icon;
  label: string;
  onPress: () => void;
  isDisabled?: boolean;
  /** For what can be on or off: whether it is on. */
  isPressed?: boolean;
  sizePx?: number;
  /** A short name, seen beside it on a wide screen and after a long press on a phone. */
  name?: string;
  /** Tells it apart where its label changes with where it leads. */
  id?: string;
};

function setTitle(node: unknown, title: string | null): void {
  if (title === null) (node as HTMLElement).removeAttribute('title');
  else (node as HTMLElement).title = title;
}

/** An icon that does something; its label is its name. */
export function IconButton({
  icon: Shape,
  label,
  onPress,
  isDisabled = false,
  isPressed,
  sizePx = 22,
  name,
  id,
}: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const isWide = useIsWide();
  const [isTold, setIsTold] = useState(false);
  useEffect(() => {
    if (!isTold) return;
    const timer = setTimeout(() => setIsTold(false), TOLD_MS);
    return () => clearTimeout(timer);
  }, [isTold]);
  return (
    <Pressable
      {...ONLY_ON_SCREEN}
      role="button"
      nativeID={id}
      aria-label={label}
      // Its name shows when a mouse rests on it; who hears it has heard it already.
      onHoverIn={({ currentTarget }) => setTitle(currentTarget, label)}
      onHoverOut={({ currentTarget }) => setTitle(currentTarget, null)}
      aria-disabled={isDisabled}
      {...(isPressed === undefined ? {} : { 'aria-pressed': isPressed })}
      disabled={isDisabled}
      onPress={onPress}
      onLongPress={() => setIsTold(true)}
      style={({ pressed }) => [
        styles.target,
        isWide && name !== undefined && styles.named,
        (pressed || isPressed) && styles.pressed,
        isDisabled && styles.off,
      ]}
    >
      <Shape size={sizePx} color={isPressed ? colors.working : colors.quiet} strokeWidth={1.9} />
      {isWide && name !== undefined ? (
        <Words type="quiet" tone="quiet" aria-hidden>
          {name}
        </Words>
      ) : null}
      {isTold && !isWide ? (
        <View style={styles.tooltip} aria-hidden>
          <Words type="quiet" style={styles.tooltipText}>
            {name ?? label}
          </Words>
        </View>
      ) : null}
    </Pressable>
  );
}

const useStyles = themed((colors) => ({
  target: {
    width: TOUCH_PX,
    height: TOUCH_PX,
    alignItems: 'center',
    justifyContent: 'center',
    borderRadius: CORNER.pill,
  },
  named: { width: 'auto', flexDirection: 'row', gap: 6, paddingHorizontal: SPACE.s },
  tooltip: {
    position: 'absolute',
    top: TOUCH_PX,
    right: 0,
    zIndex: 10,
    paddingHorizontal: SPACE.m,
    paddingVertical: SPACE.xs,
    borderRadius: CORNER.field,
    backgroundColor: colors.ink,
  },
  tooltipText: { color: colors.paper, whiteSpace: 'nowrap' },
  pressed: { backgroundColor: colors.hole },
  off: { opacity: 0.35 },
}));
