import { draftResolver } from '../../ui/draftResolver.ts';
import { checkRecord, keyResultDueIssue } from '@wimbel/contract';
import {
  type Goal,
  type Habit,
  type KeyResult,
  dayOf,
  evenCheckpoints,
  formatMonth,
  parseDay,
  monthSpan,
  KEY_RESULT_KINDS,
  type KeyResultKind,
} from '@wimbel/core';
import { useState } from 'react';
import { type Control, Controller, useForm, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { newId } from '../../store/makeChange.ts';
import { selectSettings, selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { editable, parseTyped } from '../../text/amounts.ts';
import { issueWords } from '../../text/issueText.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Chips } from '../../ui/Chips.tsx';
import { Labelled } from '../../ui/Field.tsx';
import { FormField } from '../../ui/FormField.tsx';
import { FieldRow } from '../../ui/FormPage.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';
import { CheckpointFields } from './CheckpointFields.tsx';
import {
  type KeyResultDraft,
  emptyKeyResultDraft,
  hasCheckpoints,
  isCounted,
  isOfHabit,
  keyResultDraftOf,
  keyResultDraftSchema,
  keyResultOfDraft,
} from './keyResultDraft.ts';

/** Five years of months. */
const MOST_CHECKPOINTS = 60;

export const KIND_WORDS: Record<KeyResultKind, string> = {
  number: 'A number',
  money: 'Money',
  yesNo: 'Yes or no',
  steps: 'Steps done',
  habitDays: 'Days of a habit',
  habitAmount: 'Amount of a habit',
};
const KIND_HINTS: Record<KeyResultKind, string> = {
  number: 'You check in where it stands. Smaller than the start works too, for a time or a weight.',
  money: 'You check in what is there by now.',
  yesNo: 'Either it is so, or not yet.',
  steps: 'It is as far as the steps you give it are done.',
  habitDays: 'Updates automatically: each day the habit is done counts.',
  habitAmount: 'Updates automatically from what you record under the habit.',
};

type Props = {
  goal: Goal;
  keyResult: KeyResult | null;
  nextOrder: number;
  /** Habits that can be counted. */
  habits: readonly Habit[];
  onSave: (keyResult: KeyResult) => void;
  onClose: () => void;
  onRemove?: () => void;
};

/** Fills in a key result, or one anew. Its kind stays once it is made. */
/** The form as it is filled in, what sends it, and what lays its checkpoints evenly. */
function useKeyResultForm({ goal, keyResult, nextOrder, onSave }: Omit<Props, 'habits' | 'onClose' | 'onRemove'>) {
  const { currency = 'EUR' } = useAppSelector(selectSettings);
  const today = useAppSelector(selectToday);
  const [fault, setFault] = useState<string | null>(null);
  const { control, handleSubmit, setValue, setError } = useForm<KeyResultDraft>({
    resolver: draftResolver(keyResultDraftSchema),
    defaultValues: keyResult === null ? emptyKeyResultDraft(currency) : keyResultDraftOf(keyResult),
    mode: 'onSubmit',
  });
  const draft = useWatch({ control }) as KeyResultDraft;
  const { kind } = draft;
  const save = handleSubmit((filled) => {
    const next = keyResultOfDraft(filled, keyResult ?? { id: newId(), goalId: goal.id, order: nextOrder });
    const early = keyResultDueIssue(next, goal);
    if (early) {
      setError('dueOn', { message: 'The due day is before the start' });
      return;
    }
    const { issues } = checkRecord('keyResults', next);
    if (issues.length > 0) setFault(issues.map(issueWords).join('; '));
    else onSave(next);
  });
  const propose = (): void => {
    const start = parseDay(draft.startsOn || goal.startsOn);
    const due = parseDay(draft.dueOn || (goal.dueOn ?? ''));
    const from = isOfHabit(kind) ? 0 : parseTyped(draft.start);
    const target = parseTyped(draft.target);
    if (start === null || due === null || from === null || target === null) {
      setFault('Checkpoints lie between the start and the due day: both days, the start and the target are needed.');
      return;
    }
    setFault(null);
    const isWhole = kind === 'habitDays' || (kind === 'number' && Number.isInteger(from) && Number.isInteger(target));
    // What begins now has nothing to be reached in months that are over.
    const even = evenCheckpoints({ start, due }, { from, target, isWhole }).filter(
      ({ month }) => keyResult !== null || monthSpan(month).last >= today,
    );
    if (even.length > MOST_CHECKPOINTS) {
      setFault(`That would be ${even.length} checkpoints, one a month. Up to ${MOST_CHECKPOINTS} can be laid.`);
      return;
    }
    if (even.length === 0) setFault('No month ends between the start and the due day, so there is no checkpoint.');
    setValue(
      'checkpoints',
      Object.fromEntries(even.map(({ month, target: value }) => [formatMonth(month), editable(value)])),
    );
  };
  return { control, setValue, kind, habitId: draft.habitId, fault, save: (): void => void save(), propose };
}

export function KeyResultForm(props: Props) {
  const { goal, keyResult, habits, onClose, onRemove } = props;
  const { control, setValue, kind, habitId, fault, save, propose } = useKeyResultForm(props);
  return (
    <Sheet title={keyResult === null ? 'A new key result' : 'Edit key result'} onClose={onClose}>
      <FormField
        control={control}
        name="title"
        label="What is counted"
        placeholder="Planks refitted"
        maxLength={300}
        hint="What would show somebody else that you are getting there?"
        autoFocus={keyResult === null}
      />
      {keyResult === null ? (
        <Labelled label="How it is counted" hint={KIND_HINTS[kind]}>
          <Chips
            label="How it is counted"
            chips={KEY_RESULT_KINDS.map((value) => ({ value, label: KIND_WORDS[value] }))}
            chosen={[kind]}
            onPress={(value) => setValue('kind', value as KeyResultKind)}
          />
        </Labelled>
      ) : (
        <Words tone="quiet">{KIND_WORDS[kind]}</Words>
      )}
      <CountedFields control={control} kind={kind} habitId={habitId} habits={habits} />
      {hasCheckpoints(kind) ? (
        <Controller
          control={control}
          name="checkpoints"
          render={({ field, fieldState }) => (
            <CheckpointFields
              values={field.value}
              error={fieldState.error?.message}
              onChange={field.onChange}
              onPropose={propose}
            />
          )}
        />
      ) : null}
      <FieldRow>
        <Cell>
          <FormField control={control} name="weight" label="Weight" inputMode="decimal" hint="1 is usual." />
        </Cell>
        <Cell wide>
          <FormField control={control} name="startsOn" label="Own first day" isDate />
        </Cell>
        <Cell wide>
          <FormField control={control} name="dueOn" label="Own due day" isDate />
        </Cell>
      </FieldRow>
      <Words type="quiet" tone="quiet">
        Left empty, the days are the goal’s
        {goal.dueOn && dayOf(goal.dueOn) ? '' : ', which has no due day yet'}.
      </Words>
      {fault !== null ? (
        <View role="alert">
          <Words tone="madder">{fault}</Words>
        </View>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button kind="main" onPress={save}>
          {keyResult === null ? 'Add key result' : 'Save'}
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
        {onRemove ? <Button onPress={onRemove}>Delete key result</Button> : null}
      </View>
    </Sheet>
  );
}

/** From where to where it is counted, in what, or of which habit. */
function CountedFields({
  control,
  kind,
  habitId,
  habits,
}: {
  control: Control<KeyResultDraft>;
  kind: KeyResultKind;
  habitId: string;
  habits: Props['habits'];
}) {
  const countable = habits.filter((habit) => kind === 'habitDays' || habit.measure.kind === 'amount');
  const chosen = habits.find((habit) => habit.id === habitId);
  const unitOfHabit = chosen?.measure.kind === 'amount' ? chosen.measure.unit : '';
  return (
    <>
      {isOfHabit(kind) ? (
        <Controller
          control={control}
          name="habitId"
          render={({ field, fieldState }) => (
            <Labelled
              label="Which habit"
              error={fieldState.error?.message}
              hint={
                countable.length === 0
                  ? 'There is no such habit yet. Make it first; it can be made from the goal.'
                  : undefined
              }
            >
              <Chips
                label="Which habit"
                chips={countable.map((habit) => ({ value: habit.id, label: habit.name }))}
                chosen={[field.value]}
                onPress={field.onChange}
              />
            </Labelled>
          )}
        />
      ) : null}
      {hasCheckpoints(kind) ? (
        <FieldRow>
          {isCounted(kind) ? (
            <Cell>
              <FormField control={control} name="start" label="Starts at" inputMode="decimal" />
            </Cell>
          ) : null}
          <Cell>
            <FormField
              control={control}
              name="target"
              label={kind === 'habitDays' ? 'How many days' : 'Target'}
              inputMode="decimal"
              suffix={kind === 'habitDays' ? 'days' : kind === 'habitAmount' ? unitOfHabit : undefined}
            />
          </Cell>
          {kind === 'number' ? (
            <Cell>
              <FormField control={control} name="unit" label="Unit" placeholder="h, kg, pages" />
            </Cell>
          ) : null}
          {kind === 'money' ? (
            <Cell>
              <FormField control={control} name="currency" label="Currency" placeholder="EUR" maxLength={3} />
            </Cell>
          ) : null}
        </FieldRow>
      ) : null}
    </>
  );
}

function Cell({ children, wide = false }: { children: React.ReactNode; wide?: boolean }) {
  return <View style={{ flex: 1, minWidth: wide ? 140 : 90 }}>{children}</View>;
}
