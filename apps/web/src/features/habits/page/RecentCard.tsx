import { keptSpans, last30 } from '@wimbel/core';
import { View } from 'react-native';
import { type Fact } from '../../../text/habitFacts.ts';
import { amount, number, signed, readable } from '../../../text/amounts.ts';
import { counted } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { Facts } from '../../../components/figure/Facts.tsx';
import { Words } from '../../../ui/Words.tsx';
import type { Props } from './KeptCard.tsx';

/** The last 30 days beside the 30 before. */
export function RecentCard({ track, color }: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { done, sum, meanPerDoneDay, change } = last30(track);
  const { measure } = track.habit;
  const before = done - change.done;
  const most = Math.max(1, done, before);
  const isAmount = measure.kind === 'amount';
  const write = (value: number): string => amount(value, isAmount ? measure.unit : '');
  const of = { habitId: track.habit.id, span: keptSpans(track).last30 };
  const facts: Fact[] = [
    ['Done', `${counted(done, 'day')}, ${signed(change.done)}`, { figure: 'habitDone', ...of }],
    ...(isAmount
      ? [['Amount', `${write(sum)}, ${signed(change.sum, write)}`, { figure: 'habitAmount', ...of }] satisfies Fact]
      : []),
    ...(isAmount && meanPerDoneDay !== null
      ? [
          [
            'On a done day',
            `about ${write(readable(meanPerDoneDay))}`,
            { figure: 'habitMean', habitId: track.habit.id },
          ] satisfies Fact,
        ]
      : []),
  ];
  return (
    <Card label="30 days" style={styles.card}>
      <CardHead title="30 days" aside="against the 30 before" />
      <View style={styles.versus}>
        <Words type="small" tone="quiet" style={styles.versusName}>
          Last 30
        </Words>
        <View style={styles.grow}>
          <View style={[styles.versusBar, { width: `${(done / most) * 100}%`, backgroundColor: color }]} />
        </View>
        <Words type="label">{number(done)}</Words>
      </View>
      <View style={styles.versus}>
        <Words type="small" tone="quiet" style={styles.versusName}>
          Before
        </Words>
        <View style={styles.grow}>
          <View style={[styles.versusBar, { width: `${(before / most) * 100}%`, backgroundColor: colors.rim }]} />
        </View>
        <Words type="label" tone="quiet">
          {number(before)}
        </Words>
      </View>
      <Facts facts={facts} />
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  grow: { flex: 1, minWidth: 0 },
  versus: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s },
  versusName: { width: 46 },
  versusBar: { height: 10, borderRadius: 5, minWidth: 2 },
}));
