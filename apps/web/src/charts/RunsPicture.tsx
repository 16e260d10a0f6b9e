import { type DaySpan, type Run, runsPicture } from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { ClipPath, Defs, G, Path, Rect, Text as SvgText } from 'react-native-svg';
import { monthAbbreviation } from '../text/format.ts';
import { useTheme } from '../theme/Theme.tsx';
import { FAMILIES } from '../theme/type.ts';
import { AXIS_PX, Axis } from './Axis.tsx';
import { MarkedPicture } from './MarkedPicture.tsx';
import type { MarkChoice } from './useMarks.ts';
import { useWidth } from './useWidth.ts';

type Props = { runs: readonly Run[]; span: DaySpan; label: string; choice: MarkChoice };

const HEIGHT_PX = 130;
const PAD_PX = 16;
const FOOT_PX = 20;

/** A habit's runs as arches over the time they took, as high as they are long; the longest with its figure, the one still alive filled. */
export function RunsPicture({ runs, span, label, choice }: Props) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const layout = useMemo(
    () =>
      widthPx === 0 ? null : runsPicture(runs, span, { widthPx, heightPx: HEIGHT_PX, padPx: PAD_PX, axisPx: AXIS_PX }),
    [runs, span, widthPx],
  );
  const first = layout?.arches[layout.longest ?? 0];
  return (
    <View onLayout={onLayout} style={{ minHeight: HEIGHT_PX + FOOT_PX }}>
      {layout === null ? null : (
        <MarkedPicture
          label={label}
          widthPx={widthPx}
          heightPx={HEIGHT_PX + FOOT_PX}
          marks={layout.arches.map(({ x, y }, key) => ({ key, x, y }))}
          choice={choice}
          testID="runs"
        >
          <Defs>
            <ClipPath id="runs-within">
              <Rect x={AXIS_PX} y={0} width={Math.max(0, widthPx - AXIS_PX)} height={HEIGHT_PX} />
            </ClipPath>
          </Defs>
          <Axis
            levels={[
              { text: '0', y: layout.floor },
              { text: String(layout.most), y: layout.yOf(layout.most) },
            ]}
            names={layout.ticks.map(({ month, x }) => ({ text: monthAbbreviation(month), x }))}
            widthPx={widthPx}
            heightPx={HEIGHT_PX}
            axisPx={AXIS_PX}
          />
          <G clipPath="url(#runs-within)">
            {layout.arches.map(({ run, path }, key) => (
              <Path
                key={run.first}
                d={path}
                fill={run.isAlive ? colors.brass : 'none'}
                fillOpacity={run.isAlive ? 0.3 : 0}
                stroke={
                  choice.at === key ? colors.ink : run.isAlive || key === layout.longest ? colors.brass : colors.rim
                }
                strokeWidth={choice.at === key || key === layout.longest || run.isAlive ? 2.4 : 1.4}
              />
            ))}
          </G>
          {first === undefined ? null : (
            <SvgText
              x={Math.max(AXIS_PX + 8, Math.min(widthPx - 12, first.x))}
              y={first.y - 5}
              fontSize={12}
              fontFamily={FAMILIES.bold}
              fill={colors.brassText}
              textAnchor="middle"
            >
              {String(first.run.length)}
            </SvgText>
          )}
        </MarkedPicture>
      )}
    </View>
  );
}
