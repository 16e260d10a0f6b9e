import { type PlainDay, lineThrough } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Circle, Line, Path } from 'react-native-svg';
import { number } from '../text/amounts.ts';
import { useTheme } from '../theme/Theme.tsx';
import { AXIS_PX, Axis } from './Axis.tsx';
import { MarkedPicture } from './MarkedPicture.tsx';
import { namedDays } from './namedDays.ts';
import type { MarkChoice } from './useMarks.ts';
import { useWidth } from './useWidth.ts';

const HEIGHT_PX = 120;
const FOOT_PX = 18;

/** What is left, day by day, with the line of nothing under it. */
export function BalancePicture({
  days,
  label,
  choice,
}: {
  days: readonly { day: PlainDay; balance: number }[];
  label: string;
  choice: MarkChoice;
}) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const layout = useMemo(
    () =>
      widthPx === 0 || days.length === 0
        ? null
        : lineThrough(
            days.map(({ day, balance }) => ({ x: day, y: balance })),
            { widthPx, heightPx: HEIGHT_PX, padPx: 8, axisPx: AXIS_PX },
          ),
    [days, widthPx],
  );
  const span = { first: days[0]?.day ?? 0, last: days.at(-1)?.day ?? 0 };
  return (
    <View onLayout={onLayout} style={{ minHeight: HEIGHT_PX + FOOT_PX }}>
      {layout === null ? null : (
        <MarkedPicture
          label={label}
          widthPx={widthPx}
          heightPx={HEIGHT_PX + FOOT_PX}
          marks={layout.points.map(({ x, y, at }) => ({ key: at, x, y }))}
          choice={choice}
          testID="balance-line"
        >
          <Axis
            levels={layout.levels.map(({ value, y }) => ({ text: number(value), y }))}
            names={namedDays(span).map(({ day, text }) => ({ text, x: layout.xOf(day) }))}
            isMiddle
            widthPx={widthPx}
            heightPx={HEIGHT_PX}
            axisPx={AXIS_PX}
          />
          <Line x1={AXIS_PX} x2={widthPx} y1={layout.yOf(0)} y2={layout.yOf(0)} stroke={colors.rim} strokeWidth={1.2} />
          <Path d={layout.path} fill="none" stroke={colors.brass} strokeWidth={2.2} strokeLinejoin="round" />
          {layout.points
            .filter(({ at }) => at === choice.at)
            .map(({ x, y }) => (
              <Circle key={x} cx={x} cy={y} r={5} fill={colors.brass} stroke={colors.ink} strokeWidth={1.4} />
            ))}
        </MarkedPicture>
      )}
    </View>
  );
}
