import {
  type DaySpan,
  REVIEW_SPANS,
  type ReviewSpan,
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
import { selectSettings, selectToday, selectTracks, selectGoals } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { saveFocus, useRestoredFocus } from '../../ui/useRestoredFocus.ts';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Page } from '../../ui/Frame.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Words } from '../../ui/Words.tsx';
import { ChartChoice } from './choice/ChartChoice.tsx';
import { ChartsTitle } from './cards/ChartCard.tsx';
import { GoalsCard } from './cards/GoalsCard.tsx';
import { SaveSheet } from './saving/SaveSheet.tsx';
import { TwoDaysSheet } from './choice/TwoDaysSheet.tsx';
import { type ChartParams, type ChartsAt, chartsAddress, chartsAt } from './choice/chartAddress.ts';
import { SPAN_WORDS, spanTitle } from '../../text/spanText.ts';
import { useCharts } from './useCharts.ts';
import { GoalsByAreaCard } from './cards/GoalsByAreaCard.tsx';
import { SpanHead } from '../../components/page/SpanHead.tsx';
import { PATHS } from '../../platform/paths.ts';
import { VERY_WIDE_PX, Pictures } from './ChartPictures.tsx';

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
}));
