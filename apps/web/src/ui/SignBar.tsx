import type { ReactNode } from 'react';
import { View } from 'react-native';
import { themed } from '../theme/Theme.tsx';
import { SPACE } from '../theme/space.ts';
import { Words } from './Words.tsx';

/** One line above every place: what there is to say, and what can be done about it. */
export function SignBar({ role, text, children }: { role: 'status' | 'alert'; text: string; children: ReactNode }) {
  const styles = useStyles();
  return (
    <View role={role} style={styles.sign}>
      <Words type="quiet" tone={role === 'alert' ? 'ink' : 'quiet'} style={styles.words}>
        {text}
      </Words>
      {children}
    </View>
  );
}

const useStyles = themed((colors) => ({
  sign: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    paddingLeft: SPACE.l,
    backgroundColor: colors.tint,
  },
  words: { flexGrow: 1, flexShrink: 1, paddingRight: SPACE.l, paddingVertical: SPACE.xs },
}));
