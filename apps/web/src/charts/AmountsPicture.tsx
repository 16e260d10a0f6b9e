import { type AmountLimit, type DaySpan, type PlainDay, amountStems } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Circle, G, Line, Path } from 'react-native-svg';
import { compact } from '../text/amounts.ts';
import { useTheme } from '../theme/Theme.tsx';
import { namedDays } from './namedDays.ts';
import { AXIS_PX, Axis } from './Axis.tsx';
import { MarkedPicture } from './MarkedPicture.tsx';
import type { MarkChoice } from './useMarks.ts';
import { useWidth } from './useWidth.ts';

type Props = {
  span: DaySpan;
  amountOn: (day: PlainDay) => number | null;
  limitOn: (day: PlainDay) => AmountLimit;
  isMetOn: (day: PlainDay) => boolean;
  color: string;
  label: string;
  choice: MarkChoice;
};

const HEIGHT_PX = 150;
const FOOT_PX = 18;
const HEAD_R = 3.6;

/** Amounts day by day as stems with a head, full where the day was done; the threshold as a line with a step where the terms changed. */
export function AmountsPicture({ span, amountOn, limitOn, isMetOn, color, label, choice }: Props) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const layout = useMemo(
    () =>
      widthPx === 0
        ? null
        : amountStems(span, amountOn, limitOn, isMetOn, { widthPx, heightPx: HEIGHT_PX, padPx: 8, axisPx: AXIS_PX }),
    [span, amountOn, limitOn, isMetOn, widthPx],
  );
  const named = namedDays(span);
  return (
    <View onLayout={onLayout} style={{ minHeight: HEIGHT_PX + FOOT_PX }}>
      {layout === null ? null : (
        <MarkedPicture
          label={label}
          widthPx={widthPx}
          heightPx={HEIGHT_PX + FOOT_PX}
          marks={layout.stems.map(({ day, x, y }) => ({ key: day, x, y }))}
          choice={choice}
          testID="amounts"
        >
          <Axis
            levels={layout.ticks.map(({ value, y }) => ({ text: compact(value), y }))}
            names={named.map(({ day, text }) => ({ text, x: layout.xOf(day) }))}
            isMiddle
            widthPx={widthPx}
            heightPx={HEIGHT_PX}
            axisPx={AXIS_PX}
          />
          {layout.stems.map(({ day, x, y, isMet }) => {
            const isAt = day === choice.at;
            return (
              <G key={day}>
                <Line x1={x} x2={x} y1={layout.floor} y2={y} stroke={isAt ? colors.ink : color} strokeWidth={1.6} />
                <Circle
                  cx={x}
                  cy={y}
                  r={isAt ? 6 : HEAD_R}
                  fill={isMet ? color : colors.raised}
                  stroke={isAt ? colors.ink : color}
                  strokeWidth={1.6}
                />
              </G>
            );
          })}
          <Path d={layout.limitPath} fill="none" stroke={colors.brass} strokeWidth={1.8} strokeDasharray="2 5" />
        </MarkedPicture>
      )}
    </View>
  );
}
