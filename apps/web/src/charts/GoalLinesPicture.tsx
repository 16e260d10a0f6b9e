import { type ProgressLine, type ProgressLineInput, daysIn, eachDay, progressLine, spread } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Circle, G, Text as SvgText } from 'react-native-svg';
import { useTheme } from '../theme/Theme.tsx';
import { FAMILIES } from '../theme/type.ts';
import { AXIS_PX } from './Axis.tsx';
import { MarkedPicture } from './MarkedPicture.tsx';
import { ProgressAxis, ProgressPaths } from './ProgressAxis.tsx';
import type { MarkChoice } from './useMarks.ts';
import { useWidth } from './useWidth.ts';

export type GoalLine = { id: string; color: string; input: ProgressLineInput };

const HEIGHT_PX = 200;
const FOOT_PX = 20;
/** How far apart the numbers stand at least. */
const NUMBER_PX = 17;
/** No picture has room for more days to be pointed at. */
const MOST_MARKS = 2000;

/**
 * Progress along one axis of time: each line as it was bored, numbered where it stands today; its expected line dotted,
 * its milestones as rings. Its marks are days up to today.
 */
export function GoalLinesPicture({
  lines,
  label,
  choice,
}: {
  lines: readonly GoalLine[];
  label: string;
  choice: MarkChoice;
}) {
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
  const marks = useMemo(() => {
    const input = drawn[0]?.input;
    if (input === undefined) return [];
    const span = { first: input.span.first, last: Math.min(input.today, input.span.last) };
    const every = Math.ceil(daysIn(span) / MOST_MARKS);
    return eachDay(span)
      .filter((day) => (span.last - day) % every === 0)
      .map((day) => ({ key: day, x: drawn[0]!.layout.xOf(day), y: HEIGHT_PX / 2 }));
  }, [drawn]);
  const { at } = choice;
  return (
    <View onLayout={onLayout} style={{ minHeight: HEIGHT_PX + FOOT_PX }}>
      {axis === undefined ? null : (
        <MarkedPicture
          label={label}
          widthPx={widthPx}
          heightPx={HEIGHT_PX + FOOT_PX}
          marks={marks}
          choice={choice}
          testID="goal-lines"
        >
          <ProgressAxis layout={axis} widthPx={widthPx} heightPx={HEIGHT_PX} axisPx={AXIS_PX} />
          {drawn.map(({ id, color, layout, input }) => {
            const ratio = at === null ? null : input.progressAt(at);
            return (
              <G key={id}>
                <ProgressPaths layout={layout} color={color} />
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
                {ratio === null ? null : (
                  <Circle
                    cx={layout.xOf(at!)}
                    cy={layout.yOf(ratio)}
                    r={5}
                    fill={colors.raised}
                    stroke={color}
                    strokeWidth={2}
                  />
                )}
              </G>
            );
          })}
          <Numbers drawn={drawn} />
        </MarkedPicture>
      )}
    </View>
  );
}

/** The number of each line where it stands today. */
function Numbers({ drawn }: { drawn: readonly (GoalLine & { layout: ProgressLine })[] }) {
  const { colors } = useTheme();
  // Numbers that would stand on one another stand below one another.
  const heights = spread(
    drawn.map(({ layout }) => layout.now?.y ?? 0),
    NUMBER_PX,
    HEIGHT_PX - 9,
  );
  return drawn.map(({ id, color, layout }, place) =>
    layout.now === null ? null : (
      <G key={id}>
        <Circle cx={layout.now.x} cy={heights[place]!} r={8} fill={color} stroke={colors.raised} strokeWidth={1.4} />
        <SvgText
          x={layout.now.x}
          y={heights[place]! + 4}
          fontSize={11}
          fontFamily={FAMILIES.bold}
          fill={colors.raised}
          textAnchor="middle"
        >
          {String(place + 1)}
        </SvgText>
      </G>
    ),
  );
}
