import type { Mood } from '@wimbel/core';
import Svg, { Path } from 'react-native-svg';
import { useTheme } from '../theme/Theme.tsx';

const WIDTH = 56;
const HEIGHT = 48;
const SEA_Y = 36;
const SUN_R = 8;
/** How high the sun stands, by mood: under the line, on it, and three heights above. */
const SUN_Y: Record<Mood, number> = { 1: 42, 2: SEA_Y, 3: 25, 4: 18, 5: 16 };
const RAYS = 8;

const X = WIDTH / 2;

const disc = (y: number, r: number): string => `M${X - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`;
/** What is seen of the sun: a ring below the sea, half of it on the line, else all. */
const SUNS: Record<Mood, string> = {
  1: disc(SUN_Y[1] - 1, SUN_R - 3),
  2: `M${X - SUN_R} ${SEA_Y - 1}a${SUN_R} ${SUN_R} 0 0 1 ${2 * SUN_R} 0z`,
  3: disc(SUN_Y[3], SUN_R),
  4: disc(SUN_Y[4], SUN_R),
  5: disc(SUN_Y[5], SUN_R),
};
const RAYS_PATH = Array.from({ length: RAYS }, (_, ray) => {
  const angle = (ray * 2 * Math.PI) / RAYS;
  const at = (r: number): string => `${X + Math.cos(angle) * r} ${SUN_Y[5] + Math.sin(angle) * r}`;
  return `M${at(SUN_R + 3)}L${at(SUN_R + 6.5)}`;
}).join('');

/** A mood as the height of the sun over the sea. Few paths: a list draws many of them. */
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
  const sun = isChosen ? colors.brass : colors.rim;
  const sea = isChosen ? colors.working : colors.rim;
  return (
    <Svg width={widthPx} height={(widthPx * HEIGHT) / WIDTH} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden>
      {mood === 1 ? (
        <Path d={SUNS[1]} fill="none" stroke={sun} strokeWidth={1.8} strokeDasharray="3 2.4" />
      ) : (
        <Path d={SUNS[mood]} fill={sun} />
      )}
      {mood === 5 ? <Path d={RAYS_PATH} stroke={sun} strokeWidth={2} strokeLinecap="round" /> : null}
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
