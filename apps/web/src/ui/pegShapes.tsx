import { CURL_PATH, type PegState, fillPath, gappedRimPath } from '@wimbel/core';
import { memo } from 'react';
import { Circle, G, Path } from 'react-native-svg';
import { useTheme } from '../theme/Theme.tsx';

/** Below this radius a peg has no curl in its head. */
export const CURL_FROM_R = 8;
const DOT_R = 1.6;

/** The widths of the lines of a peg of a radius, and how its parts are sized. */
export const pegMeasures = (r: number) => ({
  stroke: Math.max(1, r * 0.09),
  missedStroke: Math.max(1.5, r * 0.16),
  restStroke: Math.max(1.4, r * 0.16),
  dotR: Math.min(DOT_R, r * 0.3),
  /** A part always shows, and never as the whole. */
  partRatio: (ratio: number): number => Math.max(0.12, Math.min(0.92, ratio)),
});

type Props = { state: PegState; x: number; y: number; r: number; color: string; ratio?: number };

/** A hole or peg as SVG shapes; its state shows by form first, then by colour. */
export const PegShapes = memo(function PegShapes({ state, x, y, r, color, ratio = 0 }: Props) {
  const { colors } = useTheme();
  const { stroke, missedStroke, restStroke, partRatio, dotR } = pegMeasures(r);
  const hole = <Circle cx={x} cy={y} r={r - stroke / 2} fill={colors.hole} stroke={colors.rim} strokeWidth={stroke} />;
  switch (state) {
    case 'outside':
      return null;
    case 'notAsked':
      return <Circle cx={x} cy={y} r={dotR} fill={colors.rim} />;
    case 'toCome':
      return <Circle cx={x} cy={y} r={r - stroke / 2} fill="none" stroke={colors.faint} strokeWidth={stroke} />;
    case 'blank':
      return hole;
    case 'done':
      return (
        <>
          <Circle cx={x} cy={y} r={r} fill={color} />
          {r >= CURL_FROM_R ? (
            <G transform={`translate(${x} ${y}) scale(${r})`}>
              <Path d={CURL_PATH} fill="none" stroke={colors.raised} strokeWidth={0.12} strokeLinecap="round" />
            </G>
          ) : null}
        </>
      );
    case 'part':
      return (
        <>
          {hole}
          <Path d={fillPath(x, y, r - stroke, partRatio(ratio))} fill={color} />
        </>
      );
    case 'rest':
      return (
        <>
          {hole}
          <Path
            d={`M${x - r * 0.42} ${y}H${x + r * 0.42}`}
            stroke={colors.ink}
            strokeWidth={restStroke}
            strokeLinecap="round"
          />
        </>
      );
    case 'missed':
      return (
        <>
          <Circle cx={x} cy={y} r={r - stroke} fill={colors.hole} />
          <Path
            d={gappedRimPath(x, y, r - missedStroke / 2)}
            fill="none"
            stroke={colors.madder}
            strokeWidth={missedStroke}
            strokeLinecap="butt"
          />
        </>
      );
  }
});
