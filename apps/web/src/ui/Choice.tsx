import type { ReactNode } from 'react';
import { Pressable, type StyleProp, type ViewStyle } from 'react-native';

type Props = {
  role: 'radio' | 'checkbox';
  isChosen: boolean | 'mixed';
  label: string;
  onPress: () => void;
  onLongPress?: () => void;
  style?: StyleProp<ViewStyle> | ((state: { pressed: boolean }) => StyleProp<ViewStyle>);
  testID?: string;
  /** Whether Tab comes here; of a group of which one is chosen only one is. */
  isTabStop?: boolean;
  children?: ReactNode;
};

/** Something that is chosen or not: by a tap, and by Space or Enter as a person at a keyboard expects. */
export function Choice({
  role,
  isChosen,
  label,
  onPress,
  onLongPress,
  style,
  testID,
  isTabStop = true,
  children,
}: Props) {
  const onKeyDown = (event: React.KeyboardEvent): void => {
    if (event.key !== ' ') return;
    event.preventDefault();
    onPress();
  };
  return (
    <Pressable
      role={role}
      aria-checked={isChosen}
      aria-label={label}
      onPress={onPress}
      onLongPress={onLongPress}
      testID={testID}
      tabIndex={isTabStop ? 0 : -1}
      style={style}
      onKeyDown={onKeyDown}
    >
      {children}
    </Pressable>
  );
}
