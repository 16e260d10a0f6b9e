import { type Goal, type KeyResult, formatDay } from '@wimbel/core';
import Plus from 'lucide-react-native/icons/plus';
import X from 'lucide-react-native/icons/x';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { KeyResultForm } from '../../../components/keyResultForm/KeyResultForm.tsx';
import { newId } from '../../../store/makeChange.ts';
import { selectGoals, selectHabits } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Field } from '../../../ui/Field.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Words } from '../../../ui/Words.tsx';
import { targetWords } from '../../../text/goalText.ts';
import { GoalChips } from './SeasonFields.tsx';
import { type SeasonDraft, draftSpan } from './seasonDraft.ts';

type Props = { draft: SeasonDraft; set: (part: Partial<SeasonDraft>) => void };

/** The goals of a season: chosen of those there are, or set here with their key results. */
export function GoalsPage({ draft, set }: Props) {
  const { colors } = useTheme();
  const goals = useAppSelector(selectGoals);
  const habits = useAppSelector(selectHabits).filter(({ archived }) => archived !== true);
  const [edited, setEdited] = useState<{ goal: Goal; keyResult: KeyResult | null } | null>(null);
  const open = goals.filter(({ id, state }) => state === 'open' || draft.goalIds.includes(id));
  const span = draftSpan(draft);
  const add = (): void => {
    const goal: Goal = {
      id: newId(),
      title: '',
      startsOn: draft.startsOn,
      ...(span === null ? {} : { dueOn: formatDay(span.last) }),
      state: 'open',
      order: 0,
    };
    set({ goals: [...draft.goals, goal], goalIds: [...draft.goalIds, goal.id] });
  };
  const change = (id: string, part: Partial<Goal>): void =>
    set({ goals: draft.goals.map((goal) => (goal.id === id ? { ...goal, ...part } : goal)) });
  const remove = (id: string): void =>
    set({
      goals: draft.goals.filter((goal) => goal.id !== id),
      goalIds: draft.goalIds.filter((each) => each !== id),
      keyResults: draft.keyResults.filter(({ goalId }) => goalId !== id),
      habits: draft.habits.filter(({ goalId }) => goalId !== id),
      steps: draft.steps.filter(({ goalId }) => goalId !== id),
    });
  return (
    <>
      <GoalChips draft={draft} set={set} goals={open} />
      {draft.goals.map((goal) => (
        <NewGoal
          key={goal.id}
          goal={goal}
          keyResults={draft.keyResults.filter(({ goalId }) => goalId === goal.id)}
          onChange={(part) => change(goal.id, part)}
          onRemove={() => remove(goal.id)}
          onKeyResult={(keyResult) => setEdited({ goal, keyResult })}
          onDropKeyResult={(id) => set({ keyResults: draft.keyResults.filter((each) => each.id !== id) })}
        />
      ))}
      <Button icon={<Plus size={18} color={colors.ink} />} onPress={add} style={{ alignSelf: 'flex-start' }}>
        Set a goal for it
      </Button>
      {edited === null ? null : (
        <KeyResultForm
          goal={edited.goal}
          keyResult={edited.keyResult}
          nextOrder={draft.keyResults.length}
          habits={habits}
          onClose={() => setEdited(null)}
          onSave={(next) => {
            const isThere = draft.keyResults.some(({ id }) => id === next.id);
            set({
              keyResults: isThere
                ? draft.keyResults.map((each) => (each.id === next.id ? next : each))
                : [...draft.keyResults, next],
            });
            setEdited(null);
          }}
        />
      )}
    </>
  );
}

function NewGoal({
  goal,
  keyResults,
  onChange,
  onRemove,
  onKeyResult,
  onDropKeyResult,
}: {
  goal: Goal;
  keyResults: readonly KeyResult[];
  onChange: (part: Partial<Goal>) => void;
  onRemove: () => void;
  onKeyResult: (keyResult: KeyResult | null) => void;
  onDropKeyResult: (id: string) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const name = goal.title.trim() === '' ? 'this goal' : goal.title.trim();
  return (
    <SectionCard
      title="A new goal"
      aside={<IconButton icon={X} sizePx={18} label={`Leave out ${name}`} onPress={onRemove} />}
    >
      <Field
        label="The goal"
        value={goal.title}
        onChangeText={(title) => onChange({ title })}
        placeholder="Play the whole suite by heart"
        maxLength={200}
        autoFocus={goal.title === ''}
      />
      <Field label="Due on" value={goal.dueOn ?? ''} onChangeText={(dueOn) => onChange({ dueOn })} isDate />
      {keyResults.map((each) => (
        <View key={each.id} style={styles.line}>
          <Pressable
            role="button"
            aria-label={`Edit ${each.title}`}
            onPress={() => onKeyResult(each)}
            style={styles.words}
          >
            <Words type="name">{each.title}</Words>
            <Words type="quiet" tone="quiet">
              {targetWords(each)}
            </Words>
          </Pressable>
          <IconButton icon={X} sizePx={18} label={`Leave out ${each.title}`} onPress={() => onDropKeyResult(each.id)} />
        </View>
      ))}
      <Button
        icon={<Plus size={18} color={colors.ink} />}
        label={`Add a key result to ${name}`}
        onPress={() => onKeyResult(null)}
        style={{ alignSelf: 'flex-start' }}
      >
        Add a key result
      </Button>
    </SectionCard>
  );
}

const useStyles = themed(() => ({
  line: { flexDirection: 'row', alignItems: 'center', minHeight: 44, gap: SPACE.s },
  words: { flex: 1, minWidth: 0 },
}));
