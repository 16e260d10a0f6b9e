import {
  type DayTotals,
  type JournalPage,
  type Mood,
  type PlainDay,
  type PlainMonth,
  type Settings,
  formatDay,
  formatMonth,
  monthSpan,
  moodByDay,
  pagesByDay,
  parseDay,
  scoreOn,
} from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import CalendarDays from 'lucide-react-native/icons/calendar-days';
import FileDown from 'lucide-react-native/icons/file-down';
import { memo, useCallback, useDeferredValue, useMemo, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';
import { VirtualList } from '../../../components/page/VirtualList.tsx';
import { dateNumber, dayInWords, monthAndYear, percent, spanInWords, weekdayShort } from '../../../text/format.ts';
import { PATHS, journalPath } from '../../../platform/paths.ts';
import { selectIsHidden, selectJournal, selectSettings, selectToday, selectTotals } from '../../../store/selectors.ts';
import type { RecordsState } from '@wimbel/sync';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useIsWide } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { EmptyState } from '../../../ui/EmptyState.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { SunPicture } from '../../../ui/SunPicture.tsx';
import { Words } from '../../../ui/Words.tsx';
import { moodSign, moodWord } from '../../../text/moodText.ts';
import { JournalTabs } from '../JournalTabs.tsx';
import { asksAnything } from '../search/useSearch.ts';
import { FoundList } from './FoundList.tsx';
import { JumpSheet, MonthChips } from './JumpSheet.tsx';
import { ThisDayCard } from './ThisDayCard.tsx';
import { type PageRow, firstLines, pageRows, placeOfDay } from './pageRows.ts';
import { SearchField, useSearchAsked } from './SearchField.tsx';
import { STICKY } from '../../../theme/webStyle.ts';

/** How tall lines are before they are laid out, in pixels. */
const ROUGHLY: Record<PageRow['kind'], number> = { month: 56, day: 78, none: 24 };

/** Every page, newest first, and the search through everything that was written. */
export function AllPagesScreen() {
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const journal = useAppSelector(selectJournal);
  const asked = useSearchAsked();
  const scroll = useRef<HTMLDivElement>(null);
  const [isJumping, setIsJumping] = useState(false);
  const byDay = useMemo(() => pagesByDay(journal), [journal]);
  const rows = useMemo(() => pageRows(byDay, today), [byDay, today]);
  // The tab is there at once; the list follows without holding up anything.
  const listed = useDeferredValue(rows, null);
  const [wanted, setWanted] = useState<PlainDay | null>(parseDay(useLocalSearchParams<{ day?: string }>().day ?? ''));
  const isSearching = asksAnything(asked.search);
  const arrived = useCallback(() => setWanted(null), []);
  const jump = (day: PlainDay): void => {
    asked.clear();
    setIsJumping(false);
    setWanted(day);
  };
  return (
    // The list scrolls in the place it is in, so that only what is seen is laid out.
    <div ref={scroll} style={SCROLL} data-scroll="pages">
      <View style={[styles.page, isWide && styles.wide]}>
        <View style={styles.head}>
          <Words type="title" heading={1} style={styles.title}>
            Journal
          </Words>
          <IconButton
            icon={FileDown}
            name="Take along"
            label="Pages to take along"
            onPress={() => router.push(PATHS.takeAlong)}
          />
          <IconButton
            icon={CalendarDays}
            name="Jump"
            label="Jump to a month or a day"
            onPress={() => setIsJumping(true)}
            isDisabled={rows.length === 0}
          />
        </View>
        <JournalTabs at={PATHS.journalPages} />
        <View style={isWide && styles.columns}>
          <View style={styles.main}>
            {rows.length === 0 && !isSearching ? null : <SearchField asked={asked} />}
            {isSearching ? (
              <FoundList search={asked.search} />
            ) : rows.length === 0 ? (
              <EmptyState title="No pages yet" text="What you write, day by day, stands here to be read again.">
                <Button kind="main" onPress={() => router.push(PATHS.journal)}>
                  Write today’s page
                </Button>
              </EmptyState>
            ) : listed === null ? null : (
              <PagesList rows={listed} scroll={scroll} wanted={wanted} onThere={arrived} />
            )}
          </View>
          {isWide ? (
            <View style={styles.side}>
              <ThisDayCard byDay={byDay} />
              <Card style={styles.jump} label="Jump to a month">
                <Words type="card" heading={2}>
                  Jump to a month
                </Words>
                <MonthChips rows={rows} today={today} onDay={jump} />
              </Card>
            </View>
          ) : null}
        </View>
      </View>
      {isJumping ? <JumpSheet rows={rows} today={today} onClose={() => setIsJumping(false)} onDay={jump} /> : null}
    </div>
  );
}

