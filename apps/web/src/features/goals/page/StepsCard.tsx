import {
  type Step,
  type StepNode,
  stepTree,
  STEP_SORTS,
  stepsSorted,
  allStepsValue,
  numberOf,
  type StepSort,
  isStepsMeasure,
} from '@wimbel/core';
import ArrowDownUp from 'lucide-react-native/icons/arrow-down-up';
import { useDeferredValue, useMemo, useState, useCallback } from 'react';
import { View } from 'react-native';
import { useRecording } from '../../../sync/recording.ts';
import type { FiguredGoal } from '../../../store/goalSelectors.ts';
import { stepsWords } from '../../../text/goalText.ts';
import { changeTo } from '../../../store/makeChange.ts';
import { reordered } from '../../../store/reorder.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useGoalParts } from '../../../components/goals/useGoalParts.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { SortableList } from '../../../ui/SortableList.tsx';
import { Words } from '../../../ui/Words.tsx';
import { AddLine } from '../../../components/page/AddLine.tsx';
import { StepSheet } from './StepSheet.tsx';
import { counted } from '../../../text/format.ts';
import { useToast } from '../../../ui/Toast.tsx';
import { newStep, stepsOfLines } from '../../../components/goals/stepDraft.ts';
import { useLocalChoice } from '../../../platform/localSettings.ts';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Labelled } from '../../../ui/Field.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import { number } from '../../../text/amounts.ts';
import { StepRow } from './StepRow.tsx';
import { MoveSeveral } from './MoveSeveral.tsx';
import { FigureWords } from '../../../components/figure/Figure.tsx';

/** Done steps beyond so many are folded away. */
const MOST_DONE = 6;
const FIRST_DRAWN = 20;

type Mode = 'list' | 'order' | 'several';

