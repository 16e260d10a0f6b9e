import type { Habit } from '@wimbel/core';
import { type NameChoice, type ReadName, likeness } from '@wimbel/exchange';
import { useState } from 'react';
import { View } from 'react-native';
import { editable, parseTyped } from '../../../text/amounts.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { Field } from '../../../ui/Field.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';

export function NameSheet({
  name,
  choice,
  habits,
  onChoose,
  onClose,
}: {
  name: ReadName;
  choice: NameChoice;
  habits: readonly Habit[];
  onChoose: (choice: NameChoice) => void;
  onClose: () => void;
}) {
  const styles = useStyles();
  const asNew: NameChoice =
    choice.to === 'new'
      ? choice
      : { to: 'new', name: name.name.slice(0, 80), kind: name.kind, unit: name.unit, least: name.least };
  const offered = [...habits]
    .map((habit) => ({ habit, like: likeness(name.name, habit.name) }))
    .sort((a, b) => b.like - a.like || a.habit.order - b.habit.order);
  const option = (label: string, isChosen: boolean, take: NameChoice) => (
    <Choice
      key={label}
      role="radio"
      isChosen={isChosen}
      label={label}
      onPress={() => onChoose(take)}
      style={[styles.option, isChosen && styles.chosen]}
    >
      <Words type="name" tone={isChosen ? 'deep' : undefined}>
        {label}
      </Words>
    </Choice>
  );
  return (
    <Sheet title={`Where do the days of “${name.name}” go?`} onClose={onClose}>
      <View role="radiogroup" aria-label="Where they go" style={{ gap: SPACE.xs }}>
        {option('A new habit', choice.to === 'new', asNew)}
        {choice.to === 'new' ? <NewFields choice={choice} onChoose={onChoose} /> : null}
        {option('Nowhere', choice.to === 'nowhere', { to: 'nowhere' })}
        {offered.map(({ habit }) =>
          option(habit.name, choice.to === 'habit' && choice.id === habit.id, { to: 'habit', id: habit.id }),
        )}
      </View>
      <Button kind="main" onPress={onClose}>
        Done
      </Button>
    </Sheet>
  );
}

function NewFields({
  choice,
  onChoose,
}: {
  choice: Extract<NameChoice, { to: 'new' }>;
  onChoose: (choice: NameChoice) => void;
}) {
  const [least, setLeast] = useState(choice.least === null ? '' : editable(choice.least));
  const value = parseTyped(least);
  return (
    <View style={{ gap: SPACE.m, paddingLeft: SPACE.m }}>
      <Field
        label="Name"
        value={choice.name}
        onChangeText={(name) => onChoose({ ...choice, name: name.slice(0, 80) })}
      />
      <Segments
        label="How it is recorded"
        value={choice.kind}
        choices={[
          { value: 'check', label: 'Checked off' },
          { value: 'amount', label: 'An amount' },
        ]}
        onChange={(kind) => onChoose({ ...choice, kind })}
      />
      {choice.kind === 'amount' ? (
        <>
          <Field
            label="Unit"
            value={choice.unit}
            onChangeText={(unit) => onChoose({ ...choice, unit: unit.slice(0, 20) })}
          />
          <Field
            label="A day is done from"
            inputMode="decimal"
            value={least}
            suffix={choice.unit}
            error={value === null || value <= 0 ? 'A number above 0' : undefined}
            onChangeText={(text) => {
              setLeast(text);
              const typed = parseTyped(text);
              if (typed !== null && typed > 0) onChoose({ ...choice, least: typed });
            }}
          />
        </>
      ) : null}
    </View>
  );
}

const useStyles = themed((colors) => ({
  option: { minHeight: 44, justifyContent: 'center', paddingHorizontal: SPACE.m, borderRadius: 12 },
  chosen: { backgroundColor: colors.wash },
}));
