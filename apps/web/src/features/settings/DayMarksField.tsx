import { DEFAULT_DAY_MARKS, type Settings } from '@wimbel/core';
import Plus from 'lucide-react-native/icons/plus';
import X from 'lucide-react-native/icons/x';
import { useState } from 'react';
import { View } from 'react-native';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Words } from '../../ui/Words.tsx';
import { dayMarksFault } from './settingFaults.ts';

type Marks = NonNullable<Settings['dayMarks']>;
type Draft = { atLeast: string; symbol: string }[];

const draftOf = (marks: readonly Marks[number][]): Draft =>
  marks.map(({ atLeast, symbol }) => ({ atLeast: String(atLeast), symbol }));

/** The scale of day marks: from how many habits on which sign. Kept as soon as the whole scale holds. */
export function DayMarksField({
  marks,
  onChange,
}: {
  marks: Marks | undefined;
  onChange: (marks: Marks | undefined) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const [draft, setDraft] = useState<Draft | null>(null);
  const steps = draft ?? draftOf(marks ?? DEFAULT_DAY_MARKS);
  const fault = dayMarksFault(steps);
  const set = (next: Draft): void => {
    const isFit = dayMarksFault(next) === null;
    setDraft(isFit ? null : next);
    if (isFit) onChange(next.map(({ atLeast, symbol }) => ({ atLeast: Number(atLeast), symbol: symbol.trim() })));
  };
  const setStep = (index: number, change: Partial<Draft[number]>): void =>
    set(steps.map((step, at) => (at === index ? { ...step, ...change } : step)));
  const next = String(Number(steps.at(-1)?.atLeast ?? -1) + 2);
  return (
    <View style={styles.list}>
      {steps.map((step, index) => (
        <View key={index} style={styles.step}>
          <View style={styles.count}>
            <Field
              label="From how many"
              value={step.atLeast}
              onChangeText={(atLeast) => setStep(index, { atLeast })}
              inputMode="numeric"
              maxLength={4}
            />
          </View>
          <View style={styles.count}>
            <Field
              label="Sign"
              value={step.symbol}
              onChangeText={(symbol) => setStep(index, { symbol })}
              maxLength={8}
            />
          </View>
          <View style={styles.remove}>
            <IconButton
              icon={X}
              label={`Leave out the sign from ${step.atLeast}`}
              onPress={() => set(steps.filter((_, at) => at !== index))}
            />
          </View>
        </View>
      ))}
      {fault === null ? null : (
        <View role="alert">
          <Words type="quiet" tone="madder">
            {fault}. Until then the scale before holds.
          </Words>
        </View>
      )}
      <View style={styles.buttons}>
        <Button
          icon={<Plus size={16} color={colors.ink} />}
          onPress={() => setDraft([...steps, { atLeast: next, symbol: '' }])}
        >
          Add a sign
        </Button>
        {marks === undefined && draft === null ? null : (
          <Button
            kind="bare"
            onPress={() => {
              setDraft(null);
              onChange(undefined);
            }}
          >
            Back to the usual signs
          </Button>
        )}
      </View>
    </View>
  );
}

const useStyles = themed(() => ({
  list: { gap: SPACE.m },
  step: { flexDirection: 'row', alignItems: 'flex-start', gap: SPACE.m },
  count: { flex: 1, minWidth: 0 },
  remove: { paddingTop: 22 },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
}));
