import { type Entry, type EntryPart, type Habit, withParts } from '@wimbel/core';
import X from 'lucide-react-native/icons/x';
import { View } from 'react-native';
import { editable } from '../../text/amounts.ts';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Field, Labelled } from '../../ui/Field.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Words } from '../../ui/Words.tsx';
import { useAmountDraft } from './AmountField.tsx';

/** Which ways of doing a habit a day had, each with its amount; a tap on a way adds it once more. */
export function PartsField({
  habit,
  entry,
  onChange,
}: {
  habit: Habit;
  entry: Entry;
  onChange: (entry: Entry) => void;
}) {
  const styles = useStyles();
  const { measure } = habit;
  const variants = habit.variants ?? [];
  const parts = entry.parts ?? [];
  const isAmount = measure.kind === 'amount';
  const set = (next: EntryPart[]): void => onChange(withParts(entry, next, isAmount));
  const nameOf = (id: string): string => variants.find((each) => each.id === id)?.name ?? 'No longer listed';
  const groups = [...new Set(variants.map((each) => each.group ?? ''))];
  return (
    <>
      {parts.map((part, index) => (
        <PartRow
          key={`${part.variantId} ${index}`}
          part={part}
          name={nameOf(part.variantId)}
          unit={measure.kind === 'amount' ? measure.unit : null}
          onChange={(next) => set(parts.map((each, at) => (at === index ? next : each)))}
          onRemove={() => set(parts.filter((_, at) => at !== index))}
        />
      ))}
      {groups.map((group) => (
        <Labelled key={group} label={group === '' ? 'Which was it' : group}>
          <View style={styles.ways}>
            {variants
              .filter((each) => (each.group ?? '') === group)
              .map((each) => (
                <Button
                  key={each.id}
                  label={`Add ${each.name}`}
                  onPress={() =>
                    set([
                      ...parts,
                      { variantId: each.id, ...(measure.kind === 'amount' ? { amount: measure.step } : {}) },
                    ])
                  }
                >
                  {each.name}
                </Button>
              ))}
          </View>
        </Labelled>
      ))}
    </>
  );
}

function PartRow({
  part,
  name,
  unit,
  onChange,
  onRemove,
}: {
  part: EntryPart;
  name: string;
  unit: string | null;
  onChange: (part: EntryPart) => void;
  onRemove: () => void;
}) {
  const styles = useStyles();
  const draft = useAmountDraft(part.amount, unit ?? '', (amount) => {
    const { amount: _, ...rest } = part;
    onChange(amount === undefined ? rest : { ...rest, amount });
  });
  return (
    <View style={styles.part}>
      {unit === null ? (
        <Words type="strong" style={styles.name}>
          {name}
        </Words>
      ) : (
        <View style={styles.name}>
          <Field
            label={name}
            value={draft.text}
            onChangeText={draft.write}
            onBlur={draft.leave}
            inputMode="decimal"
            suffix={unit}
            error={draft.fault ?? undefined}
            placeholder={editable(0)}
            selectTextOnFocus
          />
        </View>
      )}
      <View style={unit === null ? undefined : styles.removeBeside}>
        <IconButton icon={X} label={`Take away ${name}`} onPress={onRemove} />
      </View>
    </View>
  );
}

const useStyles = themed(() => ({
  ways: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  part: { flexDirection: 'row', alignItems: 'flex-start', gap: SPACE.s },
  name: { flex: 1, alignSelf: 'center' },
  removeBeside: { paddingTop: 22 },
}));
