import {
  type Area,
  type DaySpan,
  type Entry,
  type LogSpan,
  PARTS_OF_DAY,
  type PlainDay,
  type Track,
  formatDay,
  holdsDay,
  isActiveIn,
  pegboardColumns,
} from '@wimbel/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import { useRecording } from '../../sync/RecordsProvider.tsx';
import { entryChange } from '../../store/makeChange.ts';
import {
  selectAreas,
  selectDayMarks,
  selectEntry,
  selectHidesStreaks,
  selectSettings,
  selectToday,
  trackOf,
} from '../../store/selectors.ts';
import { afterTap, withMark } from '../../words/standing.ts';
import { type RootState, useAppSelector } from '../../store/store.ts';
import { themed, useIsCompact, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { Card } from '../../ui/Card.tsx';
import { AmountOverCell } from './AmountOverCell.tsx';
import { AreaRow } from './AreaRow.tsx';
import { PegboardFoot, PegboardHead } from './PegboardEdges.tsx';
import { PegboardRow, cellId } from './PegboardRow.tsx';
import { type HabitLine, figuresOf, figuresTogether, logLines } from './logRows.ts';
import { OFTEN, OFTEN_WORDS, oftenOf } from '../../words/often.ts';
import { deedOf } from './pegboardKeys.ts';
import { pegboardSize } from './pegboardSize.ts';
import { type Place, leavePlace, placeLeft } from './placeLeft.ts';
import { useCellTaps } from './useCellTaps.ts';
import { useWindowed, within } from './useWindowed.ts';
import { runningWords } from './logWords.ts';
import { useAsk } from '../../parts/FigureHost.tsx';
import { PART_WORDS, counted } from '../../shared/format.ts';
import type { Group } from './ArrangeSheet.tsx';
import { canReadClipboard, useClipboard } from './useClipboard.ts';
import { RangeBar } from './RangeBar.tsx';
import { RangeMark } from './RangeMark.tsx';
import { type Range, useRange } from './useRange.ts';
import { useTotalsOf } from './useTotalsOf.ts';

/** Where to scroll so that a stretch lies in the room that is seen, going no further than needed. */
const into = (at: number, length: number, from: number, room: number): number =>
  at < from ? at : at + length > from + room ? at + length - room : from;

/** How often habits are due, as groups. */
const OFTEN_GROUPS: readonly Area[] = OFTEN.map((id, order) => ({ id, name: OFTEN_WORDS[id], order }));
/** The parts of the day as groups. */
const PARTS: readonly Area[] = PARTS_OF_DAY.map((id, order) => ({ id, name: PART_WORDS[id], order }));

type Props = {
  /** In the order they are shown. */
  tracks: readonly Track[];
  kind: LogSpan;
  span: DaySpan;
  label: string;
  group: Group;
  /** The habits that are shown, of all days, where they are not all, and what they have in common. */
  over: { name: string; tracks: readonly Track[] } | null;
  /** A day that stands out: the keyboard begins there. */
  at: PlainDay | null;
  onOpen: (habitId: string, day: PlainDay, isNoteFirst?: boolean) => void;
  onName: (habitId: string) => void;
  /** Goes to the span before or after. */
  onSpan: (by: -1 | 1) => void;
  /** Goes to the span that today is in. */
  onToday: () => void;
  onHelp: () => void;
  /** Whether a finger marks days instead of moving the board. */
  draws: boolean;
};

/** The pegboard of a span: names, days, and what they came to. Only what is seen is drawn. */
export function Pegboard(props: Props) {
  const { tracks, kind, span, at, label, group, over, onOpen, onName, onSpan, onToday, onHelp, draws } = props;
  const styles = useStyles();
  const { colors } = useTheme();
  const isWide = useIsWide();
  const isCompact = useIsCompact();
  const store = useStore<RootState>();
  const { change } = useRecording();
  const today = useAppSelector(selectToday);
  const { weekStart, passMark } = useAppSelector(selectSettings);
  const areas = useAppSelector(selectAreas);
  const areaById = useAppSelector((state) => state.records.areas);
  const marks = useAppSelector(selectDayMarks);
  const hidesStreaks = useAppSelector(selectHidesStreaks);
  const totals = useTotalsOf(over?.tracks ?? null);
  const { box, size: boxSize, seen, look, measure } = useWindowed();
  const dayCount = span.last - span.first + 1;
  const size = useMemo(
    () => pegboardSize(boxSize.widthPx, isWide, dayCount, kind, isCompact),
    [boxSize.widthPx, isWide, dayCount, kind, isCompact],
  );
  const days = useMemo(() => pegboardColumns(span, weekStart, size.cellPx, size.weekGapPx), [span, weekStart, size]);
  const tallSize = useMemo(() => ({ ...size, rowPx: size.tallRowPx }), [size]);
  const { lines, heightPx } = useMemo(
    () =>
      logLines(
        tracks,
        group === 'part' ? PARTS : group === 'often' ? OFTEN_GROUPS : areas,
        group !== 'together',
        size,
        (track) => runningWords(track, kind, span) !== null,
        group === 'part' ? ({ habit }) => habit.partOfDay : group === 'often' ? oftenOf : undefined,
      ),
    [tracks, areas, group, size, kind, span],
  );
  const habits = useMemo(() => lines.filter((line): line is HabitLine => line.kind === 'habit'), [lines]);

  const columns = useMemo(
    () => within(days.columns, (column) => column.x, size.cellPx, seen.left, seen.right - size.namesPx),
    [days, size, seen.left, seen.right],
  );
  const drawn = useMemo(
    () => within(lines, (line) => line.y, size.tallRowPx, seen.top, seen.bottom - size.headPx),
    [lines, size, seen.top, seen.bottom],
  );

  // Where the keyboard is: one cell can be entered at, and it stays drawn.
  const [focus, setFocus] = useState<Place | null>(placeLeft);
  const [typing, setTyping] = useState<{ place: Place; first: string; range: Range | null } | null>(null);
  const habitIds = useMemo(() => habits.map((line) => line.track.habit.id), [habits]);
  const picking = useRange(habitIds, span);
  const { range } = picking;
  /** The cell that the keyboard goes to, until it is drawn and has the focus. */
  const wanted = useRef<Place | null>(placeLeft());
  const isFocusHere =
    focus !== null &&
    focus.day >= span.first &&
    focus.day <= span.last &&
    habits.some((line) => line.track.habit.id === focus.habitId);
  const firstHabit = habits[0]?.track.habit.id;
  const place: Place | null = isFocusHere
    ? focus
    : firstHabit === undefined
      ? null
      : { habitId: focus?.habitId ?? firstHabit, day: Math.min(span.last, Math.max(span.first, at ?? today)) };

  const press = useCallback(
    ({ habitId, day }: Place): void => {
      const state = store.getState();
      const habit = state.records.habits[habitId];
      if (habit === undefined || day > state.clock.today) return;
      if (habit.measure.kind === 'amount' || (habit.variants ?? []).length > 0) onOpen(habitId, day);
      else change(entryChange(afterTap(trackOf(state, habit), day, selectEntry(state, habitId, formatDay(day)))));
    },
    [store, change, onOpen],
  );
  const openAt = useCallback(
    ({ habitId, day }: Place): void => {
      if (day <= store.getState().clock.today) onOpen(habitId, day);
    },
    [store, onOpen],
  );
  const taps = useCellTaps(
    box,
    {
      onTap: (cell) => {
        picking.clear();
        press(cell);
      },
      onLong: (cell) => {
        picking.clear();
        openAt(cell);
      },
      // What is drawn over stays in one row; whatever else is dragged over may be any rectangle.
      onDrag: (from, to) => picking.pick(from, draws ? { ...to, habitId: from.habitId } : to),
      onDragEnd: (_, to, isDrawn) => {
        if (isDrawn) {
          picking.apply('draw');
          picking.clear();
        } else focusOn(to);
      },
      onReach: (cell) => {
        picking.pickTo(place ?? cell, cell);
        focusOn(cell);
      },
    },
    draws,
  );
  const ask = useAsk();

  const entryAt = ({ habitId, day }: Place): Entry =>
    selectEntry(store.getState(), habitId, formatDay(day)) ?? { habitId, day: formatDay(day) };

  function focusOn(to: Place): void {
    wanted.current = to;
    setFocus(to);
  }

  const moveTo = (row: number, day: PlainDay): void => {
    const line = habits[row];
    const node = box.current;
    if (line === undefined || !node) return;
    focusOn({ habitId: line.track.habit.id, day });
    const column = days.columns[day - span.first];
    if (column === undefined) return;
    const rightEdge = node.clientWidth - size.namesPx - (isWide ? size.figuresPx : 0);
    const bottomEdge = node.clientHeight - size.headPx - (isWide ? size.footPx : 0);
    node.scrollTo({
      left: into(column.x, size.cellPx, node.scrollLeft, rightEdge),
      top: into(line.y, size.rowPx, node.scrollTop, bottomEdge),
    });
  };

  const onKeyDown = (event: React.KeyboardEvent): void => {
    if (place === null || event.altKey || (event.target as HTMLElement).dataset.day === undefined) return;
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'a' && habits.length > 0) {
      event.preventDefault();
      const last = { habitId: habitIds.at(-1)!, day: Math.min(span.last, Math.max(span.first, today)) };
      return picking.pick({ habitId: habitIds[0]!, day: span.first }, last);
    }
    if (event.ctrlKey || event.metaKey) return;
    const row = Math.max(
      0,
      habits.findIndex((line) => line.track.habit.id === place.habitId),
    );
    const isShift = event.shiftKey;
    const deed = deedOf(event.key, { row, day: place.day, rows: habits.length, span, today, isShift });
    if (deed === null) return;
    event.preventDefault();
    event.stopPropagation();
    const isFuture = place.day > today;
    switch (deed.kind) {
      case 'move':
        picking.clear();
        return moveTo(deed.row, deed.day);
      case 'pick':
        picking.pickTo(place, { habitId: habitIds[deed.row]!, day: deed.day });
        return moveTo(deed.row, deed.day);
      case 'letGo':
        return picking.clear();
      case 'weekBefore':
        return picking.apply('weekBefore', range ?? rangeOf(place));
      case 'span':
        leavePlace({ ...place, day: place.day + deed.by });
        return onSpan(deed.by);
      case 'today':
        leavePlace({ ...place, day: today });
        return onToday();
      case 'help':
        return onHelp();
      case 'askHabit':
        return ask({ figure: 'habitTarget', habitId: place.habitId, kind, span });
    }
    if (range !== null) {
      switch (deed.kind) {
        case 'check':
          return picking.apply('check');
        case 'mark':
          if (deed.mark !== 'done') picking.apply(deed.mark);
          return;
        case 'empty':
          return picking.apply('empty');
        case 'digit':
          return typeAmount(deed.text);
      }
    }
    if (isFuture) return;
    switch (deed.kind) {
      case 'check':
        return press(place);
      case 'open':
        return openAt(place);
      case 'askDay':
        return ask({ figure: 'dayScore', day: place.day });
      case 'note':
        return onOpen(place.habitId, place.day, true);
      case 'empty':
        return void change(entryChange({ habitId: place.habitId, day: formatDay(place.day) }));
      case 'mark': {
        const before = entryAt(place);
        change(entryChange(withMark(before, before.mark === deed.mark ? null : deed.mark)));
        if (deed.mark === 'missed' && before.mark !== 'missed') onOpen(place.habitId, place.day, true);
        return;
      }
      case 'digit': {
        const habit = habits[row]!.track.habit;
        if (habit.measure.kind === 'amount' && (habit.variants ?? []).length === 0)
          setTyping({ place, first: deed.text, range: null });
      }
    }
  };

  const rangeOf = ({ habitId, day }: Place): Range => {
    const row = habitIds.indexOf(habitId);
    return { rows: [row, row], days: { first: day, last: day } };
  };

  /** Asks for an amount over the first picked hole that takes one. */
  const typeAmount = (first: string): void => {
    if (range === null) return;
    const row = habits
      .slice(range.rows[0], range.rows[1] + 1)
      .find(({ track }) => track.habit.measure.kind === 'amount');
    if (row !== undefined) setTyping({ place: { habitId: row.track.habit.id, day: range.days.first }, first, range });
  };

  const atX = at !== null && at !== today && holdsDay(span, at) ? days.columns[at - span.first]!.x : null;
  const todayX = today >= span.first && today <= span.last ? days.columns[today - span.first]!.x : null;
  const viewPx = boxSize.widthPx - size.namesPx - (isWide ? size.figuresPx : 0);
  const hasWidth = boxSize.widthPx > 0;
  useEffect(() => {
    if (!hasWidth) return;
    const goal = wanted.current && days.columns.find((column) => column.day === wanted.current!.day);
    if (goal) {
      // The keyboard came here from the span before or after.
      box.current?.scrollTo({ left: into(goal.x, size.cellPx, box.current.scrollLeft, viewPx) });
      return;
    }
    const seenX = atX ?? todayX;
    const least = seenX === null ? 0 : Math.max(0, seenX - viewPx + size.cellPx * 2.4);
    // From the edge of a day, so that none is cut in two beside the names.
    box.current?.scrollTo({ left: days.columns.find((column) => column.x >= least)?.x ?? 0 });
  }, [atX, todayX, viewPx, hasWidth, size.cellPx, days, box]);

  useEffect(() => leavePlace(null), []);
  // A cell that the keyboard went to gets the focus as soon as it is drawn.
  useEffect(() => {
    if (wanted.current === null) return;
    if (!habits.some((line) => line.track.habit.id === wanted.current!.habitId)) wanted.current = place;
    if (wanted.current === null) return;
    const node = document.getElementById(cellId(wanted.current.habitId, wanted.current.day));
    if (node === null) return;
    wanted.current = null;
    node.focus({ preventScroll: true });
  });

  useClipboard(box, {
    copied: () => picking.text(range ?? (place === null ? null : rangeOf(place))),
    onPaste: (text) => {
      const own = range ?? (place === null ? null : rangeOf(place));
      if (own !== null) picking.paste(text, own);
    },
  });

  const active = useMemo(() => tracks.filter((track) => isActiveIn(track, span)), [tracks, span]);
  const together = useMemo(() => figuresTogether(active, kind, span, passMark), [active, kind, span, passMark]);
  const colorOf = (track: Track): string => dyeColor(colors, areaById[track.habit.areaId ?? '']?.color);
  const typingLine = typing && habits.find((line) => line.track.habit.id === typing.place.habitId);
  const edges = { columns, size, daysPx: days.widthPx, today, at, isWide };
  return (
    <>
      <Card isFlush style={styles.card}>
        <View
          ref={box as never}
          role={'grid' as never}
          aria-label={label}
          aria-rowcount={lines.length + 2}
          aria-colcount={dayCount + 2}
          style={[styles.box, { maxHeight: size.headPx + heightPx + size.footPx + 20 }]}
          onLayout={({ nativeEvent: { layout } }) => measure(layout.width, layout.height)}
          {...({
            onScroll: look,
            onKeyDownCapture: onKeyDown,
            onFocus: ({ target }: { target: HTMLElement }) => {
              const { habit, day } = target.dataset;
              if (habit !== undefined && day !== undefined) setFocus({ habitId: habit, day: Number(day) });
            },
            ...taps,
          } as object)}
        >
          <PegboardHead {...edges} kind={kind} />
          <View style={{ width: size.namesPx + days.widthPx + size.figuresPx, height: heightPx }} role="presentation">
            <View aria-hidden style={[styles.under, { left: size.namesPx }]}>
              {columns
                .filter((column) => column.isWeekend)
                .map(({ day, x }) => (
                  <View key={day} style={[styles.weekend, { left: x, width: size.cellPx, height: heightPx }]} />
                ))}
              <RangeMark range={range} habits={habits} days={days} span={span} size={size} />
              {atX === null ? null : (
                <View style={[styles.at, { left: atX - 0.5, width: size.cellPx + 1, height: heightPx }]} />
              )}
              {todayX === null ? null : (
                <View style={[styles.today, { left: todayX - 0.5, width: size.cellPx + 1, height: heightPx }]} />
              )}
            </View>
            {drawn.map((line) =>
              line.kind === 'area' ? (
                <AreaRow
                  key={line.key}
                  area={line.area}
                  figures={figuresTogether(line.tracks, kind, span, passMark)}
                  asked={{
                    figure: 'together',
                    kind,
                    span,
                    habitIds: line.tracks.filter((track) => isActiveIn(track, span)).map(({ habit }) => habit.id),
                    name: line.area?.name ?? 'No area',
                  }}
                  size={size}
                  daysPx={days.widthPx}
                  y={line.y}
                  rowIndex={lines.indexOf(line) + 2}
                  isWide={isWide}
                />
              ) : (
                <PegboardRow
                  key={line.key}
                  track={line.track}
                  figures={figuresOf(line.track, kind, span, passMark)}
                  columns={columns}
                  span={span}
                  daysPx={days.widthPx}
                  size={line.heightPx === size.rowPx ? size : tallSize}
                  kind={kind}
                  color={colorOf(line.track)}
                  y={line.y}
                  rowIndex={lines.indexOf(line) + 2}
                  isWide={isWide}
                  hidesStreaks={hidesStreaks}
                  focusDay={place?.habitId === line.track.habit.id ? place.day : null}
                  picked={range !== null && isWithin(habitIds.indexOf(line.track.habit.id), range) ? range.days : null}
                  onName={onName}
                />
              ),
            )}
            {typing !== null && typingLine ? (
              <AmountOverCell
                label={`Amount, ${typingLine.track.habit.name}`}
                first={typing.first}
                unit={unitOf(typingLine.track)}
                x={size.namesPx + (days.columns[typing.place.day - span.first]?.x ?? 0)}
                y={typingLine.y + 3}
                onKeep={(amount) => {
                  if (typing.range !== null) return picking.fill(amount, typing.range);
                  const { mark: _, ...rest } = entryAt(typing.place);
                  change(entryChange({ ...rest, amount }));
                }}
                onLeave={() => {
                  wanted.current = typing.place;
                  setTyping(null);
                }}
              />
            ) : null}
          </View>
          <PegboardFoot
            {...edges}
            span={span}
            kind={kind}
            tracks={active}
            totals={totals}
            over={over}
            passMark={passMark}
            weekStart={weekStart}
            marks={marks}
            together={together}
            rowIndex={lines.length + 2}
          />
        </View>
      </Card>
      {range !== null && !draws ? (
        <RangeBar
          words={rangeWords(range, today)}
          onDeed={(deed) => picking.apply(deed)}
          onAmount={picking.hasAmounts() ? () => typeAmount('') : null}
          onCopy={() => void navigator.clipboard?.writeText(picking.text() ?? '')}
          onPaste={
            canReadClipboard()
              ? () => void navigator.clipboard.readText().then((text) => picking.paste(text, range))
              : null
          }
          onClose={picking.clear}
        />
      ) : null}
    </>
  );
}

