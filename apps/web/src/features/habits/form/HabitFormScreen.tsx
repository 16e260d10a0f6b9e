import { draftResolver } from '../../../ui/draftResolver.ts';
import { checkRecord } from '@wimbel/contract';
import { type Area, type Habit, type PlainDay, eachEntry, formatDay, parseDay } from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { useStore } from 'react-redux';
import { NEW_AREA, newArea } from '../../../components/habitForm/newArea.ts';
import { useRecording } from '../../../sync/recording.ts';
import { changeTo, newId } from '../../../store/makeChange.ts';
import {
  selectAreas,
  selectGoals,
  selectHabits,
  selectToday,
  selectEntries,
  trackOf,
} from '../../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../../store/store.ts';
import { effectOnGoals } from '../../../text/effectOnGoals.ts';
import { forgetDraft, useFormDraft } from '../../../platform/formDraft.ts';
import { parseTyped } from '../../../text/amounts.ts';
import { Button } from '../../../ui/Button.tsx';
import { FormPage } from '../../../ui/FormPage.tsx';
import { issueWords } from '../../../text/issueText.ts';
import { useToast } from '../../../ui/Toast.tsx';
import { NotHere } from '../../../ui/NotHere.tsx';
import { CountFields, DayFields, NameFields } from './HabitFormFields.tsx';
import { OftenFields } from '../../../components/habitForm/TermsFields.tsx';
import {
  type HabitDraft,
  changesTerms,
  termsFromFault,
  draftOf,
  emptyDraft,
  habitDraftSchema,
  habitOfDraft,
} from '../../../components/habitForm/habitDraft.ts';
import { PATHS, habitPath } from '../../../platform/paths.ts';

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

const LOOK_AGAIN = 'Some fields above need another look. Nothing you wrote is lost.';

type FormOf = {
  habit: Habit | null;
  /** The habit that a new one is made like. */
  source: Habit | null;
  /** The goal that a new one is made for. */
  forGoal: string;
  /** The first day of a new one, if not today. */
  from: PlainDay | null;
};

