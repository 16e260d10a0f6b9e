import { type Change, type Collection, LIMITS, checkRecord } from '@wimbel/contract';
import { oneOfEach } from '../../../testing/oneOfEach.ts';
import { type TestPerson, type TestServer, startTestServer } from '../../../testing/testServer.ts';
import type { AnyRecord } from '../queries.ts';

/** Two devices write at length into every text and every list that a record has; whatever was written is there afterwards. */

let server: TestServer;
let person: TestPerson;
beforeAll(async () => {
  server = await startTestServer({ requestsPerMinute: 100_000 });
  person = await server.signUp();
  const { results } = await person.apply(...oneOfEach().map((each) => ({ ...each, madeAt: '2026-11-20T10:00:00Z' })));
  expect(results.filter(({ status }) => status !== 'accepted')).toEqual([]);
});
afterAll(() => server.close());

type Path = readonly (string | number)[];

const at = (value: unknown, path: Path): unknown =>
  path.reduce<unknown>((each, step) => (each as Record<string | number, unknown> | undefined)?.[step], value);

/** A copy of a record with something else at a place. */
function withAt<T>(record: T, path: Path, value: unknown): T {
  const copy = structuredClone(record);
  const last = path.at(-1)!;
  (at(copy, path.slice(0, -1)) as Record<string | number, unknown>)[last] = value;
  return copy;
}

/** Every place in a value, those inside of lists by the first element. */
const placesIn = (value: unknown, path: Path = []): Path[] =>
  value === null || typeof value !== 'object'
    ? [path]
    : [
        path,
        ...Object.entries(value).flatMap(([name, each]) =>
          placesIn(each, [...path, Array.isArray(value) ? Number(name) : name]),
        ),
      ];

/** Words that stand nowhere else, so many a line that the text is about so long. */
function words(side: string, length: number): { text: string; all: string[] } {
  const count = Math.max(1, Math.floor(length / 16));
  const all = Array.from({ length: count }, (_, each) => `${side}${String(each).padStart(14 - side.length, '0')}`);
  return {
    text: all
      .map((each, index) => `${each}${index % 4 === 3 ? '\n' : ' '}`)
      .join('')
      .trim(),
    all,
  };
}

/** Items of a list like the one that is there, each with words of its own. */
function items(like: unknown, side: string, count: number): { list: unknown[]; all: string[] } {
  const all = Array.from({ length: count }, (_, each) => `${side}item${String(each).padStart(6, '0')}`);
  const item = (word: string): unknown => {
    if (typeof like === 'string') return word;
    const { id, ...fields } = like as Record<string, unknown>;
    const named = ['text', 'name', 'note', 'why'].find((name) => typeof fields[name] === 'string');
    return { ...(id === undefined ? {} : { id: word }), ...fields, ...(named === undefined ? {} : { [named]: word }) };
  };
  // What is there stays: others may name it.
  return { list: [like, ...all.slice(1).map(item)], all: all.slice(1) };
}

type Case = { collection: Collection; key: string; record: AnyRecord; path: Path };

const holds = (collection: Collection, record: unknown): boolean => checkRecord(collection, record).record !== null;
const isId = (path: Path): boolean =>
  /^(id|.*Id|month|promptText)$/.test(String(path.at(-1))) || /Ids$|^after$/.test(String(path.at(-2)));

const CASES = oneOfEach().map(({ collection, key, record }) => ({ collection, key, record: record as AnyRecord }));
/** Every text that may be as long as a text can be. */
const TEXTS: Case[] = CASES.flatMap((each) =>
  placesIn(each.record)
    .filter((path) => typeof at(each.record, path) === 'string' && !isId(path))
    .filter((path) => holds(each.collection, withAt(each.record, path, 'x'.repeat(LIMITS.textLength))))
    .map((path) => ({ ...each, path })),
);
/** Every list of texts, or of things with a text. */
const LISTS: Case[] = CASES.flatMap((each) =>
  placesIn(each.record)
    .filter((path) => Array.isArray(at(each.record, path)) && !isId([...path, 0]) && path.at(-1) !== 'answers')
    .filter((path) =>
      holds(each.collection, withAt(each.record, path, items((at(each.record, path) as unknown[])[0], 'x', 3).list)),
    )
    .map((path) => ({ ...each, path })),
);
const mostIn = ({ collection, record, path }: Case): number => {
  const like = (at(record, path) as unknown[])[0];
  let most = 3;
  for (const count of [20, 50, 100, 200, 300, 1000])
    if (holds(collection, withAt(record, path, items(like, 'x', count).list))) most = count;
  return most;
};