const SCROLL = { flex: 1, minHeight: 0, overflowY: 'auto', overflowX: 'hidden' } as const;

function PagesList({
  rows,
  scroll,
  wanted,
  onThere,
}: {
  rows: readonly PageRow[];
  scroll: React.RefObject<HTMLDivElement | null>;
  wanted: PlainDay | null;
  onThere: () => void;
}) {
  const shown = useShownBy();
  const at = useMemo(() => {
    if (wanted === null) return null;
    const place = placeOfDay(rows, wanted);
    return place < 0 ? rows.length - 1 : place;
  }, [rows, wanted]);
  return (
    <VirtualList
      rows={rows}
      keyOf={({ key }) => key}
      roughPx={({ kind }) => ROUGHLY[kind]}
      scroll={scroll}
      wanted={at}
      onThere={onThere}
    >
      {(row) => <PageLine row={row} shown={shown} />}
    </VirtualList>
  );
}

/** Shared props of all lines, computed once. */
type ShownBy = {
  settings: Settings;
  hidesMood: boolean;
  totals: DayTotals;
  months: RecordsState['months'];
  today: PlainDay;
  go: (path: string) => void;
};

function useShownBy(): ShownBy {
  const router = useRouter();
  const settings = useAppSelector(selectSettings);
  const hidesMood = useAppSelector((state) => selectIsHidden(state, 'mood'));
  const totals = useAppSelector(selectTotals);
  const months = useAppSelector((state) => state.records.months);
  const today = useAppSelector(selectToday);
  return useMemo(
    () => ({ settings, hidesMood, totals, months, today, go: (path) => router.push(path) }),
    [settings, hidesMood, totals, months, today, router],
  );
}

const PageLine = memo(function PageLine({ row, shown }: { row: PageRow; shown: ShownBy }) {
  switch (row.kind) {
    case 'month':
      return <MonthLine month={row.month} count={row.count} shown={shown} />;
    case 'none':
      return <NoPage first={row.span.first} last={row.span.last} shown={shown} />;
    case 'day':
      return <DayLine day={row.day} pages={row.pages} shown={shown} />;
  }
});

function MonthLine({ month, count, shown }: { month: PlainMonth; count: number; shown: ShownBy }) {
  const styles = useStyles();
  const word = shown.months[formatMonth(month)]?.word;
  const { first, last } = monthSpan(month);
  return (
    <View style={styles.month}>
      <Words type="card" heading={2} style={styles.monthName}>
        {monthAndYear(month)}
        {word ? `: ${word}` : ''}
      </Words>
      <Words type="quiet" tone="quiet" label={`${count} of ${last - first + 1} days have a page`}>
        {count} of {last - first + 1} days
      </Words>
    </View>
  );
}

function NoPage({ first, last, shown }: { first: PlainDay; last: PlainDay; shown: ShownBy }) {
  const styles = useStyles();
  const { today, go } = shown;
  const words = first === last ? weekdayDate(first) : `${dateNumber(first)} to ${dateNumber(last)}`;
  return (
    <Pressable
      role="link"
      aria-label={`No page, ${spanInWords({ first, last }, today)}`}
      onPress={() => go(journalPath(formatDay(last)))}
      style={styles.none}
    >
      <Words type="small" tone="quiet" style={styles.noneDay}>
        {words}
      </Words>
      <View style={styles.hair} />
    </Pressable>
  );
}

