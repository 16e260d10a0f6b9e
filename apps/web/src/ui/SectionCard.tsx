import type { ReactNode } from 'react';
import { View } from 'react-native';
import { SPACE } from '../theme/space.ts';
import { Card } from './Card.tsx';
import { Words } from './Words.tsx';

/** A card under its title, with what can be done beside the title. */
export function SectionCard({
  title,
  aside,
  isFlush = false,
  children,
}: {
  title: string;
  aside?: ReactNode;
  isFlush?: boolean;
  children: ReactNode;
}) {
  return (
    <View style={{ gap: SPACE.s }}>
      <View
        style={{
          flexDirection: 'row',
          flexWrap: 'wrap',
          alignItems: 'center',
          justifyContent: 'space-between',
          // Buttons are taller than the words: they must not push the card away.
          marginVertical: aside ? -10 : 0,
          paddingLeft: SPACE.xs,
          columnGap: SPACE.m,
        }}
      >
        <Words type="label" tone="quiet" heading={2}>
          {title}
        </Words>
        {aside}
      </View>
      <Card isFlush={isFlush} label={title} style={isFlush ? undefined : { gap: SPACE.m }}>
        {children}
      </Card>
    </View>
  );
}
