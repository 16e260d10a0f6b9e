import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { runOrder } from '../tools/runOrder.mjs';

type Module = { id: string; order: string[]; later: Set<string> };

const graph = (needs: Record<string, string[]>, later: Record<string, string[]> = {}): Module[] =>
  Object.entries(needs).map(([id, order]) => ({ id, order, later: new Set(later[id] ?? []) }));

/** Runs modules as the app does: what a module needs is run first, unless that has begun already. */
function runner(modules: Module[]) {
  const byId = new Map(modules.map((each) => [each.id, each]));
  const begun = new Set<string>();
  const ended: string[] = [];
  /** What a module found unfinished when it was its turn. */
  const unfinished: string[] = [];
  function run(id: string): void {
    const each = byId.get(id);
    if (each === undefined || begun.has(id)) return;
    begun.add(id);
    const needs = each.order.filter((need) => byId.has(need) && !each.later.has(need));
    needs.forEach(run);
    unfinished.push(...needs.filter((need) => need !== id && !ended.includes(need)).map((need) => `${id} ${need}`));
    ended.push(id);
  }
  return { run, ended, unfinished };
}

const someGraph = fc
  .array(fc.array(fc.nat({ max: 13 }), { maxLength: 4 }), { minLength: 1, maxLength: 14 })
  .map((lists) => graph(Object.fromEntries(lists.map((needs, id) => [id, [...new Set(needs.map(String))]]))));

describe('the order in which modules are run', () => {
  it('is that of their needs, and leaves out what is asked for later', () => {
    const modules = graph({ a: ['b', 'c', 'd'], b: ['c'], c: [], d: [], e: [] }, { a: ['d'] });
    expect(runOrder(['a'], modules)).toEqual(['c', 'b', 'a']);
    expect(runOrder(['a', 'e'], modules)).toEqual(['c', 'b', 'a', 'e']);
  });

  it('takes what is not among the modules to be run already', () => {
    expect(runOrder(['a', 'gone'], graph({ a: ['react', 'b'], b: ['react'] }))).toEqual(['b', 'a']);
  });

  it('names of modules that need each other the one that comes first, after what they need from outside', () => {
    const modules = graph({ a: ['b', 'x'], b: ['c'], c: ['a', 'y'], x: [], y: ['z'], z: [] });
    expect(runOrder(['a'], modules)).toEqual(['z', 'y', 'x', 'a']);
    expect(runOrder(['c'], modules)).toEqual(['x', 'z', 'y', 'c']);
  });

  it('runs all of any graph, finds nothing unfinished that would not be anyway, and a circle at most at a time', () => {
    fc.assert(
      fc.property(someGraph, (modules) => {
        const [natural, parted] = [runner(modules), runner(modules)];
        natural.run('0');
        const order = runOrder(['0'], modules);
        for (const id of order) {
          const before = parted.ended.length;
          parted.run(id);
          const now = parted.ended.slice(before);
          // All that one turn runs need each other: from each the other can be reached.
          expect(now).toContain(id);
          for (const each of now) {
            const from = runner(modules);
            from.run(each);
            expect(from.ended).toContain(id);
          }
        }
        expect(new Set(parted.ended)).toEqual(new Set(natural.ended));
        expect(new Set(parted.unfinished)).toEqual(new Set(natural.unfinished));
        if (natural.unfinished.length === 0) expect(parted.ended).toEqual(natural.ended);
      }),
      { numRuns: 2000 },
    );
  });
});
