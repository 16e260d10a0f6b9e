import { areaRing } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Circle, G, Path, Text as SvgText } from 'react-native-svg';
import { useTheme } from '../theme/Theme.tsx';
import { FAMILIES } from '../theme/type.ts';
import { MarkedPicture } from './MarkedPicture.tsx';
import type { MarkChoice } from './useMarks.ts';

type AreaPart = { color: string; count: number; share: number | null };

type Props = {
  parts: readonly AreaPart[];
  label: string;
  middle: { figure: string; words: string };
  choice: MarkChoice;
};

const SIDE_PX = 236;
const OUTER_PX = 114;
const INNER_PX = 72;
/** From where a part's figure stands to the middle of the part, outward. */
const POINTED = (OUTER_PX + INNER_PX) / 2 / (INNER_PX * 0.8);
/** The least of a turn in which a number has room. */
const LEAST_TURN = 0.045;

/** How a count (done days, goals) divides among areas: a numbered part of the ring for each, as wide as its count, filled as far as its share. */
export function AreasRingPicture({ parts, label, middle, choice }: Props) {
  const { colors } = useTheme();
  const ring = useMemo(() => areaRing(parts, { outerPx: OUTER_PX, innerPx: INNER_PX }), [parts]);
  const center = SIDE_PX / 2;
  return (
    <View style={{ alignItems: 'center' }}>
      <MarkedPicture
        label={label}
        widthPx={SIDE_PX}
        heightPx={SIDE_PX}
        marks={ring.flatMap(({ label: { x, y }, turn }, key) =>
          // Pointed at around the middle of its part.
          turn === 0 ? [] : [{ key, x: center + x * POINTED, y: center + y * POINTED }],
        )}
        choice={choice}
        by="both"
        rowStep={1}
        start={0}
        testID="areas-ring"
      >
        <G x={center} y={center}>
          {ring.map(({ room, filled, label: at, turn }, key) =>
            turn === 0 ? null : (
              <G key={key}>
                <Path
                  d={room}
                  fill={colors.hole}
                  stroke={choice.at === key ? colors.ink : parts[key]!.color}
                  strokeWidth={choice.at === key ? 2.4 : 1}
                />
                <Path d={filled} fill={parts[key]!.color} />
                {turn < LEAST_TURN ? null : (
                  <>
                    <Circle cx={at.x} cy={at.y} r={9} fill={parts[key]!.color} />
                    <SvgText
                      x={at.x}
                      y={at.y + 4}
                      fontSize={11}
                      fontFamily={FAMILIES.bold}
                      fill={colors.raised}
                      textAnchor="middle"
                    >
                      {String(key + 1)}
                    </SvgText>
                  </>
                )}
              </G>
            ),
          )}
          <SvgText x={0} y={0} fontSize={21} fontFamily={FAMILIES.head} fill={colors.ink} textAnchor="middle">
            {middle.figure}
          </SvgText>
          <SvgText x={0} y={17} fontSize={12} fontFamily={FAMILIES.regular} fill={colors.quiet} textAnchor="middle">
            {middle.words}
          </SvgText>
        </G>
      </MarkedPicture>
    </View>
  );
}
