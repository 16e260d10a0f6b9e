import { type PegboardColumn, type PlainDay, monthOfDay, type LogSpan } from '@wimbel/core';
import { memo } from 'react';
import { View } from 'react-native';
import { dateNumber, dayInWords, monthName, weekdayLetter } from '../../../text/format.ts';
import { themed } from '../../../theme/Theme.tsx';
import { Words } from '../../../ui/Words.tsx';
import { FiguresHead } from './FiguresCell.tsx';
import type { PegboardSize } from './pegboardSize.ts';
import { STICKY } from '../../../theme/webStyle.ts';

export type Edge = {
  columns: readonly PegboardColumn[];
  size: PegboardSize;
  daysPx: number;
  today: PlainDay;
  /** A day that stands out. */
  at: PlainDay | null;
  isWide: boolean;
};

/** Weekday letters and dates above the days; over longer spans the months above them. */
export const PegboardHead = memo(function PegboardHead({
  columns,
  size,
  daysPx,
  today,
  at,
  isWide,
  kind,
  isOver,
}: Edge & { kind: LogSpan; isOver: boolean }) {
  const hasMonths = kind !== 'month' && kind !== 'week' && kind !== 'sevenDays';
  const styles = useStyles();
  const firstSeen = columns[0]?.day;
  return (
    <View
      role="row"
      aria-rowindex={1}
      style={[styles.head, { height: size.headPx, width: size.namesPx + daysPx + size.figuresPx }]}
    >
      <View role="columnheader" aria-colindex={1} aria-label="Habit" style={[styles.corner, { width: size.namesPx }]} />
      <View style={{ width: daysPx }} role="presentation">
        {columns
          .filter(({ day }) => day === today)
          .map(({ day, x }) => (
            <View key={day} aria-hidden style={[styles.today, { left: x - 0.5, width: size.cellPx + 1 }]} />
          ))}
        {columns.map(({ day, x }) => (
          <View
            key={day}
            role="columnheader"
            aria-label={dayInWords(day)}
            style={[styles.headCell, { left: x, width: size.cellPx }, day === at && styles.at]}
          >
            {hasMonths && (dateNumber(day) === '1' || (day === firstSeen && Number(dateNumber(day)) < 26)) ? (
              <Words type="smallStrong" tone="quiet" style={styles.month}>
                {monthName(monthOfDay(day))}
              </Words>
            ) : null}
            <Words type="small" tone="quiet">
              {weekdayLetter(day)}
            </Words>
            <Words type={day === today ? 'smallStrong' : 'small'} style={styles.date}>
              {dateNumber(day)}
            </Words>
          </View>
        ))}
      </View>
      <FiguresHead size={size} kind={kind} isOver={isOver} isWide={isWide} />
    </View>
  );
});

const useStyles = themed((colors) => ({
  head: { position: STICKY, top: 0, zIndex: 4, flexDirection: 'row', backgroundColor: colors.raised },
  corner: {
    position: STICKY,
    left: 0,
    zIndex: 5,
    backgroundColor: colors.raised,
    borderRightWidth: 1,
    borderRightColor: colors.line,
  },
  headCell: { position: 'absolute', bottom: 4, alignItems: 'center' },
  at: { backgroundColor: colors.wash, borderTopLeftRadius: 10, borderTopRightRadius: 10 },
  today: {
    position: 'absolute',
    bottom: 0,
    height: 40,
    borderWidth: 2,
    borderBottomWidth: 0,
    borderColor: colors.brass,
    borderTopLeftRadius: 14,
    borderTopRightRadius: 14,
  },
  month: { position: 'absolute', left: 4, bottom: 34, width: 90 },
  date: { fontSize: 13, lineHeight: 17 },
}));