const weekdayDate = (day: PlainDay): string => `${weekdayShort(day).slice(0, 2)} ${dateNumber(day)}`;

function DayLine({ day, pages, shown }: { day: PlainDay; pages: readonly JournalPage[]; shown: ShownBy }) {
  const styles = useStyles();
  const { settings, hidesMood, totals, go } = shown;
  const { done, due, score } = scoreOn(totals, day, settings.passMark);
  const mean = moodByDay(pages).get(day) ?? null;
  const mood = mean === null || hidesMood ? null : (Math.round(mean) as Mood);
  const sign = mood === null ? null : moodSign(settings, mood);
  const feelings = [...new Set(pages.flatMap((page) => page.feelings ?? []))];
  const lines = firstLines(pages);
  const about = [
    mood === null ? '' : moodWord(settings, mood),
    feelings.join(', '),
    score === null ? '' : `${done} of ${due}, ${percent(score)}`,
  ].filter(Boolean);
  return (
    <Pressable
      role="link"
      aria-label={[dayInWords(day), ...about, lines].filter(Boolean).join('. ')}
      onPress={() => go(journalPath(formatDay(day)))}
      style={({ hovered }: { pressed: boolean; hovered?: boolean }) => [styles.day, hovered && styles.hovered]}
    >
      <View style={styles.date}>
        <Words type="section" style={styles.number}>
          {dateNumber(day)}
        </Words>
        <Words type="small" tone="quiet">
          {weekdayShort(day)}
        </Words>
      </View>
      <View style={styles.sun}>
        {mood === null ? null : sign === null ? (
          <SunPicture mood={mood} isChosen widthPx={40} />
        ) : (
          <Words type="section">{sign}</Words>
        )}
      </View>
      <View style={styles.words}>
        <View style={styles.about}>
          <Words type="quiet" tone="quiet" style={styles.feelings}>
            {feelings.join(', ')}
          </Words>
          {score === null ? null : (
            <Words type="quiet" tone="quiet">
              {done} of {due}
            </Words>
          )}
        </View>
        {lines === '' ? (
          <Words tone="quiet">{mood === null ? 'No words' : moodWord(settings, mood)}</Words>
        ) : (
          <Words>{lines}</Words>
        )}
      </View>
    </Pressable>
  );
}

const useStyles = themed((colors) => ({
  page: { padding: SPACE.l, paddingBottom: SPACE.xxl, gap: SPACE.l },
  wide: { paddingHorizontal: SPACE.xxl, paddingVertical: SPACE.xl, maxWidth: 1160, width: '100%' },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  main: { flex: 5, minWidth: 0, gap: SPACE.l },
  side: { flex: 2, minWidth: 220, gap: SPACE.l, position: STICKY, top: SPACE.xl },
  jump: { gap: SPACE.m },
  head: { flexDirection: 'row', alignItems: 'center' },
  title: { flex: 1 },
  month: {
    flexDirection: 'row',
    alignItems: 'baseline',
    gap: SPACE.m,
    paddingTop: SPACE.xl,
    paddingBottom: SPACE.s,
    paddingHorizontal: SPACE.xs,
  },
  monthName: { flex: 1 },
  none: { flexDirection: 'row', alignItems: 'center', height: 24, gap: SPACE.s, paddingHorizontal: SPACE.s },
  noneDay: { minWidth: 32 },
  hair: { flex: 1, height: 1, backgroundColor: colors.line },
  day: {
    flexDirection: 'row',
    alignItems: 'flex-start',
    gap: SPACE.s,
    padding: SPACE.s,
    minHeight: 72,
    borderRadius: 12,
    borderWidth: 1,
    borderColor: colors.line,
    backgroundColor: colors.raised,
    marginVertical: 2,
  },
  hovered: { borderColor: colors.rim },
  date: { width: 36, alignItems: 'center' },
  number: { lineHeight: 24 },
  sun: { width: 44, alignItems: 'center', paddingTop: 2 },
  words: { flex: 1, minWidth: 0, gap: 2 },
  about: { flexDirection: 'row', gap: SPACE.s },
  feelings: { flex: 1 },
}));
