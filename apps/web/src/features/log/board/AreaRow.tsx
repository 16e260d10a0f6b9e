import type { Area, Figures } from '@wimbel/core';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import { Pressable, View } from 'react-native';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { SPACE } from '../../../theme/space.ts';
import { Words } from '../../../ui/Words.tsx';
import { keptWords } from '../../../text/keptText.ts';
import { FiguresCell } from './FiguresCell.tsx';
import type { PegboardSize } from './pegboardSize.ts';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { STICKY } from '../../../theme/webStyle.ts';

/** An area above its habits, with what they came to together. */
export function AreaRow({
  area,
  figures,
  asked,
  size,
  daysPx,
  y,
  rowIndex,
  isWide,
  isFolded,
  onFold,
}: {
  area: Area | null;
  figures: Figures;
  asked: FigureQuery;
  size: PegboardSize;
  daysPx: number;
  y: number;
  rowIndex: number;
  isWide: boolean;
  isFolded: boolean;
  onFold: () => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const name = area?.name ?? 'No area';
  const color = dyeColor(colors, area?.color);
  const Arrow = isFolded ? ChevronDown : ChevronUp;
  return (
    <View
      role="row"
      aria-rowindex={rowIndex}
      style={[styles.row, { top: y, height: size.areaPx, width: size.namesPx + daysPx + size.figuresPx }]}
    >
      <View role="rowheader" aria-colindex={1} style={[styles.name, { width: size.namesPx }]}>
        <Pressable
          role="button"
          aria-expanded={!isFolded}
          aria-label={`${name}: ${isFolded ? 'show' : 'fold'} its habits`}
          onPress={onFold}
          style={styles.fold}
        >
          <View style={[styles.bar, { backgroundColor: color }]} />
          <View style={styles.words}>
            <Words type="smallStrong" numberOfLines={1} style={styles.text}>
              {name}
            </Words>
            {isWide ? null : (
              <Words type="small" tone="quiet" numberOfLines={1}>
                {keptWords(figures)}
              </Words>
            )}
          </View>
          <Arrow size={14} color={colors.quiet} />
        </Pressable>
      </View>
      <View role="presentation" style={{ width: daysPx }} />
      <FiguresCell name={name} figures={figures} asked={asked} unit={null} size={size} color={color} isWide={isWide} />
    </View>
  );
}

const useStyles = themed((colors) => ({
  row: { position: 'absolute', left: 0, flexDirection: 'row' },
  name: {
    position: STICKY,
    left: 0,
    zIndex: 2,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 6,
    paddingLeft: SPACE.m,
    backgroundColor: colors.raised,
    borderRightWidth: 1,
    borderRightColor: colors.line,
  },
  fold: {
    flex: 1,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 6,
    minHeight: 30,
    minWidth: 0,
    paddingRight: SPACE.s,
  },
  bar: { width: 9, height: 3, borderRadius: 2 },
  words: { flexShrink: 1, minWidth: 0 },
  text: { fontSize: 12 },
}));
