import { type Area, type DaySpan, type LogSpan, PARTS_OF_DAY, type Track, pegboardColumns } from '@wimbel/core';
import { useMemo } from 'react';
import { useLocalNameSet } from '../../../platform/localSettings.ts';
import { PART_WORDS } from '../../../text/format.ts';
import { selectAreas, selectSettings } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useIsCompact, useIsWide } from '../../../theme/Theme.tsx';
import { OFTEN, OFTEN_WORDS, oftenOf } from '../../../text/often.ts';
import type { Group } from '../ArrangeSheet.tsx';
import { type HabitLine, logLines } from '../logRows.ts';
import { tellsRunning } from '../logWords.ts';
import { pegboardSize } from './pegboardSize.ts';
import { useWindowed, within } from './useWindowed.ts';

/** How often habits are due, as groups. */
const OFTEN_GROUPS: readonly Area[] = OFTEN.map((id, order) => ({ id, name: OFTEN_WORDS[id], order }));
/** The parts of the day as groups. */
const PARTS: readonly Area[] = PARTS_OF_DAY.map((id, order) => ({ id, name: PART_WORDS[id], order }));

/** Budget of a board's first frame, in holes; more would block the page. */
const FIRST_HOLES = 200;
/** The name and the figures of a line are as much to draw as so many holes. */
const LINE_HOLES = 13;
/** However many days there are, so many lines come with it. */
const FIRST_LINES = 3;

/** The lines rendered in the first frame, each with so many days. */
export const firstLines = <T>(lines: readonly T[], days: number): T[] =>
  lines.slice(0, Math.max(FIRST_LINES, Math.floor(FIRST_HOLES / (days + LINE_HOLES))));

/** Layout of a pegboard, and the part of it to render. */
export function useBoardLayout(tracks: readonly Track[], kind: LogSpan, span: DaySpan, group: Group) {
  const isWide = useIsWide();
  const isCompact = useIsCompact();
  const { weekStart } = useAppSelector(selectSettings);
  const areas = useAppSelector(selectAreas);
  const [folded, fold] = useLocalNameSet('logFolded');
  const { box, size: boxSize, seen, isFirst, look, measure } = useWindowed();
  const dayCount = span.last - span.first + 1;
  const size = useMemo(
    () => pegboardSize(boxSize.widthPx, isWide, dayCount, kind, isCompact),
    [boxSize.widthPx, isWide, dayCount, kind, isCompact],
  );
  const days = useMemo(() => pegboardColumns(span, weekStart, size.cellPx, size.weekGapPx), [span, weekStart, size]);
  const { lines, heightPx } = useMemo(
    () =>
      logLines(
        tracks,
        group === 'part' ? PARTS : group === 'often' ? OFTEN_GROUPS : areas,
        group !== 'together',
        size,
        (track) => tellsRunning(track, kind, span),
        group === 'part' ? ({ habit }) => habit.partOfDay : group === 'often' ? oftenOf : undefined,
        folded,
      ),
    [tracks, areas, group, size, kind, span, folded],
  );
  const habits = useMemo(() => lines.filter((line): line is HabitLine => line.kind === 'habit'), [lines]);
  const columns = useMemo(
    () => within(days.columns, (column) => column.x, size.cellPx, seen.left, seen.right - size.namesPx),
    [days, size, seen.left, seen.right],
  );
  // Before the board is measured nothing has its place yet.
  const isMeasured = boxSize.widthPx > 0;
  const near = useMemo(
    () => (isMeasured ? within(lines, (line) => line.y, size.tallRowPx, seen.top, seen.bottom - size.headPx) : []),
    [isMeasured, lines, size, seen.top, seen.bottom],
  );
  const drawn = useMemo(() => (isFirst ? firstLines(near, columns.length) : near), [isFirst, near, columns.length]);
  // What the ground is made of stays the same for as long as none of it changes.
  const ground = useMemo(() => ({ size, days, columns, habits, heightPx }), [size, days, columns, habits, heightPx]);
  return {
    ground,
    folded,
    fold,
    box,
    boxSize,
    look,
    measure,
    size,
    days,
    lines,
    heightPx,
    habits,
    columns,
    drawn,
    isFirst,
    // Its lines come once it knows how much room it has, and not all at once.
    isComing: lines.length > 0 && (isFirst || !isMeasured),
    dayCount,
    isWide,
  };
}

export type BoardLayout = ReturnType<typeof useBoardLayout>;
