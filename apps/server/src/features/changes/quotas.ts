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

/** Cache capacity in accounts. */
const MOST_KNOWN = 20_000;
/** Minimum interval between counts of a full account, in milliseconds. */
const COUNT_AGAIN_MS = 1000;

type Person = { userId: string; isSample: boolean };
type Known = { usage: Usage; isCounted: boolean; atMs: number };

/**
 * Enforces account quotas. Usage is counted by the database once, then estimated from above by what is sent, and counted again only
 * when the estimate reaches the quota. Processes estimate independently, so an account may end slightly above its quota.
 */
export type Quotas = {
  /** Whether the quota is used up; an account below it accepts a whole request. */
  isFull: (person: Person) => Promise<boolean>;
  /** Adds a request to the estimate. */
  sent: (person: Person, bytes: number, changes: readonly Change[]) => void;
  /** Counts the account's usage. */
  usageOf: (person: Person) => Promise<UsageAnswer>;
};

const quotaFor = ({ isSample }: Person): Usage => (isSample ? SAMPLE_QUOTA : QUOTA);

async function count(pool: Pool, userId: string): Promise<Usage> {
  const { rows } = await pool.query<{ collection: Collection; records: string; bytes: string }>(
    `select collection, count(*) as records, sum(bytes) as bytes from change_log
     where user_id = $1 and not deleted group by collection`,
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
