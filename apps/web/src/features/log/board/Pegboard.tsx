import { type DaySpan, type LogSpan, type PlainDay, type Track, isActiveIn } from '@wimbel/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useExplainFigure } from '../../../components/figure/FigureHost.tsx';
import { counted } from '../../../text/format.ts';
import { selectDayMarks, selectSettings, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { Card } from '../../../ui/Card.tsx';
import { AmountOverCell } from './AmountOverCell.tsx';
import type { Group } from '../ArrangeSheet.tsx';
import { BoardGround, BoardRows } from './BoardRows.tsx';
import { PegboardFoot } from './PegboardFoot.tsx';
import { PegboardHead } from './PegboardHead.tsx';
import { PastedStarts } from '../range/PastedStarts.tsx';
import { RangeBar } from '../range/RangeBar.tsx';
import { boardKeyDown, rangeOf } from './boardKeyDown.ts';
import { figuresTogether } from '../logRows.ts';
import { type Place, leavePlace } from '../placeLeft.ts';
import { type BoardFocus, useBoardFocus } from './useBoardFocus.ts';
import { type BoardLayout, useBoardLayout } from './useBoardLayout.ts';
import { useCellDeeds } from './useCellDeeds.ts';
import { useCellTaps } from './useCellTaps.ts';
import { canReadClipboard, useClipboard } from '../range/useClipboard.ts';
import { type Range, useRange } from '../range/useRange.ts';
import { useDeferredKeyed } from '../../../ui/useDeferredKeyed.ts';
import { useTotalsOf } from '../useTotalsOf.ts';
import { SCROLL_WHERE_NEEDED } from '../../../theme/webStyle.ts';
import { domRef } from '../../../ui/domRef.ts';

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

type Typing = { place: Place; first: string; range: Range | null };

/** Edits of a board by tap, drag, keys, copy and paste. */
function useBoard(props: Props, layout: BoardLayout, focus: BoardFocus) {
  const { span, over, onOpen, draws } = props;
  const { box, habits } = layout;
  const today = useAppSelector(selectToday);
  const deeds = useCellDeeds(onOpen);
  const habitIds = useMemo(() => habits.map((line) => line.track.habit.id), [habits]);
  const picking = useRange(habitIds, span);
  const { range } = picking;
  const [typing, setTyping] = useState<Typing | null>(null);
  const pickedOrHere = (): Range | null => range ?? (focus.place === null ? null : rangeOf(focus.place, habits));

  const taps = useCellTaps(
    box,
    {
      onTap: (cell) => {
        picking.clear();
        deeds.press(cell);
      },
      onLong: (cell) => {
        picking.clear();
        deeds.open(cell);
      },
      // What is drawn over stays in one row; whatever else is dragged over may be any rectangle.
      onDrag: (from, to) => picking.pick(from, draws ? { ...to, habitId: from.habitId } : to),
      onDragEnd: (_, to, isDrawn) => {
        if (isDrawn) {
          picking.apply('draw');
          picking.clear();
        } else focus.focusOn(to);
      },
      onReach: (cell) => {
        picking.pickTo(focus.place ?? cell, cell);
        focus.focusOn(cell);
      },
    },
    draws,
  );
  useClipboard(box, {
    copied: () => picking.text(pickedOrHere()),
    onPaste: (text) => {
      const own = pickedOrHere();
      if (own !== null) picking.paste(text, own);
    },
  });

  /** Asks for an amount over the first picked hole that takes one. */
  const typeOverRange = (first: string, own: Range): void => {
    const row = habits.slice(own.rows[0], own.rows[1] + 1).find(({ track }) => track.habit.measure.kind === 'amount');
    if (row !== undefined)
      setTyping({ place: { habitId: row.track.habit.id, day: own.days.first }, first, range: own });
  };
  const ask = useExplainFigure();
  const ofShown = over === null ? {} : { habitIds: over.tracks.map(({ habit }) => habit.id), name: over.name };
  const onKeyDown = (event: React.KeyboardEvent): void =>
    boardKeyDown(
      {
        habits,
        span,
        today,
        focus,
        picking,
        deeds,
        onDigit: (first, place, own) =>
          own === null ? setTyping({ place, first, range: null }) : typeOverRange(first, own),
        onSpan: (by, place) => {
          leavePlace({ ...place, day: place.day + by });
          props.onSpan(by);
        },
        onToday: (place) => {
          leavePlace({ ...place, day: today });
          props.onToday();
        },
        onHelp: props.onHelp,
        onAskHabit: (habitId) => ask({ figure: 'habitKept', habitId, span }),
        onAskDay: (day) => ask({ figure: 'dayScore', day, ...ofShown }),
      },
      event,
    );
  return { picking, deeds, taps, typing, setTyping, typeOverRange, onKeyDown };
}

/** The pegboard of a span: names, days, and what they came to. Only what is seen is drawn. */
export function Pegboard(props: Props) {
  const { tracks, kind, span, at, label, group, over, onName, draws } = props;
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const layout = useBoardLayout(tracks, kind, span, group);
  const { box, size, days, lines, heightPx } = layout;
  const focus = useBoardFocus(layout, span, today, at);
  const { picking, deeds, taps, typing, setTyping, typeOverRange, onKeyDown } = useBoard(props, layout, focus);
  const { range } = picking;
  const edges = { columns: layout.columns, size, daysPx: days.widthPx, today, at, isWide: layout.isWide };
  return (
    <>
      <Card isFlush style={styles.card}>
        <View
          ref={domRef(box)}
          role="grid"
          aria-label={label}
          aria-rowcount={lines.length + 2}
          aria-colcount={layout.dayCount + 2}
          aria-busy={layout.isComing}
          style={[styles.box, { maxHeight: size.headPx + heightPx + size.footPx + 20 }]}
          onLayout={layout.measure}
          {...({
            onScroll: layout.look,
            onKeyDownCapture: onKeyDown,
            onFocus: ({ target }: { target: HTMLElement }) => {
              const { habit, day } = target.dataset;
              if (habit !== undefined && day !== undefined) focus.focused({ habitId: habit, day: Number(day) });
            },
            ...taps,
          } as object)}
        >
          <PegboardHead {...edges} kind={kind} isOver={span.last < today} />
          <View style={{ width: size.namesPx + days.widthPx + size.figuresPx, height: heightPx }} role="presentation">
            <BoardGround layout={layout.ground} span={span} atX={focus.atX} todayX={focus.todayX} range={range} />
            <BoardRows layout={layout} kind={kind} span={span} range={range} onName={onName} />
            {typing === null ? null : (
              <TypedAmount
                typing={typing}
                layout={layout}
                span={span}
                onKeep={(amount) =>
                  typing.range === null ? deeds.keepAmount(typing.place, amount) : picking.fill(amount, typing.range)
                }
                onLeave={() => {
                  focus.returnTo(typing.place);
                  setTyping(null);
                }}
              />
            )}
          </View>
          <Foot
            {...edges}
            layout={layout}
            tracks={tracks}
            kind={kind}
            span={span}
            over={over}
            rowIndex={lines.length + 2}
          />
        </View>
      </Card>
      {range !== null && !draws ? (
        <RangeBar
          words={rangeWords(range, today)}
          onDeed={(deed) => picking.apply(deed)}
          onAmount={picking.hasAmounts() ? () => typeOverRange('', range) : null}
          onCopy={() => void navigator.clipboard?.writeText(picking.text() ?? '')}
          onPaste={
            canReadClipboard()
              ? () => void navigator.clipboard.readText().then((text) => picking.paste(text, range))
              : null
          }
          onClose={picking.clear}
        />
      ) : null}
      {picking.begun === null ? null : <PastedStarts ids={picking.begun} onClose={picking.forgetBegun} />}
    </>
  );
}

/** An amount being typed over a hole. */
function TypedAmount({
  typing: { place, first },
  layout: { habits, size, days },
  span,
  onKeep,
  onLeave,
}: {
  typing: Typing;
  layout: BoardLayout;
  span: DaySpan;
  onKeep: (amount: number) => void;
  onLeave: () => void;
}) {
  const line = habits.find(({ track }) => track.habit.id === place.habitId);
  if (line === undefined) return null;
  const { name, measure } = line.track.habit;
  return (
    <AmountOverCell
      label={`Amount, ${name}`}
      first={first}
      unit={measure.kind === 'amount' ? measure.unit : ''}
      x={size.namesPx + (days.columns[place.day - span.first]?.x ?? 0)}
      y={line.y + 3}
      onKeep={onKeep}
      onLeave={onLeave}
    />
  );
}

/** What the days below and the habits together came to. */
function Foot({
  tracks,
  kind,
  span,
  over,
  layout,
  ...edges
}: Omit<
  React.ComponentProps<typeof PegboardFoot>,
  'columns' | 'tracks' | 'totals' | 'passMark' | 'weekStart' | 'marks' | 'together'
> &
  Pick<Props, 'tracks' | 'over' | 'kind'> & { layout: BoardLayout }) {
  const columns = useAfterFirst(layout);
  const { weekStart, passMark } = useAppSelector(selectSettings);
  const marks = useAppSelector(selectDayMarks);
  const totals = useTotalsOf(over?.tracks ?? null);
  const shown = useDeferredKeyed(
    useMemo(() => ({ tracks, kind, span, over, totals }), [tracks, kind, span, over, totals]),
    `${over?.name} ${kind} ${span.first} ${tracks.length}`,
  );
  const active = useMemo(() => shown.tracks.filter((track) => isActiveIn(track, shown.span)), [shown]);
  const together = useMemo(
    () => figuresTogether(active, shown.kind, shown.span, passMark),
    [active, shown.kind, shown.span, passMark],
  );
  return (
    <PegboardFoot
      {...edges}
      columns={columns}
      span={shown.span}
      tracks={active}
      totals={shown.totals}
      over={shown.over}
      passMark={passMark}
      weekStart={weekStart}
      marks={marks}
      together={together}
    />
  );
}

const NO_DAYS: BoardLayout['columns'] = [];

/** The days that are drawn, but not with the first lines: what stands below them waits for these. */
function useAfterFirst({ days, columns, isFirst }: BoardLayout): BoardLayout['columns'] {
  const [held, setHeld] = useState<Pick<BoardLayout, 'days' | 'columns'>>({ days, columns: NO_DAYS });
  if (!isFirst && held.columns !== columns) setHeld({ days, columns });
  if (!isFirst) return columns;
  return held.days === days ? held.columns : NO_DAYS;
}

/** "12 days of 3 habits": the days up to today that are picked. */
function rangeWords({ rows, days }: Range, today: PlainDay): string {
  const habits = rows[1] - rows[0] + 1;
  const each = Math.max(0, Math.min(days.last, today) - days.first + 1);
  return habits === 1 ? counted(each, 'day') : `${counted(each, 'day')} of ${counted(habits, 'habit')}`;
}

const useStyles = themed(() => ({
  card: { alignSelf: 'stretch', flexShrink: 1, minHeight: 320 },
  box: { overflow: SCROLL_WHERE_NEEDED, flexShrink: 1, minHeight: 0, userSelect: 'none' },
}));
