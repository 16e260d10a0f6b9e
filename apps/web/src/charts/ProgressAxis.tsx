import type { ProgressLine } from '@wimbel/core';
import { G, Line, Text as SvgText } from 'react-native-svg';
import { monthAbbreviation } from '../shared/format.ts';
import { useTheme } from '../theme/Theme.tsx';
import { FAMILIES } from '../theme/type.ts';

/** What pictures of progress stand on: 0, 50 and 100 %, the months below, today. */
export function ProgressAxis({
  layout,
  widthPx,
  heightPx,
  axisPx,
}: {
  layout: ProgressLine;
  widthPx: number;
  heightPx: number;
  axisPx: number;
}) {
  const { colors } = useTheme();
  const text = { fontSize: 11, fontFamily: FAMILIES.regular, fill: colors.quiet };
  return (
    <>
      {[0, 0.5, 1].map((ratio) => (
        <G key={ratio}>
          <Line
            x1={axisPx}
            x2={widthPx}
            y1={layout.yOf(ratio)}
            y2={layout.yOf(ratio)}
            stroke={colors.line}
            strokeWidth={1}
          />
          <SvgText {...text} x={0} y={layout.yOf(ratio) + 4}>
            {`${ratio * 100} %`}
          </SvgText>
        </G>
      ))}
      {layout.todayX === null ? null : (
        <Line x1={layout.todayX} x2={layout.todayX} y1={4} y2={heightPx - 4} stroke={colors.brass} strokeWidth={1.4} />
      )}
      {layout.ticks.map((tick) => (
        <SvgText key={tick.month} {...text} x={Math.min(widthPx - 26, tick.x)} y={heightPx + 14}>
          {monthAbbreviation(tick.month)}
        </SvgText>
      ))}
    </>
  );
}
