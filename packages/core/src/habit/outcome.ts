import { TOLERANCE, isAtLeast, isMoreThan } from '../number/exact.ts';
import type { Entry } from '../record/records.ts';
import type { HeldTerms } from './terms.ts';

/** What a day came to. The numbers are stored in a track's bytes; 0 is `outside`. */
export const OUTCOMES = ['outside', 'blank', 'paused', 'part', 'done', 'rest', 'missed'] as const;
/** What a day of a habit came to. */
export type Outcome = (typeof OUTCOMES)[number];

/**
 * What a record of a day inside the active span came to, under the terms in force; null where it decides nothing
 * (no record, or one without mark and amount), so that the day is blank or paused.
 */
export function recordedOutcome(entry: Entry | undefined, terms: HeldTerms): Outcome | null {
  if (entry === undefined) return null;
  const { mark, amount } = entry;
  if (mark === 'rest') return 'rest';
  if (mark === 'missed') return 'missed';
  if (mark === 'done') return 'done';
  if (amount === undefined || amount === null) return null;
  if (terms.atMost !== null) return isMoreThan(amount, terms.atMost) ? 'missed' : 'done';
  if (amount < TOLERANCE) return 'missed';
  return terms.atLeast !== null && isAtLeast(amount, terms.atLeast) ? 'done' : 'part';
}

/** How much of a day's threshold an amount is, 0–1; 0 without an amount, and where the terms only set a most. */
export const thresholdRatio = (terms: HeldTerms, amount: number | null): number =>
  terms.atLeast === null || amount === null ? 0 : Math.min(1, amount / terms.atLeast);
