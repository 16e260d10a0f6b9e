import { type ProgressLineInput, eachDay, progressLine } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Circle } from 'react-native-svg';
import { useTheme } from '../theme/Theme.tsx';
import { AXIS_PX } from './Axis.tsx';
import { MarkedPicture } from './MarkedPicture.tsx';
import { ProgressAxis, ProgressPaths } from './ProgressAxis.tsx';
import type { MarkChoice } from './useMarks.ts';
import { useWidth } from './useWidth.ts';

type Props = { input: ProgressLineInput; label: string; color: string; choice: MarkChoice };

const HEIGHT_PX = 190;
const FOOT_PX = 20;

/** Progress over time as it was bored, the line it was expected along, its checkpoints, and where it leads. Its marks are its days up to today. */
export function ProgressPicture({ input, label, color, choice }: Props) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const layout = useMemo(
    () => (widthPx === 0 ? null : progressLine(input, { widthPx, heightPx: HEIGHT_PX, padPx: 9, axisPx: AXIS_PX })),
    [input, widthPx],
  );
  const { span, today } = input;
  const marks = useMemo(
    () =>
      layout === null
        ? []
        : eachDay({ first: span.first, last: Math.min(today, span.last) }).map((day) => ({
            key: day,
            x: layout.xOf(day),
            y: layout.yOf(0.5),
          })),
    [layout, span, today],
  );
  const { at } = choice;
  const ratio = at === null ? null : input.progressAt(at);
  return (
    <View onLayout={onLayout} style={{ minHeight: HEIGHT_PX + FOOT_PX }}>
      {layout === null ? null : (
        <MarkedPicture
          label={label}
          widthPx={widthPx}
          heightPx={HEIGHT_PX + FOOT_PX}
          marks={marks}
          choice={choice}
          told={marks.at(-1)?.key}
          testID="progress-line"
        >
          <ProgressAxis layout={layout} widthPx={widthPx} heightPx={HEIGHT_PX} axisPx={AXIS_PX} />
          <ProgressPaths layout={layout} color={color} expectedColor={colors.brass} />
          {layout.checkpoints.map((point) => (
            <Circle
              key={point.x}
              cx={point.x}
              cy={point.y}
              r={4}
              fill={point.reached ? colors.brass : colors.raised}
              stroke={colors.brass}
              strokeWidth={1.8}
            />
          ))}
          {layout.now === null ? null : <Circle cx={layout.now.x} cy={layout.now.y} r={4.6} fill={color} />}
          {at === null || ratio === null ? null : (
            <Circle
              cx={layout.xOf(at)}
              cy={layout.yOf(ratio)}
              r={6.5}
              fill="none"
              stroke={colors.ink}
              strokeWidth={2}
            />
          )}
        </MarkedPicture>
      )}
    </View>
  );
}
