import { type HabitReview } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { ProgressBar } from '../../../ui/ProgressBar.tsx';
import { Words } from '../../../ui/Words.tsx';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { Figure } from '../../../components/figure/Figure.tsx';
import { habitPath } from '../../../platform/paths.ts';

export type Line = {
  habit: HabitReview;
  place: number;
  words: string;
  ratio: number;
  share: string;
  change: string;
  isBetter: boolean;
  asked: FigureQuery;
};

/** A habit by its rank, with what it kept and how that changed. */
export function RankedLine({
  line: { habit, place, words, share, ratio, change, isBetter, asked },
  name,
  color,
  isByChange,
}: {
  line: Line;
  name: string;
  color: string;
  isByChange: boolean;
}) {
  const styles = useStyles();
  const router = useRouter();
  return (
    <View style={styles.ranked}>
      <View style={styles.line}>
        <Words type="label" tone="quiet" style={styles.rank}>
          {place}
        </Words>
        <Pressable
          role="link"
          aria-label={`${place}. ${name}: ${words}, ${share}${change ? `, ${change}` : ''}`}
          onPress={() => router.push(habitPath(habit.id))}
          style={styles.grow}
        >
          <Words>{name}</Words>
        </Pressable>
        <Figure asked={asked} label={`${name}: ${words}, ${share}`} style={styles.figures}>
          {isByChange ? null : (
            <Words type="quiet" tone="quiet">
              {words}
            </Words>
          )}
          <Words type="strong" style={styles.share}>
            {share}
          </Words>
        </Figure>
      </View>
      <View style={styles.under}>
        <View style={styles.grow}>
          <ProgressBar ratio={ratio} color={color} label={`${name}: ${words}`} />
        </View>
        {change ? (
          <Words type="small" tone={isBetter ? 'working' : 'quiet'} style={isByChange ? styles.points : styles.change}>
            {change}
          </Words>
        ) : null}
      </View>
      {isByChange ? (
        <Words type="small" tone="quiet" style={styles.below}>
          {words}
        </Words>
      ) : null}
    </View>
  );
}

const useStyles = themed(() => ({
  line: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s, paddingBottom: 4 },
  grow: { flex: 1, minWidth: 0 },
  share: { minWidth: 52, textAlign: 'right' },
  rank: { minWidth: 20 },
  figures: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s },
  ranked: { minHeight: 44, justifyContent: 'center' },
  under: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, paddingLeft: 28 },
  below: { paddingLeft: 28, paddingTop: 3 },
  change: { minWidth: 52, textAlign: 'right' },
  points: { minWidth: 88, textAlign: 'right' },
}));
