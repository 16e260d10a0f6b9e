import {
  type DaySpan,
  type HabitWeek,
  type PlainDay,
  type Track,
  askKindOf,
  formatDay,
  habitWeek,
  isActiveIn,
  parseDay,
  startOfWeek,
  termsOn,
  weeksMetIn,
} from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useMemo } from 'react';
import { Pressable, View, useWindowDimensions } from 'react-native';
import { Figure } from '../../../components/figure/Figure.tsx';
import { PATHS, habitPath } from '../../../platform/paths.ts';
import { selectSettings, selectToday, selectTracks } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { SPACE } from '../../../theme/space.ts';
import { shortDate, spanInWords } from '../../../text/format.ts';
import { Card } from '../../../ui/Card.tsx';
import { EmptyState } from '../../../ui/EmptyState.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { PegPicture } from '../../../ui/Peg.tsx';
import { Words } from '../../../ui/Words.tsx';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { habitWeekWords, weeksMetWords } from '../../../text/weekText.ts';

/** Weeks side by side. */
const WEEKS_WIDE = 12;
const WEEKS_NARROW = 5;
const WEEK_PX = 46;
const NAME_PX = 96;

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

function WeeksRow({ track, weeks, isWide }: { track: Track; weeks: readonly DaySpan[]; isWide: boolean }) {
  const styles = useStyles();
  const router = useRouter();
  const { colors } = useTheme();
  const { habit } = track;
  const area = useAppSelector((state) => state.records.areas[habit.areaId ?? '']);
  const color = dyeColor(colors, area?.color);
  const own = useMemo(() => weeks.map((week) => habitWeek(track, week)), [track, weeks]);
  const met = weeksMetIn(track, { first: weeks[0]!.first, last: weeks.at(-1)!.last });
  return (
    <View role="row" style={[styles.row, styles.parted]}>
      <View role="rowheader" style={styles.name}>
        <Pressable
          role="link"
          aria-label={`${habit.name}, ${weeksMetWords(met)}`}
          onPress={() => router.push(habitPath(habit.id))}
          style={styles.link}
        >
          <Words type="label" numberOfLines={2}>
            {habit.name}
          </Words>
          {isWide ? null : (
            <Words type="small" tone="quiet" numberOfLines={1}>
              {weeksMetWords(met)}
            </Words>
          )}
        </Pressable>
      </View>
      {own.map((week) => (
        <WeekCell key={week.days.first} track={track} week={week} color={color} />
      ))}
      {isWide ? (
        <View role="cell" style={styles.sum}>
          <Words type="label" style={styles.sumWords}>
            {met.of === 0 ? '–' : `${met.met} of ${met.of}`}
          </Words>
        </View>
      ) : null}
    </View>
  );
}

/** The figure of a habit's week. */
const weekAsked = (track: Track, { days }: HabitWeek): FigureQuery => {
  const day = Math.min(days.last, track.today);
  return askKindOf(termsOn(track.terms, day).schedule) === 'weeks'
    ? { figure: 'habitQuota', habitId: track.habit.id, kind: 'weeks', day }
    : { figure: 'habitKept', habitId: track.habit.id, span: days };
};

function WeekCell({ track, week, color }: { track: Track; week: HabitWeek; color: string }) {
  const styles = useStyles();
  const { done, asked, verdict, days } = week;
  const words = habitWeekWords(week, track.today);
  if (verdict === null)
    return (
      <View role="cell" aria-label={words} style={styles.week}>
        <PegPicture state={days.first > track.today ? 'toCome' : 'notAsked'} sizePx={22} color={color} />
        <Words type="small"> </Words>
      </View>
    );
  const state = verdict === 'met' ? 'done' : done > 0 ? 'part' : 'blank';
  return (
    <View role="cell" style={styles.week}>
      <Figure asked={weekAsked(track, week)} label={`${track.habit.name}, ${words}`} isPlain style={styles.cell}>
        <PegPicture state={state} sizePx={22} color={color} ratio={done / asked} />
        <Words
          type={verdict === 'met' ? 'smallStrong' : 'small'}
          tone={verdict === 'open' ? 'brassText' : 'quiet'}
          style={styles.date}
        >
          {`${done}/${asked}`}
        </Words>
      </Figure>
    </View>
  );
}

const useStyles = themed((colors) => ({
  card: { paddingVertical: SPACE.s },
  row: { flexDirection: 'row', alignItems: 'center', paddingHorizontal: SPACE.m, minHeight: 34 },
  parted: { borderTopWidth: 1, borderTopColor: colors.line, minHeight: 58 },
  name: { flex: 1, minWidth: NAME_PX, paddingRight: SPACE.s },
  link: { minHeight: 44, justifyContent: 'center' },
  week: { width: WEEK_PX, alignItems: 'center', justifyContent: 'center', gap: 1 },
  cell: { alignItems: 'center', borderBottomWidth: 0, minWidth: 44, minHeight: 44, gap: 1 },
  date: { textAlign: 'center', whiteSpace: 'nowrap' },
  sum: { width: 74 },
  sumWords: { textAlign: 'right' },
}));
