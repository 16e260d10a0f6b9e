import { type Goal, type Area, type Season } from '@wimbel/core';
import { useRouter } from 'expo-router';
import AlarmClock from 'lucide-react-native/icons/alarm-clock';
import ArrowDownUp from 'lucide-react-native/icons/arrow-down-up';
import CalendarRange from 'lucide-react-native/icons/calendar-range';
import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { View } from 'react-native';
import { CheckInSheet } from '../../../components/goals/CheckInSheet.tsx';
import { QuoteLine } from '../../../components/journal/QuoteLine.tsx';
import { useRecording } from '../../../sync/recording.ts';
import { type FiguredGoal, selectFiguredList } from '../../../store/goalSelectors.ts';
import { changeTo } from '../../../store/makeChange.ts';
import { reordered } from '../../../store/reorder.ts';
import { selectSeasons, selectShowsSeasons } from '../../../store/seasonSelectors.ts';
import { selectAreas, selectGoals } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useLocalChoice } from '../../../platform/localSettings.ts';
import { themed, useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { EmptyState } from '../../../ui/EmptyState.tsx';
import { Labelled } from '../../../ui/Field.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { SortableList } from '../../../ui/SortableList.tsx';
import { Words } from '../../../ui/Words.tsx';
import { SeasonKey } from './SeasonKey.tsx';
import { GoalCard } from './GoalCard.tsx';
import {
  GOALS_BY,
  GOALS_SORTS,
  type GoalGroup,
  type GoalsBy,
  type GoalsSort,
  groupsOfGoals,
  sorted,
} from './goalLists.ts';
import { GoalsSum } from '../../../components/goals/GoalsSum.tsx';
import { PATHS } from '../../../platform/paths.ts';

const BY_WORDS: Record<GoalsBy, string> = {
  area: 'Area',
  season: 'Season',
  quarter: 'Quarter',
  year: 'Year',
  state: 'State',
};
const SORT_WORDS: Record<GoalsSort, string> = { due: 'Due day', share: 'Share', order: 'My order' };

export function GoalsScreen() {
  const styles = useStyles();
  const router = useRouter();
  const isWide = useIsWide();
  const goals = useAppSelector(selectFiguredList);
  const areas = useAppSelector(selectAreas);
  const seasons = useAppSelector(selectSeasons);
  const showsSeasons = useAppSelector(selectShowsSeasons);
  const [kept, setBy] = useLocalChoice('goalsBy', GOALS_BY, 'area');
  const by = kept === 'season' && !showsSeasons ? 'area' : kept;
  const [sort, setSort] = useLocalChoice('goalsSort', GOALS_SORTS, 'due');
  const [fed, setFed] = useState<Goal | null>(null);
  const [isListing, setIsListing] = useState(false);
  const add = (): void => router.push(PATHS.newGoal);
  if (goals.length === 0) {
    return (
      <Page>
        <Words type="display" heading={1}>
          Goals
        </Words>
        <SeasonKey />
        <QuoteLine />
        <EmptyState
          title="No goal yet"
          text="A goal is something you want to have reached by a day. Key results tell how far you are; habits carry you there."
        >
          <Button kind="main" onPress={add}>
            Set your first goal
          </Button>
        </EmptyState>
      </Page>
    );
  }
  const open = goals.filter(({ records }) => records.goal.state === 'open');
  const closed = goals.filter(({ records }) => records.goal.state !== 'open');
  // By state, those no longer open are groups like the others.
  const listed = by === 'state' ? goals : open;
  return (
    <Page>
      <GoalsHead onAdd={add} onList={() => setIsListing(true)} />
      <SeasonKey />
      <QuoteLine />
      {open.length > 3 ? (
        <Words type="quiet" tone="quiet">
          {open.length} goals are open. Three at a time are easier to keep in mind.
        </Words>
      ) : null}
      {listed.length === 0 ? (
        <Words tone="quiet">No goal is open. What would you like to have reached next?</Words>
      ) : (
        <View style={isWide ? styles.groups : styles.stack}>
          {groupsOfGoals(listed, { by, sort, areas, seasons }).map((group) => (
            <View key={group.key} style={isWide ? styles.column : undefined}>
              <Group
                group={group}
                all={goals}
                by={by}
                showsArea={by !== 'area' && by !== 'year'}
                isNarrow
                onCheckIn={setFed}
              />
            </View>
          ))}
        </View>
      )}
      {by !== 'state' && closed.length > 0 ? (
        <Group
          group={{ key: 'closed', title: 'No longer open', dye: null, goals: sorted(closed, sort) }}
          all={goals}
          by={by}
          showsArea
          onCheckIn={setFed}
        />
      ) : null}
      {fed ? <CheckInSheet goal={fed} onClose={() => setFed(null)} /> : null}
      {isListing ? (
        <ListSheet by={by} onBy={setBy} sort={sort} onSort={setSort} onClose={() => setIsListing(false)} />
      ) : null}
    </Page>
  );
}

function GoalsHead({ onAdd, onList }: { onAdd: () => void; onList: () => void }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  return (
    <View style={styles.head}>
      <Words type="display" heading={1} style={styles.title}>
        Goals
      </Words>
      <IconButton icon={CalendarRange} name="Year" label="The year" onPress={() => router.push(PATHS.yearOfGoals)} />
      <IconButton icon={AlarmClock} name="Due" label="What is due" onPress={() => router.push(PATHS.dueGoals)} />
      <IconButton icon={ArrowDownUp} name="Order" label="How goals are listed" onPress={onList} />
      <Button kind="main" onPress={onAdd} icon={<Plus size={18} color={colors.onWorking} />}>
        Set a goal
      </Button>
    </View>
  );
}

/** In which groups and in which order goals are listed. */
function ListSheet({
  by,
  onBy,
  sort,
  onSort,
  onClose,
}: {
  by: (typeof GOALS_BY)[number];
  onBy: (by: (typeof GOALS_BY)[number]) => void;
  sort: (typeof GOALS_SORTS)[number];
  onSort: (sort: (typeof GOALS_SORTS)[number]) => void;
  onClose: () => void;
}) {
  const showsSeasons = useAppSelector(selectShowsSeasons);
  return (
    <Sheet title="How goals are listed" onClose={onClose}>
      <Labelled label="Group by">
        <Segments
          label="Group by"
          value={by}
          choices={GOALS_BY.filter((value) => value !== 'season' || showsSeasons).map((value) => ({
            value,
            label: BY_WORDS[value],
          }))}
          onChange={onBy}
          isWrapping
        />
      </Labelled>
      <Labelled label="Sort by">
        <Segments
          label="Sort by"
          value={sort}
          choices={GOALS_SORTS.map((value) => ({ value, label: SORT_WORDS[value] }))}
          onChange={onSort}
          isWrapping
        />
      </Labelled>
      {sort === 'order' ? <OrderList /> : null}
      <Button kind="main" onPress={onClose}>
        Done
      </Button>
    </Sheet>
  );
}

/** Every goal that belongs to a group, those no longer open too: what its figures are over. */
const allOfGroup = (
  all: readonly FiguredGoal[],
  by: GoalsBy,
  key: string,
  { areas, seasons }: { areas: readonly Area[]; seasons: readonly Season[] },
): FiguredGoal[] =>
  groupsOfGoals(all, { by, sort: 'order', areas, seasons }).find((group) => group.key === key)?.goals ?? [];

function Group({
  group,
  all,
  by,
  showsArea,
  isNarrow = false,
  onCheckIn,
}: {
  group: GoalGroup;
  all: readonly FiguredGoal[];
  by: GoalsBy;
  showsArea: boolean;
  /** One below the other on a wide screen too. */
  isNarrow?: boolean;
  onCheckIn: (goal: Goal) => void;
}) {
  const styles = useStyles();
  const isWide = useIsWide();
  const areas = useAppSelector(selectAreas);
  const seasons = useAppSelector(selectSeasons);
  // Within a year goals stand by their area.
  const parts =
    by === 'year' && group.key !== 'closed' ? groupsOfGoals(group.goals, { by: 'area', sort: 'due', areas }) : null;
  const whole = group.key === 'closed' ? null : allOfGroup(all, by, group.key, { areas, seasons });
  const cards = (goals: readonly FiguredGoal[]) => (
    <View style={isWide && !isNarrow ? styles.grid : styles.stack}>
      {goals.map((figured) => (
        <View key={figured.records.goal.id} style={isWide && !isNarrow ? styles.third : undefined}>
          <GoalCard figured={figured} showsArea={showsArea} onCheckIn={onCheckIn} />
        </View>
      ))}
    </View>
  );
  return (
    <View role="group" aria-label={group.title} style={styles.group}>
      <GroupHead title={group.title} dye={group.dye} goals={whole} level={2} />
      {parts === null
        ? cards(group.goals)
        : parts.map((part) => (
            <View key={part.key} role="group" aria-label={`${group.title}, ${part.title}`} style={styles.group}>
              <GroupHead
                title={part.title}
                dye={part.dye}
                goals={allOfGroup(whole ?? [], 'area', part.key, { areas, seasons })}
                level={3}
              />
              {cards(part.goals)}
            </View>
          ))}
    </View>
  );
}

function GroupHead({
  title,
  dye,
  goals,
  level,
}: {
  title: string;
  dye: string | null;
  goals: readonly FiguredGoal[] | null;
  level: 2 | 3;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  return (
    <View style={styles.groupHead}>
      {dye === null ? null : <View style={[styles.dot, { backgroundColor: dyeColor(colors, dye) }]} />}
      <Words type="label" tone="quiet" heading={level} style={styles.groupTitle}>
        {title}
      </Words>
      {goals === null ? null : <GoalsSum goals={goals} name={title} />}
    </View>
  );
}

/** All goals with handles, to be put in the person's own order. */
function OrderList() {
  const goals = useAppSelector(selectGoals);
  const { change } = useRecording();
  return (
    <Card isFlush>
      <SortableList
        label="Goals in your order"
        items={goals.map((goal) => ({ ...goal, name: goal.title }))}
        onOrder={(ids) => change(...reordered(goals, ids).map((goal) => changeTo('goals', goal)))}
      >
        {(goal) => <Words type="name">{goal.title}</Words>}
      </SortableList>
    </Card>
  );
}

const useStyles = themed(() => ({
  head: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: SPACE.xs },
  title: { flexGrow: 1 },
  groups: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.xl, alignItems: 'flex-start' },
  column: { flexBasis: '47%', flexGrow: 1, maxWidth: '49%' },
  group: { gap: SPACE.s },
  groupHead: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: SPACE.s,
    paddingHorizontal: SPACE.xs,
  },
  groupTitle: { flexGrow: 1 },
  dot: { width: 10, height: 10, borderRadius: 5 },
  stack: { gap: SPACE.l },
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l },
  third: { flexBasis: 330, flexGrow: 1, maxWidth: 540 },
}));
