import { type Figures, type MonthFigures, type LogSpan } from '@wimbel/core';
import Bookmark from 'lucide-react-native/icons/bookmark';
import { memo } from 'react';
import { View } from 'react-native';
import { amount, amountOf, number, aboutOf } from '../../../text/amounts.ts';
import { percent } from '../../../text/format.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { FLAT } from '../../../ui/flat.ts';
import { ProgressBar } from '../../../ui/ProgressBar.tsx';
import { Words } from '../../../ui/Words.tsx';
import type { PegboardSize } from './pegboardSize.ts';
import { keptWords } from '../../../text/keptText.ts';
import { WHOLE_WORDS } from '../logWords.ts';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { Figure } from '../../../components/figure/Figure.tsx';
import { GRID_CELL } from '../../../ui/ariaRoles.ts';
import { STICKY } from '../../../theme/webStyle.ts';

/** "640 min in all", or against the target where there is one: of a week what its month's target comes to. */
function amountInWords(figures: Figures, unit: string | null, weekly: number | null): string | null {
  if (unit === null) return null;
  const sum = figures.amount ?? 0;
  if (figures.amountTarget !== null && figures.amountTarget !== undefined)
    return amountOf(sum, figures.amountTarget, unit);
  if (weekly !== null) return aboutOf(sum, weekly, unit);
  return sum === 0 ? null : amount(sum, unit);
}

/** Width of a digit at most; longer counts are set smaller. */
const DIGIT_PX = 7.8;

export function FiguresHead({
  size,
  kind,
  isOver,
  isWide,
}: {
  size: PegboardSize;
  kind: LogSpan;
  /** The span is over: what is not done is missing, not left. */
  isOver: boolean;
  isWide: boolean;
}) {
  const styles = useStyles();
  return (
    <View
      aria-hidden
      style={[styles.cell, isWide && styles.stuck, { width: size.figuresPx, alignItems: 'flex-end', paddingBottom: 8 }]}
    >
      <Words type="small" tone="quiet" style={styles.whole}>
        {WHOLE_WORDS[kind]}
      </Words>
      <View style={styles.line}>
        {['Done', 'Target', isOver ? 'Short' : 'Left'].map((name) => (
          <Words key={name} type="small" tone="quiet" style={[styles.figure, { width: size.figurePx }]}>
            {name}
          </Words>
        ))}
        <Words type="small" tone="quiet" style={styles.share}>
          Kept
        </Words>
        <View style={styles.ribbon} />
      </View>
    </View>
  );
}

type Props = {
  name: string;
  figures: Figures | MonthFigures;
  /** The figure of the kept rate. */
  asked: FigureQuery;
  unit: string | null;
  size: PegboardSize;
  color: string;
  isWide: boolean;
  /** How the running week or month stands. */
  running?: string | null;
  /** Whether what was done beyond what was asked stands below the counts: of several habits together. */
  tellsBeyond?: boolean;
  /** What a month's amount target comes to for the week that is shown. */
  weekly?: number | null;
  /** Whether Tab stops at it: at the few sums, not at every habit. */
  isTabStop?: boolean;
  testId?: string;
};

/** Done, target and left of the whole span, the kept rate so far, and the ribbon of a month; amounts with their target below. */
export const FiguresCell = memo(function FiguresCell({
  name,
  figures,
  asked,
  unit,
  size,
  color,
  isWide,
  running = null,
  tellsBeyond = false,
  weekly = null,
  isTabStop = true,
  testId,
}: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const beyond = figures.actual - figures.kept;
  const sum = tellsBeyond && beyond > 0 ? `${number(beyond)} more than asked` : amountInWords(figures, unit, weekly);
  const column = { width: size.figurePx };
  const counts = [figures.actual, figures.target, figures.left].map(number);
  const type = counts.some((each) => each.length * DIGIT_PX > size.figurePx) ? 'small' : 'label';
  const hasRibbon = 'ribbon' in figures && figures.ribbon;
  const today = useAppSelector(selectToday);
  const isOver = 'span' in asked && asked.span.last < today;
  const words = [
    `${name}: ${counts[0]} done of ${counts[1]}, ${counts[2]} ${isOver ? 'short' : 'left'}`,
    keptWords(figures),
    beyond > 0 ? `${number(beyond)} more than asked` : '',
    sum && !tellsBeyond ? `${sum} in all` : '',
    running ?? '',
    hasRibbon ? 'ribbon' : '',
  ]
    .filter(Boolean)
    .join(', ');
  return (
    <View
      role={GRID_CELL}
      {...FLAT}
      style={[styles.cell, isWide && styles.stuck, { width: size.figuresPx }]}
      testID={testId}
    >
      <Figure asked={asked} label={words} isPlain isTabStop={isTabStop} style={styles.asked}>
        <View style={styles.line}>
          <View>
            <View style={styles.line}>
              {counts.map((count, at) => (
                <Words
                  key={at}
                  type={type}
                  tone={at === 0 ? undefined : 'quiet'}
                  style={[styles.figure, at === 0 && styles.strong, column]}
                >
                  {count}
                </Words>
              ))}
            </View>
            {sum === null ? null : (
              <Words type="small" tone="quiet" numberOfLines={1} style={[styles.amount, { width: 3 * size.figurePx }]}>
                {sum}
              </Words>
            )}
          </View>
          <View style={styles.share}>
            <Words type="label" style={styles.shareText}>
              {percent(figures.rate)}
            </Words>
            <ProgressBar ratio={figures.rate ?? 0} color={color} label={keptWords(figures)} heightPx={4} />
          </View>
          <View style={styles.ribbon} aria-hidden>
            {hasRibbon ? <Bookmark size={15} color={colors.brass} fill={colors.brass} /> : null}
          </View>
        </View>
        {running === null ? null : (
          <Words type="small" tone="quiet" numberOfLines={1} style={styles.running}>
            {running}
          </Words>
        )}
      </Figure>
    </View>
  );
});

const useStyles = themed((colors) => ({
  cell: { justifyContent: 'center', backgroundColor: colors.raised, paddingLeft: 2 },
  stuck: {
    position: STICKY,
    right: 0,
    zIndex: 2,
    borderLeftWidth: 1,
    borderLeftColor: colors.line,
  },
  asked: { alignSelf: 'stretch', borderBottomWidth: 0 },
  line: { flexDirection: 'row', alignItems: 'center' },
  whole: { width: '100%', textAlign: 'right', paddingRight: 20 },
  running: { paddingRight: 20, textAlign: 'right', marginTop: -1 },
  figure: { textAlign: 'right', whiteSpace: 'nowrap' },
  strong: { fontFamily: 'Figtree_600SemiBold' },
  share: { width: 46, marginLeft: 6, gap: 2, textAlign: 'right' },
  shareText: { textAlign: 'right' },
  ribbon: { width: 20, alignItems: 'flex-end' },
  amount: { marginTop: -3, textAlign: 'right', paddingLeft: SPACE.xs },
}));
