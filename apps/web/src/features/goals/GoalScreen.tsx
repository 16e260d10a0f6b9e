import type { Goal, KeyResult } from '@wimbel/core';
import { useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import Pencil from 'lucide-react-native/icons/pencil';
import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { BoringPicture } from '../../charts/BoringPicture.tsx';
import { selectHabits, selectToday, useFiguredGoal } from '../../records/selectors.ts';
import { AreaName } from '../../records/AreaName.tsx';
import { useAppSelector } from '../../records/store.ts';
import { percent } from '../../shared/format.ts';
import { themed, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Card } from '../../ui/Card.tsx';
import { Page } from '../../ui/Frame.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { NotHere } from '../../ui/NotHere.tsx';
import { Words } from '../../ui/Words.tsx';
import { KeyResultForm } from './KeyResultForm.tsx';
import { KeyResultSheet } from './KeyResultSheet.tsx';
import { PACE_WORDS, STATE_WORDS, dueWords, holeColor, paceSentence, paceTone, standingOf } from './goalWords.ts';

export function GoalScreen({ goalId }: { goalId: string }) {
  const goal = useAppSelector((state) => state.records.goals[goalId]);
  if (goal === undefined) return <NotHere what="goal" />;
  return <GoalPage goal={goal} />;
}

/** What is open over the page: a key result to check in to, one to edit, or a new one. */
type Opened = { kind: 'checkIn' | 'edit'; keyResult: KeyResult } | { kind: 'new' } | null;

function GoalPage({ goal }: { goal: Goal }) {
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const { colors } = useTheme();
  const today = useAppSelector(selectToday);
  const { records, figures } = useFiguredGoal(goal);
  const [opened, setOpened] = useState<Opened>(null);
  const isOpen = goal.state === 'open';
  const close = (): void => setOpened(null);
  const back = (): void => (router.canGoBack() ? router.back() : router.replace('/goals'));
  const parts = records.keyResults.map((keyResult, place) => {
    const { progress, expected } = figures.keyResults[keyResult.id]!;
    return { id: keyResult.id, progress, expected: isOpen ? expected : null, color: holeColor(colors, place) };
  });
  return (
    <Page>
      <View style={styles.bar}>
        <IconButton icon={ArrowLeft} label="Back" onPress={back} />
        <View style={styles.grow} />
        <IconButton
          icon={Pencil}
          label="Edit goal"
          onPress={() => router.push(`/goals/${encodeURIComponent(goal.id)}/edit` as never)}
        />
      </View>
      <View style={styles.titles}>
        <AreaName areaId={goal.areaId} />
        <Words type="title" heading={1}>
          {goal.title}
        </Words>
        <Words tone="quiet">
          {dueWords(goal, figures, today)}. {goal.doneWhen ?? ''}
        </Words>
        {goal.why ? <Words style={styles.why}>{goal.why}</Words> : null}
      </View>
      <View style={isWide ? styles.columns : styles.stack}>
        <View style={isWide ? styles.column : undefined}>
          <Card style={styles.card}>
            <View style={styles.line} role="status">
              <Words type="display">{percent(figures.progress)}</Words>
              {isOpen && figures.pace ? (
                <Words type="strong" tone={paceTone(figures.pace)}>
                  {PACE_WORDS[figures.pace]}
                </Words>
              ) : null}
              {isOpen ? null : (
                <Words type="strong" tone="quiet">
                  {STATE_WORDS[goal.state]}
                </Words>
              )}
              {isOpen && figures.expected !== null ? (
                <Words tone="quiet">{percent(figures.expected)} expected by today</Words>
              ) : null}
            </View>
            {parts.length === 0 ? (
              <Words tone="quiet">No key result yet. What would show that you are getting there?</Words>
            ) : (
              <>
                <View style={styles.above} aria-hidden>
                  {parts.map((part) => (
                    <Words key={part.id} type="strong" style={styles.centred}>
                      {percent(part.progress)}
                    </Words>
                  ))}
                </View>
                <BoringPicture
                  parts={parts}
                  heightPx={150}
                  label={`The plank of this goal: ${records.keyResults.map((each) => `${each.title} ${percent(figures.keyResults[each.id]!.progress)}`).join(', ')}`}
                />
                <View style={styles.below} aria-hidden>
                  {records.keyResults.map((keyResult) => (
                    <Words key={keyResult.id} type="small" tone="quiet" style={styles.centred} numberOfLines={2}>
                      {standingOf(keyResult, figures.keyResults[keyResult.id]!)}
                    </Words>
                  ))}
                </View>
              </>
            )}
          </Card>
          {isWide ? <HabitsOfGoal goalId={goal.id} /> : null}
        </View>
        <View style={isWide ? styles.column : styles.section}>
          <View style={styles.sectionHead}>
            <Words type="label" tone="quiet" heading={2}>
              Key results
            </Words>
            <Button
              kind="bare"
              icon={<Plus size={17} color={colors.working} />}
              onPress={() => setOpened({ kind: 'new' })}
            >
              Add a key result
            </Button>
          </View>
          {records.keyResults.length > 0 ? (
            <Card isFlush>
              {records.keyResults.map((keyResult, place) => {
                const own = figures.keyResults[keyResult.id]!;
                return (
                  <Pressable
                    key={keyResult.id}
                    role="button"
                    aria-label={`${keyResult.title}: ${standingOf(keyResult, own)}, ${percent(own.progress)}. Check in`}
                    onPress={() => setOpened({ kind: 'checkIn', keyResult })}
                    style={[styles.row, place > 0 && styles.parted]}
                  >
                    <View style={[styles.dot, { backgroundColor: holeColor(colors, place) }]} />
                    <View style={styles.grow}>
                      <View style={styles.rowLine}>
                        <Words type="name" style={styles.grow}>
                          {keyResult.title}
                        </Words>
                        <Words type="strong">{standingOf(keyResult, own)}</Words>
                      </View>
                      <Words type="quiet" tone={isOpen && own.pace === 'overdue' ? 'madder' : 'quiet'}>
                        {isOpen ? paceSentence(keyResult, own, today) : `${percent(own.progress)} of the way`}
                      </Words>
                    </View>
                  </Pressable>
                );
              })}
            </Card>
          ) : null}
        </View>
        {isWide ? null : <HabitsOfGoal goalId={goal.id} />}
      </View>
      {opened?.kind === 'checkIn' ? (
        <KeyResultSheet
          keyResult={opened.keyResult}
          figures={figures.keyResults[opened.keyResult.id]!}
          onClose={close}
          onEdit={() => setOpened({ kind: 'edit', keyResult: opened.keyResult })}
        />
      ) : null}
      {opened?.kind === 'new' || opened?.kind === 'edit' ? (
        <KeyResultForm
          goal={goal}
          keyResult={opened.kind === 'edit' ? opened.keyResult : null}
          nextOrder={(records.keyResults.at(-1)?.order ?? -1) + 1}
          onClose={close}
        />
      ) : null}
    </Page>
  );
}

/** The habits that carry a goal. */
function HabitsOfGoal({ goalId }: { goalId: string }) {
  const styles = useStyles();
  const router = useRouter();
  const habits = useAppSelector(selectHabits);
  const keyResults = useAppSelector((state) => state.records.keyResults);
  const counted = new Set(
    Object.values(keyResults).flatMap(({ goalId: of, measure }) =>
      of === goalId && 'habitId' in measure ? [measure.habitId] : [],
    ),
  );
  const carrying = habits.filter((habit) => habit.goalId === goalId || counted.has(habit.id));
  if (carrying.length === 0) return null;
  return (
    <View style={styles.section}>
      <Words type="label" tone="quiet" heading={2}>
        Habits that carry it
      </Words>
      <Card isFlush>
        {carrying.map((habit, index) => (
          <Pressable
            key={habit.id}
            role="link"
            aria-label={`Charts of ${habit.name}`}
            onPress={() => router.push(`/charts?habit=${encodeURIComponent(habit.id)}` as never)}
            style={[styles.row, index > 0 && styles.parted]}
          >
            <Words type="name">{habit.name}</Words>
          </Pressable>
        ))}
      </Card>
    </View>
  );
}

const useStyles = themed((colors) => ({
  bar: { flexDirection: 'row', marginHorizontal: -SPACE.m, marginVertical: -SPACE.s },
  grow: { flex: 1, minWidth: 0 },
  titles: { gap: SPACE.xs, maxWidth: 760 },
  dot: { width: 10, height: 10, borderRadius: 5 },
  why: { fontStyle: 'normal', paddingTop: SPACE.s },
  stack: { gap: SPACE.l },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0, gap: SPACE.l },
  card: { gap: SPACE.s },
  line: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.m, flexWrap: 'wrap' },
  above: { flexDirection: 'row' },
  below: { flexDirection: 'row' },
  centred: { flex: 1, textAlign: 'center', minWidth: 0 },
  section: { gap: SPACE.s },
  sectionHead: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', paddingLeft: SPACE.xs },
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m, padding: SPACE.l, minHeight: 52 },
  rowLine: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.m },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
}));
