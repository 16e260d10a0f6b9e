import {
  type DaySpan,
  type PlainDay,
  REVIEW_SPANS,
  type ReviewSpan,
  type Track,
  dayOfNeighbour,
  daysIn,
  logSpanOf,
  yearSpan,
  yearOfDay,
} from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import CalendarRange from 'lucide-react-native/icons/calendar-range';
import Download from 'lucide-react-native/icons/download';
import { type ComponentProps, type ReactNode, useState } from 'react';
import { View, useWindowDimensions } from 'react-native';
import type { FiguredGoal } from '../../store/goalSelectors.ts';
import { STATE_WORDS, goalPaceSentence } from '../../text/goalText.ts';
import { selectSettings, selectToday, selectTracks, selectGoals } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { percent } from '../../text/format.ts';
import { saveFocus, useRestoredFocus } from '../../ui/useRestoredFocus.ts';
import { themed, useIsWide } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Page } from '../../ui/Frame.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Words } from '../../ui/Words.tsx';
import { AmountPartsCard, AmountsCard } from './cards/AmountCards.tsx';
import { ChartChoice } from './choice/ChartChoice.tsx';
import { ChartsTitle } from './cards/ChartCard.tsx';
import { AllDays, AllDaysRing, HabitDays, HabitDaysRing } from './cards/DayCards.tsx';
import { GoalCard, GoalsCard, KeyResultsCard } from './cards/GoalsCard.tsx';
import { CourseCard, HabitFacts, RunsCard, TrendCard } from './cards/HabitCards.tsx';
import { MoodCard } from './cards/MoodCard.tsx';
import { MoodLineCard } from './cards/MoodLineCard.tsx';
import { RankingCard } from './cards/RankingCard.tsx';
import { AreasCard, InWords, PartsCard, PartsOfDayCard, WeekdaysCard } from './cards/ReviewCards.tsx';
import { SaveSheet } from './saving/SaveSheet.tsx';
import { ShareCard } from './cards/ShareCard.tsx';
import { Steps } from './cards/Steps.tsx';
import { TwoDaysSheet } from './choice/TwoDaysSheet.tsx';
import { type ChartParams, type ChartsAt, chartsAddress, chartsAt } from './choice/chartAddress.ts';
import { SPAN_WORDS, spanTitle } from '../../text/spanText.ts';
import { type ChartsShown, recordDaysOf, useCharts, chartedOf } from './useCharts.ts';
import { GoalsByAreaCard } from './cards/GoalsByAreaCard.tsx';
import { SpanHead } from '../../components/page/SpanHead.tsx';
import { CheckpointsCard } from '../../components/goals/CheckpointsCard.tsx';
import { PATHS } from '../../platform/paths.ts';

/** From this width on the cards stand in three columns. */
const VERY_WIDE_PX = 1500;

