import { type FiguredGoal, type DaySpan, type Milestone, dayOf, milestoneState, waitsFor } from '@wimbel/core';
import Plus from 'lucide-react-native/icons/plus';
import ArrowDownUp from 'lucide-react-native/icons/arrow-down-up';
import { memo, useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { TimeLinePicture } from '../../../charts/TimeLinePicture.tsx';
import { useRecording } from '../../../sync/recording.ts';
import { stateTone, stateWords } from '../../../text/goalText.ts';
import { changeTo } from '../../../store/makeChange.ts';
import { reordered } from '../../../store/reorder.ts';
import { selectIsHidden, selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useGoalParts } from '../../../components/goals/useGoalParts.ts';
import { number } from '../../../text/amounts.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Peg } from '../../../ui/Peg.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { SortableList } from '../../../ui/SortableList.tsx';
import { Words } from '../../../ui/Words.tsx';
import { MilestoneSheet } from './MilestoneSheet.tsx';
import { timeLineThings } from './goalParts.ts';

/** Milestones in their order: what each waits for, what it promises, and whether it is reached. */
export function MilestonesCard({ figured }: { figured: FiguredGoal }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { change } = useRecording();
  const { milestones } = figured.records;
  const [opened, setOpened] = useState<string | 'new' | null>(null);
  const [isOrdering, setIsOrdering] = useState(false);
  const openedOne = milestones.find((each) => each.id === opened) ?? null;
  return (
    <SectionCard
      title="Milestones"
      isFlush
      aside={
        <View style={styles.line}>
          {milestones.length > 1 ? (
            <Button
              kind="bare"
              icon={<ArrowDownUp size={16} color={colors.working} />}
              label={isOrdering ? 'Done ordering' : 'Put milestones in order'}
              onPress={() => setIsOrdering(!isOrdering)}
            >
              {isOrdering ? 'Done ordering' : 'Put in order'}
            </Button>
          ) : null}
          <Button
            kind="bare"
            icon={<Plus size={17} color={colors.working} />}
            label="Add a milestone"
            onPress={() => setOpened('new')}
          >
            Add
          </Button>
        </View>
      }
    >
      {milestones.length === 0 ? (
        <Words tone="quiet" style={styles.none}>
          No milestone yet. Which point on the way would be worth celebrating?
        </Words>
      ) : isOrdering ? (
        <SortableList
          label="Milestones in order"
          items={milestones.map((each) => ({ ...each, name: each.title }))}
          onOrder={(ids) => change(...reordered(milestones, ids).map((each) => changeTo('milestones', each)))}
        >
          {(milestone) => <Words type="name">{milestone.title}</Words>}
        </SortableList>
      ) : (
        <View role="list" aria-label="Milestones">
          {milestones.map((milestone, place) => (
            <MilestoneRow
              key={milestone.id}
              milestone={milestone}
              all={milestones}
              isParted={place > 0}
              onOpen={() => setOpened(milestone.id)}
            />
          ))}
        </View>
      )}
      {opened === 'new' || openedOne ? (
        <MilestoneSheet
          goal={figured.records.goal}
          milestone={openedOne}
          all={milestones}
          onClose={() => setOpened(null)}
        />
      ) : null}
    </SectionCard>
  );
}

function MilestoneRow({
  milestone,
  all,
  isParted,
  onOpen,
}: {
  milestone: Milestone;
  all: readonly Milestone[];
  isParted: boolean;
  onOpen: () => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { markMilestone } = useGoalParts();
  const today = useAppSelector(selectToday);
  const { pipsName } = useAppSelector(selectSettings);
  const hidesPips = useAppSelector((state) => selectIsHidden(state, 'pips'));
  const { dueOn, reachedOn, reward, pips, title } = milestone;
  const state = milestoneState(milestone, today);
  const isReached = state === 'doneInTime' || state === 'doneLate';
  const waits = waitsFor(milestone, all, today).map((each) => each.title);
  const words = stateWords({ state, dueOn, doneOn: reachedOn }, today, 'reached');
  const promised = [
    reward ?? '',
    pips && !hidesPips ? `${number(pips)} ${pips === 1 ? (pipsName?.one ?? 'pip') : (pipsName?.many ?? 'pips')}` : '',
  ].filter(Boolean);
  return (
    <View role="listitem" dataSet={{ id: milestone.id }} style={[styles.row, isParted && styles.parted]}>
      <Peg
        state={isReached ? 'done' : 'blank'}
        sizePx={30}
        color={colors.brass}
        label={`${title}: reached`}
        isChecked={isReached}
        onPress={() => markMilestone(milestone, !isReached)}
      />
      <Pressable
        role="button"
        aria-label={[`Milestone ${title}`, words, waits.length > 0 ? `waits for ${waits.join(' and ')}` : '']
          .filter(Boolean)
          .join(', ')}
        onPress={onOpen}
        style={styles.words}
      >
        <Words type="name">{title}</Words>
        <View style={[styles.line, styles.wrap]}>
          {words ? (
            <Words type="label" tone={stateTone(state)}>
              {words}
            </Words>
          ) : null}
          {waits.length > 0 ? (
            <Words type="quiet" tone="quiet">
              waits for {waits.join(' and ')}
            </Words>
          ) : null}
        </View>
        {promised.length > 0 ? (
          <Words type="quiet" tone="brassText">
            {promised.join(', ')}
          </Words>
        ) : null}
      </Pressable>
    </View>
  );
}

/** The most that a time line shows. */
const MOST_ROWS = 40;

/** Milestones and steps on one line of time, with what must come first, and today. */
export const TimeLineCard = memo(function TimeLineCard({ figured }: { figured: FiguredGoal }) {
  const today = useAppSelector(selectToday);
  const { goal } = figured.records;
  const things = useMemo(() => timeLineThings(figured, today), [figured, today]);
  const span = useMemo((): DaySpan => {
    const first = dayOf(goal.startsOn);
    return { first, last: goal.dueOn ? dayOf(goal.dueOn) : Math.max(first, today) };
  }, [goal.startsOn, goal.dueOn, today]);
  if (things.length < 2) return null;
  return (
    <SectionCard title="Time line">
      <TimeLinePicture
        things={things.slice(0, MOST_ROWS)}
        goal={span}
        today={today}
        label={`Time line of ${goal.title}: milestones and steps by day, today marked`}
      />
      {things.length > MOST_ROWS ? (
        <Words type="quiet" tone="quiet">
          The first {MOST_ROWS} of {things.length}.
        </Words>
      ) : null}
    </SectionCard>
  );
});

const useStyles = themed((colors) => ({
  none: { padding: SPACE.l },
  row: { flexDirection: 'row', alignItems: 'center', paddingLeft: SPACE.xs, minHeight: 58 },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  words: { flex: 1, minWidth: 0, gap: 1, paddingVertical: SPACE.s, paddingLeft: SPACE.xs, paddingRight: SPACE.m },
  line: { flexDirection: 'row', columnGap: SPACE.s, flexWrap: 'wrap' },
  wrap: { flexWrap: 'wrap' },
}));
