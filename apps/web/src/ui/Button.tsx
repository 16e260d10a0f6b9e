import type { ReactNode } from 'react';
import { ActivityIndicator, Pressable, type StyleProp, type ViewStyle } from 'react-native';
import { themed, useTheme } from '../theme/Theme.tsx';
import { CORNER, SPACE, TOUCH_PX } from '../theme/space.ts';
import { ONLY_ON_SCREEN } from './onlyOnScreen.ts';
import { Words } from './Words.tsx';

type Props = {
  children: string;
  onPress: () => void;
  /** `main` once on a screen; `plain` beside it; `bare` for what is seldom needed. */
  kind?: 'main' | 'plain' | 'bare';
  icon?: ReactNode;
  isBusy?: boolean;
  isDisabled?: boolean;
  label?: string;
  style?: StyleProp<ViewStyle>;
};

export function Button({
  children,
  onPress,
  kind = 'plain',
  icon,
  isBusy = false,
  isDisabled = false,
  label,
  style,
}: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const off = isBusy || isDisabled;
  return (
    <Pressable
      {...ONLY_ON_SCREEN}
      role="button"
      aria-label={label ?? children}
      aria-busy={isBusy}
      aria-disabled={off}
      disabled={off}
      onPress={onPress}
      style={({ pressed }) => [styles.base, styles[kind], (pressed || isDisabled) && styles.dim, style]}
    >
      {isBusy ? <ActivityIndicator size="small" color={kind === 'main' ? colors.onWorking : colors.working} /> : icon}
      <Words
        type="strong"
        tone={kind === 'main' ? 'onWorking' : kind === 'bare' ? 'working' : 'ink'}
        style={styles.words}
      >
        {children}
      </Words>
    </Pressable>
  );
}

const useStyles = themed((colors) => ({
  base: {
    minHeight: TOUCH_PX,
    paddingHorizontal: SPACE.l,
    borderRadius: CORNER.pill,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'center',
    gap: SPACE.s,
  },
  main: { backgroundColor: colors.working },
  plain: { backgroundColor: colors.raised, borderWidth: 1, borderColor: colors.line },
  bare: { paddingHorizontal: SPACE.s, maxWidth: '100%' },
  words: { flexShrink: 1 },
  dim: { opacity: 0.65 },
}));
