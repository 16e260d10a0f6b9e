import {
  type DaySpan,
  type PlainDay,
  type PlainMonth,
  type PlateCell,
  type PlateValue,
  type Weekday,
  monthsPlate,
  toneScale,
  weeksPlate,
} from '@wimbel/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Text as SvgText } from 'react-native-svg';
import { dateNumber, monthAbbreviation, shortDate } from '../shared/format.ts';
import { useTheme } from '../theme/Theme.tsx';
import { FAMILIES } from '../theme/type.ts';
import { useWidth } from './useWidth.ts';

type Props = {
  months: readonly PlainMonth[];
  /** Given, the span is shown as a calendar instead: a row for each week. */
  asWeeks?: { span: DaySpan; weekStart: Weekday };
  today: PlainDay;
  valueOf: (day: PlainDay) => PlateValue | null;
  /** The picture in one sentence. */
  label: string;
  chosen: PlainDay | null;
  onChoose: (day: PlainDay) => void;
};

const LABEL_PX = 34;
const WEEK_LABEL_PX = 46;
const WIDEST_CALENDAR_PX = 520;

/** The heat map of a year or some of its months: a row of round cells for each. A tap, the pointer or the arrow keys choose a day. */
export function YearPlate({ months, asWeeks, today, valueOf, label, chosen, onChoose }: Props) {
  const { colors } = useTheme();
  const [widthPx, onLayout] = useWidth();
  const rowPx = asWeeks ? 46 : Math.max(20, Math.min(30, widthPx / 24));
  const plate = useMemo(() => {
    if (widthPx === 0) return null;
    const size = {
      widthPx: asWeeks ? Math.min(widthPx, WIDEST_CALENDAR_PX) : widthPx,
      labelPx: asWeeks ? WEEK_LABEL_PX : LABEL_PX,
      rowPx,
    };
    return asWeeks
      ? weeksPlate(asWeeks.span, asWeeks.weekStart, today, valueOf, size)
      : monthsPlate(months, today, valueOf, size);
  }, [months, asWeeks, today, valueOf, widthPx, rowPx]);
  const tone = useMemo(() => toneScale(colors.faint, colors.deep), [colors]);
  const choose = (event: React.MouseEvent): void => {
    if (plate === null) return;
    const box = event.currentTarget.getBoundingClientRect();
    const [x, y] = [event.clientX - box.left, event.clientY - box.top];
    const row = plate.cells.filter((cell) => Math.abs(cell.y - y) <= rowPx / 2);
    const nearest = row.reduce<PlateCell | null>(
      (best, cell) => (best === null || Math.abs(cell.x - x) < Math.abs(best.x - x) ? cell : best),
      null,
    );
    if (nearest !== null && x > LABEL_PX - 8) onChoose(nearest.day);
  };
  const onKeyDown = (event: React.KeyboardEvent): void => {
    const steps: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 };
    const step = steps[event.key];
    const [first, last] = [plate?.cells[0]?.day, plate?.cells.at(-1)?.day];
    if (step === undefined || first === undefined || last === undefined) return;
    event.preventDefault();
    onChoose(Math.max(first, Math.min(last, (chosen ?? Math.min(today, last)) + step)));
  };
  const pointer = { onClick: choose, onKeyDown } as object;
  return (
    <View onLayout={onLayout} style={{ minHeight: asWeeks ? 5 * rowPx : months.length * 20 }}>
      {plate === null ? null : (
        <View
          {...pointer}
          role="img"
          aria-label={label}
          tabIndex={0}
          testID="year-plate"
          style={{ width: plate.widthPx, height: plate.heightPx, cursor: 'pointer' }}
        >
          <Svg width={plate.widthPx} height={plate.heightPx} aria-hidden>
            {plate.rows.map((row) => (
              <SvgText
                key={row.label}
                x={0}
                y={row.y + 4}
                fontSize={12}
                fontFamily={FAMILIES.regular}
                fill={colors.quiet}
              >
                {asWeeks ? shortDate(row.label) : monthAbbreviation(row.label)}
              </SvgText>
            ))}
            {plate.cells.map((cell) => (
              <PlateMark key={cell.day} cell={cell} tone={tone} />
            ))}
            {asWeeks
              ? plate.cells.map((cell) => (
                  <SvgText
                    key={cell.day}
                    x={cell.x + rowPx * 0.29}
                    y={cell.y + rowPx * 0.42}
                    fontSize={11}
                    fontFamily={FAMILIES.regular}
                    fill={colors.quiet}
                    textAnchor="middle"
                  >
                    {dateNumber(cell.day)}
                  </SvgText>
                ))
              : null}
            {plate.cells
              .filter((cell) => cell.day === today || cell.day === chosen)
              .map((cell) => (
                <Circle
                  key={cell.day}
                  cx={cell.x}
                  cy={cell.y}
                  r={plate.pitchPx * 0.62}
                  fill="none"
                  stroke={cell.day === chosen ? colors.ink : colors.brass}
                  strokeWidth={1.6}
                />
              ))}
          </Svg>
        </View>
      )}
    </View>
  );
}

function PlateMark({ cell, tone }: { cell: PlateCell; tone: (ratio: number) => string }) {
  const { colors } = useTheme();
  if (cell.kind === 'dot') return <Circle cx={cell.x} cy={cell.y} r={Math.max(0.8, cell.r)} fill={colors.rim} />;
  if (cell.kind === 'ring')
    return <Circle cx={cell.x} cy={cell.y} r={cell.r} fill="none" stroke={colors.rim} strokeWidth={1} />;
  return (
    <>
      <Circle cx={cell.x} cy={cell.y} r={cell.r} fill={tone(0.3 + 0.7 * cell.ratio)} />
      {cell.isFull ? <Circle cx={cell.x} cy={cell.y} r={Math.max(0.9, cell.r * 0.24)} fill={colors.raised} /> : null}
    </>
  );
}

/** What the marks of the plate mean. */
export function PlateLegend({ words }: { words: { none: string; all: string } }) {
  const { colors } = useTheme();
  const tone = toneScale(colors.faint, colors.deep);
  return (
    <Svg width={290} height={20} aria-hidden>
      <SvgText x={0} y={14} fontSize={12} fontFamily={FAMILIES.regular} fill={colors.quiet}>
        {words.none}
      </SvgText>
      <Circle cx={58} cy={10} r={4.4} fill="none" stroke={colors.rim} />
      {[0.2, 0.45, 0.7, 1].map((ratio, index) => (
        <Circle
          key={ratio}
          cx={76 + index * 18}
          cy={10}
          r={6 * Math.sqrt(0.12 + 0.88 * ratio)}
          fill={tone(0.3 + 0.7 * ratio)}
        />
      ))}
      <Circle cx={130} cy={10} r={1.5} fill={colors.raised} />
      <SvgText x={146} y={14} fontSize={12} fontFamily={FAMILIES.regular} fill={colors.quiet}>
        {words.all}
      </SvgText>
    </Svg>
  );
}
