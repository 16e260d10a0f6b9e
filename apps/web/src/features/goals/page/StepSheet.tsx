import { checkRecord } from '@wimbel/contract';
import { type FiguredGoal, type Step, stepState, isStepsMeasure } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useRecording } from '../../../sync/recording.ts';
import { issueWords } from '../../../text/issueText.ts';
import { stateTone, stateWords } from '../../../text/goalText.ts';
import { changeTo } from '../../../store/makeChange.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useGoalParts } from '../../../components/goals/useGoalParts.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { Field, Labelled } from '../../../ui/Field.tsx';
import { FieldRow } from '../../../ui/FormPage.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import { AddLine } from '../../../components/page/AddLine.tsx';
import {
  type StepDraft,
  newStep,
  stepsOfLines,
  stepDraftOf,
  stepOfDraft,
} from '../../../components/goals/stepDraft.ts';

type Props = { step: Step; figured: FiguredGoal; onClose: () => void; onOpen: (stepId: string) => void };

const PRIORITIES = [
  { value: '', label: 'None' },
  { value: '1', label: '1, first' },
  { value: '2', label: '2' },
  { value: '3', label: '3' },
  { value: '4', label: '4, last' },
];
const IMPACTS = [
  { value: '', label: 'Not said' },
  { value: 'high', label: 'High' },
  { value: 'medium', label: 'Medium' },
  { value: 'low', label: 'Low' },
];

/** Everything about a step; its sub-steps can be added here. */
/** A step as it is typed, and what keeps it; whether it could be kept. */
function useStepEdit(step: Step) {
  const { change } = useRecording();
  const toast = useToast();
  const [draft, setDraft] = useState(() => stepDraftOf(step));
  const [faults, setFaults] = useState<Record<string, string>>({});
  const set = (key: keyof StepDraft) => (value: string) => {
    setDraft((before) => ({ ...before, [key]: value }));
    setFaults({});
  };
  const save = (): boolean => {
    const next = stepOfDraft(step, draft);
    if (next.title === '') {
      setFaults({ title: 'Say what is to be done' });
      return false;
    }
    const { issues } = checkRecord('steps', next);
    if (issues.length > 0) {
      setFaults(
        Object.fromEntries(
          issues.map((issue) => [
            issue.path,
            issue.path === 'dueOn' ? 'The due day is before the start' : issueWords(issue),
          ]),
        ),
      );
      return false;
    }
    if (JSON.stringify(next) !== JSON.stringify(stepOfDraft(step, stepDraftOf(step))))
      toast({ text: `${next.title} is changed`, onUndo: change(changeTo('steps', next)) });
    return true;
  };
  return { draft, set, faults, save };
}

export function StepSheet({ step, figured, onClose, onOpen }: Props) {
  const { removeStep } = useGoalParts();
  const today = useAppSelector(selectToday);
  const { steps, keyResults } = figured.records;
  const { draft, set, faults, save } = useStepEdit(step);
  const parent = steps.find((each) => each.id === step.parentId);
  const below = steps.filter((each) => each.parentId === step.id);
  const fed = keyResults.filter(({ measure }) => isStepsMeasure(measure));
  const words = stateWords({ state: stepState(step, today), dueOn: step.dueOn, doneOn: step.doneOn }, today);
  return (
    <Sheet title={parent ? `A step of ${parent.title}` : 'Step'} onClose={onClose}>
      {words ? (
        <Words type="label" tone={stateTone(stepState(step, today))}>
          {words}
        </Words>
      ) : null}
      <Field
        label="What is to be done"
        value={draft.title}
        onChangeText={set('title')}
        error={faults.title}
        maxLength={300}
        onSubmitEditing={() => save() && onClose()}
      />
      <FieldRow>
        <View style={{ flex: 1, minWidth: 140 }}>
          <Field
            label="Starts on"
            value={draft.startsOn}
            onChangeText={set('startsOn')}
            isDate
            error={faults.startsOn}
          />
        </View>
        <View style={{ flex: 1, minWidth: 140 }}>
          <Field label="Due on" value={draft.dueOn} onChangeText={set('dueOn')} isDate error={faults.dueOn} />
        </View>
      </FieldRow>
      {step.doneOn ? (
        <Field label="Done on" value={draft.doneOn} onChangeText={set('doneOn')} isDate error={faults.doneOn} />
      ) : null}
      <Labelled label="Priority">
        <Chips label="Priority" chips={PRIORITIES} chosen={[draft.priority]} onPress={set('priority')} />
      </Labelled>
      <Labelled label="Impact">
        <Chips label="Impact" chips={IMPACTS} chosen={[draft.impact]} onPress={set('impact')} />
      </Labelled>
      {parent === undefined && fed.length > 0 ? (
        <Labelled label="Counts for" hint="The share of that key result goes by this step too.">
          <Chips
            label="Counts for"
            chips={[
              { value: '', label: 'No key result' },
              ...fed.map(({ id, title }) => ({ value: id, label: title })),
            ]}
            chosen={[draft.keyResultId]}
            onPress={set('keyResultId')}
          />
        </Labelled>
      ) : null}
      <Field label="Note" value={draft.note} onChangeText={set('note')} multiline maxLength={5000} />
      <SubSteps step={step} below={below} figured={figured} onOpen={(id) => save() && onOpen(id)} />
      {Object.keys(faults).length > 0 ? (
        <View role="alert">
          <Words tone="madder">Something above needs another look. Nothing you wrote is lost.</Words>
        </View>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button kind="main" onPress={() => save() && onClose()}>
          Save
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
        <Button
          onPress={() => {
            onClose();
            removeStep(step);
          }}
        >
          {below.length > 0 ? 'Delete with its sub-steps' : 'Delete'}
        </Button>
      </View>
    </Sheet>
  );
}

/** The smaller pieces of a step, and a line for one more. */
function SubSteps({
  step,
  below,
  figured,
  onOpen,
}: Pick<Props, 'step' | 'figured'> & { below: readonly Step[]; onOpen: (stepId: string) => void }) {
  const { change } = useRecording();
  return (
    <Labelled label="Sub-steps">
      <Card isFlush>
        {below.map((each) => (
          <Button
            key={each.id}
            kind="bare"
            onPress={() => onOpen(each.id)}
            style={{ alignSelf: 'flex-start', marginLeft: SPACE.s }}
          >
            {each.title}
          </Button>
        ))}
        <AddLine
          label="A new sub-step"
          placeholder="A smaller piece of it"
          onList={(lines) =>
            change(...stepsOfLines(figured.records, lines, step.id).map((each) => changeTo('steps', each)))
          }
          onAdd={(title) => change(changeTo('steps', newStep(figured.records, title, { parentId: step.id })))}
        />
      </Card>
    </Labelled>
  );
}
