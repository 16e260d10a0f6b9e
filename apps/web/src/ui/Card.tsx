import type { ReactNode } from 'react';
import { type StyleProp, View, type ViewStyle } from 'react-native';
import { themed } from '../theme/Theme.tsx';
import { CORNER, SPACE } from '../theme/space.ts';

/** Raised paper with a hair line. */
export function Card({
  children,
  style,
  isFlush = false,
}: {
  children: ReactNode;
  style?: StyleProp<ViewStyle>;
  isFlush?: boolean;
}) {
  const styles = useStyles();
  return <View style={[styles.card, !isFlush && styles.padded, style]}>{children}</View>;
}

const useStyles = themed((colors) => ({
  card: {
    backgroundColor: colors.raised,
    borderRadius: CORNER.card,
    borderWidth: 1,
    borderColor: colors.line,
    overflow: 'hidden',
  },
  padded: { padding: SPACE.l },
}));
