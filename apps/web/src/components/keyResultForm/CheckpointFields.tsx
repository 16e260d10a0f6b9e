import { monthOf } from '@wimbel/core';
import X from 'lucide-react-native/icons/x';
import { View } from 'react-native';
import { monthAbbreviation, monthAndYear, monthYear } from '../../text/format.ts';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Field, Labelled } from '../../ui/Field.tsx';
import { IconButton } from '../../ui/IconButton.tsx';

type Props = {
  /** Typed text by month. */
  values: Record<string, string>;
  error: string | undefined;
  onChange: (values: Record<string, string>) => void;
  onPropose: () => void;
};

/** The values that are to be there at the end of each month: laid evenly, then each as one likes. */
export function CheckpointFields({ values, error, onChange, onPropose }: Props) {
  const styles = useStyles();
  const months = Object.keys(values).sort();
  const without = (month: string): void =>
    onChange(Object.fromEntries(Object.entries(values).filter(([each]) => each !== month)));
  return (
    <Labelled
      label="Monthly checkpoints"
      error={error}
      hint={
        months.length === 0 ? 'What is to be there at the end of each month, if the way is not an even one.' : undefined
      }
    >
      <View style={styles.grid}>
        {months.map((text) => {
          const month = monthOf(text);
          return (
            <View key={text} style={styles.cell}>
              <View style={styles.field}>
                <Field
                  label={`${monthAbbreviation(month)} ${monthYear(month)}`}
                  value={values[text]!}
                  inputMode="decimal"
                  onChangeText={(value) => onChange({ ...values, [text]: value })}
                />
              </View>
              <IconButton
                icon={X}
                sizePx={16}
                label={`No checkpoint for ${monthAndYear(month)}`}
                onPress={() => without(text)}
              />
            </View>
          );
        })}
      </View>
      <View style={styles.buttons}>
        <Button onPress={onPropose}>{months.length === 0 ? 'Spread them evenly' : 'Spread them evenly again'}</Button>
        {months.length > 0 ? (
          <Button kind="bare" onPress={() => onChange({})}>
            No checkpoints
          </Button>
        ) : null}
      </View>
    </Labelled>
  );
}

const useStyles = themed(() => ({
  grid: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.s, rowGap: SPACE.s },
  cell: { flexDirection: 'row', alignItems: 'flex-end', flexBasis: 140, flexGrow: 1, maxWidth: 200 },
  field: { flex: 1, minWidth: 0 },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s, paddingTop: SPACE.xs },
}));
