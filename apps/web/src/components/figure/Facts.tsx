import { View } from 'react-native';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Words } from '../../ui/Words.tsx';
import type { Fact } from '../../text/habitFacts.ts';
import { Figure } from './Figure.tsx';

/** Names on the left, what they are on the right; a figure among them can be asked what it is made of. */
export function Facts({ facts }: { facts: readonly Fact[] }) {
  const styles = useStyles();
  return (
    <View style={styles.list}>
      {facts.map(([name, value, asked]) => (
        <View key={name} style={styles.fact}>
          <Words type="quiet" tone="quiet">
            {name}
          </Words>
          {asked ? (
            <Figure asked={asked} label={`${name}: ${value}`} style={styles.asked}>
              <Words type="label" style={styles.value}>
                {value}
              </Words>
            </Figure>
          ) : (
            <Words type="label" style={styles.value}>
              {value}
            </Words>
          )}
        </View>
      ))}
    </View>
  );
}

const useStyles = themed(() => ({
  list: { gap: SPACE.s },
  fact: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center', gap: SPACE.l },
  asked: { flexShrink: 1 },
  value: { textAlign: 'right', flexShrink: 1 },
}));
