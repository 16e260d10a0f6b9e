import {
  type DaySpan,
  type PlainDay,
  REVIEW_SPANS,
  type ReviewSpan,
  dayOfNeighbour,
  daysIn,
  formatDay,
  holdsDay,
  logSpanOf,
  parseDay,
  reviewSpanOf,
  spanReview,
} from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import CalendarRange from 'lucide-react-native/icons/calendar-range';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import Download from 'lucide-react-native/icons/download';
import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';
import { selectSettings, selectToday, selectTracks } from '../../records/selectors.ts';
import { useAppSelector } from '../../records/store.ts';
import { keepFocus, useKeptFocus } from '../../shared/keptFocus.ts';
import { themed, useIsWide } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Page } from '../../ui/Frame.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Words } from '../../ui/Words.tsx';
import { ChartChoice } from './ChartChoice.tsx';
import { GoalsCard } from './GoalsCard.tsx';
import { AreasCard, InWords, PartsCard, RankingCard, WeekdaysCard } from './ReviewCards.tsx';
import { AllDays, CourseCard, HabitDays, HabitFacts, ShareCard } from './DayCards.tsx';
import { SaveSheet } from './SaveSheet.tsx';
import { TwoDaysSheet } from './TwoDaysSheet.tsx';
import { SPAN_WORDS, betweenFault, spanTitle } from './chartWords.ts';

type Params = { span?: string; day?: string; from?: string; to?: string; habit?: string; area?: string };

