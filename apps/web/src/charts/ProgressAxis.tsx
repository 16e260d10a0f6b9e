import type { ProgressLine } from '@wimbel/core';
import { Path } from 'react-native-svg';
import { monthAbbreviation } from '../text/format.ts';
import { Axis, shareLevels } from './Axis.tsx';

/** Axes of progress pictures: 0, 50 and 100 %, months, today. */
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

/** Progress in steps, the line it was expected along dotted, and where it leads broken. */
export function ProgressPaths({
  layout,
  color,
  expectedColor = color,
}: {
  layout: ProgressLine;
  color: string;
  expectedColor?: string;
}) {
  return (
    <>
      <Path
        d={layout.expectedPath}
        fill="none"
        stroke={expectedColor}
        strokeWidth={1.6}
        strokeDasharray="1 5"
        strokeLinecap="round"
      />
      <Path d={layout.forecastPath} fill="none" stroke={color} strokeWidth={1.5} strokeDasharray="6 6" />
      <Path d={layout.path} fill="none" stroke={color} strokeWidth={2.6} strokeLinejoin="round" />
    </>
  );
}
