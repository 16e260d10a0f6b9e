import {
  type DaySpan,
  LOG_SPANS,
  type LogSpan,
  type PlainDay,
  type Track,
  dayCounts,
  dayOf,
  type Kept,
  dayOfNeighbour,
  formatDay,
  formatMonth,
  holdsDay,
  isActiveIn,
  isFreeSpan,
  logSpanOf,
  monthFigures,
  monthOfDay,
  monthSpan,
  parseDay,
  parseMonth,
  startOfWeek,
  keptTogether,
} from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import ArrowUpDown from 'lucide-react-native/icons/arrow-up-down';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import Grip from 'lucide-react-native/icons/grip';
import Keyboard from 'lucide-react-native/icons/keyboard';
import List from 'lucide-react-native/icons/list';
import Pencil from 'lucide-react-native/icons/pencil';
import { type ReactNode, memo, useCallback, useMemo, useState } from 'react';
import { View } from 'react-native';
import { EntrySheet } from '../../components/entry/EntrySheet.tsx';
import { selectHabits, selectSettings, selectToday, selectTracks } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { number } from '../../text/amounts.ts';
import { capital, counted, percent, spanInWords } from '../../text/format.ts';
import { useLocalChoice } from '../../platform/localSettings.ts';
import { saveFocus, useRestoredFocus } from '../../ui/useRestoredFocus.ts';
import { themed, useIsWide } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { DateButton } from '../../ui/DateButton.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Page } from '../../ui/Frame.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Words } from '../../ui/Words.tsx';
import { ArrangeSheet, GROUPS } from './ArrangeSheet.tsx';
import { KeysPanel } from './KeysPanel.tsx';
import { LogList } from './LogList.tsx';
import {
  HabitFilterLine,
  useHabitFilterName,
  useFilteredTracks,
} from '../../components/habitFilter/HabitFilterChips.tsx';
import { type HabitFilter, formatHabitFilter, parseHabitFilter } from '../../text/habitFilter.ts';
import { Pegboard } from './board/Pegboard.tsx';
import { useDeferredKeyed } from '../../ui/useDeferredKeyed.ts';
import { useTotalsOf } from './useTotalsOf.ts';
import { SORTS, figuresOf, sortedTracks } from './logRows.ts';
import { SPAN_CHOICES, spanName, spanTitle } from './logWords.ts';
import { Figure, FigureWords } from '../../components/figure/Figure.tsx';
import { keptWords } from '../../text/keptText.ts';
import type { FigureQuery } from '../../text/figureQuery.ts';
import { fullDaysAimedAt } from '../../text/fullDaysAimed.ts';
import { PATHS, habitPath } from '../../platform/paths.ts';

type Params = { month?: string; span?: string; day?: string; at?: string; as?: string; only?: string };
/** `at` is a day that was asked for by name, to be found at once; the next step forgets it. */
type Where = { kind: LogSpan; day: PlainDay; at: PlainDay | null; isList: boolean; only: HabitFilter | null };

const WEEKS_SHOWN = 6;

/** The route's span kind and day, as pegboard or list; around today by default. */
function useWhere(): [Where, DaySpan, (to: Partial<Where>) => void] {
  const params = useLocalSearchParams<Params>();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const month = parseMonth(params.month ?? '');
  const kind = LOG_SPANS.find((each) => each === params.span) ?? 'month';
  const usual = usualDay(kind, today, weekStart);
  const named = parseDay(params.day ?? '') ?? (month === null ? null : monthSpan(month).first);
  const day = named ?? usual;
  const only = useMemo(() => parseHabitFilter(params.only ?? ''), [params.only]);
  const at = parseDay(params.at ?? '');
  const isList = params.as === 'list';
  const where = useMemo(() => ({ kind, day, at, isList, only }), [kind, day, at, isList, only]);
  const span = useMemo(() => logSpanOf(kind, day, weekStart), [kind, day, weekStart]);
  const go = useCallback(
    (change: Partial<Where>): void => {
      const to = { ...where, ...change };
      const words = [
        to.kind === 'month' ? '' : `span=${to.kind}`,
        to.day === usualDay(to.kind, today, weekStart)
          ? ''
          : to.kind === 'month'
            ? `month=${formatMonth(monthOfDay(to.day))}`
            : `day=${formatDay(to.day)}`,
        to.isList ? 'as=list' : '',
        to.only === null ? '' : `only=${encodeURIComponent(formatHabitFilter(to.only))}`,
      ].filter(Boolean);
      saveFocus();
      router.push(`${PATHS.log}${words.length > 0 ? `?${words.join('&')}` : ''}`);
    },
    [where, today, weekStart, router],
  );
  return [where, span, go];
}

