import { type DueThing, formatDay } from '@wimbel/core';
import Target from 'lucide-react-native/icons/target';
import { Pressable, View } from 'react-native';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE, TOUCH_PX } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { Peg } from '../../ui/Peg.tsx';
import { Words } from '../../ui/Words.tsx';
import { stateTone, stateWords } from '../../text/goalText.ts';
import { selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { useGoalParts } from './useGoalParts.ts';
import { goalPath } from '../../platform/paths.ts';

const KIND_WORDS: Record<DueThing['kind'], string> = {
  goal: 'Goal',
  keyResult: 'Key result',
  milestone: 'Milestone',
  step: 'Step',
};

export const isDone = ({ state }: DueThing): boolean => state === 'doneInTime' || state === 'doneLate';

/** Things that are due, a row each: steps and milestones can be ticked off, the words lead to the goal. */
export function DueRows({
  things,
  label,
  onGo,
}: {
  things: readonly DueThing[];
  label: string;
  onGo: (path: string) => void;
}) {
  return (
    <Card isFlush label={label}>
      {things.map((thing, place) => (
        <DueRow key={`${thing.kind} ${thing.id}`} thing={thing} isParted={place > 0} onGo={onGo} />
      ))}
    </Card>
  );
}

function DueRow({ thing, isParted, onGo }: { thing: DueThing; isParted: boolean; onGo: (path: string) => void }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const today = useAppSelector(selectToday);
  const { markStep, markMilestone } = useGoalParts();
  const goal = useAppSelector((state) => state.records.goals[thing.goalId]);
  const step = useAppSelector((state) => (thing.kind === 'step' ? state.records.steps[thing.id] : undefined));
  const milestone = useAppSelector((state) =>
    thing.kind === 'milestone' ? state.records.milestones[thing.id] : undefined,
  );
  const done = isDone(thing);
  const doneOn = step?.doneOn ?? milestone?.reachedOn;
  const words =
    done && doneOn === undefined
      ? 'reached'
      : stateWords({ state: thing.state, dueOn: formatDay(thing.due), ...(doneOn ? { doneOn } : {}) }, today);
  const mark = (): void => {
    if (step) markStep(step, !done);
    if (milestone) markMilestone(milestone, !done);
  };
  return (
    <View style={[styles.row, isParted && styles.parted]}>
      {step || milestone ? (
        <Peg
          state={done ? 'done' : 'blank'}
          sizePx={26}
          color={colors.working}
          label={`${thing.title}: done`}
          isChecked={done}
          onPress={mark}
        />
      ) : (
        <View style={styles.bare}>
          <Target size={22} color={done ? colors.working : colors.quiet} strokeWidth={1.8} />
        </View>
      )}
      <Pressable
        role="link"
        aria-label={`${KIND_WORDS[thing.kind]} ${thing.title}, ${words}`}
        onPress={() => onGo(goalPath(thing.goalId))}
        style={styles.words}
      >
        <Words type="name" style={done && styles.through} numberOfLines={3}>
          {thing.title}
        </Words>
        <View style={styles.line}>
          <Words type="label" tone={stateTone(thing.state)}>
            {words}
          </Words>
          <Words type="quiet" tone="quiet" numberOfLines={2} style={styles.of}>
            {thing.kind === 'goal' ? 'Goal' : (goal?.title ?? '')}
          </Words>
        </View>
      </Pressable>
    </View>
  );
}

const useStyles = themed((colors) => ({
  row: { flexDirection: 'row', alignItems: 'center', paddingLeft: SPACE.xs, minHeight: 58 },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  bare: { width: TOUCH_PX, alignItems: 'center' },
  words: { flex: 1, minWidth: 0, gap: 1, paddingVertical: SPACE.s, paddingLeft: SPACE.xs, paddingRight: SPACE.m },
  line: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.s },
  of: { flexShrink: 1 },
  through: { textDecorationLine: 'line-through' },
}));
