import { type DaySpan, type ReviewSpan, holdsDay } from '@wimbel/core';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Words } from '../../ui/Words.tsx';
import { SPAN_WORDS, spanTitle } from '../../text/spanText.ts';

/** A span by its name as the head of a page, with the ways to the ones beside it. */
export function SpanHead({
  kind,
  span,
  onBeside,
  onNow,
  children,
}: {
  kind: ReviewSpan;
  span: DaySpan;
  onBeside: (by: -1 | 1) => void;
  onNow: () => void;
  children?: ReactNode;
}) {
  const today = useAppSelector(selectToday);
  const words = kind === 'days' ? 'stretch' : SPAN_WORDS[kind].toLowerCase();
  const hasOthers = kind !== 'all';
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: SPACE.xs,
        flexWrap: 'wrap',
        marginLeft: hasOthers ? -SPACE.m : 0,
      }}
    >
      {hasOthers ? <IconButton icon={ChevronLeft} label={`The ${words} before`} onPress={() => onBeside(-1)} /> : null}
      <Words type="title" heading={1} style={{ flexShrink: 1 }}>
        {spanTitle(kind, span, today)}
      </Words>
      {hasOthers ? (
        <IconButton
          icon={ChevronRight}
          label={`The ${words} after`}
          onPress={() => onBeside(1)}
          isDisabled={span.last >= today}
        />
      ) : null}
      <View
        style={{
          flexDirection: 'row',
          flexWrap: 'wrap',
          alignItems: 'center',
          flexGrow: 1,
          flexShrink: 1,
          minWidth: 0,
          maxWidth: '100%',
          paddingLeft: hasOthers ? SPACE.m : 0,
        }}
      >
        {holdsDay(span, today) || kind === 'days' ? null : <Button onPress={onNow}>{`This ${words}`}</Button>}
        {children}
      </View>
    </View>
  );
}