export function ChartsScreen() {
  useRestoredFocus();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const all = useAppSelector(selectTracks);
  const { weekStart } = useAppSelector(selectSettings);
  const at = chartsAt(useLocalSearchParams<ChartParams>(), today);
  const { subject, span, shown, isWorking } = useCharts(at);
  const isVeryWide = useWindowDimensions().width >= VERY_WIDE_PX;
  const [isChoosing, setIsChoosing] = useState(false);
  const [isSaving, setIsSaving] = useState(false);
  const { kind } = at;
  const go = (to: Partial<ChartsAt>): void => {
    saveFocus();
    router.push(chartsAddress({ ...at, what: subject.what, ...to }, today));
  };
  const beside = (by: -1 | 1): void => {
    if (kind === 'all') return;
    if (kind === 'days') {
      const days = by * daysIn(span);
      go({ between: { first: span.first + days, last: span.last + days } });
      return;
    }
    const to = dayOfNeighbour(kind, span, by);
    const next = logSpanOf(kind, to, weekStart);
    go({ day: next.first <= today && today <= next.last ? today : to });
  };
  if (all.length === 0 && subject.goal === null) {
    return <NothingToDraw kind={kind} onKind={(next) => go({ kind: next, between: null })} />;
  }
  const title = [
    shown === null ? '' : spanTitle(shown.options.kind, shown.options.span, today),
    shown === null || shown.subject.what.of === 'all' ? '' : shown.subject.name,
  ]
    .filter(Boolean)
    .join(', ');
  return (
    <Page isFull={isVeryWide}>
      <ChartsHead
        kind={kind}
        span={span}
        onBeside={beside}
        onNow={() => go({ day: today })}
        onTwoDays={() => setIsChoosing(true)}
        onSave={() => setIsSaving(true)}
      >
        <ChartChoice what={subject.what} name={subject.name} onChange={(what) => go({ what })} />
      </ChartsHead>
      <Segments<ReviewSpan>
        label="Span"
        value={kind}
        choices={REVIEW_SPANS.filter((value) => value !== 'days').map((value) => ({
          value,
          label: SPAN_WORDS[value],
        }))}
        onChange={(next) => go({ kind: next, between: null })}
      />
      {isChoosing ? (
        <TwoDaysSheet
          span={span}
          today={today}
          onClose={() => setIsChoosing(false)}
          onChoose={(two: DaySpan) => {
            setIsChoosing(false);
            go({ between: two });
          }}
        />
      ) : null}
      {isSaving && shown !== null ? (
        <SaveSheet
          review={shown.review}
          title={title}
          printAddress={
            kind === 'month' || kind === 'year'
              ? chartsAddress({ ...at, what: subject.what }, today, PATHS.printCharts)
              : null
          }
          onClose={() => setIsSaving(false)}
        />
      ) : null}
      {subject.isGone ? (
        <Words tone="quiet">What these charts were of is no longer there. This is everything.</Words>
      ) : null}
      {isWorking ? (
        <View role="status">
          <Words type="quiet" tone="quiet">
            Working it out…
          </Words>
        </View>
      ) : null}
      <ChartsTitle.Provider value={title}>
        {shown === null ? null : <Pictures shown={shown} today={today} />}
      </ChartsTitle.Provider>
    </Page>
  );
}

/** The span by its name, the ways to others, and what is done with the charts. */
function ChartsHead({
  onTwoDays,
  onSave,
  children,
  ...head
}: Omit<ComponentProps<typeof SpanHead>, 'children'> & {
  onTwoDays: () => void;
  onSave: () => void;
  children: ReactNode;
}) {
  const styles = useStyles();
  return (
    <SpanHead {...head}>
      <View style={styles.choice}>
        <IconButton icon={CalendarRange} name="Two days" label="Between two days" onPress={onTwoDays} />
        <IconButton icon={Download} name="Save" label="Save or print" onPress={onSave} />
        {children}
      </View>
    </SpanHead>
  );
}

/** Empty state of charts without habits: the goals, if any. */
function NothingToDraw({ kind, onKind }: { kind: ReviewSpan; onKind: (kind: ReviewSpan) => void }) {
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const hasGoals = useAppSelector((state) => selectGoals(state).length > 0);
  return (
    <Page>
      <Words type="title" heading={1}>
        Charts
      </Words>
      {hasGoals ? (
        <>
          <Segments<ReviewSpan>
            label="Goals of"
            value={kind === 'all' ? 'all' : 'year'}
            choices={[
              { value: 'year', label: 'This year' },
              { value: 'all', label: 'All' },
            ]}
            onChange={onKind}
          />
          <GoalsCard areaId={null} />
          <GoalsByAreaCard kind={kind === 'all' ? 'all' : 'year'} span={yearSpan(yearOfDay(today))} />
        </>
      ) : null}
      <EmptyState
        title={hasGoals ? 'No habits to draw yet' : 'Nothing to draw yet'}
        text="Charts grow from what you check off. Add a habit on Today, and come back in a week."
      >
        <Button kind="main" onPress={() => router.push(PATHS.newHabit)}>
          Add a habit
        </Button>
      </EmptyState>
    </Page>
  );
}

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
function Pictures({ shown, today }: { shown: ChartsShown; today: PlainDay }) {
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
  choice: {
    marginLeft: 'auto',
    flexDirection: 'row',
    flexShrink: 1,
    minWidth: 0,
    maxWidth: '100%',
    alignItems: 'center',
    gap: SPACE.xs,
  },
  stack: { gap: SPACE.l },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  broad: { flex: 3, minWidth: 0 },
  narrow: { flex: 2, minWidth: 0 },
}));
