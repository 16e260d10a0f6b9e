import { type Track, cordsIn, pegStateOf } from '@wimbel/core';
import Svg, { Line } from 'react-native-svg';
import { selectHidesStreaks } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { useTheme } from '../../theme/Theme.tsx';
import { PegShapes } from '../../ui/pegShapes.tsx';

const DAYS = 7;
const PITCH_PX = 11;
const R = 3.6;

/** The last seven days of a habit up to a day, with the cord of its streak. */
export function MiniCord({ track, day, color }: { track: Track; day: number; color: string }) {
  const { colors } = useTheme();
  const hidesStreaks = useAppSelector(selectHidesStreaks);
  const span = { first: day - DAYS + 1, last: day };
  const xOf = (each: number): number => R + 1 + (each - span.first) * PITCH_PX;
  const widthPx = PITCH_PX * (DAYS - 1) + 2 * R + 2;
  const y = R + 2;
  return (
    <Svg width={widthPx} height={2 * y} aria-hidden>
      {(hidesStreaks ? [] : cordsIn(track, span)).map((cord) => (
        <Line
          key={cord.first}
          x1={xOf(cord.first)}
          x2={xOf(cord.last)}
          y1={y}
          y2={y}
          stroke={colors.brass}
          strokeWidth={1.8}
        />
      ))}
      {Array.from({ length: DAYS }, (_, index) => span.first + index).map((each) => (
        <PegShapes key={each} state={pegStateOf(track, each)} x={xOf(each)} y={y} r={R} color={color} ratio={0.5} />
      ))}
    </Svg>
  );
}
