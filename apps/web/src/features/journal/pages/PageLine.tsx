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
  scoreOn,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import { memo, useMemo } from 'react';
import { Pressable, View } from 'react-native';
import { dateNumber, dayInWords, monthAndYear, percent, spanInWords, weekdayShort } from '../../../text/format.ts';
import { journalPath } from '../../../platform/paths.ts';
import { selectIsHidden, selectSettings, selectToday, selectTotals } from '../../../store/selectors.ts';
import type { RecordsState } from '@wimbel/sync';
import { useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { SunPicture } from '../../../ui/SunPicture.tsx';
import { Words } from '../../../ui/Words.tsx';
import { moodSign, moodWord } from '../../../text/moodText.ts';
import { type PageRow, firstLines } from './pageRows.ts';

/** Shared props of all lines, computed once. */
type ShownBy = {
  settings: Settings;
  hidesMood: boolean;
  totals: DayTotals;
  months: RecordsState['months'];
  today: PlainDay;
  go: (path: string) => void;
};

export function useShownBy(): ShownBy {
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

export const PageLine = memo(function PageLine({ row, shown }: { row: PageRow; shown: ShownBy }) {
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
