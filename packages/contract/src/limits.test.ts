import { changesIssues } from './changes.ts';
import { checkRecord } from './collections.ts';
import { COLLECTIONS, type Collection } from './keys.ts';
import fc from 'fast-check';
import { LIMITS, sizeOf, sizeOfJson } from './limits.ts';

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
    const id = 'x';
    const goalId = 'g';
    const day = '2026-11-24';
    const daily = { from: day, schedule: { kind: 'daily' } };
    const measure = { kind: 'check' };
    const habit = { id, name: 'H', order: 0, aim: 'build', partOfDay: 'any', measure, terms: [daily], startsOn: day };
    const settings = { weekStart: 'monday', passMark: 0.8, dayEndsAt: 3 };
    const page = { id, day, part: 'day' };
    const season = { id, title: 'S', startsOn: day, weeks: 12, goalIds: [] };
    const BASES: [Collection, object, string][] = [
      ['habits', habit, 'terms'],
      ['habits', habit, 'pauses'],
      ['habits', habit, 'variants'],
      ['entries', { habitId: id, day }, 'parts'],
      ['goals', { id, title: 'G', startsOn: day, state: 'open', order: 0 }, 'turns'],
      ['milestones', { id, goalId, title: 'M', order: 0 }, 'after'],
      ['settings', settings, 'dayMarks'],
      ['settings', settings, 'moodMarks'],
      ['settings', settings, 'hidden'],
      ['seasons', season, 'goalIds'],
      ['seasons', season, 'notes'],
      ['months', { month: '2026-11', aims: [] }, 'aims'],
      ['journal', page, 'feelings'],
      ['journal', page, 'answers'],
      ['reminders', { id, about: 'journal', at: '08:00', on: true, days: [] }, 'days'],
    ];
    for (const [collection, base, field] of BASES) {
      expect([collection, checkRecord(collection, base).issues]).toEqual([collection, []]);
      expect([collection, checkRecord(collection, { ...base, [field]: list('a') }).issues]).toEqual([
        collection,
        [{ path: field, message: expect.stringMatching(/^has more than \d+ elements$/) }],
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

it('the size of a JSON text is known without reading it, and never less than that of its value', () => {
  fc.assert(
    fc.property(fc.jsonValue({ maxDepth: 6 }), (value) => {
      const [text, own] = [sizeOfJson(JSON.stringify(value)), sizeOf(value)];
      expect(text.values).toBeGreaterThanOrEqual(own.values);
      // A value alone is one deep, a list around it one more.
      expect(text.depth).toBeGreaterThanOrEqual(own.depth - 1);
    }),
  );
  expect(sizeOfJson('{"a":"[[[[,,,,\\"[[","b":[1,2]}')).toEqual({ values: 5, depth: 2 });
  for (const broken of ['"', '"\\', '[[', ']]', '']) expect(sizeOfJson(broken).values).toBeGreaterThan(0);
});
