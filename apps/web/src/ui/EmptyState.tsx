import type { ReactNode } from 'react';
import { View } from 'react-native';
import { themed, useTheme } from '../theme/Theme.tsx';
import { SPACE } from '../theme/space.ts';
import { PegPicture } from './Peg.tsx';
import { Words } from './Words.tsx';

/** Empty state of a place, with its action. */
export function EmptyState({ title, text, children }: { title: string; text: string; children?: ReactNode }) {
  const styles = useStyles();
  const { colors } = useTheme();
  return (
    <View style={styles.box}>
      <View style={styles.pegs}>
        <PegPicture state="blank" sizePx={28} color={colors.working} />
        <PegPicture state="done" sizePx={28} color={colors.working} />
        <PegPicture state="blank" sizePx={28} color={colors.working} />
      </View>
      <Words type="section" heading={2} style={styles.centred}>
        {title}
      </Words>
      <Words tone="quiet" style={styles.centred}>
        {text}
      </Words>
      {children}
    </View>
  );
}

const useStyles = themed(() => ({
  box: { alignItems: 'center', gap: SPACE.m, paddingVertical: SPACE.xxl * 2, paddingHorizontal: SPACE.xl },
  pegs: { flexDirection: 'row', gap: SPACE.s },
  centred: { textAlign: 'center', maxWidth: 360 },
}));
