import type { Entry, HabitNote } from '@wimbel/core';
import { linkOf, typedAmount, typedDays, withoutBlank } from './habitFields.ts';
import { writtenOf } from '../page/writtenNotes.ts';

describe('what is typed into a habit’s sheets', () => {
  it('days are whole and not too few; nothing typed says nothing', () => {
    expect(typedDays(' 12 ', 0)).toEqual({ value: 12, fault: undefined });
    expect(typedDays('0', 0).value).toBe(0);
    expect(typedDays('', 1)).toEqual({ value: undefined, fault: undefined });
    for (const text of ['12.5', '-1', 'many', '0']) expect(typedDays(text, 1).fault).toMatch(/whole number, 1 or more/);
  });

  it('amounts may have decimals with a comma or a point, and are not negative', () => {
    expect([typedAmount('7.5').value, typedAmount('7,5').value, typedAmount('').value]).toEqual([7.5, 7.5, undefined]);
    for (const text of ['-1', '1.2.3', 'ten']) expect(typedAmount(text).fault).toBeDefined();
  });

  it('links are web addresses, with or without their beginning; nothing that would run is one', () => {
    expect(linkOf('example.org/slow-bow')).toBe('https://example.org/slow-bow');
    expect(linkOf(' http://example.org ')).toBe('http://example.org/');
    expect(linkOf('mailto:ida@example.org')).toBe('mailto:ida@example.org');
    for (const text of ['', 'javascript:alert(1)', 'data:text/html,x', 'https://', 'not a link']) {
      expect([text, linkOf(text)]).toEqual([text, null]);
    }
  });

  it('what says nothing is not kept', () => {
    expect(withoutBlank({ a: '', b: undefined, c: 0, d: 'x' })).toEqual({ c: 0, d: 'x' });
  });
});

describe('what was written about a habit', () => {
  const note = (id: string, more: Partial<HabitNote> = {}): HabitNote => ({ id, habitId: 'h', text: id, ...more });
  const entries: Entry[] = [
    { habitId: 'h', day: '2026-11-20', mark: 'done', note: 'At dawn' },
    { habitId: 'h', day: '2026-11-22', mark: 'missed', note: 'Storm' },
    { habitId: 'h', day: '2026-11-21', amount: 5, parts: [{ variantId: 'air', amount: 5, note: 'In one go' }] },
    { habitId: 'h', day: '2026-11-19', mark: 'done' },
  ];

  it('stands by day, the newest first, and last what has no day; the reason of a miss is no note', () => {
    const written = writtenOf(
      [note('Any'), note('Page two', { day: '2026-11-21', link: 'https://example.org/' })],
      entries,
    );
    expect(written.map(({ day, text }) => [day, text])).toEqual([
      ['2026-11-21', 'Page two'],
      ['2026-11-21', 'In one go'],
      ['2026-11-20', 'At dawn'],
      [null, 'Any'],
    ]);
    expect(written.map(({ link }) => link).filter(Boolean)).toEqual(['https://example.org/']);
    expect(new Set(written.map(({ key }) => key)).size).toBe(written.length);
  });
});
