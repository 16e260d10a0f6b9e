import { type Goal, dayOf } from '@wimbel/core';
import { useRouter } from 'expo-router';
import Plus from 'lucide-react-native/icons/plus';
import { Pressable, View } from 'react-native';
import { BoringPicture } from '../../charts/BoringPicture.tsx';
import { type FiguredGoal, selectGoals, selectToday, useFiguredGoal } from '../../records/selectors.ts';
import { AreaName } from '../../records/AreaName.tsx';
import { useAppSelector } from '../../records/store.ts';
import { percent } from '../../shared/format.ts';
import { themed, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Card } from '../../ui/Card.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Page } from '../../ui/Frame.tsx';
import { Words } from '../../ui/Words.tsx';
import { PACE_WORDS, STATE_WORDS, dueWords, holeColor, paceTone } from './goalWords.ts';

/** Open goals first, the next due at the top; the others below. */
function inOrder(goals: readonly Goal[]): { open: Goal[]; closed: Goal[] } {
  const due = (goal: Goal): number => (goal.dueOn ? dayOf(goal.dueOn) : Infinity);
  const sorted = [...goals].sort((a, b) => due(a) - due(b) || a.order - b.order);
  return {
    open: sorted.filter((goal) => goal.state === 'open'),
    closed: sorted.filter((goal) => goal.state !== 'open'),
  };
}

export function GoalsScreen() {
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const { colors } = useTheme();
  const goals = useAppSelector(selectGoals);
  const { open, closed } = inOrder(goals);
  const add = (): void => router.push('/goals/new');
  if (goals.length === 0) {
    return (
      <Page>
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
  const list = (some: Goal[]) => (
    <View style={isWide ? styles.grid : styles.stack}>
      {some.map((goal) => (
        <GoalCard key={goal.id} goal={goal} />
      ))}
    </View>
  );
  return (
    <Page>
      <View style={styles.head}>
        <Words type="display" heading={1} style={styles.title}>
          Goals
        </Words>
        <Button onPress={add} icon={<Plus size={18} color={colors.ink} />}>
          Set a goal
        </Button>
      </View>
      {open.length > 3 ? (
        <Words type="quiet" tone="quiet">
          {open.length} goals are open. Three at a time are easier to keep in mind.
        </Words>
      ) : null}
      {list(open)}
      {closed.length > 0 ? (
        <>
          <Words type="section" heading={2}>
            No longer open
          </Words>
          {list(closed)}
        </>
      ) : null}
    </Page>
  );
}

function GoalCard({ goal }: { goal: Goal }) {
  const styles = useStyles();
  const isWide = useIsWide();
  const { colors } = useTheme();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const figured: FiguredGoal = useFiguredGoal(goal);
  const { figures, records } = figured;
  const pace = goal.state === 'open' ? figures.pace : null;
  const parts = records.keyResults.map((keyResult, place) => {
    const { progress, expected } = figures.keyResults[keyResult.id]!;
    return {
      id: keyResult.id,
      progress,
      expected: goal.state === 'open' ? expected : null,
      color: holeColor(colors, place),
    };
  });
  const href = `/goals/${encodeURIComponent(goal.id)}`;
  return (
    <Pressable
      role="link"
      aria-label={`${goal.title}, ${percent(figures.progress)}${pace ? `, ${PACE_WORDS[pace]}` : ''}`}
      {...({ href } as object)}
      onPress={(event) => {
        event.preventDefault();
        router.push(href as never);
      }}
      style={isWide ? styles.half : undefined}
    >
      <Card style={styles.card}>
        <AreaName areaId={goal.areaId} />
        <Words type="card" numberOfLines={3}>
          {goal.title}
        </Words>
        <View style={styles.line}>
          <Words type="section">{percent(figures.progress)}</Words>
          {pace ? (
            <Words type="strong" tone={paceTone(pace)}>
              {PACE_WORDS[pace]}
            </Words>
          ) : goal.state === 'open' ? null : (
            <Words type="strong" tone="quiet">
              {STATE_WORDS[goal.state]}
            </Words>
          )}
        </View>
        {parts.length > 0 ? (
          <BoringPicture parts={parts} heightPx={44} isSmall label={`${parts.length} key results`} />
        ) : null}
        <Words type="quiet" tone="quiet">
          {dueWords(goal, figures, today)}
        </Words>
      </Card>
    </Pressable>
  );
}

const useStyles = themed(() => ({
  head: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m },
  title: { flex: 1 },
  stack: { gap: SPACE.l },
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l },
  half: { width: '48%', flexGrow: 1, maxWidth: 540 },
  card: { gap: SPACE.s },
  line: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s },
}));
