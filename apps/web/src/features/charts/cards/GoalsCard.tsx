import { type FiguredGoal, dayOf, type Pace } from '@wimbel/core';
import { useMemo } from 'react';
import { type GoalLine } from '../../../charts/GoalLinesPicture.tsx';
import { selectFiguredList } from '../../../store/goalSelectors.ts';
import { PACE_WORDS, holeColor, paceTone } from '../../../text/goalText.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { counted, dateNear, percent } from '../../../text/format.ts';
import { useTheme } from '../../../theme/Theme.tsx';
import { lineOfGoal, linesOfKeyResults, spanOfGoals } from './goalLines.ts';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { goalPath } from '../../../platform/paths.ts';
import { type Row, LinesCard } from './LinesCard.tsx';

const leads = ({ input }: GoalLine, today: number, asked: FigureQuery): Row['words'] =>
  input.forecast === null ? [] : [{ text: `at this rate by ${dateNear(input.forecast, today)}`, tone: 'quiet', asked }];

const paced = (pace: Pace | null, asked: FigureQuery): Row['words'] =>
  pace === null ? [] : [{ text: PACE_WORDS[pace], tone: paceTone(pace), asked }];

/** A goal's row: its share, pace and where its rate leads; of one that is not open, the share alone. */
const rowOfGoal = ({ records: { goal }, figures }: FiguredGoal, line: GoalLine, today: number): Row => {
  const goalId = goal.id;
  return {
    id: goalId,
    name: goal.title,
    share: figures.progress,
    asked: { figure: 'goalProgress', goalId },
    words:
      goal.state === 'open'
        ? [
            ...paced(figures.pace, { figure: 'goalPace', goalId }),
            ...leads(line, today, { figure: 'goalForecast', goalId }),
          ]
        : [],
    to: goalPath(goalId),
  };
};

/** The open goals on one axis of time, of an area or all; each with its share, pace and where its rate leads. */
export function GoalsCard({ areaId }: { areaId: string | null }) {
  const { colors } = useTheme();
  const today = useAppSelector(selectToday);
  const all = useAppSelector(selectFiguredList);
  const goals = useMemo(
    () =>
      all.filter(
        ({ records: { goal }, figures }) =>
          goal.state === 'open' &&
          figures.progress !== null &&
          dayOf(goal.startsOn) <= today &&
          (areaId === null || goal.areaId === areaId),
      ),
    [all, areaId, today],
  );
  const lines = useMemo(() => {
    const span = spanOfGoals(goals, today);
    return goals.map((figured, place) => lineOfGoal(figured, span, today, holeColor(colors, place)));
  }, [goals, today, colors]);
  if (goals.length === 0) return null;
  return (
    <LinesCard
      title="Goals on one axis"
      aside={counted(goals.length, 'goal')}
      what="Goal"
      lines={lines}
      rows={goals.map((figured, place) => rowOfGoal(figured, lines[place]!, today))}
    />
  );
}

/** One goal over time, with its milestones. */
export function GoalCard({ figured }: { figured: FiguredGoal }) {
  const { colors } = useTheme();
  const today = useAppSelector(selectToday);
  const { figures } = figured;
  const line = useMemo(
    () => lineOfGoal(figured, spanOfGoals([figured], today), today, colors.working),
    [figured, today, colors],
  );
  return (
    <LinesCard
      title="The goal over time"
      aside={figures.expected === null ? '' : `${percent(figures.expected)} expected`}
      asideAsked={{ figure: 'goalExpected', goalId: figured.records.goal.id }}
      what="Goal"
      lines={[line]}
      rows={[rowOfGoal(figured, line, today)]}
    />
  );
}

/** The key results of one goal on one axis of time. */
export function KeyResultsCard({ figured }: { figured: FiguredGoal }) {
  const { colors } = useTheme();
  const today = useAppSelector(selectToday);
  const { records, figures } = figured;
  const { lines } = useMemo(
    () => linesOfKeyResults(figured, today, (place) => holeColor(colors, place)),
    [figured, today, colors],
  );
  if (records.keyResults.length === 0) return null;
  return (
    <LinesCard
      title="Its key results"
      aside={counted(records.keyResults.length, 'key result')}
      what="Key result"
      lines={lines}
      rows={records.keyResults.map((keyResult, place) => {
        const { progress, pace } = figures.keyResults[keyResult.id]!;
        const of = { goalId: records.goal.id, keyResultId: keyResult.id };
        const isOpen = records.goal.state === 'open';
        return {
          id: keyResult.id,
          name: keyResult.title,
          share: progress,
          asked: { figure: 'keyResult', ...of },
          words: isOpen
            ? [
                ...paced(pace, { figure: 'keyResultPace', ...of }),
                ...leads(lines[place]!, today, { figure: 'keyResultForecast', ...of }),
              ]
            : [],
        };
      })}
    />
  );
}
