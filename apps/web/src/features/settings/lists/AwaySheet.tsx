import { parseDay } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Field } from '../../../ui/Field.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';

export function AwaySheet({
  today,
  onAway,
  onClose,
}: {
  today: string;
  onAway: (pause: { from: string; to: string; why?: string }) => string | null;
  onClose: () => void;
}) {
  const styles = useStyles();
  const [from, setFrom] = useState(today);
  const [to, setTo] = useState('');
  const [why, setWhy] = useState('');
  const [fault, setFault] = useState<string>();
  const save = (): void => {
    if (parseDay(from) === null || parseDay(to) === null) setFault('Choose the first and the last day');
    else if (to < from) setFault('The last day is before the first');
    else setFault(onAway({ from, to, ...(why.trim() === '' ? {} : { why: why.trim() }) }) ?? undefined);
  };
  return (
    <Sheet title="Away" onClose={onClose}>
      <Words tone="quiet">Nothing is due in these days, and streaks go on after them.</Words>
      <Field label="Away from" value={from} onChangeText={setFrom} isDate />
      <Field label="To" value={to} onChangeText={setTo} isDate error={fault} />
      <Field label="Why" value={why} onChangeText={setWhy} maxLength={200} hint="Optional." onSubmitEditing={save} />
      <View style={styles.buttons}>
        <Button kind="main" onPress={save}>
          Set
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
      </View>
    </Sheet>
  );
}

const useStyles = themed(() => ({
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
}));
