import { type Bars, bars as layBars } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { useTheme } from '../theme/Theme.tsx';
import { FAMILIES } from '../theme/type.ts';
import { AimLine } from './Axis.tsx';
import { MarkedPicture } from './MarkedPicture.tsx';
import type { MarkChoice } from './useMarks.ts';
import { useWidth } from './useWidth.ts';

export type Bar = {
  /** Below the bar. */
  label: string;
  /** Above it. */
  text: string;
  /** From 0 to the picture's most; null is a gap. */
  value: number | null;
  /** `unfinished` is drawn as an outline; `reached` has an eye at its head. */
  look?: 'plain' | 'unfinished' | 'reached';
  color?: string;
  /** A line across this bar's room, where it has one of its own. */
  mark?: number | null;
};

type Props = {
  label: string;
  bars: readonly Bar[];
  most: number;
  /** A dotted line across all of them. */
  line?: number;
  /** A thin line from bar to bar, such as what stood up to each. */
  course?: readonly (number | null)[];
  choice: MarkChoice;
  heightPx?: number;
};

const HEAD_PX = 20;
const FOOT_PX = 20;
/** About what a letter of the smallest type takes. */
const LETTER_PX = 6.4;

/** Every how many of some words can be written side by side. */
const everyThat = (words: readonly string[], stepPx: number): number =>
  Math.max(1, Math.ceil(((Math.max(0, ...words.map((each) => each.length)) + 1) * LETTER_PX) / Math.max(1, stepPx)));

/** Upright bars side by side, each with its figure above and its name below; gaps where there is no value. */
export function BarsPicture({ label, bars, most, line, course, choice, heightPx = 116 }: Props) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const layout = useMemo(
    () =>
      widthPx === 0
        ? null
        : layBars(
            bars.map(({ value }) => value),
            most,
            { widthPx, heightPx, padPx: 1, axisPx: 0 },
          ),
    [bars, most, widthPx, heightPx],
  );
  const fullPx = HEAD_PX + heightPx + FOOT_PX;
  const names = everyThat(
    bars.map((bar) => bar.label),
    layout?.stepPx ?? 0,
  );
  const figures = everyThat(
    bars.map((bar) => bar.text),
    layout?.stepPx ?? 0,
  );
  // Where not all have room, the one that is looked at has, and those beside it make way.
  const isToldAt = (index: number): boolean => {
    const { at } = choice;
    if (at === index) return true;
    return index % figures === 0 && (at === null || figures === 1 || Math.abs(at - index) >= figures);
  };
  const text = { fontSize: 11, fontFamily: FAMILIES.regular, fill: colors.quiet, textAnchor: 'middle' as const };
  return (
    <View onLayout={onLayout} style={{ minHeight: fullPx }}>
      {layout === null ? null : (
        <MarkedPicture
          label={label}
          widthPx={widthPx}
          heightPx={fullPx}
          marks={layout.bars.map(({ middle, y }, key) => ({ key, x: middle, y: HEAD_PX + y }))}
          choice={choice}
          testID="bars"
        >
          <G y={HEAD_PX}>
            <Line x1={0} x2={widthPx} y1={heightPx - 1} y2={heightPx - 1} stroke={colors.line} strokeWidth={1} />
            {layout.bars.map((bar, index) => {
              return (
                <OneBar
                  key={index}
                  bar={bar}
                  drawn={bars[index]!}
                  isAt={choice.at === index}
                  layout={layout}
                  floorY={heightPx - 1}
                />
              );
            })}
            {line === undefined ? null : <AimLine y={layout.yOf(line)} x1={0} x2={widthPx} />}
            {course === undefined ? null : (
              <Path
                d={layout.pathThrough(course)}
                fill="none"
                stroke={colors.ink}
                strokeWidth={1.6}
                strokeLinejoin="round"
              />
            )}
          </G>
          {layout.bars.map(({ middle }, index) =>
            isToldAt(index) ? (
              // In a row of their own, clear of every line.
              <SvgText key={index} {...text} x={middle} y={12} fill={colors.ink}>
                {bars[index]!.text}
              </SvgText>
            ) : null,
          )}
          {layout.bars.map(({ middle }, index) =>
            index % names === 0 ? (
              <SvgText key={index} {...text} x={middle} y={fullPx - 5}>
                {bars[index]!.label}
              </SvgText>
            ) : null,
          )}
        </MarkedPicture>
      )}
    </View>
  );
}

/** A bar with what marks it: what is aimed at, that it is reached, that it is looked at. */
function OneBar({
  bar,
  drawn,
  isAt,
  layout,
  floorY,
}: {
  bar: Bars['bars'][number];
  drawn: Props['bars'][number];
  isAt: boolean;
  layout: Bars;
  floorY: number;
}) {
  const { colors } = useTheme();
  const { look = 'plain', color = colors.working, mark = null } = drawn;
  return (
    <G>
      {bar.hasValue ? (
        <Rect
          x={bar.x + (look === 'unfinished' ? 0.8 : 0)}
          y={bar.y}
          width={bar.widthPx - (look === 'unfinished' ? 1.6 : 0)}
          height={bar.heightPx}
          rx={Math.min(4, bar.widthPx / 3)}
          fill={look === 'unfinished' ? colors.raised : color}
          stroke={isAt ? colors.ink : color}
          strokeWidth={isAt ? 2 : look === 'unfinished' ? 1.6 : 0}
          strokeDasharray={look === 'unfinished' && !isAt ? '3 3' : undefined}
        />
      ) : isAt ? (
        <Circle cx={bar.middle} cy={floorY} r={4} fill="none" stroke={colors.ink} strokeWidth={1.6} />
      ) : null}
      {look === 'reached' && bar.heightPx > 14 ? (
        <Circle
          cx={bar.middle}
          cy={bar.y + Math.min(8, bar.widthPx / 2)}
          r={Math.min(2.6, bar.widthPx / 5)}
          fill={colors.raised}
        />
      ) : null}
      {mark === null ? null : (
        <Line
          x1={bar.middle - layout.stepPx * 0.44}
          x2={bar.middle + layout.stepPx * 0.44}
          y1={layout.yOf(mark)}
          y2={layout.yOf(mark)}
          stroke={colors.brass}
          strokeWidth={2}
        />
      )}
    </G>
  );
}
