import { type PipsByDay, type PlainDay, formatMonth, monthOfDay } from '@wimbel/core';
import { useMemo } from 'react';
import { number } from '../../text/amounts.ts';
import { monthAbbreviation, monthAndYear } from '../../text/format.ts';
import { useIsWide, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { BarsAcross } from '../../ui/BarsAcross.tsx';
import { Card } from '../../ui/Card.tsx';
import { CardHead } from '../../ui/CardHead.tsx';
import { type LedgerRow, ledgerRows } from './ledgerRows.ts';

const MOST_MONTHS = 12;

/** Earned against spent, by month, over a year. */
export function ByMonthCard({ byDay, today }: { byDay: PipsByDay; today: PlainDay }) {
  const { colors } = useTheme();
  const isWide = useIsWide();
  const months = useMemo(() => {
    const now = monthOfDay(today);
    return ledgerRows(byDay, 'month', today, 'monday')
      .filter(({ span }) => monthOfDay(span.first) > now - MOST_MONTHS)
      .reverse();
  }, [byDay, today]);
  if (months.length === 0) return null;
  const most = Math.max(1, ...months.flatMap(({ earned, spent }) => [earned, spent]));
  const bar = (row: LedgerRow, what: 'earned' | 'spent', color: string) => {
    const month = monthOfDay(row.span.first);
    return {
      key: `${what} ${formatMonth(month)}`,
      label: isWide ? monthAbbreviation(month) : monthAbbreviation(month).slice(0, 1),
      value: number(Math.round(row[what])),
      words: `${monthAndYear(month)}: ${number(row[what])} ${what}`,
      ratio: row[what] / most,
      color,
    };
  };
  return (
    <Card style={{ gap: SPACE.m }} label="By month">
      <CardHead title="By month" aside="earned above, spent below" />
      <BarsAcross
        label="Earned by month"
        bars={months.map((row) => bar(row, 'earned', colors.brass))}
        markColor={colors.rim}
      />
      <BarsAcross
        label="Spent by month"
        bars={months.map((row) => bar(row, 'spent', colors.working))}
        markColor={colors.rim}
      />
    </Card>
  );
}
