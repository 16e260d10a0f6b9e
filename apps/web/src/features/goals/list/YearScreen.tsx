import {
  DndContext,
  type DragEndEvent,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { CSS } from '@dnd-kit/utilities';
import { type Goal, dayOf, monthSpan, quarterOfGoal, quartersOfYear, yearOfDay } from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import GripVertical from 'lucide-react-native/icons/grip-vertical';
import MoveRight from 'lucide-react-native/icons/move-right';
import { type ReactNode, useState } from 'react';
import { Pressable, View } from 'react-native';
import { BoringPicture } from '../../../charts/BoringPicture.tsx';
import { type FiguredGoal, selectFiguredList } from '../../../store/goalSelectors.ts';
import { PACE_WORDS, STATE_WORDS, dueWords, holeColor, paceTone, moveWords } from '../../../text/goalText.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useGoalActions } from '../../../components/goals/useGoalActions.ts';
import { capital, counted, monthName, percent } from '../../../text/format.ts';
import { saveFocus, useRestoredFocus } from '../../../ui/useRestoredFocus.ts';
import { themed, useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { SPACE, TOUCH_PX } from '../../../theme/space.ts';
import { ActionList } from '../../../ui/ActionList.tsx';
import { Card } from '../../../ui/Card.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';
import { quarterName, sorted } from './goalLists.ts';
import { Segments } from '../../../ui/Segments.tsx';
import { Button } from '../../../ui/Button.tsx';
import { PATHS, goalPath } from '../../../platform/paths.ts';

/** Where a goal stands in the year: a quarter by its first month, or nowhere; nothing can be put on those around the year. */
type Shelf = { key: string; title: string; quarter: number | null; isAround?: boolean };

const DRAG_FROM_PX = 4;

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
        <MoveSheet
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

/** Moves a goal to another quarter: where to, then what changes with it, and whether its start goes along. */
function MoveSheet({ goal, shelves, onClose }: { goal: Goal; shelves: readonly Shelf[]; onClose: () => void }) {
  const { moveTo, moveOf } = useGoalActions();
  const today = useAppSelector(selectToday);
  const [to, setTo] = useState<Shelf | null>(null);
  const [start, setStart] = useState<'stays' | 'moves'>('stays');
  if (to === null) {
    return (
      <Sheet title={`Move ${goal.title}`} onClose={onClose}>
        <Words tone="quiet">
          It will be due on the last day of the quarter. The days it had before stay in its story.
        </Words>
        <ActionList
          actions={shelves.map((shelf) => ({ label: shelf.title, icon: MoveRight, onPress: () => setTo(shelf) }))}
        />
      </Sheet>
    );
  }
  const changes = moveWords(goal, moveOf(goal, to.quarter, start === 'moves'), today);
  return (
    <Sheet title={`Move to ${to.title}`} onClose={onClose}>
      <Words type="label">{goal.title}</Words>
      <View role="list" aria-label="What changes">
        {changes.map((words) => (
          <View key={words} role="listitem">
            <Words>{capital(words)}</Words>
          </View>
        ))}
      </View>
      {to.quarter === null ? null : (
        <Segments
          label="Its start"
          value={start}
          choices={[
            { value: 'stays', label: 'Keep its start' },
            { value: 'moves', label: 'Start with the quarter' },
          ]}
          onChange={setStart}
          isWrapping
        />
      )}
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <Button
          kind="main"
          onPress={() => {
            onClose();
            moveTo(goal, to.quarter, start === 'moves');
          }}
        >
          Move
        </Button>
        <Button kind="bare" onPress={() => setTo(null)}>
          Another quarter
        </Button>
      </View>
    </Sheet>
  );
}

function ShelfCard({
  shelf,
  goals,
  onMove,
}: {
  shelf: Shelf;
  goals: readonly FiguredGoal[];
  onMove: (goal: Goal) => void;
}) {
  const styles = useStyles();
  const isWide = useIsWide();
  const { colors } = useTheme();
  const { setNodeRef, isOver } = useDroppable({ id: shelf.key, disabled: shelf.isAround ?? false });
  return (
    <View
      ref={setNodeRef as never}
      role="group"
      aria-label={shelf.title}
      style={[styles.shelf, isWide && (shelf.quarter === null ? styles.whole : styles.half)]}
    >
      <View style={styles.shelfHead}>
        <Words type="label" tone="quiet" heading={2}>
          {shelf.title}
        </Words>
        <Words type="label" tone="quiet">
          {goals.length === 0 ? '' : counted(goals.length, 'goal')}
        </Words>
      </View>
      <Card isFlush style={isOver ? { borderColor: colors.brass, backgroundColor: colors.wash } : undefined}>
        {goals.length === 0 ? (
          <Words tone="quiet" style={styles.none}>
            Nothing is due here.
          </Words>
        ) : (
          goals.map((figured, place) => (
            <Movable key={figured.records.goal.id} figured={figured} isParted={place > 0} onMove={onMove} />
          ))
        )}
      </Card>
    </View>
  );
}

function Movable({
  figured,
  isParted,
  onMove,
}: {
  figured: FiguredGoal;
  isParted: boolean;
  onMove: (goal: Goal) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const { goal, keyResults } = figured.records;
  const { figures } = figured;
  const { listeners, setNodeRef, transform, isDragging } = useDraggable({ id: goal.id });
  const isOpen = goal.state === 'open';
  const pace = isOpen ? figures.pace : null;
  const moved = { transform: CSS.Translate.toString(transform) ?? '' } as object;
  return (
    <View
      ref={setNodeRef as never}
      style={[styles.goal, isParted && styles.parted, moved, isDragging && styles.lifted]}
    >
      <Handle listeners={listeners}>
        <GripVertical size={20} color={colors.quiet} />
      </Handle>
      <Pressable
        role="link"
        aria-label={`${goal.title}, ${percent(figures.progress)}`}
        onPress={() => router.push(goalPath(goal.id))}
        style={styles.words}
      >
        <Words type="name">{goal.title}</Words>
        <View style={styles.line}>
          <Words type="strong">{percent(figures.progress)}</Words>
          <Words type="label" tone={paceTone(pace)}>
            {pace ? PACE_WORDS[pace] : isOpen ? '' : STATE_WORDS[goal.state]}
          </Words>
          <Words type="quiet" tone="quiet">
            {dueWords(goal, figures, today)}
          </Words>
        </View>
        {keyResults.length > 0 ? (
          <BoringPicture
            heightPx={24}
            isSmall
            label={counted(keyResults.length, 'key result')}
            parts={keyResults.map(({ id }, place) => ({
              id,
              progress: figures.keyResults[id]!.progress,
              expected: isOpen ? figures.keyResults[id]!.expected : null,
              color: holeColor(colors, place),
            }))}
          />
        ) : null}
      </Pressable>
      <IconButton
        icon={MoveRight}
        label={`Move ${goal.title} to another quarter`}
        sizePx={19}
        onPress={() => onMove(goal)}
      />
    </View>
  );
}

/** Drag handle of a goal; keyboard and screen readers use the menu beside it. */
function Handle({
  listeners,
  children,
}: {
  listeners: ReturnType<typeof useDraggable>['listeners'];
  children: ReactNode;
}) {
  return (
    <div
      {...listeners}
      aria-hidden
      data-handle=""
      style={{
        width: TOUCH_PX - 8,
        minHeight: TOUCH_PX,
        display: 'flex',
        alignItems: 'center',
        justifyContent: 'center',
        cursor: 'grab',
        touchAction: 'none',
      }}
    >
      {children}
    </div>
  );
}

const useStyles = themed((colors) => ({
  stack: { gap: SPACE.l },
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.xl, alignItems: 'stretch' },
  shelf: { gap: SPACE.xs },
  half: { flexBasis: '47%', flexGrow: 1 },
  whole: { flexBasis: '100%' },
  shelfHead: { flexDirection: 'row', justifyContent: 'space-between', paddingHorizontal: SPACE.xs },
  none: { padding: SPACE.l },
  goal: { flexDirection: 'row', alignItems: 'center', minHeight: 64, backgroundColor: colors.raised },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  lifted: { zIndex: 5, borderWidth: 1, borderColor: colors.brass, borderRadius: 12 },
  words: { flex: 1, minWidth: 0, gap: 2, paddingVertical: SPACE.m },
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: SPACE.s },
}));
