import {
  type DaySpan,
  type MoodPlate,
  type PlainDay,
  type PlainMonth,
  type Weekday,
  monthsOfMoods,
  sunHeight,
  weekSpan,
  weeksOfMoods,
  eachDay,
} from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Circle, G, Line, Path, Text as SvgText } from 'react-native-svg';
import { dateNumber, monthAbbreviation, shortDate, weekdayShort } from '../text/format.ts';
import { useTheme } from '../theme/Theme.tsx';
import { FAMILIES } from '../theme/type.ts';
import { AXIS_PX } from './Axis.tsx';
import { MarkedPicture } from './MarkedPicture.tsx';
import type { MarkChoice } from './useMarks.ts';
import { useWidth } from './useWidth.ts';

const WEEK_ROW_PX = 64;
const WEEK_LABEL_PX = 46;
/** Room for the weekdays above a calendar. */
const WEEKDAYS_PX = 14;
const WIDEST_CALENDAR_PX = 560;
/** Rays are drawn where a sun is large enough to have them. */
const LEAST_RAYS_PX = 4.5;

type Props = {
  months: readonly PlainMonth[];
  /** Given, the span is shown as a calendar instead: a row for each week. */
  asWeeks?: { span: DaySpan; weekStart: Weekday };
  today: PlainDay;
  moodOf: (day: PlainDay) => number | null;
  label: string;
  choice: MarkChoice;
};

/** Moods as suns over sea lines: a row for each month, or a calendar of weeks. A tap, the pointer or arrow keys choose a day. */
export function MoodPlatePicture({ months, asWeeks, today, moodOf, label, choice }: Props) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const rowPx = asWeeks ? WEEK_ROW_PX : Math.max(30, Math.min(46, widthPx / 16));
  const plate = useMemo(() => {
    if (widthPx === 0) return null;
    return asWeeks
      ? weeksOfMoods(asWeeks.span, asWeeks.weekStart, today, moodOf, {
          widthPx: Math.min(widthPx, WIDEST_CALENDAR_PX),
          labelPx: WEEK_LABEL_PX,
          rowPx,
          topPx: WEEKDAYS_PX,
        })
      : monthsOfMoods(months, today, moodOf, { widthPx, labelPx: AXIS_PX, rowPx });
  }, [widthPx, asWeeks, months, today, moodOf, rowPx]);
  const marks = useMemo(() => {
    // A day is pointed at on its sea line, however high its sun stands.
    const seaOf = (y: number): number =>
      plate?.rows.reduce((near, { seaY }) => (Math.abs(seaY - y) < Math.abs(near - y) ? seaY : near), -Infinity) ?? y;
    return (
      plate?.suns.map(({ day, x, y, mood }) => ({ key: day, x, y: seaOf(y + sunHeight(mood ?? 2) * rowPx) })) ?? []
    );
  }, [plate, rowPx]);
  const text = { fontFamily: FAMILIES.regular, fill: colors.quiet };
  return (
    <View onLayout={onLayout} style={{ minHeight: asWeeks ? 5 * rowPx : months.length * 30 }}>
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
          testID="mood-plate"
        >
          {plate.rows.map(({ label: name, seaY }) => (
            <SvgText key={name} {...text} x={0} y={seaY + 4} fontSize={12}>
              {asWeeks ? shortDate(name) : monthAbbreviation(name)}
            </SvgText>
          ))}
          {asWeeks
            ? eachDay(weekSpan(asWeeks.span.first, asWeeks.weekStart)).map((day, place) => (
                <SvgText
                  key={day}
                  {...text}
                  x={WEEK_LABEL_PX + (place + 0.5) * plate.pitchPx}
                  y={11}
                  fontSize={12}
                  textAnchor="middle"
                >
                  {weekdayShort(day).slice(0, 2)}
                </SvgText>
              ))
            : null}
          <Suns plate={plate} />
          {asWeeks
            ? plate.suns.map(({ day, x }, place) => (
                <SvgText key={day} {...text} x={x} y={marks[place]!.y + 15} fontSize={11} textAnchor="middle">
                  {dateNumber(day)}
                </SvgText>
              ))
            : null}
          {plate.suns
            .filter(({ day }) => day === today || day === choice.at)
            .map(({ day, x }) => (
              <Line
                key={day}
                x1={x - plate.pitchPx * 0.4}
                x2={x + plate.pitchPx * 0.4}
                y1={marks.find(({ key }) => key === day)!.y + (asWeeks ? 19 : 4)}
                y2={marks.find(({ key }) => key === day)!.y + (asWeeks ? 19 : 4)}
                stroke={day === choice.at ? colors.ink : colors.brass}
                strokeWidth={2}
                strokeLinecap="round"
              />
            ))}
        </MarkedPicture>
      )}
    </View>
  );
}

/** The sea lines and the suns over them: hollow below the line, half on it, with rays at their highest. */
function Suns({ plate }: { plate: MoodPlate }) {
  const { colors } = useTheme();
  const { r } = plate;
  return (
    <>
      {plate.rows.map(({ label, seaY, fromX, toX }) => (
        <Line key={label} x1={fromX} x2={toX} y1={seaY} y2={seaY} stroke={colors.rim} strokeWidth={1} />
      ))}
      {plate.suns.map(({ day, x, y, mood, isToCome }) => {
        if (mood === null) {
          return isToCome ? null : <Circle key={day} cx={x} cy={y} r={1} fill={colors.rim} />;
        }
        const stands = Math.round(mood);
        if (stands === 1) {
          return (
            <Circle key={day} cx={x} cy={y} r={r - 0.6} fill={colors.raised} stroke={colors.brass} strokeWidth={1.4} />
          );
        }
        if (stands === 2) return <Path key={day} d={halfDisc(x, y, r)} fill={colors.brass} />;
        return (
          <G key={day}>
            <Circle cx={x} cy={y} r={r} fill={colors.brass} />
            {stands === 5 ? <Rays x={x} y={y} r={r} /> : null}
          </G>
        );
      })}
    </>
  );
}

const halfDisc = (x: number, y: number, r: number): string => `M${x - r} ${y}a${r} ${r} 0 0 1 ${2 * r} 0z`;

function Rays({ x, y, r }: { x: number; y: number; r: number }) {
  const { colors } = useTheme();
  const isLarge = r >= LEAST_RAYS_PX;
  const angles = isLarge
    ? [0, 1, 2, 3, 4, 5, 6, 7].map((ray) => (ray * Math.PI) / 4)
    : [-1, 0, 1].map((ray) => -Math.PI / 2 + ray * 0.9);
  const [from, to] = isLarge ? [r + 2, r + 4.5] : [r + 1.4, r + 3];
  const d = angles
    .map((angle) => {
      const [dx, dy] = [Math.cos(angle), Math.sin(angle)];
      return `M${x + dx * from} ${y + dy * from}L${x + dx * to} ${y + dy * to}`;
    })
    .join('');
  return <Path d={d} stroke={colors.brass} strokeWidth={1.3} strokeLinecap="round" fill="none" />;
}
