import { type ComponentProps, type ReactNode, useContext } from 'react';
import { Pressable, type StyleProp, type ViewStyle } from 'react-native';
import type { FigureQuery } from '../../text/figureQuery.ts';
import { themed } from '../../theme/Theme.tsx';
import { useExplainFigure } from './FigureHost.tsx';
import { IsPrinted } from './printed.ts';
import { Words } from '../../ui/Words.tsx';
import { FIT_CONTENT } from '../../theme/webStyle.ts';

type Props = {
  /** Its figure. */
  asked: FigureQuery;
  /** The figure as it is read aloud, with its numbers: "147 of 198 asked so far, 74 %". */
  label: string;
  children: ReactNode;
  style?: StyleProp<ViewStyle>;
  /** For dense grids, where the dots below would be too much. */
  isPlain?: boolean;
  /** Whether Tab stops at it; of many in a grid, keys of the grid lead there instead. */
  isTabStop?: boolean;
  testId?: string;
};

/** A figure that says what it is made of when it is pressed; a dotted line below shows that it can be. */
export function Figure({ asked, label, children, style, isPlain = false, isTabStop = true, testId }: Props) {
  const styles = useStyles();
  const ask = useExplainFigure();
  const isPrinted = useContext(IsPrinted);
  if (isPrinted) return children;
  return (
    <Pressable
      role="button"
      aria-label={`${label}. What it is made of`}
      aria-haspopup="dialog"
      onPress={() => ask(asked)}
      hitSlop={6}
      tabIndex={isTabStop ? 0 : -1}
      testID={testId}
      dataSet={{ figure: asked.figure }}
      style={({ pressed, hovered }: { pressed: boolean; hovered?: boolean }) => [
        styles.figure,
        isPlain ? null : styles.dotted,
        (pressed || hovered) && styles.touched,
        style,
      ]}
    >
      {children}
    </Pressable>
  );
}

/** A figure that is words alone; plain ones where there is nothing to ask. */
export function FigureWords({
  asked,
  words,
  label = words,
  type = 'quiet',
  tone = type === 'quiet' || type === 'small' ? 'quiet' : 'ink',
  style,
}: {
  asked: FigureQuery | null;
  words: string;
  /** Read aloud instead of the words. */
  label?: string;
  type?: ComponentProps<typeof Words>['type'];
  tone?: ComponentProps<typeof Words>['tone'];
  style?: ComponentProps<typeof Words>['style'];
}) {
  const inside = (
    <Words type={type} tone={tone} style={style}>
      {words}
    </Words>
  );
  return asked === null ? (
    inside
  ) : (
    <Figure asked={asked} label={label}>
      {inside}
    </Figure>
  );
}

const useStyles = themed((colors) => ({
  figure: {
    minHeight: 24,
    minWidth: 24,
    justifyContent: 'center',
    // As wide as its words, in a row and in a column; in a row it stands on the line of its neighbours.
    width: FIT_CONTENT,
    maxWidth: '100%',
    borderBottomWidth: 1,
    borderBottomColor: 'transparent',
  },
  dotted: { borderStyle: 'dotted', borderBottomColor: colors.rim },
  touched: { borderBottomColor: colors.working },
}));
