import { type PlainDay, type ProgressLineInput, progressLine } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { useTheme } from '../theme/Theme.tsx';
import { ProgressAxis } from './ProgressAxis.tsx';
import { useWidth } from './useWidth.ts';

type Props = {
  input: ProgressLineInput;
  label: string;
  color: string;
  chosen: PlainDay | null;
  onChoose: (day: PlainDay) => void;
};

const HEIGHT_PX = 190;
const AXIS_PX = 40;
const FOOT_PX = 20;

/** Progress over time as it was bored, the line it was expected along, its checkpoints, and where it leads. */
export function ProgressPicture({ input, label, color, chosen, onChoose }: Props) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const layout = useMemo(
    () => (widthPx === 0 ? null : progressLine(input, { widthPx, heightPx: HEIGHT_PX, padPx: 9, axisPx: AXIS_PX })),
    [input, widthPx],
  );
  const { span, today } = input;
  const last = Math.min(today, span.last);
  const choose = (event: React.MouseEvent): void => {
    const box = event.currentTarget.getBoundingClientRect();
    const ratio = (event.clientX - box.left - AXIS_PX) / Math.max(1, box.width - AXIS_PX - 9);
    onChoose(Math.max(span.first, Math.min(last, Math.round(span.first + ratio * (span.last - span.first)))));
  };
  const onKeyDown = (event: React.KeyboardEvent): void => {
    const step = { ArrowLeft: -1, ArrowRight: 1, PageUp: -30, PageDown: 30 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    onChoose(Math.max(span.first, Math.min(last, (chosen ?? last) + step)));
  };
  const pointer = { onClick: choose, onKeyDown } as object;
  const chosenRatio = chosen === null ? null : input.progressAt(chosen);
  return (
    <View onLayout={onLayout} style={{ minHeight: HEIGHT_PX + FOOT_PX }}>
      {layout === null ? null : (
        <View
          {...pointer}
          role="img"
          aria-label={label}
          tabIndex={0}
          testID="progress-line"
          style={{ cursor: 'pointer' }}
        >
          <Svg width={widthPx} height={HEIGHT_PX + FOOT_PX} aria-hidden>
            <ProgressAxis layout={layout} widthPx={widthPx} heightPx={HEIGHT_PX} axisPx={AXIS_PX} />
            <Path
              d={layout.expectedPath}
              fill="none"
              stroke={colors.brass}
              strokeWidth={2}
              strokeDasharray="1 5"
              strokeLinecap="round"
            />
            <Path d={layout.forecastPath} fill="none" stroke={color} strokeWidth={1.6} strokeDasharray="6 6" />
            <Path d={layout.path} fill="none" stroke={color} strokeWidth={2.6} strokeLinejoin="round" />
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
            {chosen === null || chosenRatio === null ? null : (
              <Circle
                cx={layout.xOf(chosen)}
                cy={layout.yOf(chosenRatio)}
                r={6.5}
                fill="none"
                stroke={colors.ink}
                strokeWidth={2}
              />
            )}
          </Svg>
        </View>
      )}
    </View>
  );
}
