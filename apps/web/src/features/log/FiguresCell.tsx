import type { Figures, MonthFigures } from '@wimbel/core';
import Bookmark from 'lucide-react-native/icons/bookmark';
import { View } from 'react-native';
import { amount, amountOf, number } from '../../shared/amounts.ts';
import { percent } from '../../shared/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { ProgressBar } from '../../ui/ProgressBar.tsx';
import { Words } from '../../ui/Words.tsx';
import type { PegboardSize } from './pegboardSize.ts';

/** "640 min in all", or against the target where there is one. */
function amountInWords(figures: Figures, unit: string | null): string | null {
  if (unit === null) return null;
  const sum = figures.amount ?? 0;
  if (figures.amountTarget !== null && figures.amountTarget !== undefined)
    return amountOf(sum, figures.amountTarget, unit);
  return sum === 0 ? null : amount(sum, unit);
}

export function FiguresHead({ size, isWide }: { size: PegboardSize; isWide: boolean }) {
  const styles = useStyles();
  return (
    <View
      aria-hidden
      style={[styles.cell, isWide && styles.stuck, { width: size.figuresPx, alignItems: 'flex-end', paddingBottom: 8 }]}
    >
      <View style={styles.line}>
        {['Done', 'Target', 'Left'].map((name) => (
          <Words key={name} type="small" tone="quiet" style={[styles.figure, { width: size.figurePx }]}>
            {name}
          </Words>
        ))}
        <Words type="small" tone="quiet" style={styles.share}>
          Share
        </Words>
        <View style={styles.ribbon} />
      </View>
    </View>
  );
}

/** Done, target, left and share over the span, with the ribbon of a month; amounts with their target below. */
export function FiguresCell({
  name,
  figures,
  unit,
  size,
  color,
  isWide,
  testId,
}: {
  name: string;
  figures: Figures | MonthFigures;
  unit: string | null;
  size: PegboardSize;
  color: string;
  isWide: boolean;
  testId?: string;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const sum = amountInWords(figures, unit);
  const column = { width: size.figurePx };
  const hasRibbon = 'ribbon' in figures && figures.ribbon;
  const words = `${name}: ${figures.actual} done of ${figures.target}, ${figures.left} left, ${percent(figures.share)}`;
  return (
    <View
      role={'gridcell' as never}
      style={[styles.cell, isWide && styles.stuck, { width: size.figuresPx }]}
      testID={testId}
    >
      <View role="group" aria-label={`${words}${sum ? `, ${sum} in all` : ''}${hasRibbon ? ', ribbon' : ''}`}>
        <View style={styles.line}>
          <View>
            <View style={styles.line}>
              <Words type="label" style={[styles.figure, styles.strong, column]}>
                {number(figures.actual)}
              </Words>
              <Words type="label" tone="quiet" style={[styles.figure, column]}>
                {number(figures.target)}
              </Words>
              <Words type="label" tone="quiet" style={[styles.figure, column]}>
                {number(figures.left)}
              </Words>
            </View>
            {sum === null ? null : (
              <Words type="small" tone="quiet" numberOfLines={1} style={[styles.amount, { width: 3 * size.figurePx }]}>
                {sum}
              </Words>
            )}
          </View>
          <View style={styles.share}>
            <Words type="label" style={styles.shareText}>
              {percent(figures.share)}
            </Words>
            <ProgressBar
              ratio={figures.share ?? 0}
              color={color}
              label={`${figures.actual} of ${figures.target}`}
              heightPx={4}
            />
          </View>
          <View style={styles.ribbon} aria-hidden>
            {hasRibbon ? <Bookmark size={15} color={colors.brass} fill={colors.brass} /> : null}
          </View>
        </View>
      </View>
    </View>
  );
}

const useStyles = themed((colors) => ({
  cell: { justifyContent: 'center', backgroundColor: colors.raised, paddingLeft: 2 },
  stuck: {
    position: 'sticky' as never,
    right: 0,
    zIndex: 2,
    borderLeftWidth: 1,
    borderLeftColor: colors.line,
  },
  line: { flexDirection: 'row', alignItems: 'center' },
  figure: { textAlign: 'right' },
  strong: { fontFamily: 'Figtree_600SemiBold' },
  share: { width: 46, marginLeft: 6, gap: 2, textAlign: 'right' },
  shareText: { textAlign: 'right' },
  ribbon: { width: 20, alignItems: 'flex-end' },
  amount: { marginTop: -3, textAlign: 'right', paddingLeft: SPACE.xs },
}));
