import {
  type LedgerSources,
  type PipsByDay,
  type Reward,
  type Track,
  goodDayPips,
  ledgerOfDay,
  pipsByDay,
  tidySum,
} from '@wimbel/core';
import type { RecordsState } from '@wimbel/sync';
import { selectFigures, selectIsHidden, selectToday, selectTracks } from './selectors.ts';
import type { RootState } from './store.ts';

/** Every reward, retired ones too. */
export const selectRewards = (state: RootState): RecordsState['rewards'] => state.records.rewards;

let lastSources: LedgerSources | null = null;

/** What is earned and spent; the same object while none of it changes. */
export function selectLedgerSources(state: RootState): LedgerSources {
  const { tracks, records, today } = selectFigures(state);
  const { milestones, claims } = records;
  const last = lastSources;
  const isSame =
    last !== null &&
    last.tracks === tracks &&
    last.milestones === milestones &&
    last.claims === claims &&
    last.today === today;
  if (!isSame) lastSources = { tracks, milestones, claims, today };
  return lastSources!;
}

const byDayOf = new WeakMap<LedgerSources, PipsByDay>();

/** Earned and spent by day. */
export function selectPipsByDay(state: RootState): PipsByDay {
  const sources = selectLedgerSources(state);
  const byDay = byDayOf.get(sources) ?? pipsByDay(sources);
  byDayOf.set(sources, byDay);
  return byDay;
}

/** What is left of all that was earned. */
export const selectPipsBalance = (state: RootState): number => selectFigures(state).pips.balance;

/** What a day earned, without what was spent on it. */
export const selectEarnedOn = (state: RootState, day: number): number =>
  tidySum(ledgerOfDay(selectLedgerSources(state), day).reduce((sum, { pips }) => sum + Math.max(0, pips), 0));

/** What a good day earns lately; null where nothing was earned. */
export const selectGoodDay = (state: RootState): number | null =>
  goodDayPips(selectPipsByDay(state), selectToday(state));

const earns = (track: Track): boolean => track.terms.some(({ pips }) => pips !== 0);
const isAny = (rewards: Record<string, Reward>): boolean => Object.keys(rewards).length > 0;

/** Whether pips are spoken of: not where they are left off, or where nothing earns any and there is no reward. */
export const selectHasPips = (state: RootState): boolean =>
  !selectIsHidden(state, 'pips') && (isAny(state.records.rewards) || selectTracks(state).some(earns));
