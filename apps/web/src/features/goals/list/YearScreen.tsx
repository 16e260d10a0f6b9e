import { DndContext, type DragEndEvent, MouseSensor, TouchSensor, useSensor, useSensors } from '@dnd-kit/core';
import { type FiguredGoal, type Goal, dayOf, monthSpan, quarterOfGoal, quartersOfYear, yearOfDay } from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useState } from 'react';
import { View } from 'react-native';
import { selectFiguredList } from '../../../store/goalSelectors.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useGoalActions } from '../../../components/goals/useGoalActions.ts';
import { monthName } from '../../../text/format.ts';
import { saveFocus, useRestoredFocus } from '../../../ui/useRestoredFocus.ts';
import { themed, useIsWide } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Page } from '../../../ui/Frame.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { quarterName, sorted } from './goalLists.ts';
import { PATHS } from '../../../platform/paths.ts';
import { DRAG_FROM_PX } from './MovableGoal.tsx';
import { type Shelf, ShelfCard } from './ShelfCard.tsx';
import { MoveGoalSheet } from './MoveGoalSheet.tsx';

/** The goals of a year by the quarter they are due in, moved between quarters by hand or by menu. */
export function YearScreen() {
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const goals = useAppSelector(selectFiguredList);
  const { moveTo } = useGoalActions();
  const params = useLocalSearchParams<{ year?: string }>();
  const named = Number(params.year);
  const year = Number.isInteger(named) && named >= 1 && named <= 9999 ? named : yearOfDay(today);
  const [moving, setMoving] = useState<Goal | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: DRAG_FROM_PX } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 120, tolerance: 8 } }),
  );
  useRestoredFocus();
  const goTo = (to: number): void => {
    saveFocus();
    router.replace(`${PATHS.yearOfGoals}?year=${to}`);
  };
  const shelves: Shelf[] = [
    ...quartersOfYear(year).map((quarter) => ({
      key: String(quarter),
      title: `${monthName(quarter)} to ${monthName(quarter + 2)}`,
      quarter,
    })),
    { key: 'none', title: 'No due day', quarter: null },
  ];
  const [first, last] = [quartersOfYear(year)[0]!, quartersOfYear(year)[3]!];
  const isUnderWay = ({ records: { goal } }: FiguredGoal): boolean =>
    (goal.state === 'open' || goal.state === 'paused') && dayOf(goal.startsOn) <= monthSpan(last + 2).last;
  const around = [
    { key: 'before', title: `Due before ${year}, still open`, holds: (quarter: number) => quarter < first },
    { key: 'after', title: `Under way, due after ${year}`, holds: (quarter: number) => quarter > last },
  ].map(({ holds, ...shelf }) => ({
    shelf: { ...shelf, quarter: null, isAround: true },
    goals: goals.filter((each) => isUnderWay(each) && holds(quarterOfGoal(each.records.goal) ?? first)),
  }));
  const move = (goal: Goal, shelf: Shelf): void => {
    if (quarterOfGoal(goal) !== shelf.quarter) moveTo(goal, shelf.quarter);
  };
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    const goal = goals.find(({ records }) => records.goal.id === active.id)?.records.goal;
    const shelf = shelves.find((each) => each.key === over?.id);
    if (goal && shelf) move(goal, shelf);
  };
  return (
    <Page>
      <PageHead title={`Goals of ${year}`} backTo={PATHS.goals}>
        <IconButton id="year-before" icon={ChevronLeft} label={`Goals of ${year - 1}`} onPress={() => goTo(year - 1)} />
        <IconButton id="year-after" icon={ChevronRight} label={`Goals of ${year + 1}`} onPress={() => goTo(year + 1)} />
      </PageHead>
      <DndContext sensors={sensors} onDragEnd={onDragEnd}>
        <View style={isWide ? styles.grid : styles.stack}>
          {shelves.map((shelf) => (
            <ShelfCard
              key={shelf.key}
              shelf={shelf}
              goals={sorted(
                goals.filter(({ records }) => quarterOfGoal(records.goal) === shelf.quarter),
                'due',
              )}
              onMove={setMoving}
            />
          ))}
          {around
            .filter((each) => each.goals.length > 0)
            .map((each) => (
              <ShelfCard key={each.shelf.key} shelf={each.shelf} goals={sorted(each.goals, 'due')} onMove={setMoving} />
            ))}
        </View>
      </DndContext>
      {moving ? (
        <MoveGoalSheet
          goal={moving}
          shelves={[
            ...shelves,
            ...quartersOfYear(year + 1).map((quarter) => ({
              key: String(quarter),
              title: quarterName(quarter),
              quarter,
            })),
          ].filter((shelf) => shelf.quarter !== quarterOfGoal(moving))}
          onClose={() => setMoving(null)}
        />
      ) : null}
    </Page>
  );
}

const useStyles = themed(() => ({
  stack: { gap: SPACE.l },
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.xl, alignItems: 'stretch' },
}));
