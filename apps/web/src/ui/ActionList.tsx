import { Pressable, View } from 'react-native';
import { themed, useTheme } from '../theme/Theme.tsx';
import { SPACE } from '../theme/space.ts';
import type { Icon } from './IconButton.tsx';
import { Words } from './Words.tsx';

export type Action = { label: string; hint?: string; icon: Icon; onPress: () => void };

/** Things that can be done, one below the other, each with a line on what comes of it. */
export function ActionList({ actions }: { actions: readonly Action[] }) {
  const styles = useStyles();
  const { colors } = useTheme();
  return (
    <View>
      {actions.map(({ label, hint, icon: Shape, onPress }, index) => (
        <Pressable
          key={label}
          role="button"
          aria-label={label}
          onPress={onPress}
          style={({ pressed }) => [styles.action, index > 0 && styles.parted, pressed && styles.pressed]}
        >
          <Shape size={20} color={colors.quiet} strokeWidth={1.9} />
          <View style={styles.words}>
            <Words type="name">{label}</Words>
            {hint ? (
              <Words type="quiet" tone="quiet">
                {hint}
              </Words>
            ) : null}
          </View>
        </Pressable>
      ))}
    </View>
  );
}

const useStyles = themed((colors) => ({
  action: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m, minHeight: 56, paddingVertical: SPACE.s },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  pressed: { opacity: 0.6 },
  words: { flex: 1, minWidth: 0 },
}));