let minute = 0;
const instant = (): string => new Date(Date.UTC(2026, 10, 21, 0, ++minute)).toISOString();
const send = (id: string, { collection, key }: Case, record: AnyRecord, madeAt: string, base?: AnyRecord): Change => ({
  id,
  madeAt,
  collection,
  key,
  record,
  ...(base === undefined ? {} : { base }),
});

/** Two versions of a record made apart and sent in an order, twice: what of their words is nowhere afterwards. */
async function lostOf(
  of: Case,
  versions: [AnyRecord, AnyRecord],
  isLateFirst: boolean,
  all: string[],
): Promise<string[]> {
  const name = `${of.collection}-${of.path.join('-')}-${minute}`;
  await person.apply(send(`${name}-0`, of, of.record, instant()));
  const { revision: before } = await person.since();
  const [early, late] = versions.map((version, index) =>
    send(`${name}-${index + 1}`, of, version, instant(), of.record),
  );
  const order = isLateFirst ? [late!, early!] : [early!, late!];
  for (const each of order) {
    const { results } = await person.apply(each);
    expect(results[0]!.status).not.toBe('refused');
  }
  const { rows, revision } = await person.since(before);
  for (const each of [...order, ...order.reverse()]) await person.apply(each);
  expect((await person.since()).revision).toBe(revision);
  for (const row of rows) expect(checkRecord(row.collection, row.record).issues).toEqual([]);
  const text = JSON.stringify(rows.map(({ record }) => record));
  return all.filter((each) => !text.includes(each));
}

it('knows every text and list of the contract', () => {
  const named = (cases: Case[]): string[] => cases.map(({ collection, path }) => `${collection}.${path.join('.')}`);
  expect(named(TEXTS)).toEqual(
    expect.arrayContaining([
      'goals.why',
      'habits.note',
      'entries.parts.0.note',
      'journal.answers.0.text',
      'reviews.answers.wins',
    ]),
  );
  expect(named(LISTS)).toEqual(
    expect.arrayContaining([
      'months.aims',
      'journal.feelings',
      'journal.answers.0.items',
      'habits.variants',
      'seasons.notes',
    ]),
  );
  expect([TEXTS.length, LISTS.length]).toEqual([expect.any(Number), expect.any(Number)]);
  expect(TEXTS.length).toBeGreaterThan(40);
});

describe.each([
  ['the earlier first', false],
  ['the later first', true],
])('%s', (_, isLateFirst) => {
  it.each(TEXTS.map((each) => [`${each.collection}.${each.path.join('.')}`, each] as const))(
    'no word of two texts is lost: %s',
    async (_name, of) => {
      // Too long together in every field; the other lengths take turns over the fields.
      const turns = [
        [120, 120],
        [LIMITS.textLength, LIMITS.textLength],
        [LIMITS.textLength, 120],
      ] as const;
      const turn = turns[TEXTS.indexOf(of) % turns.length]!;
      for (const [one, other] of isLateFirst ? [[10_100, 10_100] as const] : [[10_100, 10_100] as const, turn]) {
        const [a, b] = [words(`a${minute}x`, one), words(`b${minute}x`, other)];
        const versions = [a, b].map(({ text }) => withAt(of.record, of.path, text)) as [AnyRecord, AnyRecord];
        expect(await lostOf(of, versions, isLateFirst, [...a.all, ...b.all])).toEqual([]);
      }
    },
  );

  it.each(LISTS.map((each) => [`${each.collection}.${each.path.join('.')}`, each] as const))(
    'no item of two lists is lost: %s',
    async (_name, of) => {
      const like = (at(of.record, of.path) as unknown[])[0];
      const most = mostIn(of);
      for (const count of isLateFirst ? [most] : [2, Math.floor(most / 2) + 5]) {
        const [a, b] = [
          items(like, `a${minute}x`, Math.min(count, most)),
          items(like, `b${minute}x`, Math.min(count, most)),
        ];
        const versions = [a, b].map(({ list }) => withAt(of.record, of.path, list)) as [AnyRecord, AnyRecord];
        if (!versions.every((each) => holds(of.collection, each))) continue;
        expect(await lostOf(of, versions, isLateFirst, [...a.all, ...b.all])).toEqual([]);
      }
    },
  );
});

it.each(TEXTS.map((each) => [`${each.collection}.${each.path.join('.')}`, each] as const))(
  'a text beyond the limit is refused, and what stands there stays: %s',
  async (_name, of) => {
    const record = withAt(of.record, of.path, 'x'.repeat(LIMITS.textLength + 1));
    const { revision } = await person.since();
    const { results } = await person.apply(send(`long-${minute}`, of, record, instant(), of.record));
    expect(results[0]!.status).toBe('refused');
    expect((await person.since()).revision).toBe(revision);
  },
);
