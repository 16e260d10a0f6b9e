import { type PlainDay, type PlateCell, plateLayers, toneScale } from '@wimbel/core';
import { memo, useMemo } from 'react';
import Svg, { Circle, Path, Text as SvgText } from 'react-native-svg';
import { useTheme } from '../theme/Theme.tsx';
import { FAMILIES } from '../theme/type.ts';

/** The lightest a mark is: tone and area begin together. */
const LIGHTEST = 0.3;
const toneOf = (ratio: number): number => LIGHTEST + (1 - LIGHTEST) * ratio;

/** The cells of a heat map: area and tone grow together; full days have a pale eye, days without anything are rings, days to come dots. */
export const PlateMarks = memo(function PlateMarks({ cells }: { cells: readonly PlateCell[] }) {
  const { colors } = useTheme();
  const layers = useMemo(() => plateLayers(cells), [cells]);
  const tone = useMemo(() => toneScale(colors.faint, colors.deep), [colors]);
  return (
    <>
      <Path d={layers.dots} fill={colors.rim} />
      <Path d={layers.rings} fill="none" stroke={colors.rim} strokeWidth={1} />
      {layers.marks.map(({ ratio, path }) => (
        <Path key={ratio} d={path} fill={tone(toneOf(ratio))} />
      ))}
      <Path d={layers.eyes} fill={colors.raised} />
    </>
  );
});

/** The rings around today and around the cell that is looked at. */
export function CellRings({
  cells,
  today,
  at,
  radiusPx,
}: {
  cells: readonly PlateCell[];
  today: PlainDay;
  at: PlainDay | null;
  radiusPx: number;
}) {
  const { colors } = useTheme();
  return cells
    .filter(({ day }) => day === today || day === at)
    .map(({ day, x, y }) => (
      <Circle
        key={day}
        cx={x}
        cy={y}
        r={radiusPx}
        fill="none"
        stroke={day === at ? colors.ink : colors.brass}
        strokeWidth={1.6}
      />
    ));
}

/** What the marks of a heat map mean. */
export function PlateLegend({ words }: { words: { none: string; all: string } }) {
  const { colors } = useTheme();
  const tone = toneScale(colors.faint, colors.deep);
  const text = { fontSize: 12, fontFamily: FAMILIES.regular, fill: colors.quiet };
  return (
    <Svg width={290} height={20} aria-hidden>
      <SvgText {...text} x={0} y={14}>
        {words.none}
      </SvgText>
      <Circle cx={58} cy={10} r={4.4} fill="none" stroke={colors.rim} />
      {[0.2, 0.45, 0.7, 1].map((ratio, index) => (
        <Circle
          key={ratio}
          cx={76 + index * 18}
          cy={10}
          r={6 * Math.sqrt(0.12 + 0.88 * ratio)}
          fill={tone(toneOf(ratio))}
        />
      ))}
      <Circle cx={130} cy={10} r={1.5} fill={colors.raised} />
      <SvgText {...text} x={146} y={14}>
        {words.all}
      </SvgText>
    </Svg>
  );
}
