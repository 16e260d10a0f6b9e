import { dayOf, seasonAfter } from '@wimbel/core';
import { useRouter } from 'expo-router';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { Pressable } from 'react-native';
import { dateNear, percent } from '../../../text/format.ts';
import { PATHS, seasonPath } from '../../../platform/paths.ts';
import {
  selectFiguredSeason,
  selectRunningSeason,
  selectSeasons,
  selectShowsSeasons,
} from '../../../store/seasonSelectors.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { CORNER, SPACE } from '../../../theme/space.ts';
import { Words } from '../../../ui/Words.tsx';

/** On a phone the way to the season that runs, or to all of them; on a wide screen they stand in the rail. */
export function SeasonKey() {
  const styles = useStyles();
  const { colors } = useTheme();
  const isWide = useIsWide();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const shows = useAppSelector(selectShowsSeasons);
  const seasons = useAppSelector(selectSeasons);
  const running = useAppSelector((state) => {
    const season = selectRunningSeason(state);
    return season === null ? null : selectFiguredSeason(state, season.id);
  });
  if (!shows || isWide) return null;
  const next = seasonAfter(seasons, today);
  const words =
    running !== null
      ? `Season: week ${(running.standing.week ?? 0) + 1} of ${running.season.weeks}${running.figures.score === null ? '' : `, ${percent(running.figures.score)}`}`
      : next !== null
        ? `Season: ${next.title}, from ${dateNear(dayOf(next.startsOn), today)}`
        : seasons.length > 0
          ? 'Seasons: none is running'
          : 'Seasons: twelve weeks for one to three goals';
  const to = running?.season ?? next;
  return (
    <Pressable
      role="link"
      aria-label={words}
      onPress={() => router.push(to ? seasonPath(to.id) : PATHS.seasons)}
      style={({ pressed }) => [styles.key, pressed && styles.pressed]}
    >
      <Words type="strong" style={styles.words}>
        {words}
      </Words>
      <ChevronRight size={18} color={colors.quiet} />
    </Pressable>
  );
}

const useStyles = themed((colors) => ({
  key: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    minHeight: 48,
    paddingHorizontal: SPACE.l,
    borderRadius: CORNER.card,
    borderWidth: 1,
    borderColor: colors.line,
    backgroundColor: colors.raised,
  },
  pressed: { backgroundColor: colors.wash },
  words: { flex: 1, minWidth: 0 },
}));
