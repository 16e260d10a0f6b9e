import { type DaySpan, type TrendPoint, trendLine } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Circle, Path } from 'react-native-svg';
import { monthAbbreviation } from '../text/format.ts';
import { useTheme } from '../theme/Theme.tsx';
import { AXIS_PX, AimLine, Axis, shareLevels } from './Axis.tsx';
import { MarkedPicture } from './MarkedPicture.tsx';
import type { MarkChoice } from './useMarks.ts';
import { useWidth } from './useWidth.ts';

type Props = {
  trend: readonly TrendPoint[];
  span: DaySpan;
  passMark: number;
  color: string;
  label: string;
  choice: MarkChoice;
};

const HEIGHT_PX = 130;
const FOOT_PX = 20;

/** The kept rate of the four weeks before, week after week; a gap where there is none. */
export function TrendPicture({ trend, span, passMark, color, label, choice }: Props) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const layout = useMemo(
    () => (widthPx === 0 ? null : trendLine(trend, span, { widthPx, heightPx: HEIGHT_PX, padPx: 9, axisPx: AXIS_PX })),
    [trend, span, widthPx],
  );
  const at = layout?.points.find(({ day }) => day === choice.at);
  const last = layout?.points.at(-1);
  return (
    <View onLayout={onLayout} style={{ minHeight: HEIGHT_PX + FOOT_PX }}>
      {layout === null ? null : (
        <MarkedPicture
          label={label}
          widthPx={widthPx}
          heightPx={HEIGHT_PX + FOOT_PX}
          marks={layout.points.map(({ day, x, y }) => ({ key: day, x, y }))}
          choice={choice}
          told={last?.day}
          testID="trend"
        >
          <Axis
            levels={shareLevels(layout.yOf)}
            names={layout.ticks.map(({ month, x }) => ({ text: monthAbbreviation(month), x }))}
            widthPx={widthPx}
            heightPx={HEIGHT_PX}
            axisPx={AXIS_PX}
          />
          <AimLine y={layout.yOf(passMark)} x1={AXIS_PX} x2={widthPx} />
          <Path d={layout.path} fill="none" stroke={color} strokeWidth={2.6} strokeLinejoin="round" />
          {last === undefined ? null : <Circle cx={last.x} cy={last.y} r={4.6} fill={color} />}
          {at === undefined ? null : (
            <Circle cx={at.x} cy={at.y} r={6.5} fill={colors.raised} stroke={colors.ink} strokeWidth={2} />
          )}
        </MarkedPicture>
      )}
    </View>
  );
}
