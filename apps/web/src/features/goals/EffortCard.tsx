import { dayOf, keptTogether } from '@wimbel/core';
import { useRouter } from 'expo-router';
import Link from 'lucide-react-native/icons/link';
import { Pressable, View } from 'react-native';
import type { FiguredGoal } from '../../store/figuredGoals.ts';
import { shareWords } from '../../words/goalWords.ts';
import { selectToday } from '../../store/selectors.ts';
import { standingWords } from '../../words/standing.ts';
import { useAppSelector } from '../../store/store.ts';
import { counted, percent } from '../../shared/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { HabitIcon } from '../../ui/HabitIcon.tsx';
import { ProgressBar } from '../../ui/ProgressBar.tsx';
import { SectionCard } from '../../ui/SectionCard.tsx';
import { Words } from '../../ui/Words.tsx';

/** What was done beside what came of it, and the habits that carry the goal. */
export function EffortCard({ figured, onLink }: { figured: FiguredGoal; onLink: () => void }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const { records, carrying, figures } = figured;
  const start = dayOf(records.goal.startsOn);
  const { kept, asked, rate } = keptTogether(carrying, { first: start, last: today });
  const steps = records.steps.filter((step) => !step.parentId);
  const done = steps.filter(({ id }) => /^done/.test(figures.steps[id]!)).length;
  const rows: [name: string, ratio: number | null, words: string, color: string][] = [
    ...(carrying.length > 0
      ? [['Done: its habits', rate, `${kept} of ${asked} asked since it began`, colors.working] as const]
      : []),
    ...(steps.length > 0
      ? [
          [
            'Done: its steps',
            done / steps.length,
            `${done} of ${counted(steps.length, 'step')}`,
            colors.working,
          ] as const,
        ]
      : []),
    ...(figures.progress === null
      ? []
      : [['What came of it', figures.progress, shareWords(figured), colors.brass] as const]),
  ].map((row) => [...row] as [string, number | null, string, string]);
  const link = (
    <Button kind="bare" icon={<Link size={16} color={colors.working} />} onPress={onLink}>
      Habits
    </Button>
  );
  return (
    <SectionCard title="Effort and outcome" aside={link}>
      {rows.length === 0 ? <Words tone="quiet">Nothing carries this goal yet. Which habit would?</Words> : null}
      {rows.map(([name, ratio, words, color]) => (
        <View key={name} style={styles.bar}>
          <View style={styles.line}>
            <Words type="strong" style={styles.grow}>
              {name}
            </Words>
            <Words type="strong">{percent(ratio)}</Words>
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
                onPress={() => router.push(`/habits/${encodeURIComponent(track.habit.id)}` as never)}
                style={styles.habit}
              >
                {track.habit.icon ? <HabitIcon name={track.habit.icon} /> : null}
                <Words type="name" style={styles.grow}>
                  {track.habit.name}
                </Words>
                <Words type="quiet" tone="quiet">
                  {standingWords(track, today)}
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
