import { type DaySpan, type PlainDay, isAtLeast, shareLine } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Circle, Path } from 'react-native-svg';
import { useTheme } from '../theme/Theme.tsx';
import { namedDays } from './namedDays.ts';
import { AXIS_PX, AimLine, Axis, shareLevels } from './Axis.tsx';
import { MarkedPicture } from './MarkedPicture.tsx';
import type { MarkChoice } from './useMarks.ts';
import { useWidth } from './useWidth.ts';

type Props = {
  span: DaySpan;
  ratioOf: (day: PlainDay) => number | null;
  passMark: number;
  label: string;
  choice: MarkChoice;
};

const HEIGHT_PX = 170;
const FOOT_PX = 18;

/** Share per day over a span, days at the pass mark filled, full days with an eye, and the mean of seven days as a line; gaps where there is none. */
export function ShareLine({ span, ratioOf, passMark, label, choice }: Props) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const layout = useMemo(
    () =>
      widthPx === 0 ? null : shareLine(span, ratioOf, { widthPx, heightPx: HEIGHT_PX, padPx: 8, axisPx: AXIS_PX }),
    [span, ratioOf, widthPx],
  );
  const named = namedDays(span);
  return (
    <View onLayout={onLayout} style={{ minHeight: HEIGHT_PX + FOOT_PX }}>
      {layout === null ? null : (
        <MarkedPicture
          label={label}
          widthPx={widthPx}
          heightPx={HEIGHT_PX + FOOT_PX}
          marks={layout.points.map(({ day, x, y }) => ({ key: day, x, y }))}
          choice={choice}
          testID="share-line"
        >
          <Axis
            levels={shareLevels(layout.yOf)}
            names={named.map(({ day, text }) => ({ text, x: layout.xOf(day) }))}
            isMiddle
            widthPx={widthPx}
            heightPx={HEIGHT_PX}
            axisPx={AXIS_PX}
          />
          <AimLine y={layout.yOf(passMark)} x1={AXIS_PX} x2={widthPx} />
          <Path d={layout.meanPath} fill="none" stroke={colors.deep} strokeWidth={2.4} strokeLinejoin="round" />
          {layout.points.map(({ day, x, y, ratio }) => {
            const isBright = isAtLeast(ratio, passMark);
            const r = day === choice.at ? 6 : 3.6;
            return (
              <Circle
                key={day}
                cx={x}
                cy={y}
                r={r}
                fill={isBright ? colors.working : colors.raised}
                stroke={day === choice.at ? colors.ink : isBright ? colors.working : colors.rim}
                strokeWidth={1.6}
              />
            );
          })}
          {layout.points.map(({ day, x, y, ratio }) =>
            isAtLeast(ratio, 1) ? <Circle key={day} cx={x} cy={y} r={1.3} fill={colors.raised} /> : null,
          )}
        </MarkedPicture>
      )}
    </View>
  );
}
