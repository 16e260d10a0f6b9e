import {
  type Claim,
  type LedgerSources,
  type Milestone,
  type PipsByDay,
  type PipsColumn,
  type Reward,
  type Track,
  goodDayPips,
  habitPipsByMonth,
  ledgerOfDay,
  pipsBalance,
  pipsByDay,
  tidySum,
} from '@wimbel/core';
import type { RecordsState } from '@wimbel/sync';
import { selectIsHidden, selectToday, selectTracks } from './selectors.ts';
import type { RootState } from './store.ts';

const milestonesOf = new WeakMap<RecordsState['milestones'], Milestone[]>();
const claimsOf = new WeakMap<RecordsState['claims'], Claim[]>();

function listed<T>(known: WeakMap<Record<string, T>, T[]>, records: Record<string, T>): T[] {
  const list = known.get(records) ?? Object.values(records);
  known.set(records, list);
  return list;
}

/** Every reward, retired ones too. */
export const selectRewards = (state: RootState): RecordsState['rewards'] => state.records.rewards;

let lastSources: LedgerSources | null = null;

/** What is earned and spent; the same object while none of it changes. */
export function selectLedgerSources(state: RootState): LedgerSources {
  const tracks = selectTracks(state);
  const milestones = listed(milestonesOf, state.records.milestones);
  const claims = listed(claimsOf, state.records.claims);
  const today = selectToday(state);
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

const columnOf = new WeakMap<Track, PipsColumn>();

/** What a habit earned by month, memoised. */
function pipsColumnOf(track: Track): PipsColumn {
  const column = columnOf.get(track) ?? habitPipsByMonth(track);
  columnOf.set(track, column);
  return column;
}

/** What is left of all that was earned. */
export function selectPipsBalance(state: RootState): number {
  const { tracks, milestones, claims, today } = selectLedgerSources(state);
  return pipsBalance({ habits: tracks.map(pipsColumnOf), milestones, claims, today }).balance;
}

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