/** The steps of a goal with their sub-steps: ticked off, added, opened, listed one way or another, several moved at once. */
export function StepsCard({ figured }: { figured: FiguredGoal }) {
  const styles = useStyles();
  const { change } = useRecording();
  const toast = useToast();
  const today = useAppSelector(selectToday);
  const { steps, keyResults } = figured.records;
  const [sort, setSort] = useLocalChoice('stepsBy', STEP_SORTS, 'order');
  const tree = useMemo(() => stepsSorted(stepTree(steps, today), sort), [steps, today, sort]);
  const [opened, setOpened] = useState<string | null>(null);
  const [mode, setMode] = useState<Mode>('list');
  const [isListing, setIsListing] = useState(false);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [showsDone, setShowsDone] = useState(false);
  const done = tree.filter((node) => node.isDone);
  const shown =
    showsDone || mode !== 'list' ? tree : tree.filter((node) => !node.isDone || done.indexOf(node) < MOST_DONE);
  // Many steps are drawn after the first, so that the page opens at once.
  const most = useDeferredValue(shown.length, FIRST_DRAWN);
  const keyResultTitles = useMemo(() => new Map(keyResults.map((each) => [each.id, each.title])), [keyResults]);
  const order = (ids: string[]): void => void change(...reordered(steps, ids).map((each) => changeTo('steps', each)));
  const openedStep = steps.find((step) => step.id === opened);
  const choose = useCallback(
    (step: Step) =>
      setChosen((before) => {
        const next = new Set(before);
        if (!next.delete(step.id)) next.add(step.id);
        return next;
      }),
    [],
  );
  const leave = (): void => {
    setMode('list');
    setChosen(new Set());
  };
  return (
    <SectionCard
      title="Steps"
      isFlush
      aside={
        steps.length < 2 ? null : (
          <ListingButton sort={sort} mode={mode} onList={() => setIsListing(true)} onLeave={leave} />
        )
      }
    >
      <StepsSum figured={figured} />
      {mode === 'order' ? (
        <OrderLevel nodes={tree} label="Steps in order" onOrder={order} />
      ) : (
        <View role="list" aria-label="Steps">
          <Branch
            nodes={shown.slice(0, Math.max(most, FIRST_DRAWN))}
            keyResultTitles={keyResultTitles}
            chosen={mode === 'several' ? chosen : null}
            onChoose={choose}
            onOpen={setOpened}
          />
        </View>
      )}
      {shown.length < tree.length || (showsDone && done.length > MOST_DONE) ? (
        <Button kind="bare" onPress={() => setShowsDone(!showsDone)} style={styles.fold}>
          {showsDone ? 'Fold the done ones' : `${done.length - MOST_DONE} more done`}
        </Button>
      ) : null}
      {mode === 'list' ? (
        <AddLine
          label="A new step"
          placeholder="The next thing to do, or a pasted list"
          onList={(lines) => {
            const onUndo = change(...stepsOfLines(figured.records, lines).map((step) => changeTo('steps', step)));
            toast({ text: `${counted(lines.length, 'step')} added`, onUndo });
          }}
          onAdd={(title) => change(changeTo('steps', newStep(figured.records, title)))}
        />
      ) : null}
      {mode === 'several' ? <MoveSeveral figured={figured} chosen={chosen} onMoved={leave} /> : null}
      {isListing ? (
        <ListSheet
          sort={sort}
          onSort={setSort}
          onClose={() => setIsListing(false)}
          onMode={(next) => {
            setIsListing(false);
            setMode(next);
            if (next === 'order') setSort('order');
          }}
          hasSeveral={keyResults.some(({ measure }) => isStepsMeasure(measure))}
        />
      ) : null}
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

function ListingButton({
  sort,
  mode,
  onList,
  onLeave,
}: {
  sort: (typeof STEP_SORTS)[number];
  mode: Mode;
  onList: () => void;
  onLeave: () => void;
}) {
  const { colors } = useTheme();
  return mode === 'list' ? (
    <Button
      kind="bare"
      icon={<ArrowDownUp size={16} color={colors.working} />}
      label="How steps are listed"
      onPress={onList}
    >
      {SORT_WORDS[sort]}
    </Button>
  ) : (
    <Button kind="bare" onPress={onLeave}>
      {mode === 'order' ? 'Done ordering' : 'Done choosing'}
    </Button>
  );
}

/** "3 of 8 done, 5 left": of all steps of a goal. */
function StepsSum({ figured }: { figured: FiguredGoal }) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const { steps, goal } = figured.records;
  const { value, count } = useMemo(() => allStepsValue(steps, today), [steps, today]);
  if (count === 0) return null;
  const left = count - numberOf(value);
  const words = `${stepsWords(numberOf(value), count)} done${left > 0 ? `, ${number(Math.round(left * 10) / 10)} left` : ''}`;
  return (
    <View style={styles.sum}>
      <FigureWords asked={{ figure: 'goalSteps', goalId: goal.id }} words={words} />
    </View>
  );
}

/** Steps with those below them; at the top they can be chosen. */
function Branch({
  nodes,
  keyResultTitles,
  chosen,
  depth = 0,
  onChoose,
  onOpen,
}: {
  nodes: readonly StepNode[];
  keyResultTitles: ReadonlyMap<string, string>;
  /** Which are chosen; null while none can be. */
  chosen: ReadonlySet<string> | null;
  depth?: number;
  onChoose: (step: Step) => void;
  onOpen: (stepId: string) => void;
}) {
  const { markStep } = useGoalParts();
  const today = useAppSelector(selectToday);
  return nodes.map((node) => (
    <View key={node.step.id}>
      <StepRow
        node={node}
        depth={depth}
        today={today}
        keyResult={keyResultTitles.get(node.step.keyResultId ?? '') ?? null}
        isChosen={chosen !== null && depth === 0 ? chosen.has(node.step.id) : null}
        onChoose={onChoose}
        onOpen={onOpen}
        onMark={markStep}
      />
      <Branch
        nodes={node.below}
        keyResultTitles={keyResultTitles}
        chosen={chosen}
        depth={depth + 1}
        onChoose={onChoose}
        onOpen={onOpen}
      />
    </View>
  ));
}

const SORT_WORDS: Record<StepSort, string> = {
  order: 'My order',
  need: 'Urgent first',
  priority: 'Priority',
  due: 'Due day',
};

/** How steps are listed, and what else can be done to all of them. */
function ListSheet({
  sort,
  onSort,
  onMode,
  onClose,
  hasSeveral,
}: {
  sort: StepSort;
  onSort: (sort: StepSort) => void;
  onMode: (mode: Mode) => void;
  onClose: () => void;
  hasSeveral: boolean;
}) {
  return (
    <Sheet title="How steps are listed" onClose={onClose}>
      <Labelled label="Sort by">
        <Segments
          label="Sort by"
          value={sort}
          choices={STEP_SORTS.map((value) => ({ value, label: SORT_WORDS[value] }))}
          onChange={onSort}
          isWrapping
        />
      </Labelled>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button onPress={() => onMode('order')}>Put in order by hand</Button>
        {hasSeveral ? <Button onPress={() => onMode('several')}>Choose several</Button> : null}
      </View>
      <Button kind="main" onPress={onClose}>
        Done
      </Button>
    </Sheet>
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

const useStyles = themed(() => ({
  sum: { paddingHorizontal: SPACE.l, paddingBottom: SPACE.s, paddingTop: SPACE.s },
  through: { textDecorationLine: 'line-through' },
  ordered: { paddingVertical: SPACE.s, paddingRight: SPACE.s, gap: SPACE.s },
  fold: { alignSelf: 'flex-start', marginLeft: SPACE.m },
}));
