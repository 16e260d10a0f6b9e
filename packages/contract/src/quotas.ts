import type { Collection } from './keys.ts';

/** How many records of each kind, and how many bytes of all together, an account holds. */
export type Usage = { bytes: number; records: Partial<Record<Collection, number>> };

const MB = 1024 * 1024;

/** Room for twenty years of heavy use. */
export const QUOTA: Usage & { records: Record<Collection, number> } = {
  bytes: 200 * MB,
  records: {
    settings: 1,
    areas: 500,
    goals: 5000,
    habits: 2000,
    // Sixty habits a day.
    entries: 440_000,
    keyResults: 20_000,
    checkIns: 150_000,
    steps: 50_000,
    milestones: 20_000,
    seasons: 500,
    months: 1200,
    prompts: 500,
    // Four pages a day.
    journal: 30_000,
    reviews: 3000,
    habitNotes: 50_000,
    rewards: 2000,
    claims: 50_000,
    quotes: 10_000,
    reminders: 500,
  },
};

/** A visitor's copy of the sample holds less. */
export const SAMPLE_QUOTA: typeof QUOTA = { ...QUOTA, bytes: 5 * MB };

/** How full an account is by what it has most of, as a ratio, and what that is: the bytes of all records, or a kind. */
export function fullestOf(usage: Usage, quota: Usage): { ratio: number; of: Collection | 'bytes' } {
  let fullest: { ratio: number; of: Collection | 'bytes' } = { ratio: usage.bytes / quota.bytes, of: 'bytes' };
  for (const [collection, most] of Object.entries(quota.records) as [Collection, number][]) {
    // There is one record of settings, and it is no matter of room.
    if (collection === 'settings') continue;
    const ratio = (usage.records[collection] ?? 0) / most;
    if (ratio > fullest.ratio) fullest = { ratio, of: collection };
  }
  return fullest;
}

/** The usage after some records of so many bytes were added to it. */
export function withAdded(usage: Usage, bytes: number, collections: readonly Collection[]): Usage {
  const records = { ...usage.records };
  for (const each of collections) records[each] = (records[each] ?? 0) + 1;
  return { bytes: usage.bytes + bytes, records };
}

/** The answer to `GET /api/usage`. */
export type UsageAnswer = { usage: Usage; quota: Usage };
