import { type Change, isLater } from '@wimbel/contract';
import type { JournalPage } from '@wimbel/core';
import { type TestPerson, type TestServer, change, startTestServer } from '../../../testing/testServer.ts';

let server: TestServer;
let person: TestPerson;

beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());
beforeEach(async () => {
  person = await server.signUp();
});

const page = (more: Partial<JournalPage> = {}): JournalPage => ({ id: 'p', day: '2026-11-24', part: 'day', ...more });
let minute = 10;
/** A page as a device made it, a minute after the change before it. */
const written = (record: JournalPage | null, base?: JournalPage, at = minute++): Change => ({
  ...change('journal', 'p', record),
  madeAt: `2026-11-24T08:${String(at).padStart(2, '0')}:00Z`,
  ...(base === undefined ? {} : { base }),
});
const pages = async () => (await person.since()).rows.flatMap(({ record }) => (record ? [record as JournalPage] : []));
const said = (answer: { results: { status: string }[] }) => answer.results.map((each) => each.status);

describe('a page that two devices write', () => {
  const began = page({ text: 'Rain' });
  beforeEach(() => {
    minute = 10;
  });

  it('has what each of them changed, whoever comes first, and the device is told what stands there', async () => {
    await person.apply(written(began));
    const [phone, desk] = [written(page({ ...began, mood: 4 }), began), written(page({ text: 'Rain, wind' }), began)];
    await person.apply(desk);
    const { results, rows } = (await (await person.send([phone], 2)).json()) as {
      results: { status: string }[];
      rows: { record: JournalPage }[];
    };
    expect(said({ results })).toEqual(['superseded']);
    expect(rows.map(({ record }) => record)).toEqual([page({ text: 'Rain, wind', mood: 4 })]);
    expect(await pages()).toEqual([page({ text: 'Rain, wind', mood: 4 })]);
  });

  it('shows the later text where both wrote, with the other as a page beside it, once', async () => {
    for (const isLaterFirst of [true, false]) {
      person = await server.signUp();
      await person.apply(written(began, undefined, 1));
      const [early, late] = [
        written(page({ text: 'Rain and fog' }), began, 2),
        written(page({ text: 'Sun' }), began, 3),
      ];
      for (const each of isLaterFirst ? [late, early] : [early, late]) await person.apply(each);
      const found = await pages();
      expect(found.map(({ text }) => text).sort()).toEqual(['Rain and fog', 'Sun']);
      expect(found.find(({ id }) => id === 'p')?.text).toBe('Sun');
      // Sent again, as where the answer was not heard.
      const { revision } = await person.since();
      expect(said(await person.apply(isLaterFirst ? early : late))).toEqual(['superseded']);
      expect((await person.since()).revision).toBe(revision);
    }
  });

  it('that is made of two is later than either, whoever comes first', async () => {
    for (const ids of [
      ['a', 'b'],
      ['b', 'a'],
    ]) {
      person = await server.signUp();
      await person.apply(written(began, undefined, 1));
      const late = { ...written(page({ ...began, mood: 4 }), began, 3), id: ids[0]! };
      const early = { ...written(page({ text: 'Rain, wind' }), began, 2), id: ids[1]! };
      await person.apply(late);
      await person.apply(early);
      const { madeAt, changeId, record } = (await person.since()).rows.find(({ key }) => key === 'p')!;
      expect(record).toEqual(page({ text: 'Rain, wind', mood: 4 }));
      for (const each of [late, early]) expect(isLater({ madeAt, id: changeId }, each)).toBe(true);
    }
  });

  it('stays where one took the words away and the other wrote on', async () => {
    await person.apply(written(began));
    const gone = written(null, began, 40);
    await person.apply(written(page({ text: 'Rain, wind' }), began));
    await person.apply(gone);
    expect(await pages()).toEqual([page({ text: 'Rain, wind' })]);
    await person.apply(written(null, page({ text: 'Rain, wind' }), 41));
    await person.apply(written(page({ text: 'Rain, wind, sea' }), page({ text: 'Rain, wind' }), 30));
    expect(await pages()).toEqual([page({ text: 'Rain, wind, sea' })]);
  });

  it('written by one alone is as it is sent; a base that is no page is refused', async () => {
    await person.apply(written(began));
    expect(said(await person.apply(written(page({ text: 'Fog' }), began)))).toEqual(['accepted']);
    const broken = await person.apply(written(page({ text: 'Sea' }), { id: 'p' } as never));
    expect(broken.results[0]).toMatchObject({ status: 'refused', issues: [{ path: 'base.day' }, {}] });
    expect(await pages()).toEqual([page({ text: 'Fog' })]);
  });
});
