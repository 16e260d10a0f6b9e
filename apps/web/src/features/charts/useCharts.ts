import { type FiguredGoal, type PlainDay, type Track, reviewSpanOf } from '@wimbel/core';
import { useDeferredValue, useMemo } from 'react';
import { selectFiguredGoal } from '../../store/goalSelectors.ts';
import { selectSettings, selectToday, selectTracks } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import type { ChartsAt, ChartsOf } from './choice/chartAddress.ts';
import type { ChartedOf } from './chartedOf.ts';
import { useReview } from '../../components/lookBack/worker/useReview.ts';

/** What the charts are of, where it is there. */
type Subject = {
  what: ChartsOf;
  name: string;
  habitId: string | null;
  areaId: string | null;
  goal: FiguredGoal | null;
  /** The route names a missing record: everything is shown. */
  isGone: boolean;
};

/** What the charts are of, by the address. */
function useSubject(what: ChartsOf): Subject {
  const [of, id] = [what.of, what.of === 'all' ? '' : what.id];
  const habit = useAppSelector((state) => (of === 'habit' ? (state.records.habits[id] ?? null) : null));
  const area = useAppSelector((state) => (of === 'area' ? (state.records.areas[id] ?? null) : null));
  const goal = useAppSelector((state) => (of === 'goal' ? selectFiguredGoal(state, id) : null));
  const name = habit?.name ?? area?.name ?? goal?.records.goal.title ?? null;
  const [habitId, areaId] = [habit?.id ?? null, area?.id ?? null];
  return useMemo(() => {
    const isGone = of !== 'all' && name === null;
    return {
      what: isGone || of === 'all' ? { of: 'all' } : { of, id },
      name: name ?? 'All habits',
      habitId,
      areaId,
      goal,
      isGone,
    };
  }, [of, id, name, habitId, areaId, goal]);
}

/** The habits that charts of something are drawn from. */
function useTracksOf({ habitId, areaId, goal }: Subject): readonly Track[] {
  const all = useAppSelector(selectTracks);
  return useMemo(() => {
    if (goal !== null) return goal.carrying;
    if (habitId === null && areaId === null) return all;
    return all.filter(({ habit }) => (habitId !== null ? habit.id === habitId : habit.areaId === areaId));
  }, [all, habitId, areaId, goal]);
}

/** What the address names, its days, and its review with what that is of: for a moment the one before. */
export function useCharts({ kind, day, between, what }: ChartsAt) {
  const subject = useSubject(what);
  const tracks = useTracksOf(subject);
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const [from, to] = [between?.first, between?.last];
  const span = useMemo(() => {
    const first = tracks.reduce((least, track) => Math.min(least, track.first), today);
    const free = from === undefined || to === undefined ? { first, last: today } : { first: from, last: to };
    return reviewSpanOf(kind, day, weekStart, free);
  }, [kind, day, weekStart, tracks, today, from, to]);
  const asked = useMemo(
    () => ({ subject, tracks, options: { kind, span, weekStart, today } }),
    [subject, tracks, kind, span, weekStart, today],
  );
  // A change of span keeps the pictures that are there until the new ones are ready.
  return { subject, span, ...useReview(useDeferredValue(asked)) };
}

/** What the figures of charts are over. */
export const chartedOf = ({ what, habitId, name }: Subject, tracks: readonly Track[]): ChartedOf => ({
  habitId,
  name: what.of === 'all' ? null : name,
  tracks,
});

/** Charts that are drawn: what they are of, their days, and what the record says of them. */
export type ChartsShown = NonNullable<ReturnType<typeof useCharts>['shown']>;

/** Days with a record, up to today. */
export const recordDaysOf = (tracks: readonly Track[], today: PlainDay): number =>
  Math.max(0, today - tracks.reduce((first, track) => Math.min(first, track.first), today + 1) + 1);
