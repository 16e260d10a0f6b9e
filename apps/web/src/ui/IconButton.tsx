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
  /** Tells it apart where its label changes with where it leads. */
  id?: string;
};

function setTitle(node: unknown, title: string | null): void {
  if (title === null) (node as HTMLElement).removeAttribute('title');
  else (node as HTMLElement).title = title;
}

/** An icon that does something; its label is its name. */
export function IconButton({ icon: Shape, label, onPress, isDisabled = false, isPressed, sizePx = 22, id }: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  return (
    <Pressable
      role="button"
      nativeID={id}
      aria-label={label}
      // Its name shows when a mouse rests on it; who hears it has heard it already.
      onHoverIn={({ currentTarget }) => setTitle(currentTarget, label)}
      onHoverOut={({ currentTarget }) => setTitle(currentTarget, null)}
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
