import { useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { SPACE } from '../theme/space.ts';
import { IconButton } from './IconButton.tsx';
import { Words } from './Words.tsx';

/** A page's title with the way back, and what can be done with the page. `backTo` is where a fresh visit goes back to. */
export function PageHead({ title, backTo, children }: { title: string; backTo: string; children?: ReactNode }) {
  const router = useRouter();
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.xs, marginLeft: -SPACE.m }}>
      <IconButton
        icon={ArrowLeft}
        label="Back"
        onPress={() => (router.canGoBack() ? router.back() : router.replace(backTo))}
      />
      <Words type="title" heading={1} style={{ flexGrow: 1, flexShrink: 1, minWidth: 120 }}>
        {title}
      </Words>
      {children ? (
        <View style={{ flexDirection: 'row', alignItems: 'center', marginLeft: SPACE.m }}>{children}</View>
      ) : null}
    </View>
  );
}
