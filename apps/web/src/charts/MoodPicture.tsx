import { type MoodBeside, moodRows } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Circle, G, Line, Text as SvgText } from 'react-native-svg';
import { useTheme } from '../theme/Theme.tsx';
import { FAMILIES } from '../theme/type.ts';
import { MarkedPicture } from './MarkedPicture.tsx';
import type { MarkChoice } from './useMarks.ts';
import { useWidth } from './useWidth.ts';

type Props = {
  rows: readonly { name: string; color: string; mood: MoodBeside }[];
  label: string;
  choice: MarkChoice;
};

const ROW_PX = 42;
const PAD_PX = 14;
const FOOT_PX = 22;
const R = 6;
/** About what a letter of a name takes. */
const LETTER_PX = 7.2;

/** Mean moods along a scale from 1 to 5, a row for each habit: full on done days, a ring on the others. */
export function MoodPicture({ rows, label, choice }: Props) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const layout = useMemo(
    () =>
      widthPx === 0
        ? null
        : moodRows(
            rows.map(({ mood }) => mood),
            { widthPx, padPx: PAD_PX, rowPx: ROW_PX },
          ),
    [rows, widthPx],
  );
  const most = Math.max(8, Math.floor(widthPx / LETTER_PX));
  const shortened = (name: string): string => (name.length > most ? `${name.slice(0, most - 1)}…` : name);
  return (
    <View onLayout={onLayout} style={{ minHeight: rows.length * ROW_PX + FOOT_PX }}>
      {layout === null ? null : (
        <MarkedPicture
          label={label}
          widthPx={widthPx}
          heightPx={layout.heightPx + FOOT_PX}
          marks={layout.rows.map(({ doneX, y }, key) => ({ key, x: doneX, y }))}
          choice={choice}
          by="both"
          rowStep={1}
          start={0}
          testID="moods"
        >
          {[1, 2, 3, 4, 5].map((mood) => (
            <G key={mood}>
              <Line
                x1={layout.xOf(mood)}
                x2={layout.xOf(mood)}
                y1={0}
                y2={layout.heightPx}
                stroke={colors.line}
                strokeWidth={1}
              />
              <SvgText
                x={layout.xOf(mood)}
                y={layout.heightPx + 16}
                fontSize={11}
                fontFamily={FAMILIES.regular}
                fill={colors.quiet}
                textAnchor="middle"
              >
                {String(mood)}
              </SvgText>
            </G>
          ))}
          {layout.rows.map(({ doneX, otherX, y }, key) => {
            const { name, color } = rows[key]!;
            return (
              <G key={key}>
                <SvgText
                  x={0}
                  y={y - 6}
                  fontSize={13}
                  fontFamily={choice.at === key ? FAMILIES.bold : FAMILIES.regular}
                  fill={colors.ink}
                  stroke={colors.raised}
                  strokeWidth={3}
                  {...({ paintOrder: 'stroke' } as object)}
                >
                  {shortened(name)}
                </SvgText>
                <Line x1={otherX} x2={doneX} y1={y + 8} y2={y + 8} stroke={color} strokeWidth={2} />
                <Circle cx={otherX} cy={y + 8} r={R} fill={colors.raised} stroke={color} strokeWidth={2} />
                <Circle cx={doneX} cy={y + 8} r={R} fill={color} />
              </G>
            );
          })}
        </MarkedPicture>
      )}
    </View>
  );
}
