import { type DaySpan, type GoalMoved, goalMoves } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';
import { counted, percent } from '../../text/format.ts';
import { goalPath } from '../../platform/paths.ts';
import { selectFiguredList } from '../../store/goalSelectors.ts';
import { selectToday, selectTracks } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { SPACE } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { CardHead } from '../../ui/CardHead.tsx';
import { Words } from '../../ui/Words.tsx';

/** How far each goal (or those of `among`) was as the span began and as it ended, and what was reached in it. */
export function GoalsMovedCard({ span, among }: { span: DaySpan; among?: readonly string[] }) {
  const styles = useStyles();
  const goals = useAppSelector(selectFiguredList);
  const tracks = useAppSelector(selectTracks);
  const today = useAppSelector(selectToday);
  const moved = useMemo(() => {
    const byId = new Map(tracks.map((track) => [track.habit.id, track]));
    return goalMoves(
      goals.map(({ records }) => records).filter(({ goal }) => among === undefined || among.includes(goal.id)),
      (habitId) => byId.get(habitId),
      span,
      today,
    );
  }, [goals, tracks, span, today, among]);
  if (moved.length === 0) return null;
  return (
    <Card style={styles.card} label="Goals">
      <CardHead title="Goals" aside={span.last >= today ? 'at its start, and now' : 'at its start and end'} />
      {moved.map((each) => (
        <MovedLine key={each.goalId} moved={each} />
      ))}
    </Card>
  );
}

const KINDS = { goal: 'Reached', keyResult: 'Reached', milestone: 'Milestone' } as const;

function MovedLine({ moved }: { moved: GoalMoved }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const { goalId, title, before, after, expected, reached, stepsDone } = moved;
  const areas = useAppSelector((state) => state.records.areas);
  const areaId = useAppSelector((state) => state.records.goals[goalId]?.areaId);
  const color = dyeColor(colors, areas[areaId ?? '']?.color);
  const movement =
    before === null || after === null
      ? 'nothing to measure it by'
      : percent(before) === percent(after)
        ? `still ${percent(after)}`
        : `${percent(before)} to ${percent(after)}`;
  const came = [
    ...reached.map(({ kind, title: name }) => (kind === 'goal' ? KINDS.goal : `${KINDS[kind]}: ${name}`)),
    stepsDone > 0 ? counted(stepsDone, 'step') + ' done' : '',
  ].filter(Boolean);
  const [low, high] = [Math.min(before ?? 0, after ?? 0), Math.max(before ?? 0, after ?? 0)];
  return (
    <Pressable
      role="link"
      aria-label={[`${title}: ${movement}`, ...came].join('. ')}
      onPress={() => router.push(goalPath(goalId))}
      style={styles.goal}
    >
      <View style={styles.line}>
        <Words type="strong" style={styles.grow}>
          {title}
        </Words>
        <Words type="label">{movement}</Words>
      </View>
      {after === null ? null : (
        <View style={styles.plank}>
          <View style={[styles.part, { width: `${high * 100}%`, backgroundColor: color, opacity: 0.45 }]} />
          <View style={[styles.part, { width: `${low * 100}%`, backgroundColor: color }]} />
          {expected === null ? null : <View style={[styles.tick, { left: `${expected * 100}%` }]} />}
        </View>
      )}
      {came.length > 0 ? (
        <Words type="quiet" tone="quiet">
          {came.join(' · ')}
        </Words>
      ) : null}
    </Pressable>
  );
}

const useStyles = themed((colors) => ({
  card: { gap: SPACE.m },
  goal: { gap: 5, minHeight: 44, justifyContent: 'center' },
  line: { flexDirection: 'row', gap: SPACE.s, alignItems: 'baseline' },
  grow: { flex: 1, minWidth: 0 },
  plank: { height: 10, borderRadius: 3, backgroundColor: colors.hole },
  part: { position: 'absolute', left: 0, top: 0, bottom: 0, borderRadius: 3 },
  tick: {
    position: 'absolute',
    top: -3,
    bottom: -3,
    width: 3,
    marginLeft: -1.5,
    borderRadius: 1,
    backgroundColor: colors.brass,
  },
}));