/** The habits in their order; by share they keep their places while days are checked off, until the order is asked anew. */
function useOrdered(tracks: readonly Track[], sort: (typeof SORTS)[number], kind: LogSpan, span: DaySpan): Track[] {
  const { passMark } = useAppSelector(selectSettings);
  const asked = `${sort} ${kind} ${span.first} ${tracks.map(({ habit }) => `${habit.id} ${habit.name}`).join('\n')}`;
  const order = (): string[] =>
    sortedTracks(tracks, sort, (track) => figuresOf(track, kind, span, passMark).rate).map(({ habit }) => habit.id);
  const [held, setHeld] = useState(() => ({ asked, ids: order() }));
  const isAnew = held.asked !== asked;
  const ids = isAnew ? order() : held.ids;
  if (isAnew) setHeld({ asked, ids });
  return useMemo(() => {
    const byId = new Map(tracks.map((track) => [track.habit.id, track]));
    return ids.flatMap((id) => byId.get(id) ?? []);
  }, [tracks, ids]);
}

/** Which habits the log shows in a span, and in which order and groups. */
function useShown(only: HabitFilter | null, kind: LogSpan, span: DaySpan) {
  const onlyOf = useHabitFilterName(only);
  const all = useFilteredTracks(only, useAppSelector(selectTracks));
  const [sort, setSort] = useLocalChoice('logSort', SORTS, 'order');
  const [group, setGroup] = useLocalChoice('logGroup', GROUPS, 'together');
  const active = useMemo(() => all.filter((track) => isActiveIn(track, span)), [all, span]);
  const shown = useMemo(() => all.filter((track) => isActiveIn(track, span) || beginsLater(track, span)), [all, span]);
  const tracks = useOrdered(shown, sort, kind, span);
  return { onlyOf, all, active, tracks, sort, setSort, group, setGroup };
}

/** The log on paper: the year, or the month that a span begins in. */
const printAddress = (kind: LogSpan, first: PlainDay): string =>
  `${PATHS.printLog}?${kind === 'year' ? `year=${formatDay(first).slice(0, 4)}` : `month=${formatMonth(monthOfDay(first))}`}`;

