import { type Step, type StepNode, stepTree } from '@wimbel/core';
import ArrowDownUp from 'lucide-react-native/icons/arrow-down-up';
import { memo, useDeferredValue, useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { useRecording } from '../../sync/RecordsProvider.tsx';
import type { FiguredGoal } from '../../store/figuredGoals.ts';
import { stateTone, stateWords } from '../../words/goalWords.ts';
import { changeTo } from '../../store/makeChange.ts';
import { reordered } from '../../store/reorder.ts';
import { selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { useGoalParts } from '../../parts/useGoalParts.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Peg } from '../../ui/Peg.tsx';
import { SectionCard } from '../../ui/SectionCard.tsx';
import { SortableList } from '../../ui/SortableList.tsx';
import { Words } from '../../ui/Words.tsx';
import { AddLine } from './AddLine.tsx';
import { StepSheet } from './StepSheet.tsx';
import { newStep } from './stepDraft.ts';

const INDENT_PX = 26;
/** Done steps beyond so many are folded away. */
const MOST_DONE = 6;
const FIRST_DRAWN = 20;

/** The steps of a goal with their sub-steps: ticked off, added, opened, put in order. */
export function StepsCard({ figured }: { figured: FiguredGoal }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { change } = useRecording();
  const { markStep } = useGoalParts();
  const today = useAppSelector(selectToday);
  const { goal, steps, keyResults } = figured.records;
  const tree = useMemo(() => stepTree(steps, today), [steps, today]);
  const [opened, setOpened] = useState<string | null>(null);
  const [isOrdering, setIsOrdering] = useState(false);
  const [showsDone, setShowsDone] = useState(false);
  const done = tree.filter((node) => node.isDone);
  const shown = showsDone || isOrdering ? tree : tree.filter((node) => !node.isDone || done.indexOf(node) < MOST_DONE);
  // Many steps are drawn after the first, so that the page opens at once.
  const most = useDeferredValue(shown.length, FIRST_DRAWN);
  const keyResultTitles = useMemo(() => new Map(keyResults.map((each) => [each.id, each.title])), [keyResults]);
  const order = (ids: string[]): void => void change(...reordered(steps, ids).map((each) => changeTo('steps', each)));
  const openedStep = steps.find((step) => step.id === opened);
  const branch = (nodes: readonly StepNode[], depth: number) =>
    nodes.map((node) => (
      <View key={node.step.id}>
        <StepRow
          node={node}
          depth={depth}
          today={today}
          keyResult={keyResultTitles.get(node.step.keyResultId ?? '') ?? null}
          onOpen={setOpened}
          onMark={markStep}
        />
        {branch(node.below, depth + 1)}
      </View>
    ));
  return (
    <SectionCard
      title="Steps"
      isFlush
      aside={
        steps.length > 1 ? (
          <Button
            kind="bare"
            icon={<ArrowDownUp size={16} color={colors.working} />}
            onPress={() => setIsOrdering(!isOrdering)}
          >
            {isOrdering ? 'Done ordering' : 'Put in order'}
          </Button>
        ) : null
      }
    >
      {isOrdering ? (
        <OrderLevel nodes={tree} label="Steps in order" onOrder={order} />
      ) : (
        <View role="list" aria-label="Steps">
          {branch(shown.slice(0, Math.max(most, FIRST_DRAWN)), 0)}
        </View>
      )}
      {shown.length < tree.length || (showsDone && done.length > MOST_DONE) ? (
        <Button kind="bare" onPress={() => setShowsDone(!showsDone)} style={styles.fold}>
          {showsDone ? 'Fold the done ones' : `${done.length - MOST_DONE} more done`}
        </Button>
      ) : null}
      {isOrdering ? null : (
        <AddLine
          label="A new step"
          placeholder="The next thing to do"
          onAdd={(title) => change(changeTo('steps', newStep(goal, title, steps)))}
        />
      )}
      {openedStep ? (
        <StepSheet
          key={openedStep.id}
          step={openedStep}
          figured={figured}
          onClose={() => setOpened(null)}
          onOpen={setOpened}
        />
      ) : null}
    </SectionCard>
  );
}

/** The steps of a level with handles, and those below each. */
function OrderLevel({
  nodes,
  label,
  onOrder,
}: {
  nodes: readonly StepNode[];
  label: string;
  onOrder: (ids: string[]) => void;
}) {
  const styles = useStyles();
  const items = nodes.map((node) => ({ id: node.step.id, name: node.step.title, node }));
  return (
    <SortableList label={label} items={items} onOrder={onOrder}>
      {({ node }) => (
        <View style={styles.ordered}>
          <Words type="name" style={node.isDone ? styles.through : undefined}>
            {node.step.title}
          </Words>
          {node.below.length > 0 ? (
            <OrderLevel nodes={node.below} label={`Steps of ${node.step.title}`} onOrder={onOrder} />
          ) : null}
        </View>
      )}
    </SortableList>
  );
}

type RowProps = {
  node: StepNode;
  depth: number;
  today: number;
  keyResult: string | null;
  onOpen: (id: string) => void;
  onMark: (step: Step, isDone: boolean) => void;
};

const isSameNode = (a: StepNode, b: StepNode): boolean =>
  a.step === b.step && a.isDone === b.isDone && a.state === b.state && a.below.length === b.below.length;

const StepRow = memo(
  function StepRow({ node, depth, today, keyResult, onOpen, onMark }: RowProps) {
    const styles = useStyles();
    const { colors } = useTheme();
    const { step, state, isDone } = node;
    const words = stateWords({ state, dueOn: step.dueOn, doneOn: step.doneOn }, today);
    const more = [
      step.priority ? `priority ${step.priority}` : '',
      step.impact ? `${step.impact} impact` : '',
      keyResult ? `for ${keyResult}` : '',
    ].filter(Boolean);
    return (
      <View role="listitem" style={[styles.row, { paddingLeft: SPACE.xs + Math.min(depth, 3) * INDENT_PX }]}>
        <Peg
          state={isDone ? 'done' : 'blank'}
          sizePx={depth === 0 ? 26 : 22}
          color={colors.working}
          label={`${step.title}: done`}
          isChecked={isDone}
          onPress={() => onMark(step, !isDone)}
        />
        <Pressable
          role="button"
          aria-label={[`${step.title}, more`, words, ...more].filter(Boolean).join(', ')}
          onPress={() => onOpen(step.id)}
          style={styles.words}
        >
          <Words
            type={depth === 0 ? 'name' : 'body'}
            tone={isDone ? 'quiet' : 'ink'}
            style={isDone ? styles.through : undefined}
          >
            {step.title}
          </Words>
          {words || more.length > 0 ? (
            <View style={styles.line}>
              {words ? (
                <Words type="label" tone={stateTone(state)}>
                  {words}
                </Words>
              ) : null}
              {more.length > 0 ? (
                <Words type="quiet" tone="quiet">
                  {more.join(' · ')}
                </Words>
              ) : null}
            </View>
          ) : null}
          {step.note ? (
            <Words type="quiet" tone="quiet" numberOfLines={2}>
              {step.note}
            </Words>
          ) : null}
        </Pressable>
      </View>
    );
  },
  (a, b) =>
    isSameNode(a.node, b.node) &&
    a.depth === b.depth &&
    a.today === b.today &&
    a.keyResult === b.keyResult &&
    a.onOpen === b.onOpen &&
    a.onMark === b.onMark,
);

const useStyles = themed((colors) => ({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    minHeight: 52,
    borderBottomWidth: 1,
    borderBottomColor: colors.line,
  },
  words: { flex: 1, minWidth: 0, gap: 1, paddingVertical: SPACE.s, paddingLeft: SPACE.xs, paddingRight: SPACE.m },
  line: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.s },
  through: { textDecorationLine: 'line-through' },
  ordered: { paddingVertical: SPACE.s, paddingRight: SPACE.s, gap: SPACE.s },
  fold: { alignSelf: 'flex-start', marginLeft: SPACE.m },
}));
