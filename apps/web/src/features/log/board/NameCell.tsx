import type { Figures, Track } from '@wimbel/core';
import { memo } from 'react';
import { Pressable, View } from 'react-native';
import { outOf } from '../../../text/amounts.ts';
import { themed, useIsCompact } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { keptWords } from '../../../text/keptText.ts';
import { FLAT } from '../../../ui/flat.ts';
import { ProgressBar } from '../../../ui/ProgressBar.tsx';
import { Words } from '../../../ui/Words.tsx';
import type { PegboardSize } from './pegboardSize.ts';
import { habitPath } from '../../../platform/paths.ts';
import { STICKY } from '../../../theme/webStyle.ts';

/** A habit's name, which leads to its page; on a phone with its bar and "22 of 30" below. */
export const NameCell = memo(function NameCell({
  track,
  figures,
  size,
  color,
  isWide,
  onName,
}: {
  track: Track;
  figures: Figures;
  size: PegboardSize;
  color: string;
  isWide: boolean;
  onName: (habitId: string) => void;
}) {
  const styles = useStyles();
  const isCompact = useIsCompact();
  const { habit } = track;
  const link = { href: habitPath(habit.id) };
  return (
    <View role="rowheader" aria-colindex={1} {...FLAT} style={[styles.names, { width: size.namesPx }]}>
      <Pressable
        {...link}
        role="link"
        aria-label={habit.name}
        tabIndex={-1}
        onPress={(event) => {
          event.preventDefault();
          onName(habit.id);
        }}
        style={[styles.name, isCompact && styles.low]}
      >
        <View style={styles.line}>
          {isWide ? <View style={[styles.dot, { backgroundColor: color }]} /> : null}
          <Words type="label" numberOfLines={isCompact ? 1 : 2} style={styles.text}>
            {habit.name}
          </Words>
        </View>
        {isWide ? null : (
          <View style={styles.line}>
            <View style={styles.bar}>
              <ProgressBar ratio={figures.rate ?? 0} color={color} label={keptWords(figures)} heightPx={4} />
            </View>
            <Words type="small" tone="quiet" style={styles.count}>
              {figures.asked === 0 ? '' : outOf(figures.kept, figures.asked)}
            </Words>
          </View>
        )}
      </Pressable>
    </View>
  );
});

const useStyles = themed((colors) => ({
  names: {
    position: STICKY,
    left: 0,
    zIndex: 2,
    backgroundColor: colors.raised,
    borderRightWidth: 1,
    borderRightColor: colors.line,
    paddingLeft: SPACE.m,
    justifyContent: 'center',
  },
  name: { gap: 2, paddingRight: SPACE.s, minHeight: 36, justifyContent: 'center' },
  low: { minHeight: 26, gap: 0 },
  line: { flexDirection: 'row', alignItems: 'center', gap: 6, minWidth: 0 },
  text: { flexShrink: 1, lineHeight: 15.5 },
  dot: { width: 9, height: 9, borderRadius: 5 },
  // A year's count is long: the bar gives way to it.
  bar: { width: 52, flexShrink: 1, minWidth: 0 },
  count: { flexShrink: 0, whiteSpace: 'nowrap' },
}));
