import {
  type DaySpan,
  type MonthFigures,
  type PlainDay,
  type Track,
  formatDay,
  monthFigures,
  monthOfDay,
  pegboardColumns,
} from '@wimbel/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useStore } from 'react-redux';
import { useRecording } from '../../records/RecordsProvider.tsx';
import { entryChange } from '../../records/makeChange.ts';
import { selectEntry, selectSettings, selectToday, selectTotals, trackOf } from '../../records/selectors.ts';
import { afterTap } from '../../records/standing.ts';
import { type RootState, useAppSelector } from '../../records/store.ts';
import { themed, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { SPACE } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { PegboardFoot, PegboardHead, FiguresHead, FiguresRow, FootNames, NameCell } from './PegboardEdges.tsx';
import { PegboardRow, cellId } from './PegboardRow.tsx';
import { pegboardSize } from './pegboardSize.ts';

type Place = { habitId: string; day: PlainDay };

/** The pegboard of a month: names, days, and what they came to. */
export function Pegboard({
  tracks,
  span,
  onOpen,
}: {
  tracks: readonly Track[];
  span: DaySpan;
  onOpen: (habitId: string, day: PlainDay) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const isWide = useIsWide();
  const store = useStore<RootState>();
  const { change } = useRecording();
  const today = useAppSelector(selectToday);
  const { weekStart, passMark } = useAppSelector(selectSettings);
  const areas = useAppSelector((state) => state.records.areas);
  const totals = useAppSelector((state) => selectTotals(state, span));
  const [widthPx, setWidthPx] = useState(0);
  const dayCount = span.last - span.first + 1;
  const size = useMemo(() => pegboardSize(widthPx, isWide, dayCount), [widthPx, isWide, dayCount]);
  const days = useMemo(() => pegboardColumns(span, weekStart, size.cellPx, size.weekGapPx), [span, weekStart, size]);
  const [focus, setFocus] = useState<Place | null>(null);

  const press = useCallback(
    (habitId: string, day: PlainDay) => {
      const state = store.getState();
      const habit = state.records.habits[habitId];
      if (habit === undefined) return;
      if (habit.measure.kind === 'amount') onOpen(habitId, day);
      else change(entryChange(afterTap(trackOf(state, habit), day, selectEntry(state, habitId, formatDay(day)))));
    },
    [store, change, onOpen],
  );
  const focusAt = useCallback((habitId: string, day: PlainDay) => setFocus({ habitId, day }), []);

  const start: Place | null = tracks[0]
    ? { habitId: tracks[0].habit.id, day: Math.min(span.last, Math.max(span.first, today)) }
    : null;
  const isFocusHere =
    focus !== null &&
    focus.day >= span.first &&
    focus.day <= span.last &&
    tracks.some((track) => track.habit.id === focus.habitId);
  const entry = isFocusHere ? focus : start;

  const onKeyDown = (event: React.KeyboardEvent): void => {
    if (entry === null || !isFocusHere) return;
    const row = tracks.findIndex((track) => track.habit.id === entry.habitId);
    const last = Math.min(span.last, today);
    const moves: Record<string, [number, PlainDay]> = {
      ArrowLeft: [row, entry.day - 1],
      ArrowRight: [row, entry.day + 1],
      ArrowUp: [row - 1, entry.day],
      ArrowDown: [row + 1, entry.day],
      Home: [row, span.first],
      End: [row, last],
    };
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      // A cell is a pressable of its own: it must not take the same key for a tap.
      event.stopPropagation();
      (event.key === 'Enter' ? onOpen : press)(entry.habitId, entry.day);
      return;
    }
    const move = moves[event.key];
    if (move === undefined) return;
    event.preventDefault();
    const habit = tracks[Math.max(0, Math.min(tracks.length - 1, move[0]))]!.habit;
    const day = Math.max(span.first, Math.min(last, move[1]));
    setFocus({ habitId: habit.id, day });
    document.getElementById(cellId(habit.id, day))?.focus();
  };

  const figures = useMemo(
    () =>
      new Map<Track, MonthFigures>(
        tracks.map((track) => [track, monthFigures(track, monthOfDay(span.first), passMark)]),
      ),
    [tracks, span, passMark],
  );
  const colorOf = (track: Track): string => dyeColor(colors, areas[track.habit.areaId ?? '']?.color);

  const scroller = useRef<ScrollView>(null);
  const todayX = today >= span.first && today <= span.last ? days.columns[today - span.first]!.x : null;
  const viewPx = widthPx - size.namesPx - (isWide ? size.figuresPx : 0);
  useEffect(() => {
    if (widthPx === 0) return;
    const least = todayX === null ? 0 : Math.max(0, todayX - viewPx + size.cellPx * 2.4);
    // From the edge of a day, so that none is cut in two beside the names.
    const x = days.columns.find((column) => column.x >= least)?.x ?? 0;
    scroller.current?.scrollTo({ x, animated: false });
  }, [todayX, viewPx, widthPx, size.cellPx, days]);

  const figureColumn = (
    <View style={{ width: size.figuresPx }}>
      <FiguresHead size={size} />
      {tracks.map((track) => (
        <FiguresRow
          key={track.habit.id}
          track={track}
          figures={figures.get(track)!}
          size={size}
          color={colorOf(track)}
        />
      ))}
    </View>
  );
  const rowsPx = size.rowPx * tracks.length;
  return (
    <Card isFlush style={styles.card}>
      <View style={styles.board} onLayout={({ nativeEvent }) => setWidthPx(nativeEvent.layout.width)}>
        <View style={[styles.names, { width: size.namesPx }]}>
          <View style={{ height: size.headPx }} />
          {tracks.map((track) => (
            <NameCell
              key={track.habit.id}
              track={track}
              figures={figures.get(track)!}
              size={size}
              color={colorOf(track)}
              isWide={isWide}
            />
          ))}
          <FootNames />
        </View>
        <ScrollView ref={scroller} horizontal style={styles.days}>
          <View
            style={{ width: days.widthPx }}
            role="group"
            aria-label="Days"
            {...({ onKeyDownCapture: onKeyDown } as object)}
          >
            {days.columns
              .filter((column) => column.isWeekend)
              .map(({ day, x }) => (
                <View
                  key={day}
                  style={[styles.weekend, { left: x, width: size.cellPx, top: size.headPx, height: rowsPx }]}
                />
              ))}
            {todayX === null ? null : (
              <View
                style={[styles.today, { left: todayX - 0.5, width: size.cellPx + 1, height: size.headPx + rowsPx - 4 }]}
              />
            )}
            <PegboardHead columns={days.columns} size={size} today={today} />
            {tracks.map((track) => (
              <PegboardRow
                key={track.habit.id}
                track={track}
                span={span}
                columns={days.columns}
                widthPx={days.widthPx}
                size={size}
                color={colorOf(track)}
                focusDay={entry?.habitId === track.habit.id ? entry.day : null}
                onPress={press}
                onOpen={onOpen}
                onFocus={focusAt}
              />
            ))}
            <PegboardFoot columns={days.columns} size={size} totals={totals} today={today} passMark={passMark} />
          </View>
          {isWide ? null : figureColumn}
        </ScrollView>
        {isWide ? <View style={styles.figures}>{figureColumn}</View> : null}
      </View>
    </Card>
  );
}

const useStyles = themed((colors) => ({
  card: { alignSelf: 'stretch' },
  board: { flexDirection: 'row' },
  names: { paddingLeft: SPACE.m, borderRightWidth: 1, borderRightColor: colors.line },
  days: { flex: 1 },
  weekend: { position: 'absolute', backgroundColor: colors.tint },
  today: { position: 'absolute', top: 2, borderWidth: 1.8, borderColor: colors.brass, borderRadius: 14 },
  figures: { borderLeftWidth: 1, borderLeftColor: colors.line },
}));
