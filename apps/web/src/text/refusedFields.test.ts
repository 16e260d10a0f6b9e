import type { Change } from '@wimbel/contract';
import { correctedRecord, namesToLeave, writtenFields, writtenText } from './refusedFields.ts';

const change = (collection: Change['collection'], record: object | null): Change => ({
  id: 'c',
  madeAt: '2026-11-24T08:00:00Z',
  collection,
  key: 'k',
  record: record as never,
});
const missing = (path: string) => ({ path, message: 'names "x", which is not there' });

describe('mending what was refused', () => {
  const entry = { habitId: 'h', day: '2026-11-24', amount: 2.5, note: 'in the rain' };

  it('shows what a person wrote, and nothing else', () => {
    expect(writtenFields(entry).map(({ title, value }) => [title, value])).toEqual([
      ['Amount', '2.5'],
      ['Note', 'in the rain'],
    ]);
    expect(writtenFields({ month: '2026-11', word: 'Slow', aims: ['sleep', 'sing'] })).toContainEqual(
      expect.objectContaining({ kind: 'lines', value: 'sleep\nsing' }),
    );
    expect(writtenFields(null)).toEqual([]);
    expect(writtenText(writtenFields(entry))).toBe('Amount: 2.5\nNote: in the rain');
  });

  it('takes what is typed now, a number as a number and a list by its lines', () => {
    expect(correctedRecord(entry as never, { amount: '3', note: 'dry' }, [], [])).toEqual({
      ...entry,
      amount: 3,
      note: 'dry',
    });
    expect(correctedRecord(entry as never, { amount: 'three' }, [], [])).toBeNull();
    expect(correctedRecord({ aims: ['a'] } as never, { aims: 'a\n\nb' }, [], [])).toEqual({ aims: ['a', 'b'] });
  });

  it('leaves out what names something deleted, where the record can do without', () => {
    const habit = { id: 'h', name: 'Scales', areaId: 'a', goalIds: ['g', 'gone'] };
    const issues = [missing('areaId'), missing('goalIds[1]')];
    const left = namesToLeave(change('habits', habit), issues);
    expect(left).toEqual(['areaId', 'goalIds']);
    expect(correctedRecord(habit as never, {}, issues, left)).toEqual({ id: 'h', name: 'Scales', goalIds: ['g'] });
  });

  it('offers no way without the habit that a day belongs to', () => {
    expect(namesToLeave(change('entries', entry), [missing('habitId')])).toEqual([]);
    expect(namesToLeave(change('habits', null), [missing('areaId')])).toEqual([]);
  });
});
