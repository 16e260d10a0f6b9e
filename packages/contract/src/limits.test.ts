import { changesIssues } from './changes.ts';
import { type Collection, COLLECTIONS, checkRecord } from './collections.ts';
import { LIMITS, sizeOf } from './limits.ts';

/** A value that counts how often its parts are looked at. */
function counted<T extends object>(value: T): { value: T; looks: () => number } {
  let looks = 0;
  const watch = (each: object): object =>
    new Proxy(each, {
      get(target, key, receiver) {
        if (typeof key === 'string') looks++;
        const found: unknown = Reflect.get(target, key, receiver);
        return found !== null && typeof found === 'object' ? watch(found) : found;
      },
    });
  return { value: watch(value) as T, looks: () => looks };
}

const nested = (deep: number): unknown => JSON.parse('['.repeat(deep) + ']'.repeat(deep));
const many = (each: unknown): unknown[] => Array.from({ length: 100_000 }, () => each);

/** Bodies within the size of a request that would take the longest to check. */
const WORST: [string, Collection, unknown][] = [
  ['ids that are empty', 'seasons', { id: 's', goalIds: many('') }],
  ['parts that are empty', 'entries', { habitId: 'h', day: '2026-11-24', parts: many({}) }],
  ['terms that are numbers', 'habits', { id: 'h', terms: many(1) }],
  ['unknown keys', 'areas', Object.fromEntries(many(1).map((each, index) => [`k${index}`, each]))],
  [
    'months that are none',
    'habits',
    { monthTargets: Object.fromEntries(many({}).map((each, index) => [index, each])) },
  ],
  ['lists in lists', 'quotes', { id: 'q', text: nested(5000) }],
  ['a list for a record', 'quotes', many(null)],
];

describe('what is too large', () => {
  it.each(WORST)('%s: is refused with one fault, and few of its parts are looked at', (_, collection, record) => {
    const { value, looks } = counted({ record });
    const { issues } = checkRecord(collection, value.record);
    expect(issues).toHaveLength(1);
    expect(issues[0]?.message).toMatch(/has more than|is nested/);
    // Finding out how many there are takes one look at each of those that are counted, and no more.
    expect(sizeOf(record).values).toBeLessThanOrEqual(LIMITS.values + 1);
    expect(looks()).toBeLessThanOrEqual(100_010);
  });

  it('is a request with too many changes, whatever they are', () => {
    for (const each of [{}, 1, null, { id: 'x'.repeat(100) }]) {
      const { value, looks } = counted({ changes: many(each) });
      expect(changesIssues(value)).toEqual([{ path: 'changes', message: `has more than ${LIMITS.changes} changes` }]);
      expect(looks()).toBeLessThan(10);
    }
  });

  it('is a request whose records are much together, though each is small enough', () => {
    const record = { id: 'h', terms: Array.from({ length: 90 }, () => ({ from: 1 })) };
    const change = { id: 'c', madeAt: '2026-11-24T10:00:00Z', collection: 'habits', key: 'h', record };
    const of = (count: number) => changesIssues({ changes: Array.from({ length: count }, () => change) });
    expect(of(50)).toEqual([]);
    expect(of(60)).toEqual([{ path: 'changes', message: `hold more than ${LIMITS.valuesTogether} values together` }]);
  });

  it('is never told with more than twenty faults, and the looking ends there', () => {
    const { value, looks } = counted({ changes: Array.from({ length: LIMITS.changes }, () => ({})) });
    expect(changesIssues(value)).toHaveLength(LIMITS.issues);
    expect(looks()).toBeLessThan(1000);
    const answers = Array.from({ length: LIMITS.lists.answers }, () => ({}));
    const page = { id: 'p', day: '2026-11-24', part: 'day', answers };
    expect(checkRecord('journal', page).issues).toHaveLength(LIMITS.issues);
    const long = 'x'.repeat(5000);
    for (const { path, message } of checkRecord('areas', { id: 'a', name: 'A', order: 0, [long]: 1 }).issues) {
      expect(path.length + message.length).toBeLessThan(200);
    }
  });

  it('is found in every list that a record can hold', () => {
    const longest = Math.max(...Object.values(LIMITS.lists)) + 1;
    const list = (each: unknown) => Array.from({ length: longest }, () => each);
    const tooLong: [Collection, string, object][] = [
      ['habits', 'terms', { terms: list(null) }],
      ['habits', 'pauses', { pauses: list(null) }],
      ['habits', 'variants', { variants: list(null) }],
      ['entries', 'parts', { parts: list(null) }],
      ['goals', 'turns', { turns: list(null) }],
      ['milestones', 'after', { after: list('m') }],
      ['settings', 'dayMarks', { dayMarks: list(null) }],
      ['settings', 'moodMarks', { moodMarks: list(null) }],
      ['settings', 'hidden', { hidden: list('streaks') }],
      ['seasons', 'goalIds', { goalIds: list('g') }],
      ['seasons', 'notes', { notes: list(null) }],
      ['months', 'aims', { aims: list('a') }],
      ['journal', 'feelings', { feelings: list('a') }],
      ['journal', 'answers', { answers: list(null) }],
      ['reminders', 'days', { days: list('monday') }],
    ];
    for (const [collection, path, record] of tooLong) {
      const found = checkRecord(collection, record).issues.some(
        (issue) => issue.path === path && /has more than \d+ elements/.test(issue.message),
      );
      expect([collection, path, found || checkRecord(collection, record).issues.length === LIMITS.issues]).toEqual([
        collection,
        path,
        true,
      ]);
    }
  });
});

describe('a value that no check was made for', () => {
  const ODD: unknown[] = [null, 1, 'x', true, [], [null], {}, { kind: null }, [[]], [{}], { a: null }];

  it('is refused in words, in whatever field of whatever record it stands, and never thrown at', () => {
    const FIELDS = [
      ...['id', 'name', 'title', 'terms', 'measure', 'pauses', 'variants', 'parts', 'dayMarks', 'moodMarks', 'goalIds'],
      ...['notes', 'aims', 'answers', 'feelings', 'turns', 'after', 'checkpoints', 'monthTargets', 'yearTargets'],
      ...['finishLine', 'days', 'hidden', 'pipsName', 'fullDayTarget', 'startsOn', 'endsOn', 'doneBy', 'amount'],
    ];
    for (const collection of COLLECTIONS) {
      for (const field of FIELDS) {
        for (const odd of ODD) {
          const { record, issues } = checkRecord(collection, { id: 'x', [field]: odd });
          expect(record === null).toBe(issues.length > 0);
        }
      }
      for (const odd of ODD) expect(checkRecord(collection, odd).issues.length).toBeGreaterThan(0);
    }
  });
});
