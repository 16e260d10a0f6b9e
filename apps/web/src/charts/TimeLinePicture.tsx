import {
  type DaySpan,
  type PegState,
  type PlainDay,
  type TimeLineInput,
  type TimeLineRow,
  timeLine,
} from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Path, Text as SvgText } from 'react-native-svg';
import { monthAbbreviation } from '../text/format.ts';
import { themed, useTheme } from '../theme/Theme.tsx';
import { FAMILIES } from '../theme/type.ts';
import { Words } from '../ui/Words.tsx';
import { PegShapes } from '../ui/pegShapes.tsx';
import { useWidth } from './useWidth.ts';

export type TimeLineThing = TimeLineInput & {
  title: string;
  words: string;
  tone: 'madder' | 'brassText' | 'working' | 'quiet';
  isMilestone: boolean;
  peg: PegState;
};

const ROW_PX = 50;
/** Where there is little width, the words of a row stand below its title. */
const NARROW_ROW_PX = 84;
const NARROW_BELOW_PX = 300;
const FOOT_PX = 20;
/** How far above the end of its row a mark stands. */
const MARK_PX = 11;

/** Steps and milestones on one axis of time: bars and pegs, cords from what comes first, today as a line. */
export function TimeLinePicture({
  things,
  goal,
  today,
  label,
}: {
  things: readonly TimeLineThing[];
  goal: DaySpan;
  today: PlainDay;
  label: string;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const isNarrow = widthPx > 0 && widthPx < NARROW_BELOW_PX;
  const rowPx = isNarrow ? NARROW_ROW_PX : ROW_PX;
  const layout = useMemo(
    () => (widthPx === 0 ? null : timeLine(things, { goal, today }, { widthPx, rowPx, padPx: 12 })),
    [things, goal, today, widthPx, rowPx],
  );
  const heightPx = things.length * rowPx + FOOT_PX;
  return (
    <View onLayout={onLayout} role="group" aria-label={label} style={{ height: heightPx }}>
      {layout === null ? null : (
        <Svg width={widthPx} height={heightPx} aria-hidden style={styles.picture}>
          {layout.ticks.map((tick) => (
            <G key={tick.month}>
              <Line x1={tick.x} x2={tick.x} y1={0} y2={layout.heightPx} stroke={colors.line} strokeWidth={1} />
              <SvgText
                x={Math.min(widthPx - 26, tick.x)}
                y={layout.heightPx + 14}
                fontSize={11}
                fontFamily={FAMILIES.regular}
                fill={colors.quiet}
              >
                {monthAbbreviation(tick.month)}
              </SvgText>
            </G>
          ))}
          <Line
            x1={layout.todayX}
            x2={layout.todayX}
            y1={0}
            y2={layout.heightPx}
            stroke={colors.brass}
            strokeWidth={1.6}
          />
          <G y={rowPx / 2 - MARK_PX}>
            {layout.links.map((link) => (
              <Path
                key={`${link.from} ${link.to}`}
                d={link.path}
                fill="none"
                stroke={colors.brass}
                strokeWidth={1.8}
                opacity={0.75}
              />
            ))}
            {layout.rows.map((row, index) => (
              <ThingMark key={row.id} row={row} thing={things[index]!} />
            ))}
          </G>
        </Svg>
      )}
      {things.map((thing) => (
        <View key={thing.id} style={[styles.row, { height: rowPx }, isNarrow && styles.stacked]}>
          <Words type={thing.isMilestone ? 'label' : 'quiet'} numberOfLines={isNarrow ? 2 : 1} style={styles.title}>
            {thing.title}
          </Words>
          <Words type="small" tone={thing.tone} numberOfLines={1} style={[styles.words, isNarrow && styles.below]}>
            {thing.words}
          </Words>
        </View>
      ))}
    </View>
  );
}

/** The days of a step or milestone as a bar, and its peg where it is due. */
function ThingMark({ row, thing }: { row: TimeLineRow; thing: TimeLineThing }) {
  const { colors } = useTheme();
  const color = thing.tone === 'madder' ? colors.madder : colors.working;
  return (
    <G>
      {row.x2 > row.x1 ? (
        <Line
          x1={row.x1}
          x2={row.x2}
          y1={row.y}
          y2={row.y}
          stroke={color}
          strokeWidth={4}
          strokeLinecap="round"
          opacity={0.45}
        />
      ) : null}
      <PegShapes state={thing.peg} x={row.x2} y={row.y} r={thing.isMilestone ? 8 : 5.5} color={color} ratio={0} />
    </G>
  );
}

const useStyles = themed((colors) => ({
  picture: { position: 'absolute', left: 0, top: 0 },
  row: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'flex-start', gap: 8 },
  stacked: { flexDirection: 'column', justifyContent: 'flex-start', gap: 0 },
  below: { maxWidth: '100%', paddingLeft: 0, paddingRight: 6 },
  // The lines behind stop where words stand.
  title: { flexShrink: 1, backgroundColor: colors.raised, paddingRight: 6, paddingVertical: 2 },
  words: {
    flexShrink: 0,
    maxWidth: '55%',
    lineHeight: 18,
    backgroundColor: colors.raised,
    paddingLeft: 6,
    paddingVertical: 2,
  },
}));