export function LogScreen() {
  useRestoredFocus();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const [where, span, go] = useWhere();
  const { kind, at, isList, only } = where;
  const { onlyOf, all, active, tracks, sort, setSort, group, setGroup } = useShown(only, kind, span);
  const hasTracks = tracks.length > 0;
  const [opened, setOpened] = useState<{ habitId: string; day: PlainDay; isNoteFirst: boolean } | null>(null);
  const [draws, setDraws] = useState(false);
  const [panel, setPanel] = useState<Panel | null>(null);
  const open = useCallback(
    (habitId: string, day: PlainDay, isNoteFirst = false) => setOpened({ habitId, day, isNoteFirst }),
    [],
  );
  const openHabit = useCallback((habitId: string) => router.push(habitPath(habitId)), [router]);
  const [title, aside] = spanTitle(kind, span, today, weekStart);
  const close = (): void => setPanel(null);
  const summed = useDeferredKeyed(
    useMemo(
      () => (hasTracks ? { tracks: active, all: onlyOf === null ? null : all, name: onlyOf, kind, span } : null),
      [hasTracks, active, all, onlyOf, kind, span],
    ),
    `${hasTracks} ${onlyOf} ${kind} ${span.first}`,
  );

  const header = (
    <LogHead where={where} span={span} summed={summed} onGo={go} onPanel={setPanel} draws={draws} onDraws={setDraws} />
  );
  const panels = (
    <>
      {opened !== null ? (
        <EntrySheet {...opened} onClose={() => setOpened(null)} onGo={(path) => router.push(path)} />
      ) : null}
      {panel === 'keys' ? <KeysPanel onClose={close} /> : null}
      {panel === 'order' ? (
        <ArrangeSheet
          sort={sort}
          group={group}
          only={only}
          onSort={setSort}
          onGroup={setGroup}
          onOnly={(next) => {
            close();
            go({ only: next });
          }}
          onPrint={() => router.push(printAddress(kind, span.first))}
          onClose={close}
        />
      ) : null}
    </>
  );
  if (tracks.length > 0 && isList) {
    const openDay = (day: PlainDay): void => router.push(`${PATHS.today}?day=${formatDay(day)}`);
    return (
      <>
        <LogList tracks={tracks} span={span} head={header} onOpen={open} onDay={openDay} />
        {panels}
      </>
    );
  }
  return (
    <Page isFull isFitted={tracks.length > 0}>
      {header}
      {tracks.length === 0 ? (
        <NothingInSpan name={spanName(kind)} onlyOf={onlyOf} />
      ) : (
        <Pegboard
          tracks={tracks}
          kind={kind}
          span={span}
          at={at}
          label={`Pegboard, ${title} ${aside}`}
          group={group}
          over={onlyOf === null ? null : { name: onlyOf, tracks: all }}
          onOpen={open}
          onName={openHabit}
          onSpan={(by) => go({ day: dayOfNeighbour(kind, span, by) })}
          onToday={() => go({ day: usualDay(kind, today, weekStart) })}
          onHelp={() => setPanel('keys')}
          draws={draws}
        />
      )}
      {panels}
    </Page>
  );
}

type Panel = 'keys' | 'order';

/** The span by its name, the ways to others, and what it came to. */
const LogHead = memo(function LogHead({
  where: { kind, isList, only },
  span,
  onGo,
  onPanel,
  draws,
  onDraws,
  summed,
}: {
  where: Where;
  span: DaySpan;
  onGo: (to: Partial<Where>) => void;
  onPanel: (panel: Panel) => void;
  draws: boolean;
  onDraws: (draws: boolean) => void;
  /** What is summed up; null where there is nothing. */
  summed: Omit<React.ComponentProps<typeof Summary>, 'aside'> | null;
}) {
  const styles = useStyles();
  const isWide = useIsWide();
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const [title, aside] = spanTitle(kind, span, today, weekStart);
  const name = spanName(kind);
  const spans = <SpanChoice kind={kind} span={span} onGo={onGo} />;
  const order = (
    <IconButton icon={ArrowUpDown} name="Order" label="Which habits, in which order" onPress={() => onPanel('order')} />
  );
  const draw = (
    <IconButton icon={Pencil} label="Mark days by drawing" isPressed={draws} onPress={() => onDraws(!draws)} />
  );
  return (
    <View style={styles.header}>
      <View style={styles.head}>
        <IconButton
          icon={ChevronLeft}
          label={`The ${name} before`}
          onPress={() => onGo({ day: dayOfNeighbour(kind, span, -1) })}
        />
        <Words type={kind === 'month' || kind === 'year' ? 'title' : 'section'} heading={1}>
          {title}
        </Words>
        <DateButton
          label={kind === 'month' ? 'Go to a month' : isFreeSpan(kind) ? `First day of the ${name}` : 'Go to a day'}
          value={formatDay(!isFreeSpan(kind) && holdsDay(span, today) ? today : span.first)}
          text={aside}
          onChange={(text) => onGo({ day: dayOf(text) })}
        />
        <IconButton
          icon={ChevronRight}
          label={`The ${name} after`}
          onPress={() => onGo({ day: dayOfNeighbour(kind, span, 1) })}
        />
        {holdsDay(span, today) ? null : (
          <Button onPress={() => onGo({ day: usualDay(kind, today, weekStart) })}>
            {isFreeSpan(kind) ? 'Today' : `This ${name}`}
          </Button>
        )}
        <View style={styles.push} />
        {isWide ? spans : null}
        {isWide ? order : null}
        {isWide && !isList ? (
          <IconButton icon={Keyboard} name="Keys" label="Keys of the pegboard" onPress={() => onPanel('keys')} />
        ) : null}
        <IconButton
          icon={isList ? Grip : List}
          name={isList ? 'Pegboard' : 'List'}
          label={isList ? 'As the pegboard' : 'As a list by day'}
          onPress={() => onGo({ isList: !isList })}
        />
      </View>
      {isWide ? null : spans}
      <HabitFilterLine only={only} onAll={() => onGo({ only: null })} />
      {summed === null ? null : (
        <Summary
          {...summed}
          aside={
            isWide ? null : (
              <>
                {isList ? null : draw}
                {order}
              </>
            )
          }
        />
      )}
    </View>
  );
});

