import type { DaySpan } from '@wimbel/core';
import { View } from 'react-native';
import { themed } from '../../../theme/Theme.tsx';
import type { HabitLine } from '../logRows.ts';
import type { PegboardSize } from '../board/pegboardSize.ts';
import type { Range } from './useRange.ts';

type Props = {
  range: Range | null;
  habits: readonly HabitLine[];
  days: { columns: readonly { x: number }[] };
  span: DaySpan;
  size: PegboardSize;
};

/** The ground under the holes that are picked. */
export function RangeMark({ range, habits, days, span, size }: Props) {
  const styles = useStyles();
  if (range === null) return null;
  const [top, bottom] = [habits[range.rows[0]], habits[range.rows[1]]];
  const left = days.columns[range.days.first - span.first]?.x;
  const right = days.columns[range.days.last - span.first]?.x;
  if (top === undefined || bottom === undefined || left === undefined || right === undefined) return null;
  return (
    <View
      style={[
        styles.mark,
        { left, width: right + size.cellPx - left, top: top.y + 1, height: bottom.y + bottom.heightPx - top.y - 2 },
      ]}
    />
  );
}

const useStyles = themed((colors) => ({
  mark: {
    position: 'absolute',
    borderWidth: 2,
    borderColor: colors.working,
    borderRadius: 12,
    backgroundColor: colors.wash,
  },
}));
