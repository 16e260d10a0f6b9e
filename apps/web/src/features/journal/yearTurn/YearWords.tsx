import { type yearSpan } from '@wimbel/core';
import { View } from 'react-native';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { useLookBack } from '../lookBack/useLookBack.ts';
import { WinsAndLosses } from '../../../components/lookBack/ReviewFields.tsx';

export function YearWords({ span }: { span: ReturnType<typeof yearSpan> }) {
  const styles = useStyles();
  const { answers, write } = useLookBack('year', span);
  return (
    <View style={styles.body}>
      <WinsAndLosses answers={answers} write={write} onTyping={() => undefined} />
    </View>
  );
}

const useStyles = themed(() => ({
  body: { gap: SPACE.xl, maxWidth: 640, width: '100%' },
}));
