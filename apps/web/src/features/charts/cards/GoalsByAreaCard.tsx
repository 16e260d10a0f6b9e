import { type DaySpan, type ReviewSpan, yearOfDay, yearOfGoal } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { AreasRingPicture } from '../../../charts/AreasRingPicture.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { GoalsSum, becameWords, togetherOfGoals } from '../../../components/goals/GoalsSum.tsx';
import { number, outOf } from '../../../text/amounts.ts';
import { counted, percent } from '../../../text/format.ts';
import { selectFiguredList } from '../../../store/goalSelectors.ts';
import { selectAreas } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { SPACE } from '../../../theme/space.ts';
import { ProgressBar } from '../../../ui/ProgressBar.tsx';
import { Words } from '../../../ui/Words.tsx';
import { ChartCard } from './ChartCard.tsx';
import { MarkWords } from './MarkWords.tsx';
import { PlaceBadge } from '../choice/PlaceBadge.tsx';

const LEGEND = 'As wide as its part of the goals set, filled as far as they are on average. Bars: reached of set.';

/** The goals of the years that a span lies in, by area: how many were set, what became of them, how far they are. */
export function GoalsByAreaCard({ kind, span }: { kind: ReviewSpan; span: DaySpan }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const areas = useAppSelector(selectAreas);
  const all = useAppSelector(selectFiguredList);
  const choice = useMarks(`goals ${kind} ${span.first} ${span.last}`);
  const [from, to] = kind === 'all' ? [-Infinity, Infinity] : [yearOfDay(span.first), yearOfDay(span.last)];
  const goals = useMemo(
    () => all.filter(({ records: { goal } }) => yearOfGoal(goal) >= from && yearOfGoal(goal) <= to),
    [all, from, to],
  );
  const rows = useMemo(() => {
    const known = new Set(areas.map(({ id }) => id));
    return [...areas, null].flatMap((area) => {
      const own = goals.filter(({ records: { goal } }) =>
        area === null ? !known.has(goal.areaId ?? '') : goal.areaId === area.id,
      );
      if (own.length === 0) return [];
      const name = area?.name ?? 'No area';
      return [
        { key: area?.id ?? 'none', name, color: dyeColor(colors, area?.color), own, together: togetherOfGoals(own) },
      ];
    });
  }, [areas, goals, colors]);
  const parts = useMemo(
    () => rows.map(({ color, together }) => ({ color, count: together.set, share: together.progress })),
    [rows],
  );
  if (goals.length === 0) return null;
  const when = kind === 'all' ? 'of all years' : from === to ? `of ${from}` : `of ${from} to ${to}`;
  const at = choice.at === null ? undefined : rows[choice.at];
  return (
    <ChartCard
      title="Goals by area"
      aside={`${counted(goals.length, 'goal')} ${when}`}
      legend={[...rows.map(({ name, together }, place) => `${place + 1} ${name}: ${becameWords(together)}`), LEGEND]}
      figures={() => ({
        columns: [
          { name: 'Area', is: 'words' },
          { name: 'Set', is: 'number' },
          { name: 'Reached', is: 'number' },
          { name: 'Dropped', is: 'number' },
          { name: 'Mean', is: 'share' },
        ],
        rows: [
          ...rows.map(({ name, together }) => ({ name, together })),
          { name: 'All', together: togetherOfGoals(goals) },
        ].map(({ name, together: { set, reached, dropped, progress } }) => [name, set, reached, dropped, progress]),
      })}
    >
      {rows.length > 1 ? (
        <>
          <AreasRingPicture
            parts={parts}
            label={`Goals by area: ${rows.map(({ name, together }) => `${name} ${together.set}`).join(', ')}. Arrow keys go from part to part.`}
            middle={{ figure: number(goals.length), words: goals.length === 1 ? 'goal set' : 'goals set' }}
            choice={choice}
          />
          <MarkWords
            choice={choice}
            words={
              at === undefined
                ? null
                : `${at.name}: ${becameWords(at.together)}${at.together.progress === null ? '' : `, mean ${percent(at.together.progress)}`}`
            }
            idle={LEGEND}
            days={null}
          />
        </>
      ) : null}
      {rows.map(({ key, name, color, own, together }, place) => (
        <View key={key} role="group" aria-label={name} style={styles.row}>
          <View style={styles.line}>
            <PlaceBadge place={place + 1} color={color} />
            <Words style={styles.grow}>{name}</Words>
            <GoalsSum goals={own} name={`${name}, goals ${when}`} />
          </View>
          <ProgressBar
            ratio={together.reached / together.set}
            color={color}
            label={`${name}: ${outOf(together.reached, together.set)} reached`}
          />
        </View>
      ))}
      {rows.length > 1 ? (
        <View role="group" aria-label="All together" style={styles.line}>
          <Words type="strong" style={styles.grow}>
            All together
          </Words>
          <GoalsSum goals={goals} name={`Goals ${when}`} />
        </View>
      ) : null}
    </ChartCard>
  );
}

const useStyles = themed(() => ({
  row: { gap: SPACE.xs },
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s, minHeight: 32 },
  grow: { flexGrow: 1 },
}));
