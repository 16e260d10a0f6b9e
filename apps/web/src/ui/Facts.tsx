import { View } from 'react-native';
import { themed } from '../theme/Theme.tsx';
import { SPACE } from '../theme/space.ts';
import { Words } from './Words.tsx';

/** Names on the left, what they are on the right. */
export function Facts({ facts }: { facts: readonly (readonly [name: string, value: string])[] }) {
  const styles = useStyles();
  return (
    <View style={styles.list}>
      {facts.map(([name, value]) => (
        <View key={name} style={styles.fact}>
          <Words type="quiet" tone="quiet">
            {name}
          </Words>
          <Words type="label" style={styles.value}>
            {value}
          </Words>
        </View>
      ))}
    </View>
  );
}

const useStyles = themed(() => ({
  list: { gap: SPACE.s },
  fact: { flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.l },
  value: { textAlign: 'right', flexShrink: 1 },
}));
