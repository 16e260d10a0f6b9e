import { type SearchTarget, finderOf } from './searchTargets.ts';

const named = (name: string): SearchTarget => ({ id: name, kind: 'habit', name, aside: '', path: `/${name}` });
const find = finderOf(
  ['Scales before breakfast', 'Été, read in French', 'Cold swim', 'No coffee after two', 'Swim lengths'].map(named),
);
const found = (text: string): string[] => find(text, 10).map(({ name }) => name);

describe('finding by name', () => {
  it('takes any part of a name, whatever its accents and capitals', () => {
    expect(found('break')).toEqual(['Scales before breakfast']);
    expect(found('ETE')[0]).toBe('Été, read in French');
    expect(found('offee')).toEqual(['No coffee after two']);
    expect(found('swim').sort()).toEqual(['Cold swim', 'Swim lengths']);
  });

  it('lets a small slip pass, and finds nothing for what is not there', () => {
    expect(found('coffe after')).toEqual(['No coffee after two']);
    expect(found('quilting')).toEqual([]);
  });
});
