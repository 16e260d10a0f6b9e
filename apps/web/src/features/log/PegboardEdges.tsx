import {
  type DayTotals,
  type MonthFigures,
  type PegboardColumn,
  type PlainDay,
  type Track,
  scoreOn,
} from '@wimbel/core';
import Bookmark from 'lucide-react-native/icons/bookmark';
import { View } from 'react-native';
import { amount, dateNumber, dayInWords, percent, weekdayLetter } from '../../shared/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { ProgressBar } from '../../ui/ProgressBar.tsx';
import { Words } from '../../ui/Words.tsx';
import type { PegboardSize } from './pegboardSize.ts';

/** Weekday letters and dates above the days. */
export function PegboardHead({
  columns,
  size,
  today,
}: {
  columns: readonly PegboardColumn[];
  size: PegboardSize;
  today: PlainDay;
}) {
  const styles = useStyles();
  return (
    <View style={{ height: size.headPx }} aria-hidden>
      {columns.map(({ day, x }) => (
        <View key={day} style={[styles.headCell, { left: x, width: size.cellPx }]}>
          <Words type="small" tone="quiet">
            {weekdayLetter(day)}
          </Words>
          <Words type={day === today ? 'smallStrong' : 'small'} style={styles.date}>
            {dateNumber(day)}
          </Words>
        </View>
      ))}
    </View>
  );
}

/** A habit's name; on a phone with its bar and "22 of 30" below. */
export function NameCell({
  track,
  figures,
  size,
  color,
  isWide,
}: {
  track: Track;
  figures: MonthFigures;
  size: PegboardSize;
  color: string;
  isWide: boolean;
}) {
  const styles = useStyles();
  const { habit } = track;
  return (
    <View style={[styles.name, { height: size.rowPx }]}>
      <View style={styles.nameLine}>
        {isWide ? <View style={[styles.dot, { backgroundColor: color }]} /> : null}
        <Words type="label" numberOfLines={isWide ? 2 : 1} style={styles.nameText}>
          {habit.name}
        </Words>
      </View>
      {isWide ? null : (
        <View style={styles.nameLine}>
          <View style={styles.miniBar}>
            <ProgressBar
              ratio={figures.share ?? 0}
              color={color}
              label={`${figures.actual} of ${figures.target}`}
              heightPx={4}
            />
          </View>
          <Words type="small" tone="quiet">
            {figures.actual} of {figures.target}
          </Words>
        </View>
      )}
    </View>
  );
}

export const FIGURE_COLUMNS = ['Done', 'Target', 'Left', 'Share'] as const;

export function FiguresHead({ size }: { size: PegboardSize }) {
  const styles = useStyles();
  return (
    <View style={[styles.figures, { height: size.headPx, alignItems: 'flex-end', paddingBottom: 10 }]}>
      {FIGURE_COLUMNS.map((name) => (
        <Words key={name} type="small" tone="quiet" style={name === 'Share' ? styles.share : styles.figure}>
          {name}
        </Words>
      ))}
      <View style={styles.ribbon} />
    </View>
  );
}

/** Done, target, left and share of a habit's month, and its ribbon. */
export function FiguresRow({
  track,
  figures,
  size,
  color,
}: {
  track: Track;
  figures: MonthFigures;
  size: PegboardSize;
  color: string;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { habit } = track;
  const unit = habit.measure.kind === 'amount' ? habit.measure.unit : '';
  const sum = figures.amount === undefined || figures.amount === 0 ? null : amount(figures.amount, unit);
  return (
    <View
      role="group"
      aria-label={`${habit.name}: ${figures.actual} done of ${figures.target}, ${figures.left} left, ${percent(figures.share)}${sum ? `, ${sum} in all` : ''}${figures.ribbon ? ', ribbon' : ''}`}
      style={[styles.figures, { height: size.rowPx }]}
      testID={`figures-${habit.id}`}
    >
      <Words type="label" style={[styles.figure, styles.strong]}>
        {figures.actual}
      </Words>
      <Words type="label" tone="quiet" style={styles.figure}>
        {figures.target}
      </Words>
      <Words type="label" tone="quiet" style={styles.figure}>
        {figures.left}
      </Words>
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
        {figures.ribbon ? <Bookmark size={15} color={colors.brass} fill={colors.brass} /> : null}
      </View>
    </View>
  );
}

const BAR_PX = 38;

/** Below the days: how many were done, and which share of what was asked. */
export function PegboardFoot({
  columns,
  size,
  totals,
  today,
  passMark,
}: {
  columns: readonly PegboardColumn[];
  size: PegboardSize;
  totals: DayTotals;
  today: PlainDay;
  passMark: number;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  return (
    <View style={styles.foot}>
      {columns
        .filter(({ day }) => day <= today)
        .map(({ day, x }) => {
          const { done, due, score, bright } = scoreOn(totals, day, passMark);
          const habits = totals.doneHabits[day - totals.first] ?? 0;
          return (
            <View
              key={day}
              role="img"
              aria-label={`${dayInWords(day)}: ${habits} done, ${done} of ${due}, ${percent(score)}`}
              style={[styles.footCell, { left: x, width: size.cellPx }]}
              testID={`day-${day}`}
            >
              <View style={styles.barRoom}>
                <View
                  style={{
                    width: Math.min(11, size.cellPx * 0.42),
                    height: Math.max(2, (score ?? 0) * BAR_PX),
                    borderRadius: 3,
                    backgroundColor: bright ? colors.working : colors.rim,
                  }}
                />
              </View>
              <Words type="smallStrong">{habits}</Words>
              <Words type="small" tone="quiet" style={styles.tiny}>
                {score === null ? '–' : percent(score).replace(/\D+$/, '')}
              </Words>
            </View>
          );
        })}
    </View>
  );
}

export function FootNames() {
  const styles = useStyles();
  return (
    <View style={styles.footNames}>
      <Words type="label" tone="quiet">
        Done by day
      </Words>
      <Words type="small" tone="quiet">
        and share in %
      </Words>
    </View>
  );
}

const useStyles = themed((colors) => ({
  headCell: { position: 'absolute', bottom: 6, alignItems: 'center' },
  date: { fontSize: 13, lineHeight: 17 },
  name: { justifyContent: 'center', gap: 2, paddingRight: SPACE.s },
  nameLine: { flexDirection: 'row', alignItems: 'center', gap: 6, minWidth: 0 },
  nameText: { flexShrink: 1, lineHeight: 16 },
  dot: { width: 9, height: 9, borderRadius: 5 },
  miniBar: { width: 52 },
  figures: { flexDirection: 'row', alignItems: 'center', paddingLeft: 2 },
  figure: { width: 35, textAlign: 'right' },
  strong: { fontFamily: 'Figtree_600SemiBold' },
  share: { width: 46, marginLeft: 6, gap: 2, textAlign: 'right' },
  shareText: { textAlign: 'right' },
  ribbon: { width: 20, alignItems: 'flex-end' },
  foot: { height: 84, borderTopWidth: 1, borderTopColor: colors.line },
  footCell: { position: 'absolute', top: 6, alignItems: 'center' },
  barRoom: { height: BAR_PX, justifyContent: 'flex-end' },
  tiny: { letterSpacing: -0.3 },
  footNames: { height: 84, justifyContent: 'center', borderTopWidth: 1, borderTopColor: colors.line },
}));
