import { monthOfDay, monthSpan } from '../calendar/month.ts';
import type { PlainDay } from '../calendar/plainDay.ts';
import type { DaySpan } from '../calendar/span.ts';
import { weekSpan } from '../calendar/week.ts';
import { roundRatio } from '../number/exact.ts';
import { PARTS_PER_DAY, askKindOf, owedParts } from './schedule.ts';
import { termsIndexOn } from './terms.ts';
import { OUTCOMES } from './outcome.ts';
import { FLEXIBLE, OWED_MONTHLY, OWED_WEEKLY, type Track, isOpen } from './track.ts';

const DONE = OUTCOMES.indexOf('done');

export type PeriodKind = 'weeks' | 'months';

/** How a period of a flexible habit stands as of the track's today. */
export type QuotaStanding = {
  period: DaySpan;
  /** Days owed by the period, rounded half up. */
  quota: number;
  /** Done days on which terms of this kind are in force. */
  done: number;
  /** Eligible days still to come, today included while it is open. */
  remaining: number;
};

/** The period of a kind that a day lies in. */
export const periodOf = (track: Track, kind: PeriodKind, day: PlainDay): DaySpan =>
  kind === 'weeks' ? weekSpan(day, track.weekStart) : monthSpan(monthOfDay(day));

/**
 * Quota, done days and days remaining of one week or month. A habit that starts mid-period owes its share; a rest day
 * lowers what is owed only when the rounding says so. A period without eligible days has the quota 0.
 */
export function quotaStanding(track: Track, kind: PeriodKind, period: DaySpan): QuotaStanding {
  const bit = kind === 'weeks' ? OWED_WEEKLY : OWED_MONTHLY;
  const first = Math.max(period.first, track.first);
  const last = Math.min(period.last, track.horizon);
  const flexible = bit | FLEXIBLE;
  let parts = 0;
  let done = 0;
  let remaining = 0;
  let index = termsIndexOn(track.terms, first);
  for (let day = first; day <= last; day++) {
    while (index + 1 < track.terms.length && track.terms[index + 1]!.from <= day) index++;
    const ask = track.asks[day - track.first]!;
    if ((ask & FLEXIBLE) === 0) continue;
    const { schedule } = track.terms[index]!;
    if (askKindOf(schedule) !== kind) continue;
    if (day <= track.today && track.outcomes[day - track.first] === DONE) done++;
    if ((ask & flexible) !== flexible) continue;
    parts += owedParts(schedule, day);
    if (day > track.today || isOpen(track, day)) remaining++;
  }
  return { period, quota: roundRatio(parts, PARTS_PER_DAY), done, remaining };
}

/** What a period has asked so far: what is done, or what can no longer be avoided. */
export const askedOf = (standing: QuotaStanding): number =>
  Math.max(Math.min(standing.done, standing.quota), standing.quota - standing.remaining);

export const keptOf = (standing: QuotaStanding): number => Math.min(standing.done, standing.quota);

const histories: Record<PeriodKind, WeakMap<Track, QuotaStanding[]>> = { weeks: new WeakMap(), months: new WeakMap() };

/** Every week (or month) from the habit's first day to the one of today, in order; empty where no terms are of that kind. */
export function quotaHistory(track: Track, kind: PeriodKind): QuotaStanding[] {
  const kept = histories[kind].get(track);
  if (kept !== undefined) return kept;
  const standings: QuotaStanding[] = [];
  if (track.terms.some((terms) => askKindOf(terms.schedule) === kind)) {
    let period = periodOf(track, kind, track.first);
    while (period.first <= track.today) {
      standings.push(quotaStanding(track, kind, period));
      period = periodOf(track, kind, period.last + 1);
    }
  }
  histories[kind].set(track, standings);
  return standings;
}