const unitOf = ({ habit: { measure } }: Track): string => (measure.kind === 'amount' ? measure.unit : '');

const isWithin = (row: number, { rows }: Range): boolean => row >= rows[0] && row <= rows[1];

/** "12 days of 3 habits": the days up to today that are picked. */
function rangeWords({ rows, days }: Range, today: PlainDay): string {
  const habits = rows[1] - rows[0] + 1;
  const each = Math.max(0, Math.min(days.last, today) - days.first + 1);
  return habits === 1 ? counted(each, 'day') : `${counted(each, 'day')} of ${counted(habits, 'habit')}`;
}

const useStyles = themed((colors) => ({
  card: { alignSelf: 'stretch', flexShrink: 1, minHeight: 320 },
  box: { overflow: 'auto' as never, flexShrink: 1, minHeight: 0, userSelect: 'none' as never },
  under: { position: 'absolute', top: 0, pointerEvents: 'none' as never },
  weekend: { position: 'absolute', top: 0, backgroundColor: colors.tint },
  at: { position: 'absolute', top: 0, backgroundColor: colors.wash },
  today: {
    position: 'absolute',
    top: 0,
    borderWidth: 2,
    borderTopWidth: 0,
    borderColor: colors.brass,
    borderBottomLeftRadius: 14,
    borderBottomRightRadius: 14,
  },
}));
