import { type DaySpan, type PlainDay, dayOf, forecastOf, goalCourse } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';
import { type GoalLine, GoalLinesPicture } from '../../charts/GoalLinesPicture.tsx';
import { type FiguredGoal, selectFiguredList } from '../../records/figuredGoals.ts';
import { PACE_WORDS, holeColor, paceTone } from '../../records/goalWords.ts';
import { selectToday } from '../../records/selectors.ts';
import { useAppSelector } from '../../records/store.ts';
import { counted, dateNear, percent } from '../../shared/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { CardHead } from '../../ui/CardHead.tsx';
import { Words } from '../../ui/Words.tsx';

/** The days that hold several goals and today. */
export function spanOfGoals(goals: readonly FiguredGoal[], today: PlainDay): DaySpan {
  const days = goals.flatMap(({ records: { goal } }) => [dayOf(goal.startsOn), goal.dueOn ? dayOf(goal.dueOn) : today]);
  return { first: Math.min(today, ...days), last: Math.max(today, ...days) };
}

/** A goal as a line of the common axis: its milestones stand on the expected line at their days. */
export function lineOfGoal(figured: FiguredGoal, span: DaySpan, today: PlainDay, color: string): GoalLine {
  const { records, trackOf } = figured;
  const course = goalCourse(records, trackOf, today);
  const from = (day: PlainDay, value: number | null): number | null =>
    day < course.start || (course.due !== null && day > Math.max(course.due, today)) ? null : value;
  return {
    id: records.goal.id,
    color,
    input: {
      span,
      today,
      progressAt: (day) => from(day, course.progressAt(day)),
      expectedAt: (day) => (course.due !== null && day > course.due ? null : from(day, course.expectedAt(day))),
      checkpoints: records.milestones.flatMap(({ dueOn, reachedOn }) => {
        const on = reachedOn ?? dueOn;
        if (on === undefined) return [];
        const ratio = reachedOn ? course.progressAt(dayOf(on)) : course.expectedAt(dayOf(on));
        return ratio === null ? [] : [{ day: dayOf(on), ratio, reached: reachedOn !== undefined }];
      }),
      forecast: forecastOf(course.progressAt(today) ?? 0, course.start, today),
    },
  };
}

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
