import {
  type PlainDay,
  type Season,
  type SeasonFigures,
  type SeasonHole,
  seasonPlate,
  seasonWeekOn,
  wholePercent,
} from '@wimbel/core';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Circle, G, Line, Path } from 'react-native-svg';
import { percent } from '../text/format.ts';
import { themed, useTheme } from '../theme/Theme.tsx';
import { Words } from '../ui/Words.tsx';
import { useWidth } from './useWidth.ts';

/** Room for the number of a week and its score below its hole. */
const [WORDS_PX, RING_PX] = [32, 6];

/**
 * The run of a season's weeks: each a hole filling to its score, the pass mark a line across it, the running week ringed, those
 * to come bare. A week that has begun opens.
 */
export function SeasonPicture({
  season,
  figures: { weeks },
  passMark,
  today,
  onWeek,
}: {
  season: Season;
  figures: SeasonFigures;
  passMark: number;
  today: PlainDay;
  /** Opens a week; without it the picture is only looked at. */
  onWeek?: (week: number) => void;
}) {
  const styles = useStyles();
  const [widthPx, onLayout] = useWidth();
  const running = seasonWeekOn(season, today);
  const plate = useMemo(() => {
    const hasBegun = (week: number): boolean => weeks[week]!.from <= today;
    return seasonPlate(
      weeks.map(({ from, score }) => (from <= today ? score : null)),
      { widthPx: widthPx - 2 * RING_PX, passMark, wordsPx: WORDS_PX, isGone: hasBegun },
    );
  }, [weeks, widthPx, passMark, today]);
  const told = weeks
    .filter(({ from }) => from <= today)
    .map(({ score, onTrack }, week) => `week ${week + 1} ${percent(score)}${onTrack ? ' on track' : ''}`);
  return (
    <View
      onLayout={onLayout}
      role={onWeek ? 'group' : 'img'}
      aria-label={`The weeks of ${season.title}: ${told.length === 0 ? 'none has begun' : told.join(', ')}`}
      style={{ height: plate.heightPx + RING_PX, alignSelf: 'stretch' }}
    >
      {widthPx === 0 ? null : (
        <>
          <Svg width={widthPx} height={plate.heightPx + RING_PX} aria-hidden>
            <G x={RING_PX} y={RING_PX}>
              {plate.holes.map((hole) => (
                <HoleShapes key={hole.week} hole={hole} isRunning={hole.week === running} />
              ))}
            </G>
          </Svg>
          {plate.holes.map(({ week, x, y, r }) => {
            const { score, onTrack, from } = weeks[week]!;
            const hasBegun = from <= today;
            const words = (
              <>
                <View style={{ height: 2 * r + 8 }} />
                <Words type={week === running ? 'smallStrong' : 'small'} tone={week === running ? 'ink' : 'quiet'}>
                  {week + 1}
                </Words>
                <Words type="small" tone="quiet">
                  {!hasBegun ? '' : score === null ? '–' : String(wholePercent(score))}
                </Words>
              </>
            );
            const place = {
              left: x + RING_PX - r - 2,
              top: y + RING_PX - r - 2,
              width: 2 * r + 4,
              height: 2 * r + 4 + WORDS_PX,
            };
            return onWeek && hasBegun ? (
              <Pressable
                key={week}
                role="button"
                aria-label={`Week ${week + 1}, ${percent(score)}${onTrack ? ', on track' : ''}: open it`}
                onPress={() => onWeek(week)}
                style={[styles.week, place]}
              >
                {words}
              </Pressable>
            ) : (
              <View key={week} aria-hidden style={[styles.week, place]}>
                {words}
              </View>
            );
          })}
        </>
      )}
    </View>
  );
}

function HoleShapes({ hole: { x, y, r, fill, mark }, isRunning }: { hole: SeasonHole; isRunning: boolean }) {
  const { colors } = useTheme();
  return (
    <G>
      <Circle
        cx={x}
        cy={y}
        r={r - 0.75}
        fill={mark === null ? 'none' : colors.hole}
        stroke={mark === null ? colors.faint : colors.rim}
        strokeWidth={1.4}
      />
      {fill === '' ? null : <Path d={fill} fill={colors.working} />}
      {mark === null ? null : (
        <Line
          x1={mark.left}
          x2={mark.right}
          y1={mark.y}
          y2={mark.y}
          stroke={colors.brass}
          strokeWidth={2}
          strokeLinecap="round"
        />
      )}
      {isRunning ? <Circle cx={x} cy={y} r={r + 3.5} fill="none" stroke={colors.brass} strokeWidth={2} /> : null}
    </G>
  );
}

const useStyles = themed(() => ({
  week: { position: 'absolute', alignItems: 'center' },
}));
