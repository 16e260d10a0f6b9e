import { type DayTotals, type Track, totalsOf } from '@wimbel/core';
import { useMemo } from 'react';
import { selectToday, selectTotals } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';

/** The day scores over some habits; over all of them where null. */
export function useTotalsOf(tracks: readonly Track[] | null): DayTotals {
  const today = useAppSelector(selectToday);
  const all = useAppSelector(selectTotals);
  const some = useMemo(() => (tracks === null ? null : totalsOf(tracks, today)), [tracks, today]);
  return some ?? all;
}
