import type { ProgressLine } from '@wimbel/core';
import { monthAbbreviation } from '../shared/format.ts';
import { Axis, shareLevels } from './Axis.tsx';

/** What pictures of progress stand on: 0, 50 and 100 %, the months below, today. */
export function ProgressAxis({
  layout,
  ...size
}: {
  layout: ProgressLine;
  widthPx: number;
  heightPx: number;
  axisPx: number;
}) {
  return (
    <Axis
      {...size}
      levels={shareLevels(layout.yOf)}
      names={layout.ticks.map(({ month, x }) => ({ text: monthAbbreviation(month), x }))}
      todayX={layout.todayX}
    />
  );
}