/** Which kind of span is shown; another is laid around a day in view, today if it is. */
function SpanChoice({ kind, span, onGo }: { kind: LogSpan; span: DaySpan; onGo: (to: Partial<Where>) => void }) {
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const dayFor = (to: LogSpan): PlainDay => {
    const near = holdsDay(span, today) ? today : span.first;
    if (!isFreeSpan(to)) return near;
    if (near === today) return usualDay(to, today, weekStart);
    return to === 'sevenDays' ? near : startOfWeek(near, weekStart);
  };
  return (
    <Segments label="Span" value={kind} choices={SPAN_CHOICES} onChange={(to) => onGo({ kind: to, day: dayFor(to) })} />
  );
}

/** Empty states of the log: no habits, none that match, none in the span. */
function NothingInSpan({ name, onlyOf }: { name: string; onlyOf: string | null }) {
  const router = useRouter();
  const hasHabits = useAppSelector((state) => selectHabits(state).length > 0);
  const title = hasHabits ? `No habits in this ${name}` : 'The pegboard is still empty';
  return (
    <EmptyState
      title={onlyOf === null ? title : `Nothing of ${onlyOf} in this ${name}`}
      text={
        hasHabits
          ? 'None of your habits had begun then, and none can begin in days to come. Other times are one arrow away.'
          : 'Each habit becomes a row of holes, one for each day. Add one on Today.'
      }
    >
      {hasHabits ? null : (
        <Button kind="main" onPress={() => router.push(PATHS.newHabit)}>
          Add a habit
        </Button>
      )}
    </EmptyState>
  );
}

/** Whether a habit begins after a span that has a day up to today: a record there starts it earlier. */
const beginsLater = ({ habit, first, today }: Track, span: DaySpan): boolean =>
  !habit.archived && first > span.last && span.first <= today;

/** The day that a span is laid around where none is asked for: today; spans that begin at any day end with it. */
function usualDay(kind: LogSpan, today: PlainDay, weekStart: Parameters<typeof startOfWeek>[1]): PlainDay {
  if (kind === 'sevenDays') return today - 6;
  return kind === 'sixWeeks' ? startOfWeek(today, weekStart) - 7 * (WEEKS_SHOWN - 1) : today;
}

