import { boring } from '@wimbel/core';
import { useId, useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Defs, G, Line, LinearGradient, Path, Rect, Stop } from 'react-native-svg';
import { useTheme } from '../theme/Theme.tsx';
import { useWidth } from './useWidth.ts';

type BoringPart = { id: string; progress: number; expected: number | null; color: string };

type Props = {
  parts: readonly BoringPart[];
  heightPx: number;
  label: string;
  /** A small one, for lists: no grain, no shavings. */
  isSmall?: boolean;
};

const SHAVING_PX = 26;

/** A goal as its plank: each key result a hole as deep as its progress, with a tick where it was expected by today. */
export function BoringPicture({ parts, heightPx, label, isSmall = false }: Props) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const layout = useMemo(
    () => (widthPx === 0 ? null : boring(parts, { widthPx, heightPx, widestPx: isSmall ? 14 : 46 })),
    [parts, widthPx, heightPx, isSmall],
  );
  const wood = `wood-${useId().replaceAll(':', '')}`;
  const belowPx = isSmall ? 2 : SHAVING_PX;
  return (
    <View
      onLayout={onLayout}
      role="img"
      aria-label={label}
      style={{ alignSelf: 'stretch', minHeight: heightPx + belowPx }}
    >
      {layout === null ? null : (
        <Svg width={widthPx} height={heightPx + belowPx} aria-hidden>
          <Defs>
            <LinearGradient id={wood} x1="0" y1="0" x2="0" y2="1">
              <Stop offset="0" stopColor={colors.wood.top} />
              <Stop offset="1" stopColor={colors.wood.bottom} />
            </LinearGradient>
          </Defs>
          <Rect
            x={0.5}
            y={0.5}
            width={widthPx - 1}
            height={heightPx - 1}
            rx={isSmall ? 3 : 7}
            fill={`url(#${wood})`}
            stroke={colors.wood.edge}
          />
          {isSmall
            ? null
            : Array.from({ length: 8 }, (_, index) => {
                const y = ((index + 0.7) / 8.4) * heightPx;
                const sway = (index % 3) * 3 - 3;
                return (
                  <Path
                    key={index}
                    d={`M4 ${y}C${widthPx * 0.3} ${y + sway} ${widthPx * 0.6} ${y - sway} ${widthPx - 4} ${y + sway / 2}`}
                    stroke={colors.wood.grain}
                    strokeWidth={1.1}
                    fill="none"
                    opacity={0.8}
                  />
                );
              })}
          {layout.holes.map((hole) => {
            const color = parts.find((part) => part.id === hole.id)?.color ?? colors.working;
            return (
              <G key={hole.id}>
                <Path d={`M${hole.left} 1H${hole.left + hole.width}`} stroke={colors.wood.edge} strokeWidth={2} />
                {hole.path === '' ? null : <Path d={hole.path} fill={color} />}
                {hole.tick === null ? null : (
                  <Line
                    x1={hole.tick.left}
                    x2={hole.tick.right}
                    y1={Math.max(1.5, Math.min(heightPx - 1.5, hole.tick.y))}
                    y2={Math.max(1.5, Math.min(heightPx - 1.5, hole.tick.y))}
                    stroke={colors.brass}
                    strokeWidth={isSmall ? 2 : 3.4}
                    strokeLinecap="round"
                  />
                )}
                {hole.isThrough && !isSmall ? (
                  <Path
                    d={`M${hole.x - 13} ${heightPx + 8}c5 11 10 11 13 2s9 -9 12 6`}
                    fill="none"
                    stroke={colors.wood.edge}
                    strokeWidth={2.6}
                    strokeLinecap="round"
                  />
                ) : null}
              </G>
            );
          })}
        </Svg>
      )}
    </View>
  );
}
