import { type PlainDay, type Track, termsOn, tidySum } from '@wimbel/core';
import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { View } from 'react-native';
import {
  amount as formatAmount,
  amountFault,
  amountOf,
  editable,
  parseAmount,
  amount as amountInUnit,
} from '../../text/amounts.ts';
import { SPACE } from '../../theme/space.ts';
import { Field } from '../../ui/Field.tsx';
import { IconButton } from '../../ui/IconButton.tsx';

/** An amount being typed: every number that holds is handed on at once; what is no number stays, with its fault. */
export function useAmountDraft(
  amount: number | undefined,
  unit: string,
  onChange: (amount: number | undefined) => void,
) {
  const [draft, setDraft] = useState<string | null>(null);
  const text = draft ?? (amount === undefined ? '' : editable(amount));
  const fault = draft === null ? null : amountFault(draft, unit);
  return {
    text,
    fault,
    write: (next: string): void => {
      setDraft(next);
      if (next.trim() === '') onChange(undefined);
      else if (amountFault(next, unit) === null) onChange(parseAmount(next, unit)!);
    },
    leave: (): void => {
      if (fault === null) setDraft(null);
    },
    forget: (): void => setDraft(null),
  };
}

/** A sum of two amounts without the dust of binary fractions. */
const plus = (a: number, b: number): number => Math.max(0, tidySum(a + b));

/** The amount of a habit's day: typed, or by steps. */
export function AmountField({
  track,
  day,
  amount,
  onChange,
}: {
  track: Track;
  day: PlainDay;
  amount: number | undefined;
  onChange: (amount: number | undefined) => void;
}) {
  const { measure } = track.habit;
  const draft = useAmountDraft(amount, measure.kind === 'amount' ? measure.unit : '', onChange);
  if (measure.kind !== 'amount') return null;
  const { unit, step } = measure;
  const { atLeast, atMost } = termsOn(track.terms, day);
  const limit = atLeast !== null ? amountOf(amount ?? 0, atLeast, unit) : `limit ${amountInUnit(atMost ?? 0, unit)}`;
  const add = (by: number): void => {
    draft.forget();
    onChange(plus(amount ?? 0, by));
  };
  return (
    <View style={{ flexDirection: 'row', alignItems: 'flex-start', gap: SPACE.s }}>
      <View style={{ flex: 1 }}>
        <Field
          label={`Amount (${limit})`}
          value={draft.text}
          onChangeText={draft.write}
          onBlur={draft.leave}
          inputMode="decimal"
          suffix={unit}
          error={draft.fault ?? undefined}
          selectTextOnFocus
        />
      </View>
      <View style={{ flexDirection: 'row', paddingTop: 22 }}>
        <IconButton icon={Minus} label={`Take away ${formatAmount(step, unit)}`} onPress={() => add(-step)} />
        <IconButton icon={Plus} label={`Add ${formatAmount(step, unit)}`} onPress={() => add(step)} />
      </View>
    </View>
  );
}
