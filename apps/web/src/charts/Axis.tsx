import { G, Line, Text as SvgText } from 'react-native-svg';
import { useTheme } from '../theme/Theme.tsx';
import { FAMILIES } from '../theme/type.ts';

/** Width of labels beside every picture, so that stacked pictures align. */
export const AXIS_PX = 40;

type Props = {
  /** Levels with what is written beside them. */
  levels: readonly { text: string; y: number }[];
  /** What is written below, and where its left edge (or its middle) stands. */
  names: readonly { text: string; x: number }[];
  isMiddle?: boolean;
  widthPx: number;
  /** Anchor of the names. */
  heightPx: number;
  axisPx: number;
  todayX?: number | null;
};

/** The least that the last name needs to its right. */
const NAME_PX = 26;

/** Axes of a picture: grid lines with values, names below, a brass line for today. */
export function Axis({ levels, names, isMiddle = false, widthPx, heightPx, axisPx, todayX = null }: Props) {
  const { colors } = useTheme();
  const text = { fontSize: 11, fontFamily: FAMILIES.regular, fill: colors.quiet };
  return (
    <>
      {levels.map(({ text: written, y }) => (
        <G key={y}>
          <Line x1={axisPx} x2={widthPx} y1={y} y2={y} stroke={colors.line} strokeWidth={1} />
          <SvgText {...text} x={0} y={y + 4}>
            {written}
          </SvgText>
        </G>
      ))}
      {todayX === null ? null : (
        <Line x1={todayX} x2={todayX} y1={4} y2={heightPx - 4} stroke={colors.brass} strokeWidth={1.4} />
      )}
      {names.map(({ text: written, x }) => (
        <SvgText
          key={`${written} ${x}`}
          {...text}
          x={isMiddle ? x : Math.min(widthPx - NAME_PX, x)}
          y={heightPx + 14}
          textAnchor={isMiddle ? 'middle' : 'start'}
        >
          {written}
        </SvgText>
      ))}
    </>
  );
}

/** 0, 50 and 100 % at their heights. */
export const shareLevels = (yOf: (ratio: number) => number): { text: string; y: number }[] =>
  [0, 0.5, 1].map((ratio) => ({ text: `${ratio * 100} %`, y: yOf(ratio) }));

/** What is aimed at, dotted across a picture. */
export function AimLine({ y, x1, x2 }: { y: number; x1: number; x2: number }) {
  const { colors } = useTheme();
  return <Line x1={x1} x2={x2} y1={y} y2={y} stroke={colors.brass} strokeWidth={1.6} strokeDasharray="2 5" />;
}