/** The span in figures: kept of asked, full and bright days, ribbons of its months. */
function Summary({
  tracks,
  all,
  name,
  kind,
  span,
  aside,
}: {
  tracks: readonly Track[];
  /** The habits that are shown, of all days, where they are not all; and what they have in common. */
  all: readonly Track[] | null;
  name: string | null;
  kind: LogSpan;
  span: DaySpan;
  aside: ReactNode;
}) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const { passMark, fullDayTarget } = useAppSelector(selectSettings);
  const totals = useTotalsOf(all);
  const over = all === null || name === null ? {} : { habitIds: all.map(({ habit }) => habit.id), name };
  const { kept, asked, rate } = useMemo(() => keptTogether(tracks, span), [tracks, span]);
  const ribbons = useMemo(() => ribbonsIn(tracks, kind, span, passMark), [tracks, kind, span, passMark]);
  const { fullDays, brightDays } = dayCounts(totals, span, passMark);
  // What is aimed at is for all habits together.
  const aim = all === null ? fullDaysAimedAt(kind, fullDayTarget) : undefined;
  const full =
    aim === undefined ? counted(fullDays, 'full day') : `${number(fullDays)} of ${counted(aim, 'full day')} aimed at`;
  const soFar = holdsDay(span, today) ? ' so far' : '';
  const told =
    asked === 0 ? `nothing settled${soFar === '' ? '' : ' yet'}` : `${number(kept)} of ${number(asked)} due${soFar}`;
  // Of a span in which nothing is settled yet the one before says more.
  const before = useMemo(() => spanBeforeFirstDay(tracks, kind, span, asked), [tracks, kind, span, asked]);
  return (
    <View style={styles.summaryLine}>
      <View style={styles.summary} role="status" aria-label={`The ${spanName(kind)} in figures`}>
        <Figure asked={{ figure: 'kept', span, ...over }} label={`${told}, ${percent(rate)}`}>
          <View style={styles.share}>
            {rate === null ? null : <Words type="title">{percent(rate)}</Words>}
            <Words tone="quiet">{capital(told)}</Words>
          </View>
        </Figure>
        {before === null ? null : (
          <FigureWords
            asked={{ figure: 'kept', span: before.span, ...over }}
            words={`${spanInWords(before.span, today)}: ${keptWords(before.kept)}`}
          />
        )}
        <View style={styles.counts}>
          <Count asked={{ figure: 'fullDays', span, ...over }} words={full} />
          <Count asked={{ figure: 'brightDays', span, ...over }} words={counted(brightDays, 'bright day')} />
          {ribbons === null ? null : (
            <Count asked={{ figure: 'ribbons', span, ...over }} words={counted(ribbons, 'ribbon')} />
          )}
        </View>
      </View>
      {aside}
    </View>
  );
}

/** The span before and what was kept of it, where nothing of this one is settled; null where something is, or nothing was. */
function spanBeforeFirstDay(
  tracks: readonly Track[],
  kind: LogSpan,
  span: DaySpan,
  asked: number,
): { span: DaySpan; kept: Kept } | null {
  const [first] = tracks;
  if (asked > 0 || first === undefined || !holdsDay(span, first.today)) return null;
  const before = logSpanOf(kind, dayOfNeighbour(kind, span, -1), first.weekStart);
  const kept = keptTogether(tracks, before);
  return kept.rate === null ? null : { span: before, kept };
}

function Count({ asked, words }: { asked: FigureQuery; words: string }) {
  const isWide = useIsWide();
  return (
    <Figure asked={asked} label={words}>
      <Words tone="quiet" type={isWide ? 'body' : 'quiet'}>
        {words}
      </Words>
    </Figure>
  );
}

/** Ribbons of the months that a span holds whole; null for spans that hold none. */
function ribbonsIn(tracks: readonly Track[], kind: LogSpan, span: DaySpan, passMark: number): number | null {
  if (kind === 'week' || isFreeSpan(kind)) return null;
  let ribbons = 0;
  for (let month = monthOfDay(span.first); month <= monthOfDay(span.last); month++) {
    for (const track of tracks) {
      const figures = kind === 'month' ? figuresOf(track, kind, span, passMark) : monthFigures(track, month, passMark);
      if ('ribbon' in figures && figures.ribbon) ribbons++;
    }
  }
  return ribbons;
}

const useStyles = themed(() => ({
  header: { gap: SPACE.m },
  head: { flexDirection: 'row', alignItems: 'center', gap: SPACE.xs, marginLeft: -SPACE.m, flexWrap: 'wrap' },
  push: { flexGrow: 1 },
  summaryLine: { flexDirection: 'row', alignItems: 'center' },
  summary: {
    flex: 1,
    flexDirection: 'row',
    alignItems: 'baseline',
    justifyContent: 'space-between',
    flexWrap: 'wrap',
    columnGap: SPACE.xl,
  },
  share: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.s },
  counts: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l },
}));
