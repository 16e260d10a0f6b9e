import type { ReactNode } from 'react';
import { View } from 'react-native';
import { SPACE } from '../theme/space.ts';
import { Words } from './Words.tsx';

/** Buttons are taller than the title: they must not push the card apart. */
const BUTTONS = { marginVertical: -10, marginRight: -SPACE.s } as const;

type Props = {
  title: string;
  aside?: ReactNode;
  /** The aside reads as words, not as buttons. */
  isAsideWords?: boolean;
  /** Stands at the very end of the title's line. */
  more?: ReactNode;
  /** On narrow screens the content beside the title goes below it. */
  isNarrow?: boolean;
};

/** A card's title, and beside it a few words or buttons. */
export function CardHead({ title, aside, isAsideWords = false, more, isNarrow = false }: Props) {
  const isWords = typeof aside === 'string';
  const beside =
    aside === undefined || aside === null || aside === '' ? null : isAsideWords ? (
      <View style={{ flexShrink: 1 }}>{aside}</View>
    ) : isWords ? (
      <Words type="quiet" tone="quiet" style={{ flexShrink: 1, textAlign: isNarrow ? 'left' : 'right' }}>
        {aside}
      </Words>
    ) : (
      <View style={isNarrow ? { marginVertical: -6, marginLeft: -SPACE.m } : BUTTONS}>{aside}</View>
    );
  return (
    <View style={isNarrow ? { gap: SPACE.xs } : null}>
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', gap: SPACE.s }}>
        <Words type="card" heading={2} style={{ flex: 1 }}>
          {title}
        </Words>
        {isNarrow ? null : beside}
        {more === undefined ? null : <View style={BUTTONS}>{more}</View>}
      </View>
      {isNarrow && beside !== null ? <View style={{ flexDirection: 'row' }}>{beside}</View> : null}
    </View>
  );
}
