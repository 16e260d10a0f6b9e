import type { FiguredGoal, KeyResult } from '@wimbel/core';
import { useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import Ellipsis from 'lucide-react-native/icons/ellipsis';
import Pencil from 'lucide-react-native/icons/pencil';
import Plus from 'lucide-react-native/icons/plus';
import { useDeferredValue, useState } from 'react';
import { View } from 'react-native';
import { AreaName } from '../../../components/habitForm/AreaName.tsx';
import { CheckInSheet } from '../../../components/goals/CheckInSheet.tsx';
import { neediest } from '../../../text/neediest.ts';
import { useRecording } from '../../../sync/recording.ts';
import { useFiguredGoal } from '../../../store/goalSelectors.ts';
import { STATE_WORDS, dueWords } from '../../../text/goalText.ts';
import { changeTo, removalOf } from '../../../store/makeChange.ts';
import { selectHabits, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useGoalActions } from '../../../components/goals/useGoalActions.ts';
import { themed, useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { NotHere } from '../../../ui/NotHere.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import { EffortCard } from './EffortCard.tsx';
import { GoalMenu } from './GoalMenu.tsx';
import { KeyResultForm } from '../../../components/keyResultForm/KeyResultForm.tsx';
import { KeyResultRows } from './KeyResultRows.tsx';
import { LinkHabitsSheet } from './LinkHabitsSheet.tsx';
import { MilestonesCard, TimeLineCard } from './MilestonesCard.tsx';
import { OverTimeCard } from './OverTimeCard.tsx';
import { PlankCard } from './PlankCard.tsx';
import { StepsCard } from './StepsCard.tsx';
import { StoryCard } from './StoryCard.tsx';
import { stepsKeyResultOf, stepsMoved } from '../../../components/goals/stepDraft.ts';
import { counted } from '../../../text/format.ts';
import { CheckpointsCard } from '../../../components/goals/CheckpointsCard.tsx';
import { Figure } from '../../../components/figure/Figure.tsx';
import { LongText } from '../../../components/journal/LongText.tsx';
import { useHighlightedTarget } from '../../../ui/useHighlightedTarget.ts';
import { PATHS, goalEditPath } from '../../../platform/paths.ts';

export function GoalScreen({ goalId, at }: { goalId: string; at?: string }) {
  const figured = useFiguredGoal(goalId);
  if (figured === null) return <NotHere what="goal" />;
  return <GoalPage key={goalId} figured={figured} at={at} />;
}

/** The open sheet. */
type Opened =
  | { kind: 'checkIn'; keyResult: KeyResult | null }
  | { kind: 'keyResult'; keyResult: KeyResult | null }
  | { kind: 'menu' }
  | { kind: 'habits' }
  | null;

function GoalPage({ figured, at }: { figured: FiguredGoal; at?: string }) {
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const [opened, setOpened] = useState<Opened>(null);
  const back = (): void => (router.canGoBack() ? router.back() : router.replace(PATHS.goals));
  const plank = <PlankCard figured={figured} />;
  const keyResults = (
    <KeyResultRows
      figured={figured}
      onOpen={(keyResult) => setOpened({ kind: 'checkIn', keyResult })}
      onAdd={() => setOpened({ kind: 'keyResult', keyResult: null })}
    />
  );
  const steps = <StepsCard figured={figured} />;
  const milestones = <MilestonesCard figured={figured} />;
  const effort = <EffortCard figured={figured} onLink={() => setOpened({ kind: 'habits' })} />;
  // Pictures and story follow a moment later, so that what was tapped is seen at once.
  const later = useDeferredValue<FiguredGoal | null>(figured, null);
  useHighlightedTarget(at, later !== null);
  const overTime = later && <OverTimeCard figured={later} />;
  const checkpoints = later && <CheckpointsCard figured={later} />;
  const timeLine = later && <TimeLineCard figured={later} />;
  const story = later && <StoryCard figured={later} />;
  return (
    <Page>
      <Head figured={figured} onBack={back} onOpen={setOpened} />
      {isWide ? (
        <View style={styles.columns}>
          <View style={styles.column}>
            {plank}
            {overTime}
            {checkpoints}
            {timeLine}
            {story}
          </View>
          <View style={styles.column}>
            {keyResults}
            {effort}
            {steps}
            {milestones}
          </View>
        </View>
      ) : (
        <>
          {plank}
          {keyResults}
          {steps}
          {effort}
          {overTime}
          {checkpoints}
          {milestones}
          {timeLine}
          {story}
        </>
      )}
      <OverPage figured={figured} opened={opened} onOpen={setOpened} onGone={() => router.replace(PATHS.goals)} />
    </Page>
  );
}

function Head({
  figured,
  onBack,
  onOpen,
}: {
  figured: FiguredGoal;
  onBack: () => void;
  onOpen: (opened: Opened) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const { reopen } = useGoalActions();
  const { goal } = figured.records;
  const isOpen = goal.state === 'open';
  return (
    <View>
      <View style={styles.bar}>
        <IconButton icon={ArrowLeft} label="Back" onPress={onBack} />
        <View style={styles.grow} />
        {isOpen && neediest(figured) !== null ? (
          <Button
            kind="main"
            icon={<Plus size={17} color={colors.onWorking} />}
            onPress={() => onOpen({ kind: 'checkIn', keyResult: null })}
          >
            Check in
          </Button>
        ) : null}
        <IconButton icon={Pencil} name="Edit" label="Edit goal" onPress={() => router.push(goalEditPath(goal.id))} />
        <IconButton icon={Ellipsis} name="More" label="More about this goal" onPress={() => onOpen({ kind: 'menu' })} />
      </View>
      <View style={styles.titles}>
        <AreaName areaId={goal.areaId} />
        <Words type="title" heading={1}>
          {goal.title}
        </Words>
        <View style={styles.due}>
          {goal.dueOn ? (
            <Figure asked={{ figure: 'goalDaysLeft', goalId: goal.id }} label={dueWords(goal, figured.figures, today)}>
              <Words tone="quiet">{dueWords(goal, figured.figures, today)}</Words>
            </Figure>
          ) : (
            <Words tone="quiet">{dueWords(goal, figured.figures, today)}</Words>
          )}
          <LongText of="Done when" collection="goals" record={goal} field="doneWhen" tone="quiet" />
        </View>
        <LongText of="Why" collection="goals" record={goal} field="why" style={styles.why} />
        {goal.reward ? <Words tone="brassText">Reward: {goal.reward}</Words> : null}
      </View>
      {isOpen ? null : (
        <Card style={styles.closed}>
          <Words style={styles.grow}>This goal is {STATE_WORDS[goal.state]}. Its figures and its story stay.</Words>
          <Button kind="main" onPress={() => reopen(goal, '')}>
            Open again
          </Button>
        </Card>
      )}
    </View>
  );
}

/** The sheet that is open over the page, if any. */
function OverPage({
  figured,
  opened,
  onOpen,
  onGone,
}: {
  figured: FiguredGoal;
  opened: Opened;
  onOpen: (opened: Opened) => void;
  onGone: () => void;
}) {
  const { change } = useRecording();
  const toast = useToast();
  const habits = useAppSelector(selectHabits).filter((habit) => !habit.archived);
  const { goal, keyResults, steps } = figured.records;
  const close = (): void => onOpen(null);
  if (opened === null) return null;
  if (opened.kind === 'menu') return <GoalMenu goal={goal} onClose={close} onGone={onGone} />;
  if (opened.kind === 'habits') return <LinkHabitsSheet goal={goal} onClose={close} />;
  if (opened.kind === 'checkIn') {
    return (
      <CheckInSheet
        goal={goal}
        keyResultId={opened.keyResult?.id}
        onClose={close}
        onEdit={(keyResult) => onOpen({ kind: 'keyResult', keyResult })}
      />
    );
  }
  const edited = opened.kind === 'keyResult' ? opened.keyResult : null;
  return (
    <KeyResultForm
      goal={goal}
      keyResult={edited}
      nextOrder={(keyResults.at(-1)?.order ?? -1) + 1}
      habits={habits}
      onClose={close}
      onSave={(next) => {
        // Steps that belong to none join the goal's first key result by steps.
        const isFirst = edited === null && stepsKeyResultOf([...keyResults, next]) === next.id;
        const joining = isFirst
          ? stepsMoved(
              steps.filter((step) => !step.keyResultId),
              next.id,
            )
          : [];
        const along = joining.length > 0 ? `, with ${counted(joining.length, 'step')} that were there` : '';
        toast({
          text: edited === null ? `${next.title} is part of the goal${along}` : `${next.title} is changed`,
          onUndo: change(changeTo('keyResults', next), ...joining.map((step) => changeTo('steps', step))),
        });
        close();
      }}
      onRemove={
        edited === null
          ? undefined
          : () => {
              toast({
                text: `${edited.title} is deleted with its check-ins`,
                onUndo: change(removalOf('keyResults', edited.id)),
              });
              close();
            }
      }
    />
  );
}

const useStyles = themed(() => ({
  bar: { flexDirection: 'row', alignItems: 'center', marginHorizontal: -SPACE.m, marginVertical: -SPACE.s },
  grow: { flex: 1, minWidth: 0 },
  titles: { gap: SPACE.xs, maxWidth: 760, paddingTop: SPACE.s },
  due: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m },
  why: { paddingTop: SPACE.s },
  closed: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.m, marginTop: SPACE.l },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0, gap: SPACE.l },
}));
