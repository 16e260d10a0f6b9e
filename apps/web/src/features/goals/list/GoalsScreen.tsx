import { type Goal } from '@wimbel/core';
import { useRouter } from 'expo-router';
import AlarmClock from 'lucide-react-native/icons/alarm-clock';
import ArrowDownUp from 'lucide-react-native/icons/arrow-down-up';
import CalendarRange from 'lucide-react-native/icons/calendar-range';
import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { View } from 'react-native';
import { CheckInSheet } from '../../../components/goals/CheckInSheet.tsx';
import { QuoteLine } from '../../../components/journal/QuoteLine.tsx';
import { selectFiguredList } from '../../../store/goalSelectors.ts';
import { selectSeasons, selectShowsSeasons } from '../../../store/seasonSelectors.ts';
import { selectAreas } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useLocalChoice } from '../../../platform/localSettings.ts';
import { themed, useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { EmptyState } from '../../../ui/EmptyState.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { Words } from '../../../ui/Words.tsx';
import { SeasonKey } from './SeasonKey.tsx';
import { GOALS_BY, GOALS_SORTS, groupsOfGoals, sorted } from './goalLists.ts';
import { PATHS } from '../../../platform/paths.ts';
import { Group } from './GoalGroup.tsx';
import { GoalsListSheet } from './GoalsListSheet.tsx';

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
        <GoalsListSheet by={by} onBy={setBy} sort={sort} onSort={setSort} onClose={() => setIsListing(false)} />
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

const useStyles = themed(() => ({
  head: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: SPACE.xs },
  title: { flexGrow: 1 },
  groups: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.xl, alignItems: 'flex-start' },
  column: { flexBasis: '47%', flexGrow: 1, maxWidth: '49%' },
  stack: { gap: SPACE.l },
}));
