import { type Goal, dayOf, formatDay, monthOfDay, monthSpan, quarterOfMonth } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useGoalActions } from '../../../components/goals/useGoalActions.ts';
import { dateNear } from '../../../text/format.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { Field } from '../../../ui/Field.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';

/** Due days that are close at hand, from the day it is due now, or today. */
function nextDays(goal: Goal, today: number): { label: string; value: string }[] {
  const from = Math.max(today, goal.dueOn ? dayOf(goal.dueOn) : today);
  const quarter = quarterOfMonth(monthOfDay(from));
  const ends = monthSpan(monthSpan(quarter.last).last > from ? quarter.last : quarter.last + 3).last;
  return [
    { label: 'A week on', value: formatDay(from + 7) },
    { label: 'Four weeks on', value: formatDay(from + 28) },
    { label: 'End of the quarter', value: formatDay(ends) },
  ];
}

export function PostponeSheet({ goal, onClose }: { goal: Goal; onClose: () => void }) {
  const actions = useGoalActions();
  const today = useAppSelector(selectToday);
  const [day, setDay] = useState(goal.dueOn ?? '');
  const [note, setNote] = useState('');
  const [fault, setFault] = useState<string | undefined>();
  const days = nextDays(goal, today);
  const save = (): void => {
    const found = day === '' ? 'Choose the new due day' : day === goal.dueOn ? 'It is due on this day already' : null;
    const refused = found ?? actions.postpone(goal, day, note.trim());
    if (refused === null) onClose();
    else setFault(refused);
  };
  return (
    <Sheet title="Postpone" onClose={onClose}>
      <Words tone="quiet">
        {goal.title}. {goal.dueOn ? `Due ${dateNear(dayOf(goal.dueOn), today)} so far.` : 'No due day so far.'}
      </Words>
      <Chips
        label="New due day, near at hand"
        chips={days}
        chosen={[day]}
        onPress={(value) => {
          setDay(value);
          setFault(undefined);
        }}
      />
      <Field
        label="New due day"
        value={day}
        onChangeText={(text) => {
          setDay(text);
          setFault(undefined);
        }}
        isDate
        error={fault}
      />
      <Field label="Why" value={note} onChangeText={setNote} multiline maxLength={5000} hint="Optional." />
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <Button kind="main" onPress={save}>
          Postpone
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
      </View>
    </Sheet>
  );
}
