import { type Habit, PARTS_OF_DAY, dayOf, heldTerms, termsOn } from '@wimbel/core';
import { useRouter } from 'expo-router';
import Archive from 'lucide-react-native/icons/archive';
import Plus from 'lucide-react-native/icons/plus';
import Trash from 'lucide-react-native/icons/trash';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { DeleteHabitSheet } from '../../../components/habitForm/DeleteHabitSheet.tsx';
import { useRecording } from '../../../sync/recording.ts';
import { changeTo } from '../../../store/makeChange.ts';
import { reordered } from '../../../store/reorder.ts';
import { selectHabits, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { scheduleWords } from '../../../text/termsText.ts';
import { useHabitActions } from '../../../components/habitForm/useHabitActions.ts';
import { PART_WORDS, dateNear } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { SPACE, TOUCH_PX } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { Card } from '../../../ui/Card.tsx';
import { EmptyState } from '../../../ui/EmptyState.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { HabitIcon } from '../../../ui/HabitIcon.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { SortableList } from '../../../ui/SortableList.tsx';
import { Words } from '../../../ui/Words.tsx';
import { SeveralHabits } from './SeveralHabits.tsx';
import { PATHS, habitPath } from '../../../platform/paths.ts';

/** Every habit in its order, by part of the day; those that ended or are archived below. */
export function HabitsOrderScreen() {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const { change } = useRecording();
  const habits = useAppSelector(selectHabits);
  const areaById = useAppSelector((state) => state.records.areas);
  const today = useAppSelector(selectToday);
  const actions = useHabitActions();
  const [chosen, setChosen] = useState<ReadonlySet<string> | null>(null);
  const choose = (id: string): void =>
    setChosen((before) => {
      const next = new Set(before);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  const isOver = (habit: Habit): boolean => habit.endsOn !== undefined && dayOf(habit.endsOn) < today;
  const running = habits.filter((habit) => !habit.archived && !isOver(habit));
  const over = habits.filter((habit) => habit.archived || isOver(habit));
  const order = (ids: string[]): void => void change(...reordered(habits, ids).map((each) => changeTo('habits', each)));
  return (
    <Page>
      <PageHead title="Habits in order" backTo={PATHS.settings}>
        <Button icon={<Plus size={18} color={colors.ink} />} onPress={() => router.push(PATHS.newHabit)}>
          Add a habit
        </Button>
      </PageHead>
      {chosen !== null ? (
        <SeveralHabits habits={running.filter(({ id }) => chosen.has(id))} onDone={() => setChosen(null)} />
      ) : habits.length > 0 ? (
        <View style={styles.tools}>
          {running.length > 1 ? <Button onPress={() => setChosen(new Set())}>Choose several</Button> : null}
          <Button onPress={() => router.push(PATHS.habitTargets)}>Targets of all</Button>
        </View>
      ) : null}
      {habits.length === 0 ? (
        <EmptyState title="No habits yet" text="The first one is added in a minute." />
      ) : (
        <Words tone="quiet">
          Drag a habit by its handle, or move it with the arrow keys. The order holds on every screen.
        </Words>
      )}
      {PARTS_OF_DAY.map((part) => {
        const own = running.filter((habit) => habit.partOfDay === part);
        if (own.length === 0) return null;
        return (
          <View key={part} style={styles.section}>
            <Words type="label" tone="quiet" heading={2}>
              {PART_WORDS[part]}
            </Words>
            {chosen !== null ? (
              <Chips
                label={PART_WORDS[part]}
                isMultiple
                chips={own.map(({ id, name, areaId }) => ({
                  value: id,
                  label: name,
                  dot: dyeColor(colors, areaById[areaId ?? '']?.color),
                }))}
                chosen={[...chosen]}
                onPress={choose}
              />
            ) : (
              <Card isFlush style={styles.list}>
                <SortableList label={PART_WORDS[part]} items={own} onOrder={order}>
                  {(habit) => (
                    <HabitLine habit={habit} aside={scheduleWords(termsOn(heldTerms(habit.terms), today).schedule)}>
                      <IconButton
                        icon={Archive}
                        label={`Archive ${habit.name}`}
                        sizePx={19}
                        onPress={() => actions.archive(habit)}
                      />
                    </HabitLine>
                  )}
                </SortableList>
              </Card>
            )}
          </View>
        );
      })}
      <OverHabits habits={over} />
    </Page>
  );
}

/** Habits that have ended or are archived: started again, or deleted. */
function OverHabits({ habits }: { habits: readonly Habit[] }) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const actions = useHabitActions();
  const [deleting, setDeleting] = useState<Habit | null>(null);
  if (habits.length === 0) return null;
  return (
    <View style={styles.section}>
      <Words type="label" tone="quiet" heading={2}>
        Ended and archived
      </Words>
      <Card isFlush style={styles.list}>
        {habits.map((habit, index) => (
          <View key={habit.id} style={[styles.over, index > 0 && styles.parted]}>
            <HabitLine
              habit={habit}
              aside={`${habit.archived ? 'archived' : 'ended'}${habit.endsOn ? `, last day ${dateNear(dayOf(habit.endsOn), today)}` : ''}`}
            >
              <Button kind="bare" label={`Start ${habit.name} again`} onPress={() => actions.resume(habit)}>
                Start again
              </Button>
              <IconButton icon={Trash} label={`Delete ${habit.name}`} sizePx={19} onPress={() => setDeleting(habit)} />
            </HabitLine>
          </View>
        ))}
      </Card>
      {deleting === null ? null : (
        <DeleteHabitSheet habit={deleting} onClose={() => setDeleting(null)} onGone={() => setDeleting(null)} />
      )}
    </View>
  );
}

function HabitLine({ habit, aside, children }: { habit: Habit; aside: string; children: React.ReactNode }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const dye = useAppSelector((state) => state.records.areas[habit.areaId ?? '']?.color);
  return (
    <View style={styles.line}>
      <Pressable
        href={habitPath(habit.id)}
        role="link"
        aria-label={habit.name}
        onPress={(event) => {
          event.preventDefault();
          router.push(habitPath(habit.id));
        }}
        style={styles.name}
      >
        <View style={styles.nameLine}>
          {habit.icon ? <HabitIcon name={habit.icon} color={dyeColor(colors, dye)} /> : null}
          <Words type="name" numberOfLines={3} style={styles.nameText}>
            {habit.name}
          </Words>
        </View>
        <Words type="quiet" tone="quiet">
          {aside}
        </Words>
      </Pressable>
      {children}
    </View>
  );
}

const useStyles = themed((colors) => ({
  section: { gap: SPACE.s },
  tools: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  list: { maxWidth: 720 },
  line: { flexDirection: 'row', alignItems: 'center', paddingRight: SPACE.xs },
  name: { flex: 1, minWidth: 0, minHeight: TOUCH_PX, justifyContent: 'center', paddingVertical: SPACE.xs },
  nameLine: { flexDirection: 'row', alignItems: 'center', gap: 6 },
  nameText: { flexShrink: 1 },
  over: { paddingLeft: SPACE.l, minHeight: 56, justifyContent: 'center' },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
}));
