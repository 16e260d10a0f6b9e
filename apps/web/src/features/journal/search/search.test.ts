import { MessageChannel } from 'node:worker_threads';
import { dayOf, entryYearsOf } from '@wimbel/core';
import { expose } from 'comlink';
import { type RecordsState, emptyRecordsState } from '@wimbel/sync';
import { type Search, createSearcher, folded, piecesOf } from './searcher.ts';
import { createSearchWorker } from './searchWorker.ts';
import { sourcesOf } from './writings.ts';

const nothing: Search = { words: '', feeling: null, mood: null, habitId: null, span: null };

const records = (more: Partial<RecordsState> = {}): RecordsState => ({
  ...emptyRecordsState(),
  journal: {
    a: {
      id: 'a',
      day: '2025-12-03',
      part: 'day',
      mood: 2,
      feelings: ['tired'],
      text: 'The harbour froze. Nobody rowed.',
    },
    b: { id: 'b', day: '2025-12-03', part: 'evening', answers: [{ promptId: 'p', items: [{ text: 'Order larch' }] }] },
    c: { id: 'c', day: '2026-05-01', part: 'day', mood: 5, feelings: ['calm'], text: 'Rowed to the island and back.' },
    d: { id: 'd', day: '2026-05-02', part: 'day', mood: 5 },
  },
  entries: {
    swim: entryYearsOf([
      { habitId: 'swim', day: '2025-12-04', mark: 'missed', note: 'Harbour frozen' },
      { habitId: 'swim', day: '2026-06-01', mark: 'done', note: 'Rowed beside me: Olwen' },
    ]),
  },
  checkIns: { k: { id: 'k', keyResultId: 'kr', day: '2026-01-02', value: 3, note: 'Two strakes', madeAt: '' } },
  reviews: {
    r: { id: 'r', span: 'month', from: '2025-12-01', answers: { wentWell: 'Larch came', nextTimeWas: 'done' } },
  },
  habitNotes: { n: { id: 'n', habitId: 'swim', text: 'Warm hat' } },
  ...more,
});

function searcherOf(state: RecordsState) {
  const searcher = createSearcher();
  searcher.put([...sourcesOf(state)].map(({ key, writings }) => ({ key, writings: writings() })));
  return (search: Partial<Search>, most = 50) => searcher.search({ ...nothing, ...search }, most);
}
const ids = ({ found }: { found: { id: string }[] }) => found.map(({ id }) => id.replace(/\d{4,}/, 'day'));

describe('a search', () => {
  const search = searcherOf(records());

  it('goes through pages, answers, notes, reasons, check-ins and reviews, the newest first', () => {
    expect(ids(search({ words: 'rowed' }))).toEqual(['entry swim day', 'page day', 'page day']);
    expect(search({ words: 'frozen' }).found[0]).toMatchObject({
      kind: 'reason',
      day: dayOf('2025-12-04'),
      aboutId: 'swim',
    });
    expect(search({ words: 'larch' }).found.map(({ kind }) => kind)).toEqual(['page', 'review']);
    expect(search({ words: 'strakes' }).found[0]).toMatchObject({ kind: 'checkIn', aboutId: 'kr' });
    expect(search({ words: 'hat' }).found[0]).toMatchObject({ kind: 'habitNote' });
  });

  it('takes the beginnings of words, in any case and without their accents, and wants all of them', () => {
    expect(search({ words: 'HARB' }).count).toBe(2);
    expect(search({ words: 'harbour nobody' }).count).toBe(1);
    expect(search({ words: 'harbour island' }).count).toBe(0);
    expect(folded('Ölung')).toBe('olung');
    expect(search({ words: 'tired' }).count).toBe(1);
  });

  it('is narrowed by feeling, mood, habit and days, also without a word', () => {
    expect(ids(search({ mood: 5 }))).toEqual(['page day', 'page day']);
    expect(search({ mood: 2 }).found[0]).toMatchObject({ day: dayOf('2025-12-03'), feelings: ['tired'] });
    expect(search({ feeling: 'calm' }).count).toBe(1);
    expect(search({ habitId: 'swim' }).count).toBe(3);
    const december = { first: dayOf('2025-12-01'), last: dayOf('2025-12-31') };
    expect(search({ words: 'rowed', span: december }).count).toBe(1);
    expect(search({ words: 'rowed' }, 2)).toMatchObject({ count: 3, found: [{}, {}] });
  });

  it('marks the words that were found in a part of the text around the first', () => {
    expect(piecesOf('The harbour froze.', ['harb'])).toEqual([
      { text: 'The ', isMarked: false },
      { text: 'harbour', isMarked: true },
      { text: ' froze.', isMarked: false },
    ]);
    const long = `${'and so on '.repeat(40)}harbour ${'and so on '.repeat(40)}`;
    const pieces = piecesOf(long, ['harbour']);
    expect(pieces[0]!.text).toBe('… ');
    expect(pieces.filter(({ isMarked }) => isMarked).map(({ text }) => text)).toEqual(['harbour']);
    expect(pieces.map(({ text }) => text).join('').length).toBeLessThan(260);
    expect(piecesOf('', [])).toEqual([]);
  });
});

let ports: MessagePort[] = [];
afterEach(() => {
  for (const port of ports) port.close();
  ports = [];
});

it('in a worker, what was written is handed over once, what changed again, and what is gone is dropped', async () => {
  const { port1, port2 } = new MessageChannel();
  ports = [port1 as never, port2 as never];
  const searcher = createSearcher();
  const put: string[][] = [];
  expose(
    {
      ...searcher,
      put: (all: Parameters<typeof searcher.put>[0]) => (put.push(all.map(({ key }) => key)), searcher.put(all)),
    },
    port2 as never,
  );
  const search = createSearchWorker(() => Object.assign(port1, { terminate: () => undefined }));
  const before = records();
  expect((await search(before, { ...nothing, words: 'rowed' }, 9)).count).toBe(3);
  expect(put.flat()).toHaveLength(8);
  const { c: _, ...rest } = before.journal;
  const after = { ...before, journal: { ...rest, a: { ...before.journal.a!, text: 'Nobody came.' } } };
  const found = await search(after, { ...nothing, words: 'rowed' }, 9);
  expect(found.found.map(({ kind }) => kind)).toEqual(['note']);
  expect(put.slice(1)).toEqual([[`day ${dayOf('2025-12-03')}`]]);
});
