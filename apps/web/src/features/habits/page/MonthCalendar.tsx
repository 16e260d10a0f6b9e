import {
  type PlainDay,
  type PlainMonth,
  type Track,
  cordsIn,
  eachDay,
  fillRatio,
  holdsDay,
  monthSpan,
  outcomeOn,
  pegStateOf,
  weekSpan,
  entryOn,
  shownText,
} from '@wimbel/core';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Circle, Line } from 'react-native-svg';
import { useAppSelector } from '../../../store/store.ts';
import { amount } from '../../../text/amounts.ts';
import { OUTCOME_WORDS, dateNumber, dayInWords, weekdayLetter } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { PegShapes } from '../../../ui/pegShapes.tsx';
import { Words } from '../../../ui/Words.tsx';
import { selectEntries } from '../../../store/selectors.ts';

const ROW_PX = 52;
const MOST_CELL_PX = 60;
const PEG_R = 12;

/** A month of one habit, a row a week, with the cords of its streaks; a tap on a day opens it. */
export function MonthCalendar({
  track,
  month,
  color,
  hasCords,
  onOpen,
}: {
  track: Track;
  month: PlainMonth;
  color: string;
  hasCords: boolean;
  onOpen: (day: PlainDay) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const [widthPx, setWidthPx] = useState(0);
  const entries = useAppSelector((state) => selectEntries(state, track.habit.id));
  const { today, weekStart } = track;
  const span = monthSpan(month);
  const cellPx = Math.min(MOST_CELL_PX, widthPx / 7);
  const cords = hasCords ? cordsIn(track, span) : [];
  const weeks: { first: PlainDay; last: PlainDay }[] = [];
  for (let day = span.first; day <= span.last; day = weekSpan(day, weekStart).last + 1)
    weeks.push(weekSpan(day, weekStart));
  return (
    <View onLayout={({ nativeEvent }) => setWidthPx(nativeEvent.layout.width)}>
      <View style={styles.row} aria-hidden>
        {eachDay(weekSpan(span.first, weekStart)).map((day) => (
          <Words key={day} type="small" tone="quiet" style={{ width: cellPx, textAlign: 'center' }}>
            {weekdayLetter(day)}
          </Words>
        ))}
      </View>
      {weeks.map((week) => {
        const days = eachDay(week).filter((day) => holdsDay(span, day));
        const xOf = (day: PlainDay): number => (day - week.first + 0.5) * cellPx;
        return (
          <View key={week.first} style={{ height: ROW_PX, width: cellPx * 7 }}>
            <Svg width={cellPx * 7} height={ROW_PX} aria-hidden style={styles.picture}>
              {cords
                .filter((cord) => cord.first <= days.at(-1)! && cord.last >= days[0]!)
                .map((cord) => (
                  <Line
                    key={cord.first}
                    x1={cord.first < days[0]! ? xOf(days[0]!) - cellPx / 2 : xOf(cord.first)}
                    x2={cord.last > days.at(-1)! ? xOf(days.at(-1)!) + cellPx / 2 : xOf(cord.last)}
                    y1={PEG_R + 4}
                    y2={PEG_R + 4}
                    stroke={colors.brass}
                    strokeWidth={2.6}
                  />
                ))}
              {days.map((day) => (
                <PegShapes
                  key={day}
                  state={pegStateOf(track, day)}
                  x={xOf(day)}
                  y={PEG_R + 4}
                  r={PEG_R}
                  color={color}
                  ratio={fillRatio(track, day, entryOn(entries, day)?.amount ?? null)}
                />
              ))}
              {holdsDay(week, today) && holdsDay(span, today) ? (
                <Circle
                  cx={xOf(today)}
                  cy={PEG_R + 4}
                  r={PEG_R + 2.6}
                  fill="none"
                  stroke={colors.brass}
                  strokeWidth={1.8}
                />
              ) : null}
            </Svg>
            {days.map((day) => (
              <DayCell
                key={day}
                track={track}
                day={day}
                place={{ left: (day - week.first) * cellPx, width: cellPx, height: ROW_PX }}
                onOpen={onOpen}
              />
            ))}
          </View>
        );
      })}
    </View>
  );
}

/** A day's number, over its peg; one that is not to come can be opened. */
function DayCell({
  track,
  day,
  place,
  onOpen,
}: {
  track: Track;
  day: PlainDay;
  place: { left: number; width: number; height: number };
  onOpen: (day: PlainDay) => void;
}) {
  const styles = useStyles();
  const { habit, today } = track;
  const entries = useAppSelector((state) => selectEntries(state, habit.id));
  const outcome = outcomeOn(track, day);
  const entry = entryOn(entries, day) ?? undefined;
  const value = entry?.amount;
  const words = [
    day > today ? 'still to come' : OUTCOME_WORDS[outcome],
    habit.measure.kind === 'amount' && value !== undefined ? amount(value, habit.measure.unit) : '',
    entry?.note ? `note: ${shownText(entry.note)}` : '',
  ].filter(Boolean);
  const label = `${dayInWords(day)}: ${words.join(', ')}`;
  const number = (
    <Words type={day === today ? 'smallStrong' : 'small'} tone="quiet" style={styles.number}>
      {dateNumber(day)}
      {entry?.note ? '·' : ''}
    </Words>
  );
  return day > today ? (
    <View role="img" aria-label={label} style={[styles.cell, place]}>
      {number}
    </View>
  ) : (
    <Pressable role="button" aria-label={label} onPress={() => onOpen(day)} style={[styles.cell, place]}>
      {number}
    </Pressable>
  );
}

const useStyles = themed(() => ({
  row: { flexDirection: 'row', marginBottom: 4 },
  picture: { position: 'absolute', left: 0, top: 0 },
  cell: { position: 'absolute', top: 0, alignItems: 'center', justifyContent: 'flex-end' },
  number: { marginBottom: 6 },
}));
