import { type DaySpan, type PlainDay, shareLine } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line, Path, Text as SvgText } from 'react-native-svg';
import { dateNumber, shortDate } from '../shared/format.ts';
import { useTheme } from '../theme/Theme.tsx';
import { FAMILIES } from '../theme/type.ts';
import { useWidth } from './useWidth.ts';

type Props = {
  span: DaySpan;
  ratioOf: (day: PlainDay) => number | null;
  passMark: number;
  label: string;
  chosen: PlainDay | null;
  onChoose: (day: PlainDay) => void;
};

const HEIGHT_PX = 170;
const AXIS_PX = 34;
const FOOT_PX = 18;

/** Share per day over a span, days at the pass mark told apart, and the mean of seven days as a line; gaps where there is none. */
export function ShareLine({ span, ratioOf, passMark, label, chosen, onChoose }: Props) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const layout = useMemo(
    () =>
      widthPx === 0 ? null : shareLine(span, ratioOf, { widthPx, heightPx: HEIGHT_PX, padPx: 8, axisPx: AXIS_PX }),
    [span, ratioOf, widthPx],
  );
  const choose = (event: React.MouseEvent): void => {
    if (layout === null) return;
    const x = event.clientX - event.currentTarget.getBoundingClientRect().left;
    const [first] = layout.points;
    if (first === undefined) return;
    onChoose(
      layout.points.reduce((best, point) => (Math.abs(point.x - x) < Math.abs(best.x - x) ? point : best), first).day,
    );
  };
  const onKeyDown = (event: React.KeyboardEvent): void => {
    const step = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0;
    if (step === 0) return;
    event.preventDefault();
    onChoose(Math.max(span.first, Math.min(span.last, (chosen ?? span.first) + step)));
  };
  const pointer = { onClick: choose, onKeyDown } as object;
  const every = Math.max(1, Math.ceil((span.last - span.first + 1) / 31)) * 7;
  const marks = Array.from(
    { length: Math.floor((span.last - span.first) / every) + 1 },
    (_, index) => span.first + index * every,
  );
  return (
    <View onLayout={onLayout} style={{ minHeight: HEIGHT_PX + FOOT_PX }}>
      {layout === null ? null : (
        <View {...pointer} role="img" aria-label={label} tabIndex={0} testID="share-line" style={{ cursor: 'pointer' }}>
          <Svg width={widthPx} height={HEIGHT_PX + FOOT_PX} aria-hidden>
            {[0, 0.5, 1].map((ratio) => (
              <Line
                key={ratio}
                x1={AXIS_PX}
                x2={widthPx}
                y1={layout.yOf(ratio)}
                y2={layout.yOf(ratio)}
                stroke={colors.line}
                strokeWidth={1}
              />
            ))}
            {[0, 0.5, 1].map((ratio) => (
              <SvgText
                key={ratio}
                x={0}
                y={layout.yOf(ratio) + 4}
                fontSize={11}
                fontFamily={FAMILIES.regular}
                fill={colors.quiet}
              >
                {`${ratio * 100} %`}
              </SvgText>
            ))}
            <Line
              x1={AXIS_PX}
              x2={widthPx}
              y1={layout.yOf(passMark)}
              y2={layout.yOf(passMark)}
              stroke={colors.brass}
              strokeWidth={1.6}
              strokeDasharray="2 5"
            />
            <Path d={layout.meanPath} fill="none" stroke={colors.deep} strokeWidth={2.4} strokeLinejoin="round" />
            {layout.points.map((point) => (
              <Circle
                key={point.day}
                cx={point.x}
                cy={point.y}
                r={point.day === chosen ? 5.5 : 3.4}
                fill={point.ratio >= passMark - 1e-9 ? colors.working : colors.raised}
                stroke={point.ratio >= passMark - 1e-9 ? colors.working : colors.rim}
                strokeWidth={1.6}
              />
            ))}
            {marks.map((day) => (
              <SvgText
                key={day}
                x={layout.xOf(day)}
                y={HEIGHT_PX + 13}
                fontSize={11}
                fontFamily={FAMILIES.regular}
                fill={colors.quiet}
                textAnchor="middle"
              >
                {every > 7 ? shortDate(day) : dateNumber(day)}
              </SvgText>
            ))}
          </Svg>
        </View>
      )}
    </View>
  );
}