export function ChartsScreen() {
  useKeptFocus();
  const styles = useStyles();
  const isWide = useIsWide();
  const router = useRouter();
  const params = useLocalSearchParams<Params>();
  const today = useAppSelector(selectToday);
  const all = useAppSelector(selectTracks);
  const { weekStart, passMark } = useAppSelector(selectSettings);
  const habit = useAppSelector((state) => state.records.habits[params.habit ?? ''] ?? null);
  const area = useAppSelector((state) => state.records.areas[params.area ?? ''] ?? null);
  const [from, to] = [parseDay(params.from ?? ''), parseDay(params.to ?? '')];
  const between = useMemo(
    () => (from === null || to === null || betweenFault(from, to) !== null ? null : { first: from, last: to }),
    [from, to],
  );
  const named = REVIEW_SPANS.find((each) => each === params.span) ?? 'year';
  const kind: ReviewSpan = between !== null ? 'days' : named === 'days' ? 'year' : named;
  const day = parseDay(params.day ?? '') ?? today;
  const [isChoosing, setIsChoosing] = useState(false);
  const [isSaving, setIsSaving] = useState(false);
  const tracks = useMemo(
    () => all.filter((track) => (habit ? track.habit.id === habit.id : area ? track.habit.areaId === area.id : true)),
    [all, habit, area],
  );
  const span = useMemo(() => {
    const first = tracks.reduce((least, track) => Math.min(least, track.first), today);
    return reviewSpanOf(kind, day, weekStart, between ?? { first, last: today });
  }, [kind, day, weekStart, tracks, today, between]);
  // A change of span keeps the pictures that are there until the new ones are ready.
  const shown = useDeferredValue(useMemo(() => ({ kind, span, tracks }), [kind, span, tracks]));
  const review = useMemo(
    () => spanReview(shown.tracks, { kind: shown.kind, span: shown.span, weekStart, passMark, today }),
    [shown, weekStart, passMark, today],
  );
  const go = (to: {
    kind?: ReviewSpan;
    day?: PlainDay;
    between?: DaySpan | null;
    habitId?: string;
    areaId?: string;
  }): void => {
    const next = { kind, day, between, habitId: habit?.id, areaId: area?.id, ...to };
    const words = [
      next.between !== null
        ? `from=${formatDay(next.between.first)}&to=${formatDay(next.between.last)}`
        : next.kind === 'year'
          ? ''
          : `span=${next.kind}`,
      next.day === today || next.between !== null ? '' : `day=${formatDay(next.day)}`,
      next.habitId ? `habit=${encodeURIComponent(next.habitId)}` : '',
      next.areaId ? `area=${encodeURIComponent(next.areaId)}` : '',
    ].filter(Boolean);
    keepFocus();
    router.push(`/charts${words.length > 0 ? `?${words.join('&')}` : ''}` as never);
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
  if (all.length === 0) {
    return (
      <Page>
        <Words type="title" heading={1}>
          Charts
        </Words>
        <EmptyState
          title="Nothing to draw yet"
          text="Charts grow from what you check off. Add a habit on Today, and come back in a week."
        >
          <Button kind="main" onPress={() => router.push('/habits/new')}>
            Add a habit
          </Button>
        </EmptyState>
      </Page>
    );
  }
  const isNow = holdsDay(span, today);
  const words = kind === 'days' ? 'stretch' : SPAN_WORDS[kind].toLowerCase();
  const pictures = (
    <>
      {shown.kind === 'week' ? null : habit === null ? (
        <AllDays span={shown.span} kind={shown.kind} tracks={shown.tracks} />
      ) : (
        <HabitDays habit={habit} span={shown.span} kind={shown.kind} />
      )}
      {habit === null ? (
        <ShareCard
          key={`${shown.kind} ${shown.span.first}`}
          kind={shown.kind}
          span={shown.span}
          tracks={shown.tracks}
        />
      ) : null}
    </>
  );
  return (
    <Page>
      <View style={styles.head}>
        {kind === 'all' ? null : (
          <IconButton icon={ChevronLeft} label={`The ${words} before`} onPress={() => beside(-1)} />
        )}
        <Words type="title" heading={1} style={styles.title}>
          {spanTitle(kind, span, today)}
        </Words>
        {kind === 'all' ? null : (
          <IconButton
            icon={ChevronRight}
            label={`The ${words} after`}
            onPress={() => beside(1)}
            isDisabled={span.last >= today}
          />
        )}
        {isNow || kind === 'days' ? null : <Button onPress={() => go({ day: today })}>{`This ${words}`}</Button>}
        <View style={styles.choice}>
          <IconButton icon={CalendarRange} label="Between two days" onPress={() => setIsChoosing(true)} />
          <IconButton icon={Download} label="Save figures or pictures" onPress={() => setIsSaving(true)} />
          <ChartChoice of={{ area, habit }} onChange={({ areaId, habitId }) => go({ areaId, habitId })} />
        </View>
      </View>
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
          onChoose={(two) => {
            setIsChoosing(false);
            go({ between: two });
          }}
        />
      ) : null}
      {isSaving ? (
        <SaveSheet
          review={review}
          title={[spanTitle(shown.kind, shown.span, today), habit?.name ?? area?.name ?? ''].filter(Boolean).join(', ')}
          onClose={() => setIsSaving(false)}
        />
      ) : null}
      <InWords kind={shown.kind} review={review} />
      <View style={isWide ? styles.columns : styles.stack}>
        <View style={[styles.stack, isWide && styles.broad]}>
          {pictures}
          {habit === null ? (
            <AreasCard review={review} />
          ) : (
            <CourseCard habit={habit} kind={shown.kind} span={shown.span} />
          )}
          {habit === null ? <GoalsCard areaId={area?.id ?? null} /> : null}
        </View>
        <View style={[styles.stack, isWide && styles.narrow]}>
          {habit === null ? null : <HabitFacts habit={habit} />}
          <PartsCard kind={shown.kind} review={review} />
          <WeekdaysCard review={review} />
          {habit === null ? <RankingCard kind={shown.kind} review={review} /> : null}
        </View>
      </View>
    </Page>
  );
}

const useStyles = themed(() => ({
  head: { flexDirection: 'row', alignItems: 'center', gap: SPACE.xs, marginLeft: -SPACE.m, flexWrap: 'wrap' },
  title: { flexShrink: 1 },
  choice: { marginLeft: 'auto', flexDirection: 'row', alignItems: 'center', gap: SPACE.xs },
  stack: { gap: SPACE.l },
  columns: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  broad: { flex: 3, minWidth: 0 },
  narrow: { flex: 2, minWidth: 0 },
}));
