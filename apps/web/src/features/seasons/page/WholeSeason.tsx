import {
  type FiguredSeason,
  type Review,
  bestAndWorst,
  reviewOfSeasonWeek,
  seasonAfter,
  seasonSpan,
  shownText,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { GoalsMovedCard } from '../../../components/lookBack/GoalsMovedCard.tsx';
import { ReviewField, WinsAndLosses } from '../../../components/lookBack/ReviewFields.tsx';
import { beginningOf, percent } from '../../../text/format.ts';
import { PATHS } from '../../../platform/paths.ts';
import { useHighlightedTarget } from '../../../ui/useHighlightedTarget.ts';
import { selectSeasons } from '../../../store/seasonSelectors.ts';
import { selectReviews, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Words } from '../../../ui/Words.tsx';
import { useSeasonReview } from './useSeasonReview.ts';

/** The end of a season: its best and worst week, how far its goals came, what one says to it, and the way to the next. */
export function WholeSeason({ figured, isAsked }: { figured: FiguredSeason; isAsked: boolean }) {
  const router = useRouter();
  const { season } = figured;
  const today = useAppSelector(selectToday);
  const seasons = useAppSelector(selectSeasons);
  const span = useMemo(() => seasonSpan(season), [season]);
  useHighlightedTarget(isAsked ? 'whole-season' : undefined, true);
  const { answers, write } = useSeasonReview(season, null);
  // Only where nothing runs or is planned after it.
  const isLast =
    seasonAfter(seasons, span.last) === null &&
    seasons.every((each) => seasonSpan(each).last <= Math.max(span.last, today));
  return (
    <View dataSet={{ id: 'whole-season' }} style={{ gap: SPACE.l }}>
      {isLast ? (
        <Button
          kind="main"
          onPress={() => router.push(`${PATHS.newSeason}?after=${encodeURIComponent(season.id)}`)}
          style={{ alignSelf: 'flex-start' }}
        >
          Begin the next season
        </Button>
      ) : null}
      <Extremes figured={figured} />
      <GoalsMovedCard span={span} among={season.goalIds} />
      <SectionCard title="Looking back on all of it">
        <ReviewField answers={answers} write={write} name="wentWell" label="What went well" />
        <ReviewField answers={answers} write={write} name="gotInTheWay" label="What got in the way" />
        <ReviewField answers={answers} write={write} name="nextTime" label="What to do in the next season" />
        <WinsAndLosses answers={answers} write={write} />
      </SectionCard>
    </View>
  );
}

const said = (review: Review | null): string => {
  const { wentWell, gotInTheWay, nextTime } = review?.answers ?? {};
  return [wentWell, gotInTheWay, nextTime]
    .map((each) => shownText(each ?? ''))
    .filter(Boolean)
    .join(' ');
};

function Extremes({ figured }: { figured: FiguredSeason }) {
  const styles = useStyles();
  const reviews = useAppSelector(selectReviews);
  const { season, figures, today } = figured;
  const both = bestAndWorst(figures, today);
  if (both === null) return null;
  return (
    <SectionCard title="Best and worst week">
      {([both.best, both.worst] as const).map(({ week, score }, place) => {
        const words = said(reviewOfSeasonWeek(reviews, season, week));
        return (
          <View key={week} style={styles.week}>
            <View style={styles.line}>
              <Words type="strong" style={styles.grow}>{`${place === 0 ? 'Best' : 'Worst'}: week ${week + 1}`}</Words>
              <Words type="strong">{percent(score)}</Words>
            </View>
            <Words tone="quiet">{words === '' ? 'Nothing written' : beginningOf(words, 400)}</Words>
          </View>
        );
      })}
    </SectionCard>
  );
}

const useStyles = themed(() => ({
  week: { gap: 2 },
  line: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s },
  grow: { flex: 1, minWidth: 0 },
}));
