import { type PlainDay, type PlateValue, type Weekday, yearRing } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Circle, Line, Text as SvgText } from 'react-native-svg';
import { monthAbbreviation } from '../text/format.ts';
import { useTheme } from '../theme/Theme.tsx';
import { FAMILIES } from '../theme/type.ts';
import { MarkedPicture } from './MarkedPicture.tsx';
import { CellRings, PlateMarks } from './PlateMarks.tsx';
import type { MarkChoice } from './useMarks.ts';
import { useWidth } from './useWidth.ts';

type Props = {
  year: number;
  weekStart: Weekday;
  today: PlainDay;
  valueOf: (day: PlainDay) => PlateValue | null;
  label: string;
  /** Centre of the ring: a figure with a caption. */
  middle: { figure: string; words: string };
  choice: MarkChoice;
};

const WIDEST_PX = 560;

/** The year as a ring: a spoke for each week, the weekdays as seven tracks. */
export function YearRingPicture({ year, weekStart, today, valueOf, label, middle, choice }: Props) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const sidePx = Math.min(widthPx, WIDEST_PX);
  const ring = useMemo(
    () => (sidePx === 0 ? null : yearRing(year, weekStart, today, valueOf, { sidePx })),
    [year, weekStart, today, valueOf, sidePx],
  );
  const marks = useMemo(() => ring?.cells.map(({ day, x, y }) => ({ key: day, x, y })) ?? [], [ring]);
  return (
    <View onLayout={onLayout} style={{ alignItems: 'center' }}>
      {ring === null ? null : (
        <MarkedPicture
          label={label}
          widthPx={sidePx}
          heightPx={sidePx}
          marks={marks}
          choice={choice}
          by="both"
          reachPx={24}
          rowStep={7}
          start={today}
          testID="year-ring"
        >
          {ring.tracks.map((radius) => (
            <Circle
              key={radius}
              cx={ring.middlePx}
              cy={ring.middlePx}
              r={radius}
              fill="none"
              stroke={colors.line}
              strokeWidth={0.6}
            />
          ))}
          {ring.months.map(({ month, line }) => (
            <Line key={month} {...line} stroke={colors.line} strokeWidth={1} />
          ))}
          {ring.months.map(({ month, x, y }) => (
            <SvgText
              key={month}
              x={x}
              y={y + 4}
              fontSize={12}
              fontFamily={FAMILIES.regular}
              fill={colors.quiet}
              textAnchor="middle"
            >
              {monthAbbreviation(month)}
            </SvgText>
          ))}
          <PlateMarks cells={ring.cells} />
          <CellRings cells={ring.cells} today={today} at={choice.at} radiusPx={9} />
          <SvgText
            x={ring.middlePx}
            y={ring.middlePx + 4}
            fontSize={30}
            fontFamily={FAMILIES.head}
            fill={colors.ink}
            textAnchor="middle"
          >
            {middle.figure}
          </SvgText>
          <SvgText
            x={ring.middlePx}
            y={ring.middlePx + 26}
            fontSize={13}
            fontFamily={FAMILIES.regular}
            fill={colors.quiet}
            textAnchor="middle"
          >
            {middle.words}
          </SvgText>
        </MarkedPicture>
      )}
    </View>
  );
}
