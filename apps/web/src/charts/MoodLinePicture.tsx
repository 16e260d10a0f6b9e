import { type DaySpan, type PlainDay, moodLine } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Circle, Path } from 'react-native-svg';
import { useTheme } from '../theme/Theme.tsx';
import { AXIS_PX, Axis } from './Axis.tsx';
import { MarkedPicture } from './MarkedPicture.tsx';
import { namedDays } from './namedDays.ts';
import type { MarkChoice } from './useMarks.ts';
import { useWidth } from './useWidth.ts';

const HEIGHT_PX = 120;
const FOOT_PX = 18;

/** Mood over time, a point for each stretch; gaps where there is no mood. A mark's key is its place among the stretches. */
export function MoodLinePicture({
  span,
  stretches,
  moods,
  today,
  label,
  choice,
}: {
  span: DaySpan;
  stretches: readonly DaySpan[];
  moods: ReadonlyMap<PlainDay, number>;
  today: PlainDay;
  label: string;
  choice: MarkChoice;
}) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const layout = useMemo(
    () =>
      widthPx === 0
        ? null
        : moodLine(span, stretches, moods, today, { widthPx, heightPx: HEIGHT_PX, padPx: 8, axisPx: AXIS_PX }),
    [span, stretches, moods, today, widthPx],
  );
  const stretchIndex = useMemo(() => new Map(stretches.map((each, place) => [each.first, place])), [stretches]);
  return (
    <View onLayout={onLayout} style={{ minHeight: HEIGHT_PX + FOOT_PX }}>
      {layout === null ? null : (
        <MarkedPicture
          label={label}
          widthPx={widthPx}
          heightPx={HEIGHT_PX + FOOT_PX}
          marks={layout.points.map(({ span: { first }, x, y }) => ({ key: stretchIndex.get(first)!, x, y }))}
          choice={choice}
          testID="mood-line"
        >
          <Axis
            levels={[1, 3, 5].map((mood) => ({ text: String(mood), y: layout.yOf(mood) }))}
            names={namedDays(span).map(({ day, text }) => ({ text, x: layout.xOf(day) }))}
            isMiddle
            widthPx={widthPx}
            heightPx={HEIGHT_PX}
            axisPx={AXIS_PX}
          />
          <Path d={layout.path} fill="none" stroke={colors.brass} strokeWidth={1.8} strokeLinejoin="round" />
          {layout.points.map(({ span: { first }, x, y }) => {
            const isAt = stretchIndex.get(first) === choice.at;
            return (
              <Circle
                key={first}
                cx={x}
                cy={y}
                r={isAt ? 6 : 3.4}
                fill={colors.brass}
                stroke={isAt ? colors.ink : colors.raised}
                strokeWidth={1.2}
              />
            );
          })}
        </MarkedPicture>
      )}
    </View>
  );
}
