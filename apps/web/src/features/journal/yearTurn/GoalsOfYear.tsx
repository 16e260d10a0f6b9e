import Plus from 'lucide-react-native/icons/plus';
import X from 'lucide-react-native/icons/x';
import { View } from 'react-native';
import { newId } from '../../../store/makeChange.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { Field } from '../../../ui/Field.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import {
  type GoalWish,
  MOST_GOALS,
  MOST_MILESTONES,
  type MilestoneWish,
  type YearTurnDraft,
  newGoalWish,
} from './yearTurnDraft.ts';

const LONGEST_TITLE = 200;

/** Up to three goals for a year, with their milestones and days. */
export function GoalsOfYear({
  year,
  draft,
  onChange,
}: {
  year: number;
  draft: YearTurnDraft;
  onChange: (draft: YearTurnDraft) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const put = (goals: GoalWish[]): void => onChange({ ...draft, goals });
  return (
    <View style={styles.list}>
      {draft.goals.map((goal, place) => (
        <GoalFields
          key={goal.id}
          goal={goal}
          name={`Goal ${place + 1}`}
          onChange={(next) => put(draft.goals.map((each) => (each.id === goal.id ? next : each)))}
          onRemove={() => put(draft.goals.filter((each) => each.id !== goal.id))}
        />
      ))}
      {draft.goals.length < MOST_GOALS ? (
        <Button
          icon={<Plus size={16} color={colors.ink} />}
          onPress={() => put([...draft.goals, newGoalWish(year)])}
          style={styles.add}
        >
          {draft.goals.length === 0 ? 'Set a goal' : 'Set another goal'}
        </Button>
      ) : null}
    </View>
  );
}

function GoalFields({
  goal,
  name,
  onChange,
  onRemove,
}: {
  goal: GoalWish;
  name: string;
  onChange: (goal: GoalWish) => void;
  onRemove: () => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const put = (milestones: MilestoneWish[]): void => onChange({ ...goal, milestones });
  return (
    <Card style={styles.card} label={name}>
      <View style={styles.line}>
        <View style={styles.grow}>
          <Field
            label={`${name}: what will be so?`}
            value={goal.title}
            onChangeText={(title) => onChange({ ...goal, title })}
            maxLength={LONGEST_TITLE}
          />
        </View>
        <View style={styles.remove}>
          <IconButton icon={X} label={`Leave out ${name}`} onPress={onRemove} />
        </View>
      </View>
      <Field label="Why it matters" value={goal.why} onChangeText={(why) => onChange({ ...goal, why })} multiline />
      <Field label="Until" value={goal.dueOn} onChangeText={(dueOn) => onChange({ ...goal, dueOn })} isDate />
      {goal.milestones.map((milestone, place) => {
        const set = (more: Partial<MilestoneWish>): void =>
          put(goal.milestones.map((each) => (each.id === milestone.id ? { ...each, ...more } : each)));
        return (
          <View key={milestone.id} style={styles.line}>
            <View style={styles.grow}>
              <Field
                label={`Milestone ${place + 1}`}
                value={milestone.title}
                onChangeText={(title) => set({ title })}
                maxLength={LONGEST_TITLE}
              />
            </View>
            <View style={styles.grow}>
              <Field label="Its day" value={milestone.dueOn} onChangeText={(dueOn) => set({ dueOn })} isDate />
            </View>
            <View style={styles.remove}>
              <IconButton
                icon={X}
                label={`Leave out milestone ${place + 1}`}
                onPress={() => put(goal.milestones.filter((each) => each.id !== milestone.id))}
              />
            </View>
          </View>
        );
      })}
      {goal.milestones.length < MOST_MILESTONES ? (
        <Button
          kind="bare"
          icon={<Plus size={16} color={colors.working} />}
          onPress={() => put([...goal.milestones, { id: newId(), title: '', dueOn: '' }])}
          style={styles.add}
        >
          Add a milestone
        </Button>
      ) : null}
    </Card>
  );
}

const useStyles = themed(() => ({
  list: { gap: SPACE.m },
  card: { gap: SPACE.m },
  line: { flexDirection: 'row', gap: SPACE.s, alignItems: 'flex-start', flexWrap: 'wrap' },
  grow: { flex: 1, minWidth: 130 },
  remove: { paddingTop: 22 },
  add: { alignSelf: 'flex-start' },
}));
