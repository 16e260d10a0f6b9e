import { type FiguredGoal, dayOf, keptTogether, allStepsValue, numberOf } from '@wimbel/core';
import { useRouter } from 'expo-router';
import Link from 'lucide-react-native/icons/link';
import { Pressable, View } from 'react-native';
import { outOf } from '../../../text/amounts.ts';
import { shareWords, stepsWords } from '../../../text/goalText.ts';
import { selectToday } from '../../../store/selectors.ts';
import { dayStatusText } from '../../../text/dayStatusText.ts';
import { useAppSelector } from '../../../store/store.ts';
import { percent } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { HabitIcon } from '../../../ui/HabitIcon.tsx';
import { ProgressBar } from '../../../ui/ProgressBar.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Words } from '../../../ui/Words.tsx';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { Figure } from '../../../components/figure/Figure.tsx';
import { habitPath } from '../../../platform/paths.ts';

type Row = { name: string; ratio: number | null; words: string; color: string; figure: FigureQuery };

/** What was done beside what came of it, and the habits that carry the goal. */
export function EffortCard({ figured, onLink }: { figured: FiguredGoal; onLink: () => void }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const { records, carrying, figures } = figured;
  const start = dayOf(records.goal.startsOn);
  const { kept, asked, rate } = keptTogether(carrying, { first: start, last: today });
  const { value, count } = allStepsValue(records.steps, today);
  const done = numberOf(value);
  const goalId = records.goal.id;
  const rows: Row[] = [
    ...(carrying.length > 0
      ? [
          {
            name: 'Done: its habits',
            ratio: rate,
            words: asked === 0 ? 'nothing due yet' : `${outOf(kept, asked)} due since it began`,
            color: colors.working,
            figure: {
              figure: 'kept',
              span: { first: start, last: today },
              habitIds: carrying.map(({ habit }) => habit.id),
              name: `Habits of ${records.goal.title}`,
            },
          } satisfies Row,
        ]
      : []),
    ...(count > 0
      ? [
          {
            name: 'Done: its steps',
            ratio: done / count,
            words: stepsWords(done, count),
            color: colors.working,
            figure: { figure: 'goalSteps', goalId },
          } satisfies Row,
        ]
      : []),
    ...(figures.progress === null
      ? []
      : [
          {
            name: 'What came of it',
            ratio: figures.progress,
            words: shareWords(figured, today),
            color: colors.brass,
            figure: { figure: 'goalProgress', goalId },
          } satisfies Row,
        ]),
  ];
  const link = (
    <Button kind="bare" icon={<Link size={16} color={colors.working} />} onPress={onLink}>
      Habits
    </Button>
  );
  return (
    <SectionCard title="Effort and outcome" aside={link}>
      {rows.length === 0 ? <Words tone="quiet">Nothing carries this goal yet. Which habit would?</Words> : null}
      {rows.map(({ name, ratio, words, color, figure }) => (
        <View key={name} style={styles.bar}>
          <View style={styles.line}>
            <Words type="strong" style={styles.grow}>
              {name}
            </Words>
            <Figure asked={figure} label={`${name}: ${words}, ${percent(ratio)}`}>
              <Words type="strong">{percent(ratio)}</Words>
            </Figure>
          </View>
          <ProgressBar ratio={ratio ?? 0} color={color} heightPx={8} label={`${name}: ${words}`} />
          <Words type="quiet" tone="quiet">
            {words}
          </Words>
        </View>
      ))}
      {carrying.length > 0 ? (
        <View role="list" aria-label="Habits that carry it">
          {carrying.map((track) => (
            <View key={track.habit.id} role="listitem" style={styles.parted}>
              <Pressable
                role="link"
                aria-label={`Habit ${track.habit.name}`}
                onPress={() => router.push(habitPath(track.habit.id))}
                style={styles.habit}
              >
                {track.habit.icon ? <HabitIcon name={track.habit.icon} /> : null}
                <Words type="name" style={styles.grow}>
                  {track.habit.name}
                </Words>
                <Words type="quiet" tone="quiet">
                  {dayStatusText(track, today)}
                </Words>
              </Pressable>
            </View>
          ))}
        </View>
      ) : null}
    </SectionCard>
  );
}

const useStyles = themed((colors) => ({
  bar: { gap: SPACE.xs },
  line: { flexDirection: 'row', gap: SPACE.s },
  grow: { flex: 1, minWidth: 0 },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  habit: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    columnGap: SPACE.s,
    minHeight: 46,
    paddingVertical: SPACE.s,
  },
}));
