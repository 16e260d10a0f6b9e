import type { ComponentType } from 'react';
import { Pressable } from 'react-native';
import { themed, useTheme } from '../theme/Theme.tsx';
import { CORNER, TOUCH_PX } from '../theme/space.ts';

export type Icon = ComponentType<{ size?: number; color?: string; strokeWidth?: number }>;

type Props = {
  icon: Icon;
  label: string;
  onPress: () => void;
  isDisabled?: boolean;
  /** For what can be on or off: whether it is on. */
  isPressed?: boolean;
  sizePx?: number;
};

/** An icon that does something; its label is its name. */
export function IconButton({ icon: Shape, label, onPress, isDisabled = false, isPressed, sizePx = 22 }: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  return (
    <Pressable
      role="button"
      aria-label={label}
      ref={(node) => {
        // Its name shows when a mouse rests on it.
        (node as unknown as HTMLElement | null)?.setAttribute?.('title', label);
      }}
      aria-disabled={isDisabled}
      {...(isPressed === undefined ? {} : ({ 'aria-pressed': isPressed } as object))}
      disabled={isDisabled}
      onPress={onPress}
      style={({ pressed }) => [styles.target, (pressed || isPressed) && styles.pressed, isDisabled && styles.off]}
    >
      <Shape size={sizePx} color={isPressed ? colors.working : colors.quiet} strokeWidth={1.9} />
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
  pressed: { backgroundColor: colors.hole },
  off: { opacity: 0.35 },
}));
