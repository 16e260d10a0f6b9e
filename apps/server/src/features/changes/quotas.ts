import {
  type Change,
  type Collection,
  QUOTA,
  SAMPLE_QUOTA,
  type Usage,
  type UsageAnswer,
  fullestOf,
  withAdded,
} from '@wimbel/contract';
import { LRUCache } from 'lru-cache';
import type { Pool } from 'pg';

/** How many people's usage is estimated at a time. */
const MOST_KNOWN = 20_000;
/** A full account is counted anew after so long, in milliseconds: something may have been removed. */
const COUNT_AGAIN_MS = 1000;

type Person = { userId: string; isSample: boolean };
type Known = { usage: Usage; isCounted: boolean; atMs: number };

/**
 * Keeps accounts within their quotas. What an account holds is counted by the database once, and then estimated from above by
 * what is sent; it is counted again only where the estimate comes to the quota. Another process may be behind by what it did
 * not see, so an account can end a little above its quota, never far.
 */
export type Quotas = {
  /** Whether an account has no room left, so that a request adds nothing more to it; one that has takes the whole request. */
  isFull: (person: Person) => Promise<boolean>;
  /** Takes note of what a request brought. */
  sent: (person: Person, bytes: number, changes: readonly Change[]) => void;
  /** What an account holds now, counted. */
  usageOf: (person: Person) => Promise<UsageAnswer>;
};

const quotaFor = ({ isSample }: Person): Usage => (isSample ? SAMPLE_QUOTA : QUOTA);

async function count(pool: Pool, userId: string): Promise<Usage> {
  const { rows } = await pool.query<{ collection: Collection; records: string; bytes: string }>(
    `select collection, count(*) as records, sum(bytes) as bytes from change_log
     where user_id = $1 and record is not null group by collection`,
    [userId],
  );
  return {
    bytes: rows.reduce((sum, each) => sum + Number(each.bytes), 0),
    records: Object.fromEntries(rows.map((each) => [each.collection, Number(each.records)])),
  };
}

export function createQuotas(pool: Pool): Quotas {
  const known = new LRUCache<string, Known>({ max: MOST_KNOWN });

  async function counted(person: Person): Promise<Known> {
    const usage = await count(pool, person.userId);
    const now: Known = { usage, isCounted: true, atMs: performance.now() };
    known.set(person.userId, now);
    return now;
  }

  return {
    async isFull(person) {
      const isOver = ({ usage }: Known): boolean => fullestOf(usage, quotaFor(person)).ratio >= 1;
      const now = known.get(person.userId) ?? (await counted(person));
      if (!isOver(now)) return false;
      if (now.isCounted && performance.now() - now.atMs < COUNT_AGAIN_MS) return true;
      return isOver(await counted(person));
    },
    sent(person, bytes, changes) {
      const now = known.get(person.userId);
      if (now === undefined) return;
      const added = changes.filter(({ record }) => record !== null).map(({ collection }) => collection);
      known.set(person.userId, { ...now, usage: withAdded(now.usage, bytes, added), isCounted: false });
    },
    usageOf: async (person) => ({ usage: (await counted(person)).usage, quota: quotaFor(person) }),
  };
}
