import type { ReactNode } from 'react';
import { View } from 'react-native';
import { SPACE } from '../theme/space.ts';
import { Words } from './Words.tsx';

/** A card's title, and beside it a few words or buttons. */
export function CardHead({ title, aside }: { title: string; aside?: ReactNode }) {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', gap: SPACE.s }}>
      <Words type="card" heading={2} style={{ flex: 1 }}>
        {title}
      </Words>
      {typeof aside === 'string' ? (
        <Words type="quiet" tone="quiet">
          {aside}
        </Words>
      ) : aside === undefined || aside === null ? null : (
        // Buttons are taller than the title: they must not push the card apart.
        <View style={{ marginVertical: -10, marginRight: -SPACE.s }}>{aside}</View>
      )}
    </View>
  );
}
