import type { ReactNode } from 'react';
import { View } from 'react-native';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Words } from '../../ui/Words.tsx';

/** The body of one of some pages that ask a question each: the question, what a good answer is, the fields, the ways on. */
export function GuidedPageBody({
  title,
  good,
  isBroad = false,
  children,
}: {
  title: string;
  good: string;
  isBroad?: boolean;
  children: ReactNode;
}) {
  return (
    <View style={{ gap: SPACE.xl, maxWidth: isBroad ? 860 : 640, width: '100%' }}>
      <View style={{ gap: SPACE.s }}>
        <Words type="title" heading={1}>
          {title}
        </Words>
        <Words tone="quiet">{good}</Words>
      </View>
      {children}
    </View>
  );
}

/** The ways on from such a page. */
export function GuidedButtons({
  finish,
  onNext,
  onLook,
  onStartOver,
}: {
  /** What the last page ends with; null on the others. */
  finish: { label: string; onPress: () => void } | null;
  onNext: () => void;
  /** Skips to the last page; null where that cannot be yet. */
  onLook: (() => void) | null;
  /** Null where there is nothing to start over from. */
  onStartOver: (() => void) | null;
}) {
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
      <Button kind="main" onPress={finish?.onPress ?? onNext}>
        {finish?.label ?? 'Next'}
      </Button>
      {onLook === null || finish !== null ? null : (
        <Button kind="bare" onPress={onLook}>
          Enough, look it over
        </Button>
      )}
      {onStartOver === null ? null : (
        <Button kind="bare" onPress={onStartOver}>
          Start over
        </Button>
      )}
    </View>
  );
}
