import { checkRecord } from '@wimbel/contract';
import type { Habit } from '@wimbel/core';
import { draftResolver } from '../../ui/draftResolver.ts';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import { changeTo } from '../../store/makeChange.ts';
import { selectToday, trackOf } from '../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField } from '../../ui/FormField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';
import { issueWords } from '../../text/issueText.ts';
import { type HabitDraft, changesTerms, draftOf, habitDraftSchema, termsAfter, termsFromFault } from './habitDraft.ts';
import { LimitFields, OftenFields } from './TermsFields.tsx';

/** What a habit asks from a day on, changed where one stands: how often, how much. Past days stay as they were. */
export function ChangeTermsSheet({ habit, onClose }: { habit: Habit; onClose: () => void }) {
  const today = useAppSelector(selectToday);
  const store = useStore<RootState>();
  const { change } = useRecording();
  const toast = useToast();
  const [fault, setFault] = useState<string | null>(null);
  const form = useForm<HabitDraft>({
    resolver: draftResolver(habitDraftSchema),
    defaultValues: draftOf(habit, today),
    mode: 'onSubmit',
  });
  const keep = (filled: HabitDraft): void => {
    const fromFault = termsFromFault(filled, today);
    if (fromFault !== null) return form.setError('termsFrom', { message: fromFault });
    if (!changesTerms(habit, filled, today)) return onClose();
    const { first } = trackOf(store.getState(), habit);
    const next: Habit = { ...habit, terms: termsAfter(habit, filled, today, first) };
    const { issues } = checkRecord('habits', next);
    if (issues.length > 0) return setFault(issues.map(issueWords).join('; '));
    toast({ text: `${habit.name} is changed`, onUndo: change(changeTo('habits', next)) });
    onClose();
  };
  return (
    <Sheet title={habit.name} onClose={onClose}>
      <OftenFields form={form} />
      {habit.measure.kind === 'amount' ? <LimitFields form={form} /> : null}
      <FormField
        control={form.control}
        name="termsFrom"
        label="From which day"
        isDate
        hint="Past days stay as they were, with every figure."
      />
      {fault === null ? null : (
        <View role="alert">
          <Words tone="madder">{fault}</Words>
        </View>
      )}
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <Button kind="main" onPress={() => void form.handleSubmit(keep)()}>
          Save
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
      </View>
    </Sheet>
  );
}
