import {
  type DaySpan,
  LOG_SPANS,
  type LogSpan,
  type PlainDay,
  type Track,
  type Kept,
  dayOfNeighbour,
  formatDay,
  formatMonth,
  holdsDay,
  logSpanOf,
  monthOfDay,
  monthSpan,
  parseDay,
  parseMonth,
  keptTogether,
  startOfWeek,
} from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback, useMemo } from 'react';
import { selectSettings, selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { saveFocus } from '../../ui/useRestoredFocus.ts';
import { type HabitFilter, formatHabitFilter, parseHabitFilter } from '../../text/habitFilter.ts';
import { PATHS } from '../../platform/paths.ts';

type Params = { month?: string; span?: string; day?: string; at?: string; as?: string; only?: string };

/** `at` is a day that was asked for by name, to be found at once; the next step forgets it. */
export type LogPlace = { kind: LogSpan; day: PlainDay; at: PlainDay | null; isList: boolean; only: HabitFilter | null };

const WEEKS_SHOWN = 6;

/** The route's span kind and day, as pegboard or list; around today by default. */
export function useLogPlace(): [LogPlace, DaySpan, (to: Partial<LogPlace>) => void] {
  const params = useLocalSearchParams<Params>();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const { weekStart } = useAppSelector(selectSettings);
  const month = parseMonth(params.month ?? '');
  const kind = LOG_SPANS.find((each) => each === params.span) ?? 'month';
  const usual = usualDay(kind, today, weekStart);
  const named = parseDay(params.day ?? '') ?? (month === null ? null : monthSpan(month).first);
  const day = named ?? usual;
  const only = useMemo(() => parseHabitFilter(params.only ?? ''), [params.only]);
  const at = parseDay(params.at ?? '');
  const isList = params.as === 'list';
  const where = useMemo(() => ({ kind, day, at, isList, only }), [kind, day, at, isList, only]);
  const span = useMemo(() => logSpanOf(kind, day, weekStart), [kind, day, weekStart]);
  const go = useCallback(
    (change: Partial<LogPlace>): void => {
      const to = { ...where, ...change };
      const words = [
        to.kind === 'month' ? '' : `span=${to.kind}`,
        to.day === usualDay(to.kind, today, weekStart)
          ? ''
          : to.kind === 'month'
            ? `month=${formatMonth(monthOfDay(to.day))}`
            : `day=${formatDay(to.day)}`,
        to.isList ? 'as=list' : '',
        to.only === null ? '' : `only=${encodeURIComponent(formatHabitFilter(to.only))}`,
      ].filter(Boolean);
      saveFocus();
      router.push(`${PATHS.log}${words.length > 0 ? `?${words.join('&')}` : ''}`);
    },
    [where, today, weekStart, router],
  );
  return [where, span, go];
}

/** The span before and what was kept of it, where nothing of this one is settled; null where something is, or nothing was. */
export function spanBeforeFirstDay(
  tracks: readonly Track[],
  kind: LogSpan,
  span: DaySpan,
  asked: number,
): { span: DaySpan; kept: Kept } | null {
  const [first] = tracks;
  if (asked > 0 || first === undefined || !holdsDay(span, first.today)) return null;
  const before = logSpanOf(kind, dayOfNeighbour(kind, span, -1), first.weekStart);
  const kept = keptTogether(tracks, before);
  return kept.rate === null ? null : { span: before, kept };
}

/** The day that a span is laid around where none is asked for: today; spans that begin at any day end with it. */
export function usualDay(kind: LogSpan, today: PlainDay, weekStart: Parameters<typeof startOfWeek>[1]): PlainDay {
  if (kind === 'sevenDays') return today - 6;
  return kind === 'sixWeeks' ? startOfWeek(today, weekStart) - 7 * (WEEKS_SHOWN - 1) : today;
}
