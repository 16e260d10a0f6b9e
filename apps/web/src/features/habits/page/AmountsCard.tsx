import { amountBetween, monthOfDay, monthSpan, monthTargetOf } from '@wimbel/core';
import { View } from 'react-native';
import { amount, amountOf, compact } from '../../../text/amounts.ts';
import { monthAbbreviation, monthAndYear } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { BarsAcross } from '../../../ui/BarsAcross.tsx';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { Words } from '../../../ui/Words.tsx';
import { Figure } from '../../../components/figure/Figure.tsx';
import { useExplainFigure } from '../../../components/figure/FigureHost.tsx';
import type { Props } from './KeptCard.tsx';

const MONTHS_SHOWN = 12;

/** What each of the last twelve months came to in amount, with its target as a line. */
export function AmountsCard({ track, color }: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { measure } = track.habit;
  const ask = useExplainFigure();
  if (measure.kind !== 'amount') return null;
  const current = monthOfDay(track.today);
  const months = Array.from({ length: MONTHS_SHOWN }, (_, index) => current - MONTHS_SHOWN + 1 + index);
  const sums = months.map((month) => amountBetween(track, monthSpan(month)));
  const targets = months.map((month) => monthTargetOf(track, month).amount);
  const most = Math.max(1e-9, ...sums, ...targets.map((target) => target ?? 0));
  const all = amountBetween(track, { first: track.first, last: track.today });
  return (
    <Card label="Amounts by month" style={styles.card}>
      <CardHead
        title="Amounts by month"
        aside={
          <View style={styles.headFigure}>
            <Figure
              asked={{
                figure: 'habitAmount',
                habitId: track.habit.id,
                span: { first: track.first, last: track.today },
              }}
              label={`${amount(Math.round(all * 100) / 100, measure.unit)} in all`}
            >
              <Words type="quiet" tone="quiet">
                {amount(Math.round(all * 100) / 100, measure.unit)} in all
              </Words>
            </Figure>
          </View>
        }
      />
      <BarsAcross
        label="Amounts of the last twelve months"
        markColor={colors.brass}
        bars={months.map((month, index) => {
          const sum = Math.round(sums[index]! * 1e6) / 1e6;
          const target = targets[index] ?? null;
          const words = target === null ? amount(sum, measure.unit) : amountOf(sum, target, measure.unit);
          return {
            key: String(month),
            label: monthAbbreviation(month).slice(0, 1),
            value: index === MONTHS_SHOWN - 1 || sum === Math.max(...sums) ? compact(sum) : '\u00a0',
            words: `${monthAndYear(month)}: ${words}`,
            ratio: sum / most,
            color,
            mark: target === null ? null : target / most,
            onPress: () => ask({ figure: 'habitAmount', habitId: track.habit.id, span: monthSpan(month) }),
          };
        })}
      />
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  headFigure: { paddingVertical: 10, paddingRight: SPACE.s },
}));
