import { type DaySpan, type PlainDay, type Track, formatDay, isActiveIn, parseDay, startOfWeek } from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useMemo } from 'react';
import { View, useWindowDimensions } from 'react-native';
import { PATHS } from '../../../platform/paths.ts';
import { selectSettings, selectToday, selectTracks } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useIsWide } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { shortDate, spanInWords } from '../../../text/format.ts';
import { Card } from '../../../ui/Card.tsx';
import { EmptyState } from '../../../ui/EmptyState.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { Words } from '../../../ui/Words.tsx';
import { NAME_PX, WEEK_PX, WeeksRow } from './WeeksRow.tsx';

/** Weeks side by side. */
const WEEKS_WIDE = 12;

const WEEKS_NARROW = 5;

/** Weeks that fit beside the names on a phone. */
const weeksThatFit = (widthPx: number): number =>
  Math.min(WEEKS_NARROW, Math.max(1, Math.floor((widthPx - NAME_PX - 2 * (SPACE.l + SPACE.m)) / WEEK_PX)));

/** The weeks up to the one a day lies in. */
function weeksUpTo(day: PlainDay, count: number, weekStart: Track['weekStart']): DaySpan[] {
  const last = startOfWeek(day, weekStart);
  return Array.from({ length: count }, (_, at) => {
    const first = last - (count - 1 - at) * 7;
    return { first, last: first + 6 };
  });
}

/** Every habit by weeks: which were met, which missed, and which are still open. */
export function WeeksScreen() {
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const params = useLocalSearchParams<{ day?: string }>();
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const all = useAppSelector(selectTracks);
  const day = Math.min(today, parseDay(params.day ?? '') ?? today);
  const { width } = useWindowDimensions();
  const count = isWide ? WEEKS_WIDE : weeksThatFit(width);
  const weeks = useMemo(() => weeksUpTo(day, count, weekStart), [day, count, weekStart]);
  const span = { first: weeks[0]!.first, last: weeks.at(-1)!.last };
  const tracks = all.filter((track) => isActiveIn(track, span));
  const isNow = span.last >= today;
  const go = (to: PlainDay): void => router.push(to >= today ? PATHS.weeks : `${PATHS.weeks}?day=${formatDay(to)}`);
  return (
    <Page>
      <PageHead title="Weeks" backTo={PATHS.charts}>
        <IconButton icon={ChevronLeft} label="The weeks before" onPress={() => go(day - count * 7)} />
        <IconButton
          icon={ChevronRight}
          label="The weeks after"
          onPress={() => go(day + count * 7)}
          isDisabled={isNow}
        />
      </PageHead>
      {tracks.length === 0 ? (
        <EmptyState
          title="No habits in these weeks"
          text="Every habit stands here week by week: met, missed or still open."
        />
      ) : (
        <Card isFlush style={styles.card}>
          <View role="table" aria-label={`Weeks, ${spanInWords(span, today)}`}>
            <WeeksHead weeks={weeks} today={today} isWide={isWide} />
            {tracks.map((track) => (
              <WeeksRow key={track.habit.id} track={track} weeks={weeks} isWide={isWide} />
            ))}
          </View>
        </Card>
      )}
      <Words type="quiet" tone="quiet">
        A full peg is a week that did all it asks; the others are filled as far as they came, with brass numbers where
        they are still open. Habits of so many days a week go by that number, the others by their days.
      </Words>
    </Page>
  );
}

function WeeksHead({ weeks, today, isWide }: { weeks: readonly DaySpan[]; today: PlainDay; isWide: boolean }) {
  const styles = useStyles();
  return (
    <View role="row" style={styles.row}>
      <View role="columnheader" aria-label="Habit" style={styles.name} />
      {weeks.map(({ first, last }) => (
        <View key={first} role="columnheader" aria-label={spanInWords({ first, last }, today)} style={styles.week}>
          <Words type="small" tone={today >= first && today <= last ? 'brassText' : 'quiet'} style={styles.date}>
            {shortDate(first)}
          </Words>
        </View>
      ))}
      {isWide ? (
        <View role="columnheader" style={styles.sum}>
          <Words type="small" tone="quiet" style={styles.sumWords}>
            Met
          </Words>
        </View>
      ) : null}
    </View>
  );
}

const useStyles = themed(() => ({
  card: { paddingVertical: SPACE.s },
  row: { flexDirection: 'row', alignItems: 'center', paddingHorizontal: SPACE.m, minHeight: 34 },
  name: { flex: 1, minWidth: NAME_PX, paddingRight: SPACE.s },
  week: { width: WEEK_PX, alignItems: 'center', justifyContent: 'center', gap: 1 },
  date: { textAlign: 'center', whiteSpace: 'nowrap' },
  sum: { width: 74 },
  sumWords: { textAlign: 'right' },
}));
