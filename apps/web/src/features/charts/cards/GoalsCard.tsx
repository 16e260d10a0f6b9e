import { type FiguredGoal, dayOf, type Pace } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';
import { type GoalLine, GoalLinesPicture } from '../../../charts/GoalLinesPicture.tsx';
import { useMarks } from '../../../charts/useMarks.ts';
import { selectFiguredList } from '../../../store/goalSelectors.ts';
import { PACE_WORDS, holeColor, paceTone } from '../../../text/goalText.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { counted, dateNear, percent } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Words } from '../../../ui/Words.tsx';
import { ChartCard } from './ChartCard.tsx';
import { MarkWords } from './MarkWords.tsx';
import { PlaceBadge } from '../choice/PlaceBadge.tsx';
import { lineOfGoal, linesOfKeyResults, spanOfGoals } from './goalLines.ts';
import type { FigureQuery } from '../../../text/figureQuery.ts';
import { FigureWords } from '../../../components/figure/Figure.tsx';
import { goalPath } from '../../../platform/paths.ts';

type Row = {
  id: string;
  name: string;
  share: number | null;
  words: readonly { text: string; tone: 'quiet' | 'ink' | 'working' | 'madder'; asked: FigureQuery }[];
  /** The figure of its share. */
  asked: FigureQuery;
  to?: string;
};

const LINES_LEGEND = 'Dotted is what was expected, broken where the rate leads; rings are milestones.';

/** Several ways on one axis of time, numbered, each with its share and what is said of it; a day that is pointed at says where each stood. */
function LinesCard({
  title,
  aside,
  asideAsked,
  what,
  lines,
  rows,
}: {
  title: string;
  aside: string;
  asideAsked?: FigureQuery;
  what: string;
  lines: readonly GoalLine[];
  rows: readonly Row[];
}) {
  const styles = useStyles();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const choice = useMarks(rows.map(({ id }) => id).join(' '));
  const { at } = choice;
  const stood =
    at === null
      ? null
      : lines.flatMap(({ input }, place) => {
          const [ratio, expected] = [input.progressAt(at), input.expectedAt(at)];
          return ratio === null
            ? []
            : [`${place + 1} ${percent(ratio)}${expected === null ? '' : ` with ${percent(expected)} expected`}`];
        });
  return (
    <ChartCard
      title={title}
      aside={aside}
      asideAsked={asideAsked}
      legend={[...rows.map(({ name, share }, place) => `${place + 1} ${name}, ${percent(share)}`), LINES_LEGEND]}
      figures={() => ({
        columns: [
          { name: what, is: 'words' },
          { name: 'Share', is: 'share' },
          { name: 'Expected', is: 'share' },
          { name: 'Forecast', is: 'words' },
        ],
        rows: rows.map(({ name, share }, place) => {
          const { input } = lines[place]!;
          return [name, share, input.expectedAt(today), input.forecast === null ? '' : dateNear(input.forecast, today)];
        }),
      })}
    >
      <GoalLinesPicture
        lines={lines}
        label={`${title}: ${rows.map(({ name, share }, place) => `${place + 1}, ${name}, ${percent(share)}`).join('; ')}. Arrow keys go from day to day.`}
        choice={choice}
      />
      <MarkWords
        choice={choice}
        words={
          stood === null || at === null
            ? null
            : `${dateNear(at, today)}: ${stood.length > 0 ? stood.join('; ') : 'none had begun'}`
        }
        idle={LINES_LEGEND}
        days={at === null ? null : { first: at, last: at }}
      />
      {rows.map(({ id, name, share, words, to, asked }, place) => (
        <View
          key={id}
          role="group"
          aria-label={[name, percent(share), ...words.map(({ text }) => text)].join(', ')}
          style={styles.goal}
        >
          <PlaceBadge place={place + 1} color={lines[place]!.color} />
          <View style={styles.grow}>
            {to === undefined ? (
              <Words>{name}</Words>
            ) : (
              <Pressable role="link" onPress={() => router.push(to)} style={styles.name}>
                <Words>{name}</Words>
              </Pressable>
            )}
            <View style={styles.line}>
              {words.map(({ text, tone, asked: own }) => (
                <FigureWords key={text} asked={own} words={text} label={`${name}: ${text}`} tone={tone} />
              ))}
            </View>
          </View>
          <FigureWords
            asked={share === null ? null : asked}
            words={percent(share)}
            label={`${name}: ${percent(share)}`}
            type="strong"
          />
        </View>
      ))}
    </ChartCard>
  );
}

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

const useStyles = themed(() => ({
  goal: { flexDirection: 'row', gap: SPACE.m, minHeight: 44, alignItems: 'center' },
  grow: { flex: 1, minWidth: 0 },
  name: { minHeight: 24, justifyContent: 'center' },
  line: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.s },
}));
