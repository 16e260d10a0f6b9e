import type { Goal } from '@wimbel/core';
import { View } from 'react-native';
import { AreaFields } from '../../../components/habitForm/AreaFields.tsx';
import { capital } from '../../../text/format.ts';
import { selectIsHidden, selectSettings } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { Chips } from '../../../ui/Chips.tsx';
import { Labelled } from '../../../ui/Field.tsx';
import { FormField } from '../../../ui/FormField.tsx';
import { FieldRow } from '../../../ui/FormPage.tsx';
import { IconGrid } from '../../../ui/IconGrid.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import { Words } from '../../../ui/Words.tsx';
import type { HabitDraft } from '../../../components/habitForm/habitDraft.ts';
import { type HabitForm, LimitFields, useDraft } from '../../../components/habitForm/TermsFields.tsx';

const PARTS = [
  { value: 'morning', label: 'Morning' },
  { value: 'midday', label: 'Midday' },
  { value: 'evening', label: 'Evening' },
  { value: 'any', label: 'Any time' },
];
const LONGEST_NAME = 120;
const DONE_BY_HINTS = {
  journal: 'The first written word of a day checks it off; a tap does too.',
  review: 'The first written word of a look back checks off the day you write it; a tap does too.',
};

type Of = { form: HabitForm };

/** What the habit is called and belongs to: name, icon, area, goal. */
export function NameFields({
  form,
  isNew,
  isDouble,
  goals,
  goalId,
  onGoal,
}: Of & {
  isNew: boolean;
  /** Whether another habit has the name that is typed. */
  isDouble: boolean;
  /** Goals that it can carry. */
  goals: readonly Goal[];
  goalId: string;
  onGoal: (goalId: string) => void;
}) {
  const { control, setValue } = form;
  const draft = useDraft(form);
  return (
    <>
      <FormField
        control={control}
        name="name"
        label="Name"
        placeholder="Scales before breakfast"
        maxLength={LONGEST_NAME}
        autoFocus={isNew}
        hint={isDouble ? 'You have a habit of this name already' : undefined}
      />
      <Labelled label="Icon">
        <IconGrid value={draft.icon} onChange={(icon) => setValue('icon', icon)} />
      </Labelled>
      <AreaFields control={control} setValue={setValue} />
      {goals.length > 0 ? (
        <Labelled label="Goal" hint="The goal it carries. A key result can count it besides.">
          <Chips
            label="Goal"
            chips={[{ value: '', label: 'None' }, ...goals.map((goal) => ({ value: goal.id, label: goal.title }))]}
            chosen={[goalId]}
            onPress={onGoal}
          />
        </Labelled>
      ) : null}
    </>
  );
}

/** What a day of it is: something to do or to quit, checked off or an amount. */
export function CountFields({ form, hasRecords }: Of & { hasRecords: boolean }) {
  const { control, setValue } = form;
  const hidesJournal = useAppSelector((state) => selectIsHidden(state, 'journal'));
  const draft = useDraft(form);
  return (
    <>
      <Labelled label="What it is" hint={draft.aim === 'quit' ? 'Each day you held off is a day done.' : undefined}>
        <Segments
          label="What it is"
          value={draft.aim}
          choices={[
            { value: 'build', label: 'Something to do' },
            { value: 'quit', label: 'Something to quit' },
          ]}
          onChange={(aim) => setValue('aim', aim)}
          isWrapping
        />
      </Labelled>
      <Labelled
        label="How it is counted"
        hint={hasRecords ? 'Days are recorded this way already, so it stays.' : undefined}
      >
        {hasRecords ? (
          <Words type="strong">
            {draft.measure === 'check' ? 'Checked off' : `An amount, in ${draft.unit || 'numbers'}`}
          </Words>
        ) : (
          <Segments
            label="How it is counted"
            value={draft.measure}
            choices={[
              { value: 'check', label: 'Checked off' },
              { value: 'amount', label: 'An amount' },
            ]}
            onChange={(measure) => setValue('measure', measure)}
            isWrapping
          />
        )}
      </Labelled>
      {draft.measure === 'check' && !hidesJournal ? (
        <Labelled label="What checks it off" hint={draft.doneBy === '' ? undefined : DONE_BY_HINTS[draft.doneBy]}>
          <Segments
            label="What checks it off"
            value={draft.doneBy === '' ? 'tap' : draft.doneBy}
            choices={[
              { value: 'tap', label: 'A tap' },
              { value: 'journal', label: 'Writing in the journal' },
              { value: 'review', label: 'Looking back' },
            ]}
            onChange={(by) => setValue('doneBy', by === 'tap' ? '' : by)}
            isWrapping
          />
        </Labelled>
      ) : null}
      {draft.measure === 'amount' ? (
        <>
          <FieldRow>
            <View style={{ flex: 1, minWidth: 120 }}>
              <FormField control={control} name="unit" label="Unit" placeholder="min, m, pages, €" />
            </View>
            <View style={{ flex: 1, minWidth: 120 }}>
              <FormField control={control} name="step" label="One tap adds" inputMode="decimal" suffix={draft.unit} />
            </View>
          </FieldRow>
          <LimitFields form={form} />
        </>
      ) : null}
    </>
  );
}

/** What is left: pips, from when the terms apply, part of the day, first and last day, a note. */
export function DayFields({ form, isNew, asksFrom }: Of & { isNew: boolean; asksFrom: boolean }) {
  const { control, setValue } = form;
  const draft = useDraft(form);
  const { pipsName = { one: 'pip', many: 'pips' } } = useAppSelector(selectSettings);
  const hidesPips = useAppSelector((state) => selectIsHidden(state, 'pips'));
  return (
    <>
      {hidesPips ? null : (
        <FormField
          control={control}
          name="pips"
          label={`${capital(pipsName.many)} a done day earns`}
          inputMode="decimal"
          placeholder="none"
        />
      )}
      {asksFrom ? (
        <FormField
          control={control}
          name="termsFrom"
          label="Applies from"
          isDate
          hint="Past days stay as they were, with every figure."
        />
      ) : null}
      <Labelled label="Part of the day">
        <Chips
          label="Part of the day"
          chips={PARTS}
          chosen={[draft.partOfDay]}
          onPress={(part) => setValue('partOfDay', part as HabitDraft['partOfDay'])}
        />
      </Labelled>
      <FormField
        control={control}
        name="startsOn"
        label="First day"
        isDate
        hint="A record of an earlier day simply starts it earlier."
      />
      {isNew ? null : (
        <FormField control={control} name="endsOn" label="Last day" isDate hint="Optional, while it has no end." />
      )}
      <FormField control={control} name="note" label="Note to yourself" multiline maxLength={2000} />
    </>
  );
}
