import type { FiguredSeason } from '@wimbel/core';
import { useRouter } from 'expo-router';
import Plus from 'lucide-react-native/icons/plus';
import { Pressable, View } from 'react-native';
import { SeasonPicture } from '../../../charts/SeasonPicture.tsx';
import { counted, percent } from '../../../text/format.ts';
import { PATHS, seasonPath } from '../../../platform/paths.ts';
import { selectFiguredSeasons } from '../../../store/seasonSelectors.ts';
import { selectFiguredGoals } from '../../../store/goalSelectors.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { EmptyState } from '../../../ui/EmptyState.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { Words } from '../../../ui/Words.tsx';
import { SeasonWhen } from '../SeasonWhen.tsx';
import { onTrackWords } from '../../../text/seasonText.ts';

/** Every season, the latest first, under one another with its score. */
export function SeasonsScreen() {
  const styles = useStyles();
  const { colors } = useTheme();
  const isWide = useIsWide();
  const router = useRouter();
  const all = useAppSelector(selectFiguredSeasons);
  const begin = (): void => router.push(PATHS.newSeason);
  if (all.length === 0) {
    return (
      <Page>
        <Words type="display" heading={1}>
          Seasons
        </Words>
        <EmptyState
          title="No season yet"
          text="A season is a run of weeks, usually twelve, with a vision, one to three goals and a score per week: short enough to feel the end, long enough for something real."
        >
          <Button kind="main" onPress={begin}>
            Begin your first season
          </Button>
        </EmptyState>
      </Page>
    );
  }
  return (
    <Page>
      <View style={styles.head}>
        <Words type="display" heading={1} style={styles.title}>
          Seasons
        </Words>
        <Button kind="main" onPress={begin} icon={<Plus size={18} color={colors.onWorking} />}>
          Begin a season
        </Button>
      </View>
      <View style={isWide ? styles.wide : styles.stack}>
        {[...all].reverse().map((figured) => (
          <SeasonCard key={figured.season.id} figured={figured} />
        ))}
      </View>
    </Page>
  );
}

function SeasonCard({ figured }: { figured: FiguredSeason }) {
  const styles = useStyles();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const goals = useAppSelector(selectFiguredGoals);
  const { season, figures, passMark } = figured;
  const own = season.goalIds.flatMap((id) => goals.get(id) ?? []);
  const reached = own.filter(
    ({ records, figures: { progress } }) => records.goal.state === 'reached' || (progress ?? 0) >= 1,
  );
  const told = [
    onTrackWords(figured),
    own.length === 0 ? '' : `${reached.length} of ${counted(own.length, 'goal')} reached`,
  ].filter(Boolean);
  return (
    <Card isFlush>
      <Pressable
        role="link"
        aria-label={`${season.title}, ${percent(figures.score)}, ${told.join(', ')}`}
        onPress={() => router.push(seasonPath(season.id))}
        style={({ pressed }) => [styles.card, pressed && styles.pressed]}
      >
        <View style={styles.line}>
          <Words type="section" heading={2} style={styles.grow}>
            {season.title}
          </Words>
          <Words type="section">{percent(figures.score)}</Words>
        </View>
        <SeasonWhen figured={figured} type="quiet" />
        <SeasonPicture season={season} figures={figures} passMark={passMark} today={today} />
        <Words type="quiet" tone="quiet">
          {told.join(' · ')}
        </Words>
        {own.length === 0 ? null : (
          <Words type="label">{own.map(({ records }) => records.goal.title).join(', ')}</Words>
        )}
      </Pressable>
    </Card>
  );
}

const useStyles = themed((colors) => ({
  head: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s },
  title: { flexGrow: 1 },
  stack: { gap: SPACE.l },
  wide: { gap: SPACE.l, maxWidth: 760 },
  card: { gap: SPACE.s, padding: SPACE.l },
  pressed: { backgroundColor: colors.wash },
  line: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.m },
  grow: { flex: 1, minWidth: 0 },
}));
