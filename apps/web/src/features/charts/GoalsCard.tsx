import { dayOf } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';
import { GoalLinesPicture } from '../../charts/GoalLinesPicture.tsx';
import { selectFiguredList } from '../../records/figuredGoals.ts';
import { PACE_WORDS, holeColor, paceTone } from '../../records/goalWords.ts';
import { selectToday } from '../../records/selectors.ts';
import { useAppSelector } from '../../records/store.ts';
import { counted, dateNear, percent } from '../../shared/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { CardHead } from '../../ui/CardHead.tsx';
import { Words } from '../../ui/Words.tsx';
import { lineOfGoal, spanOfGoals } from './goalLines.ts';

/** The open goals on one axis of time, of an area or all; each with its share, pace and where its rate leads. */
export function GoalsCard({ areaId }: { areaId: string | null }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const all = useAppSelector(selectFiguredList);
  const goals = useMemo(
    () =>
      all.filter(
        ({ records: { goal }, figures }) =>
          goal.state === 'open' &&
          figures.progress !== null &&
          dayOf(goal.startsOn) <= today &&
          (areaId === null || goal.areaId === areaId),
      ),
    [all, areaId, today],
  );
  const lines = useMemo(() => {
    const span = spanOfGoals(goals, today);
    return goals.map((figured, place) => lineOfGoal(figured, span, today, holeColor(colors, place)));
  }, [goals, today, colors]);
  if (goals.length === 0) return null;
  return (
    <Card style={styles.card} isPicture label="Goals on one axis">
      <CardHead title="Goals on one axis" aside={counted(goals.length, 'goal')} />
      <GoalLinesPicture
        lines={lines}
        label={`Progress of the open goals: ${goals.map(({ records, figures }) => `${records.goal.title} ${percent(figures.progress)}`).join(', ')}`}
      />
      {goals.map(({ records: { goal }, figures }, place) => {
        const forecast = lines[place]!.input.forecast;
        const leads = forecast === null ? '' : `at this rate by ${dateNear(forecast, today)}`;
        return (
          <Pressable
            key={goal.id}
            role="link"
            aria-label={[goal.title, percent(figures.progress), figures.pace ? PACE_WORDS[figures.pace] : '', leads]
              .filter(Boolean)
              .join(', ')}
            onPress={() => router.push(`/goals/${encodeURIComponent(goal.id)}` as never)}
            style={styles.goal}
          >
            <View style={[styles.dot, { backgroundColor: holeColor(colors, place) }]} />
            <View style={styles.grow}>
              <Words>{goal.title}</Words>
              <View style={styles.line}>
                {figures.pace ? (
                  <Words type="label" tone={paceTone(figures.pace)}>
                    {PACE_WORDS[figures.pace]}
                  </Words>
                ) : null}
                <Words type="quiet" tone="quiet">
                  {leads}
                </Words>
              </View>
            </View>
            <Words type="strong">{percent(figures.progress)}</Words>
          </Pressable>
        );
      })}
      <Words type="quiet" tone="quiet">
        Dotted is what was expected, broken where the rate leads; the rings are milestones.
      </Words>
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  goal: { flexDirection: 'row', gap: SPACE.m, minHeight: 44, alignItems: 'center' },
  dot: { width: 10, height: 10, borderRadius: 5 },
  grow: { flex: 1, minWidth: 0 },
  line: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.s },
}));
