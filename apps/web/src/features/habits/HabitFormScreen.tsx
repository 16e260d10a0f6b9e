import { capital } from '../../shared/format.ts';
import { yupResolver } from '@hookform/resolvers/yup';
import { checkRecord } from '@wimbel/contract';
import { type Habit, type PlainDay, WEEKDAYS, eachEntry, formatDay, parseDay } from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { NEW_AREA, newArea } from '../../parts/newArea.ts';
import { useRecording } from '../../sync/RecordsProvider.tsx';
import { changeTo, newId } from '../../store/makeChange.ts';
import {
  selectAreas,
  selectGoals,
  selectHabits,
  selectSettings,
  selectToday,
  selectEntries,
} from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { forgetDraft, useFormDraft } from '../../shared/formDraft.ts';
import { parseTyped } from '../../shared/amounts.ts';
import { useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { Button } from '../../ui/Button.tsx';
import { Chips } from '../../ui/Chips.tsx';
import { Labelled } from '../../ui/Field.tsx';
import { FormField } from '../../ui/FormField.tsx';
import { FieldRow, FormPage } from '../../ui/FormPage.tsx';
import { IconGrid } from '../../ui/IconGrid.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { issueWords } from '../../words/issueWords.ts';
import { useToast } from '../../ui/Toast.tsx';
import { NotHere } from '../../ui/NotHere.tsx';
import { Words } from '../../ui/Words.tsx';
import {
  type HabitDraft,
  changesTerms,
  termsFromFault,
  draftOf,
  emptyDraft,
  habitDraftSchema,
  habitOfDraft,
} from './habitDraft.ts';

const SCHEDULES = [
  { value: 'daily', label: 'Every day' },
  { value: 'weekdays', label: 'On weekdays' },
  { value: 'interval', label: 'Every few days' },
  { value: 'perWeek', label: 'Times a week' },
  { value: 'perMonth', label: 'Times a month' },
];
const PARTS = [
  { value: 'morning', label: 'Morning' },
  { value: 'midday', label: 'Midday' },
  { value: 'evening', label: 'Evening' },
  { value: 'any', label: 'Any time' },
];
const LONGEST_NAME = 120;

/** Whether the numbers of the terms can be read yet, while they are typed. */
const isReadable = ({ measure, threshold, schedule, every, times }: HabitDraft): boolean =>
  (measure === 'check' || parseTyped(threshold) !== null) &&
  (schedule !== 'interval' || parseTyped(every) !== null) &&
  ((schedule !== 'perWeek' && schedule !== 'perMonth') || parseTyped(times) !== null);

/** Adds a habit, or edits the one with `habitId`. */
export function HabitFormScreen({ habitId }: { habitId?: string }) {
  const { goal, copy, day } = useLocalSearchParams<{ goal?: string; copy?: string; day?: string }>();
  const source = useAppSelector((state) => state.records.habits[copy ?? ''] ?? null);
  const habit = useAppSelector((state) =>
    habitId === undefined ? null : (state.records.habits[habitId] ?? undefined),
  );
  if (habit === undefined) return <NotHere what="habit" />;
  return (
    <HabitForm
      key={habitId ?? `new ${copy ?? ''}`}
      habit={habit}
      source={habit === null ? source : null}
      forGoal={goal ?? source?.goalId ?? ''}
      from={parseDay(day ?? '')}
    />
  );
}

function HabitForm({
  habit,
  source,
  forGoal,
  from,
}: {
  habit: Habit | null;
  /** The habit that a new one is made like. */
  source: Habit | null;
  /** The goal that a new one is made for. */
  forGoal: string;
  /** The first day of a new one, if not today. */
  from: PlainDay | null;
}) {
  const router = useRouter();
  const toast = useToast();
  const { colors } = useTheme();
  const { change } = useRecording();
  const today = useAppSelector(selectToday);
  const areas = useAppSelector(selectAreas);
  const habits = useAppSelector(selectHabits);
  const hasRecords = useAppSelector(
    (state) => habit !== null && !eachEntry(selectEntries(state, habit.id)).next().done,
  );
  const allGoals = useAppSelector(selectGoals);
  const [goalId, setGoalId] = useState(habit === null ? forGoal : (habit.goalId ?? ''));
  const goals = allGoals.filter((goal) => goal.state === 'open' || goal.id === goalId);
  const [fault, setFault] = useState<string | null>(null);
  const startsOn = formatDay(from === null ? today : Math.min(from, today));
  const form = useForm<HabitDraft>({
    resolver: yupResolver(habitDraftSchema) as never,
    defaultValues:
      habit !== null
        ? draftOf(habit, today)
        : { ...(source === null ? emptyDraft(today) : draftOf(source, today)), startsOn, endsOn: '' },
    // Nothing is found wrong before the form is sent: a word that came in between would move what is about to be tapped.
    mode: 'onSubmit',
  });
  const { control, handleSubmit, setValue, setError, setFocus, reset } = form;
  const draftName = habit === null && source === null ? `habit ${startsOn}` : null;
  useFormDraft(draftName, form);
  const draft = useWatch({ control }) as HabitDraft;
  const isDouble = habits.some(
    ({ id, name }) => id !== habit?.id && name.trim().toLowerCase() === draft.name.trim().toLowerCase(),
  );
  const { pipsName = { one: 'pip', many: 'pips' } } = useAppSelector(selectSettings);
  const asksFrom =
    (hasRecords || (habit?.terms.length ?? 0) > 1) && isReadable(draft) && changesTerms(habit, draft, today);
  const listAddress = from === null ? '/habits/list' : `/habits/list?day=${formatDay(from)}`;
  const back = (): void =>
    router.canGoBack() ? router.back() : router.replace((habit ? `/habits/${habit.id}` : '/today') as never);

  const leave = (): void => {
    if (draftName !== null) forgetDraft(draftName);
    back();
  };

  const save = (then: 'back' | 'another') =>
    handleSubmit(
      (filled) => {
        const fromFault = asksFrom ? termsFromFault(filled, today) : null;
        if (fromFault !== null) {
          setError('termsFrom', { message: fromFault });
          setFault('Some fields above need another look. Nothing you wrote is lost.');
          return;
        }
        const isNewArea = filled.areaId === NEW_AREA && filled.newArea.trim() !== '';
        const area = isNewArea ? newArea(filled.newArea, areas) : null;
        const areaId = area?.id ?? (filled.areaId === NEW_AREA || filled.areaId === '' ? undefined : filled.areaId);
        const { goalId: _, ...filledIn } = habitOfDraft(filled, habit, {
          id: habit?.id ?? newId(),
          order: (habits.at(-1)?.order ?? -1) + 1,
          today,
          areaId,
          hasRecords,
        });
        const next: Habit = {
          ...filledIn,
          ...(goals.some((goal) => goal.id === goalId) ? { goalId } : {}),
          ...(source?.variants && filled.measure === source.measure.kind ? { variants: source.variants } : {}),
        };
        const { issues } = checkRecord('habits', next);
        if (issues.length > 0) {
          setFault(issues.map(issueWords).join('; '));
          return;
        }
        if (draftName !== null) forgetDraft(draftName);
        const onUndo = change(...(area ? [changeTo('areas', area)] : []), changeTo('habits', next));
        toast({ text: habit === null ? `${next.name} is on your days` : `${next.name} is changed`, onUndo });
        if (then === 'back') return back();
        setFault(null);
        const { partOfDay } = filled;
        reset({ ...emptyDraft(today), startsOn, partOfDay, areaId: areaId ?? '' });
        // The fields are made anew first.
        setTimeout(() => setFocus('name'));
      },
      () => setFault('Some fields above need another look. Nothing you wrote is lost.'),
    );

  return (
    <FormPage
      title={habit === null ? 'A new habit' : 'Edit habit'}
      saveLabel={habit === null ? 'Add habit' : 'Save'}
      onSave={() => void save('back')()}
      {...(habit === null ? { also: { label: 'Add, then another', onPress: () => void save('another')() } } : {})}
      onBack={leave}
      fault={fault}
    >
      {habit === null && source === null ? (
        <Button kind="bare" style={{ alignSelf: 'flex-start' }} onPress={() => router.replace(listAddress as never)}>
          Write a list instead
        </Button>
      ) : null}
      <FormField
        control={control}
        name="name"
        label="Name"
        placeholder="Scales before breakfast"
        maxLength={LONGEST_NAME}
        autoFocus={habit === null}
        hint={isDouble ? 'You have a habit of this name already' : undefined}
      />
      <Labelled label="Icon">
        <IconGrid value={draft.icon} onChange={(icon) => setValue('icon', icon)} />
      </Labelled>
      <Labelled label="Area">
        <Chips
          label="Area"
          chips={[
            { value: '', label: 'None' },
            ...areas.map((area) => ({ value: area.id, label: area.name, dot: dyeColor(colors, area.color) })),
            { value: NEW_AREA, label: 'New area' },
          ]}
          chosen={[draft.areaId]}
          onPress={(areaId) => setValue('areaId', areaId)}
        />
      </Labelled>
      {draft.areaId === NEW_AREA ? (
        <FormField
          control={control}
          name="newArea"
          label="Name of the new area"
          placeholder="Boat yard"
          maxLength={80}
        />
      ) : null}
      {goals.length > 0 ? (
        <Labelled label="Goal" hint="The goal it carries. A key result can count it besides.">
          <Chips
            label="Goal"
            chips={[{ value: '', label: 'None' }, ...goals.map((goal) => ({ value: goal.id, label: goal.title }))]}
            chosen={[goalId]}
            onPress={setGoalId}
          />
        </Labelled>
      ) : null}
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
      ) : null}
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
                    field.value.includes(value as never)
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
      <FormField
        control={control}
        name="pips"
        label={`${capital(pipsName.many)} a done day earns`}
        inputMode="decimal"
        placeholder="none"
      />
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
      {habit === null ? null : (
        <FormField control={control} name="endsOn" label="Last day" isDate hint="Optional, while it has no end." />
      )}
      <FormField control={control} name="note" label="Note to yourself" multiline maxLength={2000} />
    </FormPage>
  );
}
