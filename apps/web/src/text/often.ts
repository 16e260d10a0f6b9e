import { type AskKind, type Track, askKindOf, termsOn } from '@wimbel/core';

/** How often habits are due, as groups of the pegboard. */
export const OFTEN: readonly AskKind[] = ['days', 'weeks', 'months'];
export const OFTEN_WORDS: Record<AskKind, string> = { days: 'Daily', weeks: 'Weekly', months: 'Monthly' };

/** Whether a habit is due on days, or so many days a week or a month, as of today. */
export const oftenOf = (track: Track): AskKind => askKindOf(termsOn(track.terms, track.today).schedule);
