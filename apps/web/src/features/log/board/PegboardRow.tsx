import {
  type CordStretch,
  type DaySpan,
  type Figures,
  type MonthFigures,
  type PegboardColumn,
  type PlainDay,
  type Track,
  cordsIn,
  fillRatio,
  holdsDay,
  outcomeOn,
  type PegState,
  pegStateOf,
  entryOn,
  type LogSpan,
  amountForDays,
} from '@wimbel/core';
import { memo, useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Line } from 'react-native-svg';
import { useAppSelector } from '../../../store/store.ts';
import { amount } from '../../../text/amounts.ts';
import { OUTCOME_WORDS, dayInWords } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { PegRow } from '../../../ui/PegRow.tsx';
import { FiguresCell } from './FiguresCell.tsx';
import { NameCell } from './NameCell.tsx';
import type { PegboardSize } from './pegboardSize.ts';
import { selectEntries } from '../../../store/selectors.ts';
import { runningWords } from '../logWords.ts';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { GRID_CELL } from '../../../ui/ariaRoles.ts';

export const cellId = (habitId: string, day: PlainDay): string => `cell-${habitId}-${day}`;

const PRESS = { width: '100%', height: '100%', cursor: 'pointer' } as const;

type Props = {
  track: Track;
  figures: Figures | MonthFigures;
  /** The days that are drawn now, of all those of `span`. */
  columns: readonly PegboardColumn[];
  span: DaySpan;
  kind: LogSpan;
  daysPx: number;
  size: PegboardSize;
  color: string;
  y: number;
  rowIndex: number;
  isWide: boolean;
  hidesStreaks: boolean;
  /** The days of this row that are picked, if any. */
  picked: DaySpan | null;
  onName: (habitId: string) => void;
};

/** One habit: its name, its days as one picture with a cell over each to press, and its figures. */
export const PegboardRow = memo(function PegboardRow(props: Props) {
  const { track, figures, kind, span, columns, daysPx, size, color, y, rowIndex, isWide, picked, onName } = props;
  const styles = useStyles();
  const { habit, today } = track;
  const entries = useAppSelector((state) => selectEntries(state, habit.id));
  const asked = useMemo((): FigureQuery => ({ figure: 'habitKept', habitId: habit.id, span }), [habit.id, span]);
  return (
    <View
      role="row"
      aria-rowindex={rowIndex}
      dataSet={{ row: '' }}
      style={[styles.row, { top: y, height: size.rowPx, width: size.namesPx + daysPx + size.figuresPx }]}
    >
      <NameCell track={track} figures={figures} size={size} color={color} isWide={isWide} onName={onName} />
      <View style={[styles.days, { width: daysPx, paddingLeft: columns[0]?.x ?? 0 }]} role="presentation">
        <DaysPicture
          track={track}
          columns={columns}
          span={span}
          size={size}
          color={color}
          hidesStreaks={props.hidesStreaks}
        />
        {columns.map(({ day, x }, at) => {
          const outcome = outcomeOn(track, day);
          const value = entryOn(entries, day)?.amount;
          const isFuture = day > today;
          const words =
            habit.measure.kind === 'amount' && value !== undefined ? `, ${amount(value, habit.measure.unit)}` : '';
          return (
            // Plain elements, one after the other: a board of a year draws a thousand of them, each time it is scrolled far,
            // and where each were placed by itself, each would be looked at to find what a finger touches.
            <div
              key={day}
              role={GRID_CELL}
              aria-colindex={day - props.span.first + 2}
              aria-selected={picked !== null && holdsDay(picked, day)}
              style={{
                flex: 'none',
                width: size.cellPx,
                marginLeft: at === 0 ? 0 : x - columns[at - 1]!.x - size.cellPx,
              }}
            >
              <div
                id={cellId(habit.id, day)}
                role="checkbox"
                aria-checked={outcome === 'done' ? true : outcome === 'part' ? 'mixed' : false}
                aria-disabled={isFuture}
                aria-label={`${habit.name}, ${dayInWords(day)}: ${isFuture ? 'still to come' : OUTCOME_WORDS[outcome]}${words}`}
                // One of the whole board can be entered at: useBoardFocus gives it the place.
                tabIndex={-1}
                data-habit={habit.id}
                data-day={day}
                style={PRESS}
              />
            </div>
          );
        })}
      </View>
      <FiguresCell
        name={habit.name}
        testId={`figures-${habit.id}`}
        figures={figures}
        asked={asked}
        running={runningWords(track, kind, span)}
        weekly={kind === 'week' ? amountForDays(track, span) : null}
        unit={habit.measure.kind === 'amount' ? habit.measure.unit : null}
        size={size}
        color={color}
        isWide={isWide}
        isTabStop={false}
      />
    </View>
  );
});

/** How a day shows; one before the habit's first day can be recorded too, and shows where. */
function stateOf(track: Track, day: PlainDay): PegState {
  const state = pegStateOf(track, day);
  return state === 'outside' && day < track.first && day <= track.today ? 'notAsked' : state;
}

/** Cords and pegs of the days that are drawn. */
const DaysPicture = memo(function DaysPicture({
  track,
  columns,
  span,
  size,
  color,
  hidesStreaks,
}: Pick<Props, 'track' | 'columns' | 'span' | 'size' | 'color' | 'hidesStreaks'>) {
  const styles = useStyles();
  const { colors } = useTheme();
  const entries = useAppSelector((state) => selectEntries(state, track.habit.id));
  const first = columns[0];
  const last = columns.at(-1);
  const cords = useMemo(
    (): CordStretch[] => (hidesStreaks || !first || !last ? [] : cordsIn(track, { first: first.day, last: last.day })),
    [track, first, last, hidesStreaks],
  );
  if (!first || !last) return null;
  const left = first.x;
  const widthPx = last.x + size.cellPx - left;
  const y = size.rowPx / 2;
  const middleOf = (day: PlainDay): number => (columns[day - first.day]?.x ?? 0) - left + size.cellPx / 2;
  return (
    <Svg width={widthPx} height={size.rowPx} aria-hidden style={[styles.picture, { left }]}>
      {cords.map((cord) => (
        <Line
          key={cord.first}
          // A cord that comes from before the span begins at its edge, one cut by the window too.
          x1={cord.first === first.day && cord.first === span.first ? 0 : middleOf(cord.first)}
          x2={middleOf(cord.last)}
          y1={y}
          y2={y}
          stroke={colors.brass}
          strokeWidth={2.6}
        />
      ))}
      <PegRow
        pegs={columns.map(({ day }) => ({
          state: stateOf(track, day),
          x: middleOf(day),
          ratio: fillRatio(track, day, entryOn(entries, day)?.amount ?? null),
        }))}
        y={y}
        r={size.pegR}
        color={color}
      />
    </Svg>
  );
});

const useStyles = themed(() => ({
  row: { position: 'absolute', left: 0, flexDirection: 'row', contain: 'layout paint style' },
  days: { flexDirection: 'row' },
  picture: { position: 'absolute', top: 0, pointerEvents: 'none' },
}));
