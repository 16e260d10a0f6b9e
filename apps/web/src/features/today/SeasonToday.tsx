import {
  type FiguredSeason,
  type Review,
  offeredSeasonReviews,
  newSeasonReview,
  plannedInSeason,
  seasonWeekSpan,
  shownText,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { Pressable, View } from 'react-native';
import { counted, percent } from '../../text/format.ts';
import { seasonPath, seasonWeekPath } from '../../platform/paths.ts';
import { changeTo, newId } from '../../store/makeChange.ts';
import {
  selectFiguredSeason,
  selectRunningSeason,
  selectSeasons,
  selectShowsSeasons,
} from '../../store/seasonSelectors.ts';
import { selectReviews, selectToday } from '../../store/selectors.ts';
import { type RootState, useAppSelector, useDeferredSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE, TOUCH_PX } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';
import { MeantLine, OfferLine } from './LookBackLines.tsx';
import { daysLeftWords, seasonPartWords, weekWords } from '../../text/seasonText.ts';

/** The season that runs, with its figures. */
const selectRunning = (state: RootState): FiguredSeason | null => {
  const season = selectRunningSeason(state);
  return season === null ? null : selectFiguredSeason(state, season.id);
};

/** What the season has to say today: how its week stands, what was meant for it, the look back that can be written. */
export function SeasonToday() {
  const shows = useAppSelector(selectShowsSeasons);
  const running = useDeferredSelector(selectRunning);
  if (!shows) return null;
  return (
    <>
      {running === null ? null : (
        <>
          <MeantThisWeek figured={running} />
          <SeasonLine figured={running} />
        </>
      )}
      <SeasonOffers />
    </>
  );
}

/** "Week 5 of 12: 48 %, 9 of 14, 5 left · 54 days left" */
function SeasonLine({ figured: { season, figures, standing, today } }: { figured: FiguredSeason }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const week = standing.week ?? 0;
  const { actual, target, score } = figures.weeks[week]!;
  const weekLeft = seasonWeekSpan(season, week).last - today;
  const left = target - actual;
  const told =
    target === 0
      ? 'nothing planned this week'
      : left <= 0
        ? `this week ${percent(score)}, all done`
        : `this week ${percent(score)}, ${left} left in ${counted(weekLeft + 1, 'day')}`;
  const where = `${weekWords(week, season.weeks)}, ${daysLeftWords(standing.daysLeft)}`;
  return (
    <Pressable
      role="link"
      aria-label={`Season: ${season.title}, ${where}, ${told}`}
      onPress={() => router.push(seasonPath(season.id))}
      style={({ pressed }) => [styles.season, pressed && styles.pressed]}
    >
      <View style={styles.grow}>
        <Words type="label">
          {season.title}
          <Words type="quiet" tone="quiet">
            {`  ${where}`}
          </Words>
        </Words>
        <Words type="quiet" tone="quiet">
          {told}
        </Words>
      </View>
      <ChevronRight size={18} color={colors.quiet} />
    </Pressable>
  );
}

/** What the look back on the week before meant to do, until it is put away. */
function MeantThisWeek({ figured: { season, standing } }: { figured: FiguredSeason }) {
  const router = useRouter();
  const toast = useToast();
  const { change } = useRecording();
  const reviews = useAppSelector(selectReviews);
  const week = standing.week ?? 0;
  const review = plannedInSeason(reviews, season, week);
  if (review === null || review.answers.nextTimeWas) return null;
  const putAway = (away: Review): void => {
    const answers = { ...away.answers, nextTimeWas: 'aside' as const };
    toast({ text: 'Put away', onUndo: change(changeTo('reviews', { ...away, answers })) });
  };
  return (
    <MeantLine
      head="This week you wanted to"
      of={season.title}
      text={shownText(review.answers.nextTime ?? '')}
      onOpen={() => router.push(seasonWeekPath(season.id, week - 1))}
      onPutAway={() => putAway(review)}
    />
  );
}

/** The looks back of seasons that can be written now, a line each. */
function SeasonOffers() {
  const router = useRouter();
  const toast = useToast();
  const { change } = useRecording();
  const today = useAppSelector(selectToday);
  const reviews = useAppSelector(selectReviews);
  const seasons = useAppSelector(selectSeasons);
  const offers = offeredSeasonReviews(reviews, seasons, today);
  if (offers.length === 0) return null;
  return (
    <Card isFlush label="Look back on the season">
      {offers.map(({ season, week }, place) => {
        const title = `Look back on ${seasonPartWords(week)} of ${season.title}`;
        return (
          <OfferLine
            key={season.id}
            title={title}
            isParted={place > 0}
            onOpen={() => router.push(seasonWeekPath(season.id, week))}
            onWaveOff={() =>
              toast({
                text: 'Left for another time',
                onUndo: change(changeTo('reviews', newSeasonReview(newId(), season, week))),
              })
            }
          />
        );
      })}
    </Card>
  );
}

const useStyles = themed((colors) => ({
  season: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    minHeight: TOUCH_PX,
    borderLeftWidth: 3,
    borderLeftColor: colors.working,
    paddingLeft: SPACE.m,
    maxWidth: 720,
  },
  pressed: { opacity: 0.6 },
  grow: { flex: 1, minWidth: 0 },
}));
