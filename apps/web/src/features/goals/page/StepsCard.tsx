import { type FiguredGoal, type Step, stepTree, STEP_SORTS, stepsSorted, isStepsMeasure } from '@wimbel/core';
import ArrowDownUp from 'lucide-react-native/icons/arrow-down-up';
import { useDeferredValue, useMemo, useState, useCallback } from 'react';
import { View } from 'react-native';
import { useRecording } from '../../../sync/recording.ts';
import { changeTo } from '../../../store/makeChange.ts';
import { reordered } from '../../../store/reorder.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { AddLine } from '../../../components/page/AddLine.tsx';
import { StepSheet } from './StepSheet.tsx';
import { counted } from '../../../text/format.ts';
import { useToast } from '../../../ui/Toast.tsx';
import { newStep, stepsOfLines } from '../../../components/goals/stepDraft.ts';
import { useLocalChoice } from '../../../platform/localSettings.ts';
import { MoveSeveral } from './MoveSeveral.tsx';
import { StepsSum } from './StepsSum.tsx';
import { StepsOrder } from './StepsOrder.tsx';
import { Branch } from './StepBranch.tsx';
import { StepsListSheet, type Mode, SORT_WORDS } from './StepsListSheet.tsx';

/** Done steps beyond so many are folded away. */
const MOST_DONE = 6;

const FIRST_DRAWN = 20;

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
        <StepsOrder nodes={tree} label="Steps in order" onOrder={order} />
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
        <StepsListSheet
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

const useStyles = themed(() => ({
  fold: { alignSelf: 'flex-start', marginLeft: SPACE.m },
}));
