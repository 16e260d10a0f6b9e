import {
  type DaySpan,
  type PlainDay,
  type PlainMonth,
  type PlateValue,
  type Weekday,
  monthsPlate,
  weeksPlate,
} from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Text as SvgText } from 'react-native-svg';
import { dateNumber, monthAbbreviation, shortDate } from '../text/format.ts';
import { useTheme } from '../theme/Theme.tsx';
import { FAMILIES } from '../theme/type.ts';
import { AXIS_PX } from './Axis.tsx';
import { MarkedPicture } from './MarkedPicture.tsx';
import { CellRings, PlateMarks } from './PlateMarks.tsx';
import type { MarkChoice } from './useMarks.ts';
import { useWidth } from './useWidth.ts';

type Props = {
  months: readonly PlainMonth[];
  /** Given, the span is shown as a calendar instead: a row for each week. */
  asWeeks?: { span: DaySpan; weekStart: Weekday };
  today: PlainDay;
  valueOf: (day: PlainDay) => PlateValue | null;
  /** The picture in one sentence. */
  label: string;
  choice: MarkChoice;
};

const WEEK_LABEL_PX = 46;
const WIDEST_CALENDAR_PX = 520;
const WEEK_ROW_PX = 46;

/** The heat map of days: a row of round cells for each month, or a calendar. A tap, the pointer or the arrow keys choose a day. */
export function DaysPlate({ months, asWeeks, today, valueOf, label, choice }: Props) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const rowPx = asWeeks ? WEEK_ROW_PX : Math.max(20, Math.min(30, widthPx / 24));
  const plate = useMemo(() => {
    if (widthPx === 0) return null;
    const size = {
      widthPx: asWeeks ? Math.min(widthPx, WIDEST_CALENDAR_PX) : widthPx,
      labelPx: asWeeks ? WEEK_LABEL_PX : AXIS_PX,
      rowPx,
    };
    return asWeeks
      ? weeksPlate(asWeeks.span, asWeeks.weekStart, today, valueOf, size)
      : monthsPlate(months, today, valueOf, size);
  }, [months, asWeeks, today, valueOf, widthPx, rowPx]);
  const marks = useMemo(() => plate?.cells.map(({ day, x, y }) => ({ key: day, x, y })) ?? [], [plate]);
  const text = { fontFamily: FAMILIES.regular, fill: colors.quiet };
  return (
    <View onLayout={onLayout} style={{ minHeight: asWeeks ? 5 * rowPx : months.length * 20 }}>
      {plate === null ? null : (
        <MarkedPicture
          label={label}
          widthPx={plate.widthPx}
          heightPx={plate.heightPx}
          marks={marks}
          choice={choice}
          by="both"
          reachPx={rowPx}
          start={today}
          testID="days-plate"
        >
          {plate.rows.map((row) => (
            <SvgText key={row.label} {...text} x={0} y={row.y + 4} fontSize={12}>
              {asWeeks ? shortDate(row.label) : monthAbbreviation(row.label)}
            </SvgText>
          ))}
          <PlateMarks cells={plate.cells} />
          {asWeeks
            ? plate.cells.map((cell) => (
                <SvgText
                  key={cell.day}
                  {...text}
                  x={cell.x + rowPx * 0.29}
                  y={cell.y + rowPx * 0.42}
                  fontSize={11}
                  textAnchor="middle"
                >
                  {dateNumber(cell.day)}
                </SvgText>
              ))
            : null}
          <CellRings cells={plate.cells} today={today} at={choice.at} radiusPx={plate.pitchPx * 0.62} />
        </MarkedPicture>
      )}
    </View>
  );
}
