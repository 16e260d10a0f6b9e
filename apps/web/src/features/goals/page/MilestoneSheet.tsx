import { checkRecord } from '@wimbel/contract';
import type { Goal, Milestone } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { selectIsHidden } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { changeTo, newId } from '../../../store/makeChange.ts';
import { useGoalParts } from '../../../components/goals/useGoalParts.ts';
import { amountFault, editable, parseTyped } from '../../../text/amounts.ts';
import { issueWords } from '../../../text/issueText.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { Field, Labelled } from '../../../ui/Field.tsx';
import { FieldRow } from '../../../ui/FormPage.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { circleFault } from './goalParts.ts';

type Props = { goal: Goal; milestone: Milestone | null; all: readonly Milestone[]; onClose: () => void };

/** Fills in a milestone, or one anew. */
/** A milestone as it is typed, and what keeps it. */
function useMilestoneEdit({ goal, milestone, all, onClose }: Props) {
  const { change } = useRecording();
  const toast = useToast();
  const [title, setTitle] = useState(milestone?.title ?? '');
  const [dueOn, setDueOn] = useState(milestone?.dueOn ?? '');
  const [reachedOn, setReachedOn] = useState(milestone?.reachedOn ?? '');
  const [reward, setReward] = useState(milestone?.reward ?? '');
  const [pips, setPips] = useState(milestone?.pips === undefined ? '' : editable(milestone.pips));
  const [after, setAfter] = useState<readonly string[]>(milestone?.after ?? []);
  const [faults, setFaults] = useState<Record<string, string>>({});
  const save = (): void => {
    const promised = parseTyped(pips);
    const next: Milestone = {
      id: milestone?.id ?? newId(),
      goalId: goal.id,
      title: title.trim(),
      ...(dueOn === '' ? {} : { dueOn }),
      ...(reachedOn === '' ? {} : { reachedOn }),
      ...(reward.trim() === '' ? {} : { reward: reward.trim() }),
      ...(promised === null ? {} : { pips: promised }),
      ...(after.length === 0 ? {} : { after: [...after] }),
      order: milestone?.order ?? all.reduce((most, each) => Math.max(most, each.order), -1) + 1,
    };
    const circle = circleFault(next, all);
    const amount = amountFault(pips);
    const found = {
      ...Object.fromEntries(checkRecord('milestones', next).issues.map((issue) => [issue.path, issueWords(issue)])),
      ...(next.title === '' ? { title: 'Give the milestone a name' } : {}),
      ...(amount === null ? {} : { pips: amount }),
      ...(circle === null ? {} : { after: circle }),
    };
    if (Object.keys(found).length > 0) {
      setFaults(found);
      return;
    }
    toast({
      text: milestone ? `${next.title} is changed` : `${next.title} is added`,
      onUndo: change(changeTo('milestones', next)),
    });
    onClose();
  };
  const choose = (id: string): void => {
    setAfter(after.includes(id) ? after.filter((each) => each !== id) : [...after, id]);
    setFaults({});
  };
  return {
    fields: { title, dueOn, reachedOn, reward, pips, after },
    set: { title: setTitle, dueOn: setDueOn, reachedOn: setReachedOn, reward: setReward, pips: setPips, after: choose },
    faults,
    save,
  };
}

export function MilestoneSheet(props: Props) {
  const { milestone, all, onClose } = props;
  const { removeMilestone } = useGoalParts();
  const hidesPips = useAppSelector((state) => selectIsHidden(state, 'pips'));
  const { fields, set, faults, save } = useMilestoneEdit(props);
  const others = all.filter((each) => each.id !== milestone?.id);
  return (
    <Sheet title={milestone ? 'Milestone' : 'A new milestone'} onClose={onClose}>
      <Field
        label="What is reached then"
        value={fields.title}
        onChangeText={set.title}
        error={faults.title}
        maxLength={300}
        placeholder="The hull is tight"
        autoFocus={milestone === null}
        onSubmitEditing={save}
      />
      <FieldRow>
        <View style={{ flex: 1, minWidth: 140 }}>
          <Field label="Due on" value={fields.dueOn} onChangeText={set.dueOn} isDate error={faults.dueOn} />
        </View>
        {milestone?.reachedOn ? (
          <View style={{ flex: 1, minWidth: 140 }}>
            <Field
              label="Reached on"
              value={fields.reachedOn}
              onChangeText={set.reachedOn}
              isDate
              error={faults.reachedOn}
            />
          </View>
        ) : null}
      </FieldRow>
      {others.length > 0 ? (
        <Labelled label="What must come first" error={faults.after}>
          <Chips
            label="What must come first"
            chips={others.map((each) => ({ value: each.id, label: each.title }))}
            chosen={fields.after}
            isMultiple
            onPress={set.after}
          />
        </Labelled>
      ) : null}
      <Field
        label="Reward in words"
        value={fields.reward}
        onChangeText={set.reward}
        maxLength={300}
        placeholder="A day on the water"
      />
      {hidesPips ? null : (
        <Field
          label="Reward in pips"
          value={fields.pips}
          onChangeText={set.pips}
          inputMode="decimal"
          error={faults.pips}
        />
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button kind="main" onPress={save}>
          {milestone ? 'Save' : 'Add milestone'}
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
        {milestone ? (
          <Button
            onPress={() => {
              onClose();
              removeMilestone(milestone);
            }}
          >
            Delete
          </Button>
        ) : null}
      </View>
    </Sheet>
  );
}
