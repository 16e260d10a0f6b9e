import type { ReactNode } from 'react';
import { type StyleProp, View, type ViewStyle } from 'react-native';
import { themed } from '../theme/Theme.tsx';
import { CORNER, SPACE } from '../theme/space.ts';

/** Raised paper with a hair line. */
export function Card({
  children,
  style,
  isFlush = false,
  isPicture = false,
  label,
}: {
  children: ReactNode;
  style?: StyleProp<ViewStyle>;
  isFlush?: boolean;
  /** Whether what is drawn in it can be saved, under its label. */
  isPicture?: boolean;
  /** A name for what stands in it, for those who go by names. */
  label?: string;
}) {
  const styles = useStyles();
  const named = label === undefined ? {} : { role: 'group' as const, 'aria-label': label };
  const saved = isPicture && label !== undefined ? { dataSet: { picture: label } } : {};
  return (
    <View {...named} {...saved} style={[styles.card, !isFlush && styles.padded, style]}>
      {children}
    </View>
  );
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
