import {
  type DaySpan,
  type PegboardColumn,
  type PlainDay,
  type Track,
  cordsIn,
  fillRatio,
  formatDay,
  outcomeOn,
  pegStateOf,
} from '@wimbel/core';
import { memo } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Line } from 'react-native-svg';
import { useAppSelector } from '../../records/store.ts';
import type { RootState } from '../../records/store.ts';
import { OUTCOME_WORDS, amount, dayInWords } from '../../shared/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { PegShapes } from '../../ui/pegShapes.tsx';
import type { PegboardSize } from './pegboardSize.ts';

export const cellId = (habitId: string, day: PlainDay): string => `cell-${habitId}-${day}`;

type Props = {
  track: Track;
  span: DaySpan;
  columns: readonly PegboardColumn[];
  widthPx: number;
  size: PegboardSize;
  color: string;
  /** The day of this row that the keyboard can enter at, if any. */
  focusDay: PlainDay | null;
  onPress: (habitId: string, day: PlainDay) => void;
  onOpen: (habitId: string, day: PlainDay) => void;
  onFocus: (habitId: string, day: PlainDay) => void;
};

/** One habit's days: the cords and pegs as one picture, and a cell over each day to press. */
export const PegboardRow = memo(function PegboardRow({
  track,
  span,
  columns,
  widthPx,
  size,
  color,
  focusDay,
  onPress,
  onOpen,
  onFocus,
}: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { habit, today } = track;
  const entries = useAppSelector((state: RootState) => state.records.entries[habit.id]);
  const y = size.rowPx / 2;
  const middleOf = (day: PlainDay): number => (columns[day - span.first]?.x ?? 0) + size.cellPx / 2;
  const startsBefore = (first: PlainDay): boolean => first === span.first;
  return (
    <View role="group" aria-label={habit.name} style={{ width: widthPx, height: size.rowPx }}>
      <Svg width={widthPx} height={size.rowPx} aria-hidden style={styles.picture}>
        {cordsIn(track, span).map((cord) => (
          <Line
            key={cord.first}
            x1={startsBefore(cord.first) ? middleOf(cord.first) - size.cellPx / 2 : middleOf(cord.first)}
            x2={middleOf(cord.last)}
            y1={y}
            y2={y}
            stroke={colors.brass}
            strokeWidth={2.6}
          />
        ))}
        {columns.map(({ day }) => (
          <PegShapes
            key={day}
            state={pegStateOf(track, day)}
            x={middleOf(day)}
            y={y}
            r={size.pegR}
            color={color}
            ratio={fillRatio(track, day, entries?.[formatDay(day)]?.amount ?? null)}
          />
        ))}
      </Svg>
      {columns.map(({ day, x }) => {
        const outcome = outcomeOn(track, day);
        const entry = entries?.[formatDay(day)];
        const value =
          habit.measure.kind === 'amount' && entry?.amount !== undefined
            ? `, ${amount(entry.amount, habit.measure.unit)}`
            : '';
        const isFuture = day > today;
        return (
          <Pressable
            key={day}
            id={cellId(habit.id, day)}
            role="checkbox"
            aria-checked={outcome === 'done' ? true : outcome === 'part' ? 'mixed' : false}
            aria-disabled={isFuture}
            aria-label={`${habit.name}, ${dayInWords(day)}: ${isFuture ? 'still to come' : OUTCOME_WORDS[outcome]}${value}`}
            disabled={isFuture}
            tabIndex={day === focusDay ? 0 : -1}
            onPress={() => onPress(habit.id, day)}
            onLongPress={() => onOpen(habit.id, day)}
            onFocus={() => onFocus(habit.id, day)}
            style={[styles.cell, { left: x, width: size.cellPx, height: size.rowPx }]}
          />
        );
      })}
    </View>
  );
});

const useStyles = themed(() => ({
  picture: { position: 'absolute', left: 0, top: 0 },
  cell: { position: 'absolute', top: 0 },
}));