/** The form as it is filled in, and what sends it: kept as a draft while it is new. */
function useHabitForm({ habit, source, forGoal, from }: FormOf, onDone: () => void) {
  const store = useStore<RootState>();
  const toast = useToast();
  const { change } = useRecording();
  const today = useAppSelector(selectToday);
  const areas = useAppSelector(selectAreas);
  const habits = useAppSelector(selectHabits);
  const first = useAppSelector((state) =>
    habit === null || eachEntry(selectEntries(state, habit.id)).next().done ? null : trackOf(state, habit).first,
  );
  const hasRecords = first !== null;
  const allGoals = useAppSelector(selectGoals);
  const [goalId, setGoalId] = useState(habit === null ? forGoal : (habit.goalId ?? ''));
  const goals = allGoals.filter((goal) => goal.state === 'open' || goal.id === goalId);
  const [fault, setFault] = useState<string | null>(null);
  const startsOn = formatDay(from === null ? today : Math.min(from, today));
  const form = useForm<HabitDraft>({
    resolver: draftResolver(habitDraftSchema),
    defaultValues:
      habit !== null
        ? draftOf(habit, today)
        : { ...(source === null ? emptyDraft(today) : draftOf(source, today)), startsOn, endsOn: '' },
    // Nothing is found wrong before the form is sent: a word that came in between would move what is about to be tapped.
    mode: 'onSubmit',
  });
  const draftName = habit === null && source === null ? `habit ${startsOn}` : null;
  useFormDraft(draftName, form);
  const draft = useWatch({ control: form.control }) as HabitDraft;
  const isDouble = habits.some(
    ({ id, name }) => id !== habit?.id && name.trim().toLowerCase() === draft.name.trim().toLowerCase(),
  );
  const asksFrom =
    (hasRecords || (habit?.terms.length ?? 0) > 1) && isReadable(draft) && changesTerms(habit, draft, today);

  /** The habit as it is filled in, with the area that is new with it, if any. */
  const filledIn = (filled: HabitDraft): { next: Habit; area: Area | null; areaId: string | undefined } => {
    const isNewArea = filled.areaId === NEW_AREA && filled.newArea.trim() !== '';
    const area = isNewArea ? newArea(filled.newArea, areas) : null;
    const areaId = area?.id ?? (filled.areaId === NEW_AREA || filled.areaId === '' ? undefined : filled.areaId);
    const order = (habits.at(-1)?.order ?? -1) + 1;
    const { goalId: _, ...own } = habitOfDraft(filled, habit, {
      id: habit?.id ?? newId(),
      order,
      today,
      areaId,
      first,
    });
    const next: Habit = {
      ...own,
      ...(goals.some((goal) => goal.id === goalId) ? { goalId } : {}),
      ...(source?.variants && filled.measure === source.measure.kind ? { variants: source.variants } : {}),
    };
    return { next, area, areaId };
  };

  const keep = (filled: HabitDraft, then: 'back' | 'another'): void => {
    const fromFault = asksFrom ? termsFromFault(filled, today) : null;
    if (fromFault !== null) {
      form.setError('termsFrom', { message: fromFault });
      return setFault(LOOK_AGAIN);
    }
    const { next, area, areaId } = filledIn(filled);
    const { issues } = checkRecord('habits', next);
    if (issues.length > 0) return setFault(issues.map(issueWords).join('; '));
    if (draftName !== null) forgetDraft(draftName);
    const onUndo = change(...(area ? [changeTo('areas', area)] : []), changeTo('habits', next));
    const effect = habit === null ? '' : effectOnGoals(store.getState().records, habit, next);
    const did = `${next.name} is ${habit === null ? 'on your days' : 'changed'}`;
    toast({ text: effect === '' ? did : `${did}. ${effect}`, onUndo });
    if (then === 'back') return onDone();
    setFault(null);
    form.reset({ ...emptyDraft(today), startsOn, partOfDay: filled.partOfDay, areaId: areaId ?? '' });
    // The fields are made anew first.
    setTimeout(() => form.setFocus('name'));
  };
  return {
    form,
    fault,
    goals,
    goalId,
    onGoal: setGoalId,
    hasRecords,
    isDouble,
    asksFrom,
    forget: () => {
      if (draftName !== null) forgetDraft(draftName);
    },
    save: (then: 'back' | 'another'): void =>
      void form.handleSubmit(
        (filled) => keep(filled, then),
        () => setFault(LOOK_AGAIN),
      )(),
  };
}

function HabitForm(of: FormOf) {
  const { habit, source, from } = of;
  const router = useRouter();
  const isNew = habit === null;
  const back = (): void =>
    router.canGoBack() ? router.back() : router.replace(habit ? habitPath(habit.id) : PATHS.today);
  const { form, fault, goals, goalId, onGoal, hasRecords, isDouble, asksFrom, forget, save } = useHabitForm(of, back);
  const listAddress = from === null ? PATHS.habitList : `${PATHS.habitList}?day=${formatDay(from)}`;
  return (
    <FormPage
      title={isNew ? 'A new habit' : 'Edit habit'}
      saveLabel={isNew ? 'Add habit' : 'Save'}
      onSave={() => save('back')}
      {...(isNew ? { also: { label: 'Add, then another', onPress: () => save('another') } } : {})}
      onBack={() => {
        forget();
        back();
      }}
      fault={fault}
    >
      {isNew && source === null ? (
        <Button kind="bare" style={{ alignSelf: 'flex-start' }} onPress={() => router.replace(listAddress)}>
          Write a list instead
        </Button>
      ) : null}
      <NameFields form={form} isNew={isNew} isDouble={isDouble} goals={goals} goalId={goalId} onGoal={onGoal} />
      <CountFields form={form} hasRecords={hasRecords} />
      <OftenFields form={form} />
      <DayFields form={form} isNew={isNew} asksFrom={asksFrom} />
    </FormPage>
  );
}
