import { yupResolver } from '@hookform/resolvers/yup';
import { checkRecord } from '@wimbel/contract';
import type { Goal, KeyResult } from '@wimbel/core';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { useRecording } from '../../records/RecordsProvider.tsx';
import { changeTo, newId, removalOf } from '../../records/makeChange.ts';
import { selectHabits } from '../../records/selectors.ts';
import { useAppSelector } from '../../records/store.ts';
import { parseTyped } from '../../shared/amounts.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Chips } from '../../ui/Chips.tsx';
import { Labelled } from '../../ui/Field.tsx';
import { FormField } from '../../ui/FormField.tsx';
import { FieldRow } from '../../ui/FormPage.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';
import {
  DRAFT_KINDS,
  type DraftKind,
  type KeyResultDraft,
  emptyKeyResultDraft,
  keyResultDraftOf,
  keyResultDraftSchema,
  measureOfDraft,
} from './keyResultDraft.ts';

const KIND_WORDS: Record<DraftKind, string> = { number: 'A number', yesNo: 'Yes or no', habitDays: 'Days of a habit' };

type Props = { goal: Goal; keyResult: KeyResult | null; nextOrder: number; onClose: () => void };

/** Adds a key result to a goal, or edits one. Its kind stays once it is made. */
export function KeyResultForm({ goal, keyResult, nextOrder, onClose }: Props) {
  const { change } = useRecording();
  const toast = useToast();
  const habits = useAppSelector(selectHabits).filter((habit) => !habit.archived);
  const [fault, setFault] = useState<string | null>(null);
  const { control, handleSubmit, setValue } = useForm<KeyResultDraft>({
    resolver: yupResolver(keyResultDraftSchema) as never,
    defaultValues: keyResult === null ? emptyKeyResultDraft() : keyResultDraftOf(keyResult),
    mode: 'onTouched',
  });
  const draft = useWatch({ control }) as KeyResultDraft;
  const isOfOtherKind = keyResult !== null && !DRAFT_KINDS.includes(keyResult.measure.kind as DraftKind);
  const save = handleSubmit((filled) => {
    const weight = parseTyped(filled.weight)!;
    const next: KeyResult = {
      ...(keyResult ?? { id: newId(), goalId: goal.id, order: nextOrder }),
      title: filled.title.trim(),
      measure: isOfOtherKind ? keyResult.measure : measureOfDraft(filled),
    };
    if (weight === 1) delete next.weight;
    else next.weight = weight;
    const { issues } = checkRecord('keyResults', next);
    if (issues.length > 0) {
      setFault(issues.map(({ path, message }) => `${path} ${message}`).join('; '));
      return;
    }
    change(changeTo('keyResults', next));
    toast({
      text: keyResult === null ? `${next.title} is part of the goal` : `${next.title} is changed`,
      onUndo: () => change(keyResult === null ? removalOf('keyResults', next.id) : changeTo('keyResults', keyResult)),
    });
    onClose();
  });
  return (
    <Sheet title={keyResult === null ? 'A new key result' : 'Edit key result'} onClose={onClose}>
      <FormField control={control} name="title" label="What is counted" placeholder="Planks refitted" maxLength={300} />
      {keyResult === null ? (
        <Labelled label="How it is counted">
          <Segments
            label="How it is counted"
            value={draft.kind}
            choices={DRAFT_KINDS.map((value) => ({ value, label: KIND_WORDS[value] }))}
            onChange={(kind) => setValue('kind', kind)}
            isWrapping
          />
        </Labelled>
      ) : null}
      {draft.kind === 'number' && !isOfOtherKind ? (
        <FieldRow>
          <View style={{ flex: 1, minWidth: 90 }}>
            <FormField control={control} name="start" label="Starts at" inputMode="decimal" />
          </View>
          <View style={{ flex: 1, minWidth: 90 }}>
            <FormField control={control} name="target" label="Target" inputMode="decimal" />
          </View>
          <View style={{ flex: 1, minWidth: 90 }}>
            <FormField control={control} name="unit" label="Unit" placeholder="h, kg, pages" />
          </View>
        </FieldRow>
      ) : null}
      {draft.kind === 'habitDays' && !isOfOtherKind ? (
        <>
          <Controller
            control={control}
            name="habitId"
            render={({ field, fieldState }) => (
              <Labelled
                label="Which habit"
                error={fieldState.error?.message}
                hint={habits.length === 0 ? 'Add a habit on Today first.' : undefined}
              >
                <Chips
                  label="Which habit"
                  chips={habits.map((habit) => ({ value: habit.id, label: habit.name }))}
                  chosen={[field.value]}
                  onPress={field.onChange}
                />
              </Labelled>
            )}
          />
          <FormField
            control={control}
            name="target"
            label="How many days"
            inputMode="numeric"
            suffix="days"
            hint="Counted from the goal's start to its due day."
          />
        </>
      ) : null}
      <FormField
        control={control}
        name="weight"
        label="Weight"
        inputMode="decimal"
        hint="How much it counts beside the others; 1 is usual."
      />
      {fault !== null ? (
        <View role="alert">
          <Words tone="madder">{fault}</Words>
        </View>
      ) : null}
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <Button kind="main" onPress={() => void save()}>
          {keyResult === null ? 'Add key result' : 'Save'}
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
      </View>
    </Sheet>
  );
}
