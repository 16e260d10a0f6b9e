import type { Mood } from '@wimbel/core';
import Svg, { Circle, ClipPath, Defs, G, Line, Path, Rect } from 'react-native-svg';
import { useId } from 'react';
import { useTheme } from '../theme/Theme.tsx';

const WIDTH = 56;
const HEIGHT = 48;
const SEA_Y = 36;
const SUN_R = 8;
/** How high the sun stands, by mood: under the line, on it, and three heights above. */
const SUN_Y: Record<Mood, number> = { 1: 42, 2: SEA_Y, 3: 25, 4: 18, 5: 16 };
const RAYS = 8;

/** A mood as the height of the sun over the sea. */
export function SunPicture({
  mood,
  isChosen = false,
  widthPx = WIDTH,
}: {
  mood: Mood;
  isChosen?: boolean;
  widthPx?: number;
}) {
  const { colors } = useTheme();
  const clip = useId().replace(/:/g, '');
  const sun = isChosen ? colors.brass : colors.rim;
  const sea = isChosen ? colors.working : colors.rim;
  const y = SUN_Y[mood];
  const x = WIDTH / 2;
  return (
    <Svg width={widthPx} height={(widthPx * HEIGHT) / WIDTH} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden>
      <Defs>
        <ClipPath id={clip}>
          <Rect x={0} y={0} width={WIDTH} height={SEA_Y - 1} />
        </ClipPath>
      </Defs>
      {mood === 1 ? (
        <Circle cx={x} cy={y - 1} r={SUN_R - 3} fill="none" stroke={sun} strokeWidth={1.8} strokeDasharray="3 2.4" />
      ) : (
        <G clipPath={mood === 2 ? `url(#${clip})` : undefined}>
          <Circle cx={x} cy={y} r={SUN_R} fill={sun} />
        </G>
      )}
      {mood === 5
        ? Array.from({ length: RAYS }, (_, ray) => {
            const angle = (ray * 2 * Math.PI) / RAYS;
            const [dx, dy] = [Math.cos(angle), Math.sin(angle)];
            return (
              <Line
                key={ray}
                x1={x + dx * (SUN_R + 3)}
                y1={y + dy * (SUN_R + 3)}
                x2={x + dx * (SUN_R + 6.5)}
                y2={y + dy * (SUN_R + 6.5)}
                stroke={sun}
                strokeWidth={2}
                strokeLinecap="round"
              />
            );
          })
        : null}
      <Path
        d={`M6 ${SEA_Y} q5.5 -5 11 0 t11 0 t11 0 t11 0`}
        fill="none"
        stroke={sea}
        strokeWidth={2.2}
        strokeLinecap="round"
      />
    </Svg>
  );
}
