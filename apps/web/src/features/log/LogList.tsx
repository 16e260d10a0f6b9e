import {
  type DaySpan,
  type PlainDay,
  type Track,
  dayMarkOf,
  scoreOn,
  entryOn,
  NO_ENTRIES,
  doneHabitsOn,
} from '@wimbel/core';
import { type CSSProperties, type ReactElement, useMemo, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';
import { VirtualList } from '../../components/page/VirtualList.tsx';
import { selectDayMarks, selectSettings, selectToday, selectTotals } from '../../store/selectors.ts';
import { askOn } from '../../text/dayStatusText.ts';
import { type RootState, useAppSelector } from '../../store/store.ts';
import { counted, dayInWords, percent } from '../../text/format.ts';
import { themed, useIsWide } from '../../theme/Theme.tsx';
import { SPACE, TOUCH_PX } from '../../theme/space.ts';
import { Words } from '../../ui/Words.tsx';
import { Figure } from '../../components/figure/Figure.tsx';
import { EntryRow, ROW_PX } from './EntryRow.tsx';

/** How many more days are listed whenever the end comes near. */
const MORE_DAYS = 14;

const SCROLL: CSSProperties = { flex: 1, minHeight: 0, overflowY: 'auto', overflowX: 'hidden' };

type Row = { kind: 'day'; day: PlainDay } | { kind: 'entry'; track: Track; day: PlainDay };

type Entries = RootState['records']['entries'];

/**
 * The habits of a day that were asked, those that could wait among them, or that have a record. What is late stands on today
 * alone: on each of the days that it was put off it would push everything else out of sight.
 */
const tracksOfDay = (tracks: readonly Track[], entries: Entries, day: PlainDay): Track[] =>
  tracks.filter((track) => {
    if (entryOn(entries[track.habit.id] ?? NO_ENTRIES, day) !== null) return true;
    const ask = askOn(track, day);
    return ask === 'waiting' ? day === track.today : ask !== 'none';
  });

/** The records of a span by day, newest first; amounts and notes are edited where they stand. */
export function LogList({
  tracks,
  span,
  head,
  onOpen,
  onDay,
}: {
  tracks: readonly Track[];
  span: DaySpan;
  head: ReactElement;
  onOpen: (habitId: string, day: PlainDay) => void;
  onDay: (day: PlainDay) => void;
}) {
  const styles = useStyles();
  const isWide = useIsWide();
  const today = useAppSelector(selectToday);
  const entries = useAppSelector((state) => state.records.entries);
  const scroll = useRef<HTMLDivElement>(null);
  const newest = Math.min(today, span.last);
  const [shown, setShown] = useState({ span, days: MORE_DAYS });
  const days = shown.span === span ? shown.days : MORE_DAYS;
  const rows = useMemo((): Row[] => {
    const list: Row[] = [];
    // Before anything began, a record starts what began later.
    const isBeforeAll = tracks.every(({ first }) => first > span.last);
    // Days on which nothing was due or recorded are passed over and do not count, else a long pause would end the list.
    let left = days;
    for (let day = newest; day >= span.first && left > 0; day--) {
      const asked = isBeforeAll ? tracks : tracksOfDay(tracks, entries, day);
      if (asked.length === 0) continue;
      left--;
      list.push({ kind: 'day', day });
      for (const track of asked) list.push({ kind: 'entry', track, day });
    }
    return list;
  }, [tracks, entries, span, newest, days]);
  return (
    <div ref={scroll} style={SCROLL}>
      <View style={[styles.list, isWide && styles.listWide]}>
        {head}
        {rows.length === 0 ? (
          <Words tone="quiet" style={styles.none}>
            {span.first > today ? 'These days are still to come.' : 'Nothing was due or recorded in these days.'}
          </Words>
        ) : (
          <VirtualList
            rows={rows}
            keyOf={(row) => (row.kind === 'day' ? `day ${row.day}` : `${row.day} ${row.track.habit.id}`)}
            roughPx={() => ROW_PX}
            scroll={scroll}
            onEndNear={() => setShown({ span, days: days + MORE_DAYS })}
          >
            {(row) =>
              row.kind === 'day' ? (
                <DayHead day={row.day} onDay={onDay} />
              ) : (
                <EntryRow track={row.track} day={row.day} onOpen={onOpen} />
              )
            }
          </VirtualList>
        )}
      </View>
    </div>
  );
}

function DayHead({ day, onDay }: { day: PlainDay; onDay: (day: PlainDay) => void }) {
  const styles = useStyles();
  const { passMark } = useAppSelector(selectSettings);
  const marks = useAppSelector(selectDayMarks);
  const totals = useAppSelector(selectTotals);
  const { done, due, score } = scoreOn(totals, day, passMark);
  const habits = doneHabitsOn(totals, day);
  const mark = dayMarkOf(marks, habits);
  return (
    <View style={styles.dayHead}>
      <Words type="card" heading={2} style={styles.dayName}>
        {dayInWords(day)}
      </Words>
      {score === null ? (
        <Words type="quiet" tone="quiet">
          {counted(habits, 'habit')}
        </Words>
      ) : (
        <Figure asked={{ figure: 'dayScore', day }} label={`${dayInWords(day)}: ${done} of ${due}, ${percent(score)}`}>
          <Words type="quiet" tone="quiet">
            {done} of {due}, {percent(score)}
          </Words>
        </Figure>
      )}
      {mark === null ? null : (
        <Words type="smallStrong" tone="brassText">
          {mark}
        </Words>
      )}
      <Pressable role="link" aria-label={`Open ${dayInWords(day)}`} onPress={() => onDay(day)} style={styles.open}>
        <Words type="label" tone="working">
          Open
        </Words>
      </Pressable>
    </View>
  );
}

const useStyles = themed(() => ({
  list: { padding: SPACE.l, paddingBottom: SPACE.xxl },
  listWide: { paddingHorizontal: SPACE.xxl, paddingTop: SPACE.xl, maxWidth: 1000, width: '100%' },
  none: { paddingVertical: SPACE.xl },
  dayHead: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s, paddingTop: SPACE.l },
  dayName: { flexGrow: 1 },
  open: { minHeight: TOUCH_PX, minWidth: TOUCH_PX, justifyContent: 'center', alignItems: 'center' },
}));
