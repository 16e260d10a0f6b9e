import { WEEKDAYS } from '@wimbel/core';
import { Controller, type UseFormReturn, useWatch } from 'react-hook-form';
import { capital } from '../../text/format.ts';
import { Chips } from '../../ui/Chips.tsx';
import { Labelled } from '../../ui/Field.tsx';
import { FormField } from '../../ui/FormField.tsx';
import { Segments } from '../../ui/Segments.tsx';
import type { HabitDraft } from './habitDraft.ts';

const SCHEDULES = [
  { value: 'daily', label: 'Every day' },
  { value: 'weekdays', label: 'On weekdays' },
  { value: 'interval', label: 'Every few days' },
  { value: 'perWeek', label: 'Times a week' },
  { value: 'perMonth', label: 'Times a month' },
];
export type HabitForm = UseFormReturn<HabitDraft>;
type Of = { form: HabitForm };

/** The form as it is filled in so far. */
export const useDraft = ({ control }: HabitForm) => useWatch({ control }) as HabitDraft;

/** From or up to which amount a day is done. */
export function LimitFields({ form }: Of) {
  const { control, setValue } = form;
  const draft = useDraft(form);
  return (
    <>
      <Labelled label="Daily target">
        <Segments
          label="Daily target"
          value={draft.limit}
          choices={[
            { value: 'atLeast', label: 'At least' },
            { value: 'atMost', label: 'At most' },
          ]}
          onChange={(limit) => setValue('limit', limit)}
          isWrapping
        />
      </Labelled>
      <FormField
        control={control}
        name="threshold"
        label={draft.limit === 'atLeast' ? 'At least how much' : 'At most how much'}
        inputMode="decimal"
        suffix={draft.unit}
      />
    </>
  );
}

/** How often it is due. */
export function OftenFields({ form }: Of) {
  const { control, setValue } = form;
  const draft = useDraft(form);
  return (
    <>
      <Labelled label="How often">
        <Chips
          label="How often"
          chips={SCHEDULES}
          chosen={[draft.schedule]}
          onPress={(schedule) => setValue('schedule', schedule as HabitDraft['schedule'])}
        />
      </Labelled>
      {draft.schedule === 'weekdays' ? (
        <Controller
          control={control}
          name="weekdays"
          render={({ field, fieldState }) => (
            <Labelled label="Which weekdays" error={fieldState.error?.message}>
              <Chips
                label="Which weekdays"
                isMultiple
                chips={WEEKDAYS.map((value) => ({ value, label: capital(value).slice(0, 3) }))}
                chosen={field.value}
                onPress={(value) =>
                  field.onChange(
                    (field.value as readonly string[]).includes(value)
                      ? field.value.filter((each) => each !== value)
                      : [...field.value, value],
                  )
                }
              />
            </Labelled>
          )}
        />
      ) : null}
      {draft.schedule === 'interval' ? (
        <FormField control={control} name="every" label="Every how many days" inputMode="numeric" suffix="days" />
      ) : null}
      {draft.schedule === 'perWeek' || draft.schedule === 'perMonth' ? (
        <FormField
          control={control}
          name="times"
          label={draft.schedule === 'perWeek' ? 'Days a week' : 'Days a month'}
          inputMode="numeric"
          suffix={draft.schedule === 'perWeek' ? 'of 7' : 'days'}
          hint="Any days will do."
        />
      ) : null}
    </>
  );
}
