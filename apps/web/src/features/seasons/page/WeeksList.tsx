import {
  type FiguredSeason,
  type Review,
  dayOf,
  isWritten,
  reviewOfSeasonWeek,
  reviewsBesideSeason,
  seasonWeekSpan,
  shownText,
} from '@wimbel/core';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import { Pressable, View } from 'react-native';
import { outOf } from '../../../text/amounts.ts';
import { Figure } from '../../../components/figure/Figure.tsx';
import { MissesCard } from '../../../components/lookBack/MissesCard.tsx';
import { PlannedThen, ReviewField } from '../../../components/lookBack/ReviewFields.tsx';
import { beginningOf, counted, dateNear, percent, spanInWords } from '../../../text/format.ts';
import { useHighlightedTarget } from '../../../ui/useHighlightedTarget.ts';
import { selectReviews, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Words } from '../../../ui/Words.tsx';
import { seasonPartWords } from '../../../text/seasonText.ts';
import { useSeasonReview } from './useSeasonReview.ts';

const weekId = (week: number): string => `week-${week + 1}`;

/** Every week that has begun, the latest first, with its score and what was written; one opens in place. */
export function WeeksList({
  figured,
  opened,
  onOpen,
}: {
  figured: FiguredSeason;
  /** Counted from 0. */
  opened: number | null;
  onOpen: (week: number | null) => void;
}) {
  const styles = useStyles();
  const reviews = useAppSelector(selectReviews);
  const today = useAppSelector(selectToday);
  const { season, figures } = figured;
  const begun = figures.weeks.filter(({ from }) => from <= today).length;
  useHighlightedTarget(opened === null ? undefined : weekId(opened), begun > 0);
  const beside = reviewsBesideSeason(reviews, season);
  if (begun === 0) return null;
  const toCome = season.weeks - begun;
  return (
    <SectionCard title="Looks back, week by week" isFlush>
      {Array.from({ length: begun }, (_, index) => begun - 1 - index).map((week, place) => (
        <View key={week} dataSet={{ id: weekId(week) }} style={place > 0 && styles.parted}>
          <WeekLine
            figured={figured}
            week={week}
            review={reviewOfSeasonWeek(reviews, season, week)}
            isOpen={opened === week}
            onPress={() => onOpen(opened === week ? null : week)}
          />
          {opened === week ? <OpenWeek key={week} figured={figured} week={week} /> : null}
        </View>
      ))}
      {toCome > 0 ? (
        <Words type="quiet" tone="quiet" style={[styles.parted, styles.toCome]}>
          {`${counted(toCome, 'week')} to come`}
        </Words>
      ) : null}
      {beside.map((review) => (
        <Beside key={review.id} review={review} />
      ))}
    </SectionCard>
  );
}

const firstWords = (review: Review | null): string | null => {
  if (review === null || !isWritten(review)) return null;
  const { wentWell, gotInTheWay, nextTime, lessons } = review.answers;
  return beginningOf(shownText(wentWell || gotInTheWay || nextTime || lessons || ''), 90);
};

function WeekLine({
  figured,
  week,
  review,
  isOpen,
  onPress,
}: {
  figured: FiguredSeason;
  week: number;
  review: Review | null;
  isOpen: boolean;
  onPress: () => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { season, figures, today } = figured;
  const { score, onTrack, from } = figures.weeks[week]!;
  const isRunning = from + 6 >= today;
  const days = spanInWords(seasonWeekSpan(season, week), today);
  const track = score === null ? 'nothing was due' : onTrack ? 'on track' : isRunning ? 'so far' : 'off track';
  const written = firstWords(review);
  const Chevron = isOpen ? ChevronUp : ChevronDown;
  return (
    <Pressable
      role="button"
      aria-expanded={isOpen}
      aria-label={`Week ${week + 1}, ${days}: ${percent(score)}, ${track}. ${written ?? 'Nothing written'}`}
      onPress={onPress}
      style={({ pressed }) => [styles.week, pressed && styles.pressed]}
    >
      <View style={styles.words}>
        <View style={styles.line}>
          <Words type="name">{`Week ${week + 1}`}</Words>
          <Words type="quiet" tone="quiet" style={styles.grow}>
            {days}
          </Words>
          <Words type="strong">{percent(score)}</Words>
          <Words type="quiet" tone={onTrack ? 'working' : 'quiet'}>
            {track}
          </Words>
        </View>
        {isOpen ? null : (
          <Words type="quiet" tone={written === null ? 'quiet' : 'ink'}>
            {written ?? 'Nothing written'}
          </Words>
        )}
      </View>
      <Chevron size={18} color={colors.quiet} />
    </Pressable>
  );
}

/** A week opened: what it came to, what was missed and why, and what one says to it. */
function OpenWeek({ figured, week }: { figured: FiguredSeason; week: number }) {
  const styles = useStyles();
  const { season, figures, tied, passMark } = figured;
  const span = seasonWeekSpan(season, week);
  const { actual, target, score } = figures.weeks[week]!;
  const { answers, planned, write, tell } = useSeasonReview(season, week);
  const told = `${outOf(actual, target)} planned`;
  return (
    <View style={styles.open}>
      <Figure
        asked={{ figure: 'week', days: span, habitIds: tied.map(({ habit }) => habit.id) }}
        label={`${told}, ${percent(score)}`}
      >
        <Words tone="quiet">{`${told}, ${percent(score)}; pass mark ${percent(passMark)}`}</Words>
      </Figure>
      <MissesCard span={span} tracks={tied} />
      {planned === null ? null : <PlannedThen after={seasonPartWords(week - 1)} planned={planned} tell={tell} />}
      <ReviewField answers={answers} write={write} name="wentWell" label="What went well" />
      <ReviewField answers={answers} write={write} name="gotInTheWay" label="What would make it easier" />
      <ReviewField answers={answers} write={write} name="nextTime" label="What to do next week" />
    </View>
  );
}

/** A look back on days that are not of the season any more. */
function Beside({ review }: { review: Review }) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  return (
    <View style={[styles.parted, styles.beside]}>
      <Words type="label" tone="quiet">
        {`From ${dateNear(dayOf(review.from), today)}, no longer one of its weeks`}
      </Words>
      <Words>{firstWords(review) ?? ''}</Words>
    </View>
  );
}

const useStyles = themed((colors) => ({
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  week: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    minHeight: 56,
    paddingHorizontal: SPACE.l,
    paddingVertical: SPACE.s,
  },
  pressed: { backgroundColor: colors.wash },
  words: { flex: 1, minWidth: 0, gap: 2 },
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: SPACE.s },
  grow: { flexGrow: 1 },
  open: { gap: SPACE.l, padding: SPACE.l, paddingTop: SPACE.s },
  toCome: { paddingHorizontal: SPACE.l, paddingVertical: SPACE.m },
  beside: { gap: 2, paddingHorizontal: SPACE.l, paddingVertical: SPACE.m },
}));
