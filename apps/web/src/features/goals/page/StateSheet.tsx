import { type Goal, formatDay, parseDay } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useGoalActions } from '../../../components/goals/useGoalActions.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Field } from '../../../ui/Field.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';

const STATE_SHEETS = {
  reached: { title: 'Close as reached', label: 'How did it go', button: 'Close as reached' },
  dropped: { title: 'Drop this goal', label: 'Why it is let go', button: 'Drop it' },
  paused: { title: 'Pause this goal', label: 'What it waits for', button: 'Pause it' },
  reopen: { title: 'Open this goal again', label: 'What is different now', button: 'Open again' },
} as const;

export function StateSheet({
  goal,
  step,
  onClose,
}: {
  goal: Goal;
  step: keyof typeof STATE_SHEETS;
  onClose: () => void;
}) {
  const actions = useGoalActions();
  const today = useAppSelector(selectToday);
  const [note, setNote] = useState('');
  const [day, setDay] = useState(formatDay(today));
  const [fault, setFault] = useState<string | undefined>();
  const { title, label, button } = STATE_SHEETS[step];
  const save = (): void => {
    const on = parseDay(day);
    if (on === null || on > today) {
      setFault(on === null ? 'Choose a day' : 'That day is still to come');
      return;
    }
    onClose();
    if (step === 'reopen') actions.reopen(goal, note.trim());
    else actions.close(goal, step, note.trim(), on);
  };
  return (
    <Sheet title={title} onClose={onClose}>
      <Words tone="quiet">{goal.title}</Words>
      <Field
        label={label}
        value={note}
        onChangeText={setNote}
        multiline
        maxLength={5000}
        hint="Optional. It is kept in the goal’s story."
      />
      {step === 'reopen' ? null : (
        <Field
          label="On"
          value={day}
          onChangeText={(text) => {
            setDay(text);
            setFault(undefined);
          }}
          isDate
          error={fault}
        />
      )}
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <Button kind="main" onPress={save}>
          {button}
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
      </View>
    </Sheet>
  );
}
