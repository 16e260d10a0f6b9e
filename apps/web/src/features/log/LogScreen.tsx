import {
  type DaySpan,
  type LogSpan,
  type PlainDay,
  type Track,
  dayOfNeighbour,
  formatDay,
  formatMonth,
  isActiveIn,
  monthOfDay,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useCallback, useMemo, useState } from 'react';
import { EntrySheet } from '../../components/entry/EntrySheet.tsx';
import { selectHabits, selectSettings, selectToday, selectTracks } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { useLocalChoice } from '../../platform/localSettings.ts';
import { useRestoredFocus } from '../../ui/useRestoredFocus.ts';
import { Button } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Page } from '../../ui/Frame.tsx';
import { ArrangeSheet, GROUPS } from './ArrangeSheet.tsx';
import { KeysPanel } from './KeysPanel.tsx';
import { LogList } from './LogList.tsx';
import { useHabitFilterName, useFilteredTracks } from '../../components/habitFilter/HabitFilterChips.tsx';
import { type HabitFilter } from '../../text/habitFilter.ts';
import { Pegboard } from './board/Pegboard.tsx';
import { useDeferredKeyed } from '../../ui/useDeferredKeyed.ts';
import { SORTS, figuresOf, sortedTracks } from './logRows.ts';
import { spanName, spanTitle } from './logWords.ts';
import { PATHS, habitPath } from '../../platform/paths.ts';
import { useLogPlace, usualDay } from './useLogPlace.ts';
import { type Panel, LogHead } from './LogHead.tsx';

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
  const [where, span, go] = useLogPlace();
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
