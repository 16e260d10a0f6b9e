import { type FiguredGoal, type PlainDay, type Track } from '@wimbel/core';
import { type ReactNode } from 'react';
import { View, useWindowDimensions } from 'react-native';
import { STATE_WORDS, goalPaceSentence } from '../../text/goalText.ts';
import { percent } from '../../text/format.ts';
import { themed, useIsWide } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Words } from '../../ui/Words.tsx';
import { AmountPartsCard, AmountsCard } from './cards/AmountCards.tsx';
import { AllDays, AllDaysRing, HabitDays, HabitDaysRing } from './cards/DayCards.tsx';
import { GoalCard, GoalsCard, KeyResultsCard } from './cards/GoalsCard.tsx';
import { CourseCard, HabitFacts, RunsCard, TrendCard } from './cards/HabitCards.tsx';
import { MoodCard } from './cards/MoodCard.tsx';
import { MoodLineCard } from './cards/MoodLineCard.tsx';
import { RankingCard } from './cards/RankingCard.tsx';
import { AreasCard } from './cards/AreasCard.tsx';
import { InWords } from './cards/InWordsCard.tsx';
import { PartsCard } from './cards/PartsCard.tsx';
import { PartsOfDayCard } from './cards/PartsOfDayCard.tsx';
import { WeekdaysCard } from './cards/WeekdaysCard.tsx';
import { ShareCard } from './cards/ShareCard.tsx';
import { Steps } from './cards/Steps.tsx';
import { spanTitle } from '../../text/spanText.ts';
import { type ChartsShown, recordDaysOf, chartedOf } from './useCharts.ts';
import { GoalsByAreaCard } from './cards/GoalsByAreaCard.tsx';
import { CheckpointsCard } from '../../components/goals/CheckpointsCard.tsx';

/** From this width on the cards stand in three columns. */
export const VERY_WIDE_PX = 1500;

/** Cards in four groups: two columns are the first two and the last two; of three, the middle one is the second and the last. */
type Groups = readonly [ReactNode[], ReactNode[], ReactNode[], ReactNode[]];

/** The cards of several habits: all, an area's, those that carry a goal. */
function cardsOfMany({ subject, tracks, review, options }: ChartsShown, today: PlainDay, isWide: boolean): Groups {
  const { kind, span } = options;
  const { goal } = subject;
  const days = { kind, span };
  const of = chartedOf(subject, tracks);
  const isAny = tracks.length > 0;
  const recordDays = recordDaysOf(tracks, today);
  return [
    [
      goal === null ? null : <GoalCard key="goal" figured={goal} />,
      isAny && kind !== 'week' ? <AllDays key="days" {...days} {...of} /> : null,
      isAny ? <ShareCard key="share" {...days} {...of} /> : null,
      isAny && isWide && kind === 'year' ? <AllDaysRing key="ring" {...days} {...of} rate={review.kept.rate} /> : null,
    ],
    [
      <AreasCard key="areas" kind={kind} review={review} of={of} />,
      goal === null ? <GoalsCard key="goals" areaId={subject.areaId} /> : null,
      subject.what.of === 'all' ? <GoalsByAreaCard key="goalsByArea" {...days} /> : null,
    ],
    [
      goal === null ? null : <KeyResultsCard key="keyResults" figured={goal} />,
      goal === null ? null : <CheckpointsCard key="checkpoints" figured={goal} />,
      <PartsCard key="parts" kind={kind} review={review} of={of} />,
      <RankingCard key="ranking" kind={kind} review={review} />,
    ],
    [
      <WeekdaysCard key="weekdays" kind={kind} review={review} of={of} recordDays={recordDays} />,
      <PartsOfDayCard key="partsOfDay" kind={kind} review={review} of={of} />,
      subject.what.of === 'all' ? <MoodLineCard key="moodLine" {...days} /> : null,
      <MoodCard key="mood" {...days} tracks={tracks} />,
    ],
  ];
}

/** The cards of one habit. */
function cardsOfOne(
  { subject, tracks, review, options }: ChartsShown,
  own: Track,
  today: PlainDay,
  isWide: boolean,
): Groups {
  const { kind, span } = options;
  const days = { kind, span };
  const of = chartedOf(subject, tracks);
  return [
    [
      kind === 'week' ? null : <HabitDays key="days" {...days} track={own} />,
      <AmountsCard key="amounts" {...days} track={own} />,
      <CourseCard key="course" {...days} track={own} />,
    ],
    [isWide && kind === 'year' ? <HabitDaysRing key="ring" {...days} track={own} /> : null],
    [
      <HabitFacts key="facts" track={own} span={span} />,
      <PartsCard key="parts" kind={kind} review={review} of={of} />,
      <TrendCard key="trend" {...days} track={own} />,
      <RunsCard key="runs" {...days} track={own} />,
    ],
    [
      <AmountPartsCard key="amountParts" {...days} track={own} />,
      <WeekdaysCard key="weekdays" kind={kind} review={review} of={of} recordDays={recordDaysOf(tracks, today)} />,
      <MoodCard key="mood" {...days} tracks={tracks} />,
    ],
  ];
}

/** How a goal stands; of one that is not open, its state. */
const goalWords = (figured: FiguredGoal, today: PlainDay): string => {
  const { state } = figured.records.goal;
  if (state === 'open') return goalPaceSentence(figured, today);
  return `This goal is ${STATE_WORDS[state]}, at ${percent(figured.figures.progress)}.`;
};

/** Figures and texts of one span. */
export function Pictures({ shown, today }: { shown: ChartsShown; today: PlainDay }) {
  const styles = useStyles();
  const isWide = useIsWide();
  const { subject, review, tracks } = shown;
  const { kind, span } = shown.options;
  const own = subject.habitId === null ? null : (tracks.find(({ habit }) => habit.id === subject.habitId) ?? null);
  const of = chartedOf(subject, tracks);
  const { goal } = subject;
  const isVeryWide = useWindowDimensions().width >= VERY_WIDE_PX;
  const [a, b, c, d] = own === null ? cardsOfMany(shown, today, isWide) : cardsOfOne(shown, own, today, isWide);
  // Of two columns the first is the broad one; three are alike.
  const stacks = isVeryWide
    ? [a, [...b, ...d], c]
    : [
        [...a, ...b],
        [...c, ...d],
      ];
  return (
    <View dataSet={{ shown: spanTitle(kind, span, today) }} style={styles.stack}>
      {goal === null ? null : <Words type="name">{goalWords(goal, today)}</Words>}
      {goal !== null && tracks.length === 0 ? (
        <Words tone="quiet">No habit carries this goal, so there are no days to draw.</Words>
      ) : (
        <InWords kind={kind} review={review} of={of} />
      )}
      <View style={isWide ? styles.columns : styles.stack}>
        {stacks.map((cards, place) => (
          <Steps key={place} style={[styles.stack, isWide && (isVeryWide || place > 0 ? styles.narrow : styles.broad)]}>
            {cards}
          </Steps>
        ))}
      </View>
    </View>
  );
}

const useStyles = themed(() => ({
  stack: { gap: SPACE.l },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  broad: { flex: 3, minWidth: 0 },
  narrow: { flex: 2, minWidth: 0 },
}));
