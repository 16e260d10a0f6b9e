import { draftResolver } from '../../../ui/draftResolver.ts';
import { checkRecord } from '@wimbel/contract';
import { type Area, type Goal, type PlainDay, formatDay, goalPostponed, parseDay } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import * as yup from 'yup';
import { AreaFields } from '../../../components/habitForm/AreaFields.tsx';
import { NEW_AREA, newArea } from '../../../components/habitForm/newArea.ts';
import { useRecording } from '../../../sync/recording.ts';
import { changeTo, newId } from '../../../store/makeChange.ts';
import { goalDaysFault } from '../../../components/goals/useGoalActions.ts';
import { selectAreas, selectGoals, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { forgetDraft, useFormDraft } from '../../../platform/formDraft.ts';
import { issueWords } from '../../../text/issueText.ts';
import { FormField } from '../../../ui/FormField.tsx';
import { FieldRow, FormPage } from '../../../ui/FormPage.tsx';
import { NotHere } from '../../../ui/NotHere.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import { counted } from '../../../text/format.ts';
import { EASY_GOALS } from '../../../text/goalText.ts';
import { PATHS, goalPath } from '../../../platform/paths.ts';

type GoalDraft = {
  title: string;
  why: string;
  doneWhen: string;
  areaId: string;
  newArea: string;
  startsOn: string;
  dueOn: string;
  reward: string;
};

const schema = yup.object({
  title: yup.string().trim().required('Give the goal a title').max(200, 'Keep the title under 200 characters'),
  startsOn: yup.string().test('day', 'Choose the day it starts', (value) => parseDay(value ?? '') !== null),
  dueOn: yup
    .string()
    .test('day', 'This day does not exist', (value) => !value || parseDay(value) !== null)
    .test(
      'after',
      'The due day is before the start',
      (value, { parent }) => !value || value >= (parent as GoalDraft).startsOn,
    ),
});

const draftOf = (goal: Goal | null, today: PlainDay): GoalDraft => ({
  title: goal?.title ?? '',
  why: goal?.why ?? '',
  doneWhen: goal?.doneWhen ?? '',
  areaId: goal?.areaId ?? '',
  newArea: '',
  startsOn: goal?.startsOn ?? formatDay(today),
  dueOn: goal?.dueOn ?? '',
  reward: goal?.reward ?? '',
});

/** Sets a goal, or edits the one with `goalId`. */
export function GoalFormScreen({ goalId }: { goalId?: string }) {
  const goal = useAppSelector((state) => (goalId === undefined ? null : (state.records.goals[goalId] ?? undefined)));
  if (goal === undefined) return <NotHere what="goal" />;
  return <GoalForm key={goalId ?? 'new'} goal={goal} />;
}

/** The goal as it is filled in, with the area that is new with it, if any. */
function goalOf(
  filled: GoalDraft,
  goal: Goal | null,
  { areas, order }: { areas: readonly Area[]; order: number },
): { next: Goal; area: Area | null } {
  const next: Goal = {
    ...(goal ?? { id: newId(), state: 'open' as const, order }),
    title: filled.title.trim(),
    startsOn: filled.startsOn,
  };
  const isNewArea = filled.areaId === NEW_AREA && filled.newArea.trim() !== '';
  const area = isNewArea ? newArea(filled.newArea, areas) : null;
  const optional = {
    why: filled.why.trim(),
    doneWhen: filled.doneWhen.trim(),
    areaId: area?.id ?? (filled.areaId === NEW_AREA ? '' : filled.areaId),
    dueOn: filled.dueOn,
    reward: filled.reward.trim(),
  };
  for (const key of ['why', 'doneWhen', 'areaId', 'dueOn', 'reward'] as const) {
    if (optional[key] === '') delete next[key];
    else next[key] = optional[key];
  }
  return { next, area };
}

/** The form as it is filled in, and what sends it; kept as a draft while the goal is new. */
function useGoalForm(goal: Goal | null) {
  const router = useRouter();
  const toast = useToast();
  const { change } = useRecording();
  const today = useAppSelector(selectToday);
  const areas = useAppSelector(selectAreas);
  const goals = useAppSelector(selectGoals);
  const keyResults = useAppSelector((state) => state.records.keyResults);
  const [fault, setFault] = useState<string | null>(null);
  const form = useForm<GoalDraft>({
    resolver: draftResolver(schema),
    defaultValues: draftOf(goal, today),
    mode: 'onSubmit',
  });
  useFormDraft(goal === null ? 'goal' : null, form);
  const dueOn = useWatch({ control: form.control, name: 'dueOn' });
  const isPast = parseDay(dueOn) !== null && dueOn < formatDay(today);
  const others = goals.filter((each) => each.state === 'open' && each.id !== goal?.id).length;
  const hints = [
    isPast ? 'Its due day is past already.' : '',
    goal === null && others >= EASY_GOALS
      ? `With this one ${counted(others + 1, 'goal')} are open. Three at a time are easier to keep in mind.`
      : '',
  ].filter(Boolean);
  const back = (): void => (router.canGoBack() ? router.back() : router.replace(PATHS.goals));
  const leave = (): void => {
    if (goal === null) forgetDraft('goal');
    back();
  };
  const save = form.handleSubmit(
    (filled) => {
      const { next, area } = goalOf(filled, goal, { areas, order: (goals.at(-1)?.order ?? -1) + 1 });
      const { issues } = checkRecord('goals', next);
      const daysFault = goalDaysFault(next, keyResults);
      if (issues.length > 0 || daysFault !== null) {
        setFault(daysFault ?? issues.map(issueWords).join('; '));
        return;
      }
      // The day it was due before stays in the story.
      const isMoved = goal?.dueOn !== undefined && goal.dueOn !== next.dueOn;
      const kept = isMoved ? { ...next, turns: goalPostponed(goal, next.dueOn ?? null, today).turns! } : next;
      const undo = change(...(area ? [changeTo('areas', area)] : []), changeTo('goals', kept));
      if (goal === null) {
        forgetDraft('goal');
        router.replace(goalPath(next.id));
        return;
      }
      toast({ text: 'The goal is changed', onUndo: undo });
      back();
    },
    () => setFault('Some fields above need another look. Nothing you wrote is lost.'),
  );
  return { form, fault, hints, save: (): void => void save(), leave };
}

function GoalForm({ goal }: { goal: Goal | null }) {
  const { form, fault, hints, save, leave } = useGoalForm(goal);
  const { control, setValue } = form;
  return (
    <FormPage
      title={goal === null ? 'Set a goal' : 'Edit goal'}
      saveLabel={goal === null ? 'Set goal' : 'Save'}
      onSave={save}
      onBack={leave}
      fault={fault}
    >
      <FormField
        control={control}
        name="title"
        label="What do you want to have reached"
        placeholder="Sail to the island and back"
        maxLength={300}
        autoFocus={goal === null}
      />
      <FormField
        control={control}
        name="why"
        label="Why it matters"
        multiline
        maxLength={5000}
        hint="You will read this on a bad day."
      />
      <FormField control={control} name="doneWhen" label="How you will know it is done" multiline maxLength={5000} />
      <AreaFields control={control} setValue={setValue} />
      <FieldRow>
        <View style={{ flex: 1, minWidth: 150 }}>
          <FormField control={control} name="startsOn" label="Starts on" isDate />
        </View>
        <View style={{ flex: 1, minWidth: 150 }}>
          <FormField control={control} name="dueOn" label="Due on" isDate hint="Leave empty for no due day." />
        </View>
      </FieldRow>
      <FormField
        control={control}
        name="reward"
        label="Reward"
        maxLength={300}
        placeholder="A week on the islands"
        hint="What you give yourself when it is reached."
      />
      {hints.length > 0 ? (
        <View role="note" aria-label="Worth a thought">
          {hints.map((hint) => (
            <Words key={hint} type="quiet" tone="quiet">
              {hint}
            </Words>
          ))}
        </View>
      ) : null}
    </FormPage>
  );
}
