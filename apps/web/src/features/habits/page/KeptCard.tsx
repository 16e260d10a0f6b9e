import { type Track, keptOver, keptSpans } from '@wimbel/core';
import { View } from 'react-native';
import { keptFacts } from '../../../text/habitFacts.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { ProgressBar } from '../../../ui/ProgressBar.tsx';
import { Words } from '../../../ui/Words.tsx';
import { Figure } from '../../../components/figure/Figure.tsx';

export type Props = { track: Track; color: string };

/** How much of what was due was kept, over the usual spans. */
export function KeptCard({ track, color }: Props) {
  const styles = useStyles();
  const spans = keptSpans(track);
  const rates = [spans.last7, spans.last30, spans.month, spans.year, spans.all].map(
    (span) => keptOver(track, span).rate,
  );
  return (
    <Card label="Kept" style={styles.card}>
      <CardHead title="Kept" aside="of what was due" />
      {keptFacts(track).map(([name, value, asked], index) => (
        <View key={name} style={styles.kept}>
          <View style={styles.keptLine}>
            <Words type="quiet" tone="quiet">
              {name}
            </Words>
            {asked ? (
              <Figure asked={asked} label={`${name}: ${value}`}>
                <Words type="label">{value}</Words>
              </Figure>
            ) : (
              <Words type="label">{value}</Words>
            )}
          </View>
          <ProgressBar ratio={rates[index] ?? 0} color={color} label={`${name}: ${value}`} heightPx={4} />
        </View>
      ))}
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  kept: { gap: 4 },
  keptLine: { flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.s },
}));
