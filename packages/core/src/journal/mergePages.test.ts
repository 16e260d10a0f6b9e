import fc from 'fast-check';
import type { JournalPage } from '../record/records.ts';
import { mergedPage, putTogether } from './mergePages.ts';
import { writingOf } from './page.ts';

const page = (more: Partial<JournalPage> = {}): JournalPage => ({ id: 'p', day: '2025-03-10', part: 'day', ...more });

describe('a page that two devices wrote', () => {
  it('has what each changed where the other did not', () => {
    const base = page({ mood: 2, text: 'Rain', feelings: ['tired'] });
    const { page: both, lost } = mergedPage(
      base,
      page({ mood: 4, text: 'Rain', feelings: ['tired', 'calm'] }),
      page({ mood: 2, text: 'Rain, then wind', feelings: ['tired', 'proud'] }),
    );
    expect(both).toEqual(page({ mood: 4, text: 'Rain, then wind', feelings: ['tired', 'proud', 'calm'] }));
    expect(lost).toBeNull();
  });

  it('shows the later text where both wrote, and gives the other', () => {
    const { page: both, lost } = mergedPage(
      page({ text: 'Rain' }),
      page({ text: 'Rain and fog' }),
      page({ text: 'Sun' }),
    );
    expect(both.text).toBe('Sun');
    expect(lost).toEqual({ text: 'Rain and fog' });
    // What only the one changed is no loss of the other's.
    expect(mergedPage(page({ text: 'Rain' }), page({ text: 'Rain', mood: 2 }), page({ text: 'Sun' })).lost).toBeNull();
    // What the later holds whole is not lost, nor is what the earlier only took away.
    expect(mergedPage(page(), page({ text: 'Sun' }), page({ text: 'Sun at last' })).lost).toBeNull();
    expect(mergedPage(page({ text: 'Rain' }), page(), page({ text: 'Sun' })).lost).toBeNull();
  });

  it('keeps answers of both, lines of both, and what either ticked off', () => {
    const list = (...items: [string, boolean?][]) => [
      { promptId: 'a', items: items.map(([text, done]) => (done === undefined ? { text } : { text, done })) },
    ];
    const base = page({ answers: list(['Ring'], ['Larch']) });
    const { page: both } = mergedPage(
      base,
      page({ answers: [...list(['Ring', true], ['Larch'], ['Rope']), { promptId: 'b', text: 'Tide' }] }),
      page({ answers: list(['Ring'], ['Larch'], ['Tar']) }),
    );
    expect(both.answers).toEqual([
      { promptId: 'a', items: [{ text: 'Ring', done: true }, { text: 'Larch' }, { text: 'Tar' }, { text: 'Rope' }] },
      { promptId: 'b', text: 'Tide' },
    ]);
    const told = (text: string) => page({ answers: [{ promptId: 'a', promptText: 'What?', text }] });
    expect(mergedPage(told('x'), told('first'), told('second'))).toEqual({
      page: told('second'),
      lost: { answers: [{ promptId: 'a', promptText: 'What?', text: 'first' }] },
    });
    // One took the answer away, the other wrote on.
    expect(mergedPage(told('x'), told('more'), page()).page).toEqual(told('more'));
  });

  it('never loses a word that was typed, and is the same again where nothing differs', () => {
    const text = fc.constantFrom('', 'Rain', 'Rain and fog', 'Sun', 'Wind\n\nand sea');
    const items = fc.array(fc.record({ text: fc.constantFrom('Ring', 'Larch', 'Rope') }), { maxLength: 3 });
    const pages = fc
      .record({ text, said: text, items })
      .map(({ text: own, said, items: lines }) =>
        page({ ...(own ? { text: own } : {}), answers: [{ promptId: 'a', text: said, items: lines }] }),
      );
    fc.assert(
      fc.property(pages, pages, pages, (base, earlier, late) => {
        const { page: both, lost } = mergedPage(base, earlier, late);
        const there = [...writingOf(both), ...writingOf(lost ?? {})].join('\n');
        const was = writingOf(base);
        for (const side of [earlier, late]) {
          for (const words of writingOf(side)) if (!was.includes(words)) expect(there).toContain(words);
        }
        const again = mergedPage(base, both, both);
        expect(writingOf(again.page)).toEqual(writingOf(both));
        expect(again.lost).toBeNull();
      }),
    );
  });
});

it('what a page has no room for is given back, the later page first: nothing of either is gone', () => {
  const room = { feelings: 3, answers: 2, answerItems: 3 };
  const made = (side: string): JournalPage =>
    page({
      feelings: [1, 2, 3].map((at) => `${side}${at}`),
      answers: [
        { promptId: 'p', promptText: 'Good?', items: [1, 2, 3].map((at) => ({ text: `${side} line ${at}` })) },
        { promptId: side, text: `only ${side}` },
      ],
    });
  const { page: merged, lost } = mergedPage(page(), made('early'), made('late'), room);
  expect(merged.feelings).toEqual(['late1', 'late2', 'late3']);
  expect(merged.answers?.map(({ promptId }) => promptId)).toEqual(['p', 'late']);
  expect(merged.answers?.[0]!.items?.map(({ text }) => text)).toEqual(['late line 1', 'late line 2', 'late line 3']);
  expect(lost).toEqual({
    feelings: ['early1', 'early2', 'early3'],
    answers: [
      { promptId: 'p', promptText: 'Good?', items: [1, 2, 3].map((at) => ({ text: `early line ${at}` })) },
      { promptId: 'early', text: 'only early' },
    ],
  });
});

describe('pages put together', () => {
  it('have the other’s words below their own, once', () => {
    const own = page({ mood: 3, text: 'Sun', answers: [{ promptId: 'a', text: 'Tide' }] });
    const other = page({
      id: 'q',
      mood: 5,
      text: 'Fog',
      feelings: ['calm'],
      answers: [{ promptId: 'a', text: 'Slack' }],
    });
    expect(putTogether(own, other)).toEqual(
      page({ mood: 3, text: 'Sun\n\nFog', feelings: ['calm'], answers: [{ promptId: 'a', text: 'Tide\n\nSlack' }] }),
    );
    expect(putTogether(own, page({ id: 'q', text: 'Sun' })).text).toBe('Sun');
    expect(putTogether(page(), page({ id: 'q', text: 'Fog', answers: [{ promptId: 'b', text: 'x' }] }))).toEqual(
      page({ text: 'Fog', answers: [{ promptId: 'b', text: 'x' }] }),
    );
  });
});
