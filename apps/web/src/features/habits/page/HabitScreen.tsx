import { type Habit, type PlainDay, type Track, dayOf } from '@wimbel/core';
import { useRouter } from 'expo-router';
import Archive from 'lucide-react-native/icons/archive';
import Copy from 'lucide-react-native/icons/copy';
import Pencil from 'lucide-react-native/icons/pencil';
import Trash from 'lucide-react-native/icons/trash';
import { useState } from 'react';
import { View } from 'react-native';
import { AreaName } from '../../../components/habitForm/AreaName.tsx';
import { DeleteHabitSheet } from '../../../components/habitForm/DeleteHabitSheet.tsx';
import { EntrySheet } from '../../../components/entry/EntrySheet.tsx';
import { selectHidesStreaks, selectTrack } from '../../../store/selectors.ts';
import { dayStatusOn } from '../../../text/dayStatusText.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useHabitActions } from '../../../components/habitForm/useHabitActions.ts';
import { dateNear } from '../../../text/format.ts';
import { themed, useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { HabitIcon } from '../../../ui/HabitIcon.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { NotHere } from '../../../ui/NotHere.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { Words } from '../../../ui/Words.tsx';
import { FinishLineCard } from './FinishLineCard.tsx';
import { MonthRewardsCard } from './MonthRewardsCard.tsx';
import { PausesCard } from './PausesCard.tsx';
import { TargetsCard } from './TargetsCard.tsx';
import { TermsCard } from './TermsCard.tsx';
import { VariantsCard } from './VariantsCard.tsx';
import { AmountsCard } from './AmountsCard.tsx';
import { KeptCard } from './KeptCard.tsx';
import { MonthCard } from './MonthCard.tsx';
import { RecentCard } from './RecentCard.tsx';
import { StreakCard } from './StreakCard.tsx';
import { WeekdaysCard } from './WeekdaysCard.tsx';
import { NotesCard, ReasonsCard } from './WordsCards.tsx';
import { Figure } from '../../../components/figure/Figure.tsx';
import { LongText } from '../../../components/journal/LongText.tsx';
import { PATHS, goalPath, habitEditPath } from '../../../platform/paths.ts';

/** Everything about one habit: its months, what it came to, what it asks, what was written about it. */
export function HabitScreen({ habitId }: { habitId: string }) {
  const track = useAppSelector((state) => selectTrack(state, habitId));
  if (track === null) return <NotHere what="habit" />;
  return <HabitPage key={habitId} track={track} />;
}

function HabitPage({ track }: { track: Track }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const isWide = useIsWide();
  const router = useRouter();
  const { habit, today } = track;
  const dye = useAppSelector((state) => state.records.areas[habit.areaId ?? '']?.color);
  const hidesStreaks = useAppSelector(selectHidesStreaks);
  const [opened, setOpened] = useState<PlainDay | null>(null);
  const color = dyeColor(colors, dye);
  const shared = { track, color };
  const month = <MonthCard {...shared} hasCords={!hidesStreaks} onOpen={setOpened} />;
  const record = (
    <>
      {hidesStreaks ? null : <StreakCard track={track} />}
      <KeptCard {...shared} />
      <RecentCard {...shared} />
      <AmountsCard {...shared} />
      <WeekdaysCard {...shared} />
    </>
  );
  const plan = (
    <>
      <TargetsCard {...shared} />
      <MonthRewardsCard track={track} />
      <TermsCard track={track} />
      <FinishLineCard {...shared} />
      <PausesCard track={track} />
      <VariantsCard track={track} />
    </>
  );
  const words = (
    <>
      <ReasonsCard track={track} />
      <NotesCard track={track} onOpen={setOpened} />
    </>
  );
  return (
    <Page>
      <Head track={track} color={color} />
      {isWide ? (
        <View style={styles.columns}>
          <View style={styles.column}>
            {month}
            {words}
          </View>
          <View style={styles.column}>{record}</View>
          <View style={styles.column}>{plan}</View>
        </View>
      ) : (
        <>
          {month}
          {record}
          {plan}
          {words}
        </>
      )}
      {opened === null ? null : (
        <EntrySheet
          habitId={habit.id}
          day={Math.min(opened, today)}
          onClose={() => setOpened(null)}
          onGo={(path) => router.push(path)}
        />
      )}
    </Page>
  );
}

function Head({ track, color }: { track: Track; color: string }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const { habit, today } = track;
  const goal = useAppSelector((state) => state.records.goals[habit.goalId ?? '']);
  const actions = useHabitActions();
  const isWide = useIsWide();
  const edit = (): void => router.push(habitEditPath(habit.id));
  const [isDeleting, setIsDeleting] = useState(false);
  const isOver = habit.archived || (habit.endsOn !== undefined && dayOf(habit.endsOn) < today);
  return (
    <View style={styles.head}>
      <PageHead title={habit.name} backTo={PATHS.today}>
        {isWide ? (
          <Button icon={<Pencil size={16} color={colors.ink} />} label="Edit habit" onPress={edit}>
            Edit
          </Button>
        ) : (
          <IconButton icon={Pencil} label="Edit habit" sizePx={20} onPress={edit} />
        )}
        <IconButton
          icon={Copy}
          name="Copy"
          label="Copy this habit"
          sizePx={20}
          onPress={() => router.push(`${PATHS.newHabit}?copy=${habit.id}`)}
        />
        {isOver ? null : (
          <IconButton
            icon={Archive}
            name="Archive"
            label="Archive this habit"
            sizePx={20}
            onPress={() => actions.archive(habit)}
          />
        )}
        <IconButton
          icon={Trash}
          name="Delete"
          label="Delete this habit"
          sizePx={20}
          onPress={() => setIsDeleting(true)}
        />
      </PageHead>
      <View style={styles.under}>
        {habit.icon ? <HabitIcon name={habit.icon} sizePx={20} color={color} /> : null}
        <AreaName areaId={habit.areaId} />
        <StandingWords track={track} />
        {goal ? (
          <Button
            kind="bare"
            label={`Goal: ${goal.title}`}
            onPress={() => router.push(goalPath(goal.id))}
            style={styles.goal}
          >
            {goal.title}
          </Button>
        ) : isOver ? null : (
          <Button
            kind="bare"
            onPress={() => router.push(`${PATHS.newGoal}?habit=${encodeURIComponent(habit.id)}`)}
            style={styles.goal}
          >
            Set a goal with it
          </Button>
        )}
      </View>
      <LongText of="Note" collection="habits" record={habit} field="note" tone="quiet" />
      {isOver ? <OverCard habit={habit} today={today} /> : null}
      {isDeleting ? (
        <DeleteHabitSheet
          habit={habit}
          onClose={() => setIsDeleting(false)}
          onGone={() => router.replace(PATHS.today)}
        />
      ) : null}
    </View>
  );
}

/** How the habit stands now. */
function StandingWords({ track }: { track: Track }) {
  const { words, asked } = dayStatusOn(track, track.today);
  if (asked === null) return <Words tone="quiet">{words}</Words>;
  return (
    <Figure asked={asked} label={words}>
      <Words tone="quiet">{words}</Words>
    </Figure>
  );
}

function OverCard({ habit, today }: { habit: Habit; today: PlainDay }) {
  const styles = useStyles();
  const actions = useHabitActions();
  const last = habit.endsOn ? `, its last day was ${dateNear(dayOf(habit.endsOn), today)}` : '';
  return (
    <Card style={styles.over}>
      <Words style={styles.overWords}>
        {habit.archived ? 'Archived' : 'Ended'}
        {last}. Its record stays, and counts where it did.
      </Words>
      <Button kind="main" onPress={() => actions.resume(habit)}>
        Start again
      </Button>
    </Card>
  );
}

const useStyles = themed(() => ({
  head: { gap: SPACE.s },
  under: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: SPACE.m },
  goal: { marginLeft: -SPACE.s },
  columns: { flexDirection: 'row', gap: SPACE.l, alignItems: 'flex-start' },
  column: { flex: 1, gap: SPACE.l, minWidth: 0 },
  over: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.m },
  overWords: { flex: 1, minWidth: 180 },
}));
