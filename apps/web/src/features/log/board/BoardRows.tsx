import { type DaySpan, type LogSpan, type Track, isActiveIn } from '@wimbel/core';
import { memo, useMemo } from 'react';
import { View } from 'react-native';
import { selectHidesStreaks, selectSettings } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { AreaRow } from './AreaRow.tsx';
import { PegboardRow } from './PegboardRow.tsx';
import { RangeMark } from '../range/RangeMark.tsx';
import { figuresOf, figuresTogether } from '../logRows.ts';
import type { BoardLayout } from './useBoardLayout.ts';
import type { Range } from '../range/useRange.ts';

/** Key of the group of habits without an area. */
const NO_GROUP = 'none';

const isWithin = (row: number, { rows }: Range): boolean => row >= rows[0] && row <= rows[1];

/** The lines of a pegboard that are near enough to be seen: habits, and the groups above them. */
export function BoardRows({
  layout,
  kind,
  span,
  range,
  onName,
}: {
  layout: BoardLayout;
  kind: LogSpan;
  span: DaySpan;
  range: Range | null;
  onName: (habitId: string) => void;
}) {
  const { colors } = useTheme();
  const { passMark } = useAppSelector(selectSettings);
  const areaById = useAppSelector((state) => state.records.areas);
  const hidesStreaks = useAppSelector(selectHidesStreaks);
  const { size, days, lines, habits, columns, drawn, isWide } = layout;
  const tallSize = useMemo(() => ({ ...size, rowPx: size.tallRowPx }), [size]);
  const rowOf = useMemo(() => new Map(habits.map(({ track }, row) => [track.habit.id, row])), [habits]);
  const colorOf = (track: Track): string => dyeColor(colors, areaById[track.habit.areaId ?? '']?.color);
  return drawn.map((line) =>
    line.kind === 'area' ? (
      <AreaRow
        key={line.key}
        area={line.area}
        figures={figuresTogether(line.tracks, kind, span, passMark)}
        asked={{
          figure: 'kept',
          span,
          habitIds: line.tracks.filter((track) => isActiveIn(track, span)).map(({ habit }) => habit.id),
          name: line.area?.name ?? 'No area',
        }}
        size={size}
        daysPx={days.widthPx}
        y={line.y}
        rowIndex={lines.indexOf(line) + 2}
        isWide={isWide}
        isFolded={layout.folded.has(line.area?.id ?? NO_GROUP)}
        onFold={() => layout.fold(line.area?.id ?? NO_GROUP)}
      />
    ) : (
      <PegboardRow
        key={line.key}
        track={line.track}
        figures={figuresOf(line.track, kind, span, passMark)}
        columns={columns}
        span={span}
        daysPx={days.widthPx}
        size={line.heightPx === size.rowPx ? size : tallSize}
        kind={kind}
        color={colorOf(line.track)}
        y={line.y}
        rowIndex={lines.indexOf(line) + 2}
        isWide={isWide}
        hidesStreaks={hidesStreaks}
        picked={range !== null && isWithin(rowOf.get(line.track.habit.id) ?? -1, range) ? range.days : null}
        onName={onName}
      />
    ),
  );
}

/** The ground under the holes: weekends, what is picked, a day that was asked for, today. */
export const BoardGround = memo(function BoardGround({
  layout: { size, days, columns, habits, heightPx },
  span,
  atX,
  todayX,
  range,
}: {
  layout: Pick<BoardLayout, 'size' | 'days' | 'columns' | 'habits' | 'heightPx'>;
  span: DaySpan;
  /** Where the day that was asked for stands, and today. */
  atX: number | null;
  todayX: number | null;
  range: Range | null;
}) {
  const styles = useStyles();
  const around = (x: number) => ({ left: x - 0.5, width: size.cellPx + 1, height: heightPx });
  return (
    <View aria-hidden style={[styles.under, { left: size.namesPx }]}>
      {columns
        .filter((column) => column.isWeekend)
        .map(({ day, x }) => (
          <View key={day} style={[styles.weekend, { left: x, width: size.cellPx, height: heightPx }]} />
        ))}
      <RangeMark range={range} habits={habits} days={days} span={span} size={size} />
      {atX === null ? null : <View style={[styles.at, around(atX)]} />}
      {todayX === null ? null : <View style={[styles.today, around(todayX)]} />}
    </View>
  );
});

const useStyles = themed((colors) => ({
  under: { position: 'absolute', top: 0, pointerEvents: 'none' },
  weekend: { position: 'absolute', top: 0, backgroundColor: colors.tint },
  at: { position: 'absolute', top: 0, backgroundColor: colors.wash },
  today: {
    position: 'absolute',
    top: 0,
    borderWidth: 2,
    borderTopWidth: 0,
    borderColor: colors.brass,
    borderBottomLeftRadius: 14,
    borderBottomRightRadius: 14,
  },
}));
