import { useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { IconButton } from '../../ui/IconButton.tsx';
import { PegPicture } from '../../ui/Peg.tsx';

/** How far one is through some pages, the way back, and another way out. */
export function GuidedBar({
  at,
  pages,
  backTo,
  children,
}: {
  at: number;
  pages: number;
  /** Fallback of "back" on a first visit. */
  backTo: string;
  children?: ReactNode;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  return (
    <View style={styles.bar}>
      <IconButton
        icon={ArrowLeft}
        label="Back"
        onPress={() => (router.canGoBack() ? router.back() : router.replace(backTo))}
      />
      <View style={styles.pegs} role="img" aria-label={`Page ${at + 1} of ${pages}`}>
        {Array.from({ length: pages }, (_, index) => (
          <PegPicture
            key={index}
            state={index < at ? 'done' : index === at ? 'part' : 'blank'}
            sizePx={15}
            color={colors.working}
            ratio={0.5}
          />
        ))}
      </View>
      {children}
    </View>
  );
}

const useStyles = themed(() => ({
  bar: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, marginHorizontal: -SPACE.m, maxWidth: 664 },
  pegs: { flex: 1, flexDirection: 'row', gap: 5 },
}));
