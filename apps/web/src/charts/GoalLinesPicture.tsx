import { type ProgressLineInput, progressLine } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Path } from 'react-native-svg';
import { useTheme } from '../theme/Theme.tsx';
import { ProgressAxis } from './ProgressAxis.tsx';
import { useWidth } from './useWidth.ts';

export type GoalLine = { id: string; color: string; input: ProgressLineInput };

const HEIGHT_PX = 200;
const AXIS_PX = 40;
const FOOT_PX = 20;

/** The progress of several goals on one axis of time: each as it was bored, its expected line dotted, its milestones as marks. */
export function GoalLinesPicture({ lines, label }: { lines: readonly GoalLine[]; label: string }) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const drawn = useMemo(
    () =>
      widthPx === 0
        ? []
        : lines.map((line) => ({
            ...line,
            layout: progressLine(line.input, { widthPx, heightPx: HEIGHT_PX, padPx: 9, axisPx: AXIS_PX }),
          })),
    [lines, widthPx],
  );
  const axis = drawn[0]?.layout;
  return (
    <View onLayout={onLayout} role="img" aria-label={label} style={{ minHeight: HEIGHT_PX + FOOT_PX }}>
      {axis === undefined ? null : (
        <Svg width={widthPx} height={HEIGHT_PX + FOOT_PX} aria-hidden>
          <ProgressAxis layout={axis} widthPx={widthPx} heightPx={HEIGHT_PX} axisPx={AXIS_PX} />
          {drawn.map(({ id, color, layout }) => (
            <G key={id}>
              <Path
                d={layout.expectedPath}
                fill="none"
                stroke={color}
                strokeWidth={1.4}
                strokeDasharray="1 5"
                strokeLinecap="round"
              />
              <Path d={layout.forecastPath} fill="none" stroke={color} strokeWidth={1.3} strokeDasharray="6 6" />
              <Path d={layout.path} fill="none" stroke={color} strokeWidth={2.6} strokeLinejoin="round" />
              {layout.checkpoints.map((point) => (
                <Circle
                  key={point.x}
                  cx={point.x}
                  cy={point.y}
                  r={4}
                  fill={point.reached ? color : colors.raised}
                  stroke={color}
                  strokeWidth={1.8}
                />
              ))}
              {layout.now === null ? null : <Circle cx={layout.now.x} cy={layout.now.y} r={4.6} fill={color} />}
            </G>
          ))}
        </Svg>
      )}
    </View>
  );
}
