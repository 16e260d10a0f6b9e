import { type Collection, type UsageAnswer, fullestOf } from '@wimbel/contract';
import { percent } from './format.ts';

const MB = 1024 * 1024;
/** Share of the quota from which a warning is shown. */
const NEARLY_FULL = 0.8;

/** "1.2 MB", "200 MB" */
const megabytes = (bytes: number): string => {
  const value = bytes / MB;
  return `${value < 10 ? Math.max(0.1, Math.round(value * 10) / 10) : Math.round(value)} MB`;
};

const KINDS: Partial<Record<Collection, string>> = {
  entries: 'days of habits',
  checkIns: 'check-ins',
  keyResults: 'key results',
  journal: 'journal pages',
  habitNotes: 'notes on habits',
  claims: 'rewards taken',
  months: 'words of months',
};

/** How much room an account takes, and whether it is running out. */
export function quotaText({ usage, quota }: UsageAnswer): { text: string; isNearlyFull: boolean } {
  const { ratio, of } = fullestOf(usage, quota);
  const isNearlyFull = ratio >= NEARLY_FULL;
  const takes = `Your account takes ${megabytes(usage.bytes)} of ${megabytes(quota.bytes)}.`;
  if (!isNearlyFull) return { text: takes, isNearlyFull };
  const what = of === 'bytes' ? 'room' : `room for ${KINDS[of] ?? of}`;
  const text = ratio >= 1 ? `There is no more ${what}.` : `${percent(ratio)} of the ${what} is used.`;
  return { text: `${takes} ${text} Delete what you no longer need, or keep it in a data file.`, isNearlyFull };
}
