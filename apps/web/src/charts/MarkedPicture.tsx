import type { ReactNode } from 'react';
import { View } from 'react-native';
import Svg from 'react-native-svg';
import { type MarkAt, type MarkBy, markAfterKey, nearestMark } from './marks.ts';
import type { MarkChoice } from './useMarks.ts';

type Props = {
  /** The picture in one sentence. */
  label: string;
  widthPx: number;
  heightPx: number;
  /** In the order that the keyboard goes through them. */
  marks: readonly MarkAt[];
  choice: MarkChoice;
  by?: MarkBy;
  /** How far from a mark the pointer may be, of both lengths. */
  reachPx?: number;
  /** How many marks up and down go by; without it, to the row beside. */
  rowStep?: number;
  /** The mark that the keyboard begins at; without it the last. */
  start?: number;
  /** The mark shown while none is chosen: the keyboard continues from it. */
  told?: number;
  testID?: string;
  children: ReactNode;
};

/** A drawing whose marks can be named: by the pointer over them, by a tap, and by the arrow keys. */
export function MarkedPicture({
  label,
  widthPx,
  heightPx,
  marks,
  choice,
  by = 'x',
  reachPx,
  rowStep,
  start,
  told,
  testID,
  children,
}: Props) {
  const markUnder = (event: React.MouseEvent): number | null => {
    const box = event.currentTarget.getBoundingClientRect();
    return nearestMark(marks, { x: event.clientX - box.left, y: event.clientY - box.top }, by, reachPx);
  };
  const begin = (): number | null => marks.find(({ key }) => key === (told ?? start))?.key ?? marks.at(-1)?.key ?? null;
  const here = (): number | null => (marks.some(({ key }) => key === choice.chosen) ? choice.chosen : null);
  const handlers = {
    onClick: (event: React.MouseEvent) => {
      const key = markUnder(event);
      if (key !== null) choice.choose(key);
    },
    onPointerMove: (event: React.PointerEvent) => {
      // A finger that scrolls points at nothing.
      if (event.pointerType === 'mouse') choice.hover(markUnder(event));
    },
    onPointerLeave: () => choice.hover(null),
    onFocus: (event: React.FocusEvent<HTMLElement>) => {
      if (here() === null && event.currentTarget.matches(':focus-visible')) choice.choose(begin());
    },
    onKeyDown: (event: React.KeyboardEvent) => {
      if (event.altKey || event.ctrlKey || event.metaKey) return;
      if (event.key === 'Escape' && choice.chosen !== null) {
        choice.choose(null);
        return;
      }
      const at = here();
      const isEnd = event.key === 'Home' || event.key === 'End';
      const from = at ?? (told !== undefined ? begin() : isEnd ? (marks[0]?.key ?? null) : null);
      const next = from === null ? null : markAfterKey(marks, from, event.key, rowStep);
      const isFirst = from === null && /^(Arrow|Page)/.test(event.key);
      if (next === null && !isFirst) return;
      event.preventDefault();
      // The keyboard goes before a mouse that only lies there.
      choice.hover(null);
      choice.choose(next ?? begin());
    },
  } as object;
  return (
    <View
      {...handlers}
      role="img"
      aria-label={label}
      tabIndex={0}
      testID={testID}
      style={{ width: widthPx, height: heightPx, cursor: 'pointer' }}
    >
      <Svg width={widthPx} height={heightPx} aria-hidden>
        {children}
      </Svg>
    </View>
  );
}
