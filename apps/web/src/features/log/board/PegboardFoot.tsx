import {
  type DayMarkScale,
  type DaySpan,
  type DayTotals,
  type Figures,
  type PegboardColumn,
  type PlainDay,
  type Track,
  type WeekTotal,
  type Weekday,
  dayMarkOf,
  scoreOn,
  startOfWeek,
  weekTotals,
  doneHabitsOn,
} from '@wimbel/core';
import { memo, useMemo } from 'react';
import { View } from 'react-native';
import { outOf } from '../../../text/amounts.ts';
import { dayInWords, percent, spanInWords } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { FLAT } from '../../../ui/flat.ts';
import { Words } from '../../../ui/Words.tsx';
import { FiguresCell } from './FiguresCell.tsx';
import type { PegboardSize } from './pegboardSize.ts';
import { Figure } from '../../../components/figure/Figure.tsx';
import { weekVerdictWords } from '../logWords.ts';
import { GRID_CELL } from '../../../ui/ariaRoles.ts';
import { STICKY } from '../../../theme/webStyle.ts';
import type { Edge } from './PegboardHead.tsx';

const BAR_PX = 34;

/** Below the days: how many were done, their share and mark; below each week, what it came to of what it asked. */
export const PegboardFoot = memo(function PegboardFoot({
  columns,
  size,
  daysPx,
  today,
  isWide,
  span,
  tracks,
  totals,
  over,
  passMark,
  weekStart,
  marks,
  together,
  rowIndex,
}: Edge & {
  span: DaySpan;
  tracks: readonly Track[];
  totals: DayTotals;
  over: { name: string; tracks: readonly Track[] } | null;
  passMark: number;
  weekStart: Weekday;
  marks: DayMarkScale;
  together: Figures;
  rowIndex: number;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const [first, last] = [columns[0], columns.at(-1)];
  const name = over?.name ?? 'All habits';
  const shown = useMemo(
    () => (over === null ? {} : { habitIds: over.tracks.map(({ habit }) => habit.id), name: over.name }),
    [over],
  );
  // The same list while the habits are the same, however their records change.
  const named = JSON.stringify(tracks.map(({ habit }) => habit.id));
  const ids = useMemo(() => JSON.parse(named) as string[], [named]);
  return (
    <View
      role="row"
      aria-rowindex={rowIndex}
      style={[
        styles.foot,
        isWide && styles.footStuck,
        { height: size.footPx, width: size.namesPx + daysPx + size.figuresPx },
      ]}
    >
      <View role="rowheader" aria-colindex={1} style={[styles.footNames, { width: size.namesPx }]}>
        <View style={styles.footName}>
          <Words type="label" tone="quiet">
            Done by day
          </Words>
          <Words type="small" tone="quiet">
            share in %, mark
          </Words>
        </View>
        <Words type="label" tone="quiet" style={styles.footWeek}>
          By week
        </Words>
      </View>
      <View style={{ width: daysPx }} role="presentation">
        {columns
          .filter(({ day }) => day <= today)
          .map(({ day, x }) => (
            <DayTotal
              key={day}
              day={day}
              x={x}
              size={size}
              {...dayFigures(totals, day, passMark, marks)}
              over={shown}
            />
          ))}
        {first && last
          ? weeksSeen(tracks, span, first.day, last.day, weekStart, passMark).map((week) => (
              <WeekBelow key={week.days.first} week={week} columns={columns} size={size} today={today} habitIds={ids} />
            ))
          : null}
      </View>
      <FiguresCell
        name={name}
        figures={together}
        asked={{ figure: 'kept', span, habitIds: ids, name }}
        unit={null}
        size={size}
        color={colors.working}
        isWide={isWide}
        tellsBeyond
      />
    </View>
  );
});

type DayFigures = {
  done: number;
  due: number;
  score: number | null;
  bright: boolean;
  habits: number;
  mark: string | null;
};

/** What stands below a day. */
function dayFigures(totals: DayTotals, day: PlainDay, passMark: number, marks: DayMarkScale): DayFigures {
  const { done, due, score, bright } = scoreOn(totals, day, passMark);
  const habits = doneHabitsOn(totals, day);
  return { done, due, score, bright, habits, mark: dayMarkOf(marks, habits) };
}

/** Below a day: how many habits were done, its share and its mark. Drawn anew only where one of them has changed. */
const DayTotal = memo(function DayTotal({
  day,
  x,
  size,
  done,
  due,
  score,
  bright,
  habits,
  mark,
  over,
}: DayFigures & {
  day: PlainDay;
  x: number;
  size: PegboardSize;
  /** The habits that are shown, where they are not all. */
  over: { habitIds?: readonly string[]; name?: string };
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  return (
    <View role={GRID_CELL} {...FLAT} style={[styles.footCell, { left: x, width: size.cellPx }]}>
      <Figure
        asked={{ figure: 'dayScore', day, ...over }}
        label={`${dayInWords(day)}: ${habits} done, ${done} of ${due}, ${percent(score)}${mark ? `, mark ${mark}` : ''}`}
        isPlain
        isTabStop={false}
        style={styles.footDay}
        testId={`day-${day}`}
      >
        <View style={styles.barRoom}>
          <View
            style={{
              width: Math.min(11, size.cellPx * 0.42),
              height: Math.max(2, (score ?? 0) * BAR_PX),
              borderRadius: 3,
              backgroundColor: bright ? colors.working : colors.rim,
            }}
          />
        </View>
        <Words type="smallStrong">{habits}</Words>
        <Words type="small" tone="quiet" style={styles.tiny}>
          {score === null ? '–' : percent(score).replace(/\D+$/, '')}
        </Words>
        <Words type="smallStrong" tone="brassText" style={styles.mark}>
          {mark ?? ' '}
        </Words>
      </Figure>
    </View>
  );
});

/** Below a week: what was kept of what it asked. */
function WeekBelow({
  week,
  columns,
  size,
  today,
  habitIds,
}: {
  week: WeekTotal;
  columns: readonly PegboardColumn[];
  size: PegboardSize;
  today: PlainDay;
  habitIds: readonly string[];
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const first = columns[0]!;
  const x = columns[Math.max(0, week.days.first - first.day)]?.x ?? 0;
  const end = columns[Math.min(columns.length - 1, week.days.last - first.day)]?.x ?? 0;
  const verdict = weekVerdictWords(week);
  const soFar = week.isRunning ? ' so far' : '';
  const isAsked = week.asked > 0;
  const words = isAsked ? `${outOf(week.kept, week.asked)}${soFar}` : `nothing due${soFar}`;
  const isNarrow = end - x < 60;
  // A week of one day or two has no room for words; its figures are on the line itself.
  const isBare = end - x < 20;
  const isMet = week.verdict === 'met';
  return (
    <View role={GRID_CELL} style={[styles.week, { left: x + 2, width: end + size.cellPx - x - 4 }]}>
      <Figure
        asked={{ figure: 'kept', span: week.days, habitIds }}
        label={`Week, ${spanInWords(week.days, today)}: ${[words, verdict].filter(Boolean).join(', ')}`}
        isPlain
        style={styles.weekFigure}
      >
        <View
          style={[
            styles.weekLine,
            { backgroundColor: isMet ? colors.working : colors.rim },
            (week.verdict === null || week.verdict === 'open') && styles.weekOpen,
          ]}
        />
        <Words type="smallStrong" style={styles.weekWords}>
          {week.days.first > today || isBare
            ? ' '
            : `${isMet ? '✓ ' : ''}${!isAsked ? '–' : isNarrow ? `${week.kept}/${week.asked}` : words}`}
        </Words>
      </Figure>
    </View>
  );
}

/** The weeks of the span of which a day is drawn. */
function weeksSeen(
  tracks: readonly Track[],
  span: DaySpan,
  from: PlainDay,
  to: PlainDay,
  weekStart: Weekday,
  passMark: number,
) {
  const first = Math.max(span.first, startOfWeek(from, weekStart));
  const last = Math.min(span.last, startOfWeek(to, weekStart) + 6);
  return weekTotals(tracks, { first, last }, weekStart, passMark);
}

const useStyles = themed((colors) => ({
  foot: { flexDirection: 'row', backgroundColor: colors.raised, borderTopWidth: 1, borderTopColor: colors.line },
  footStuck: { position: STICKY, bottom: 0, zIndex: 4 },
  footNames: {
    position: STICKY,
    left: 0,
    zIndex: 5,
    backgroundColor: colors.raised,
    borderRightWidth: 1,
    borderRightColor: colors.line,
    paddingLeft: SPACE.m,
  },
  footName: { height: 96, justifyContent: 'center' },
  footWeek: { position: 'absolute', left: SPACE.m, top: 102 },
  footCell: { position: 'absolute', top: 4 },
  footDay: { alignItems: 'center', width: '100%', borderBottomWidth: 0 },
  weekFigure: { width: '100%', borderBottomWidth: 0 },
  barRoom: { height: BAR_PX, justifyContent: 'flex-end' },
  tiny: { letterSpacing: -0.3 },
  mark: { height: 16, fontSize: 13 },
  week: { position: 'absolute', top: 97 },
  weekLine: { height: 2, borderRadius: 1, marginBottom: 5 },
  weekOpen: { opacity: 0.4 },
  weekWords: { textAlign: 'center', whiteSpace: 'nowrap', marginHorizontal: -10 },
}));
