import fc from 'fast-check';
import { moved, reordered } from './reorder.ts';

const habits = [
  { id: 'a', order: 0 },
  { id: 'b', order: 10 },
  { id: 'c', order: 20 },
  { id: 'd', order: 30 },
];
const inOrder = (list: { id: string; order: number }[]) =>
  [...list].sort((x, y) => x.order - y.order).map(({ id }) => id);

it('habits of a group change places among themselves, and only those that move are written', () => {
  expect(reordered(habits, ['d', 'b'])).toEqual([
    { id: 'd', order: 10 },
    { id: 'b', order: 30 },
  ]);
  expect(reordered(habits, ['b', 'd'])).toEqual([]);
});

it('shared orders are numbered anew', () => {
  const same = habits.map((each) => ({ ...each, order: 5 }));
  expect(inOrder([...same.filter(({ id }) => id === 'x'), ...reordered(same, ['c', 'a', 'b', 'd'])])).toEqual([
    'c',
    'a',
    'b',
    'd',
  ]);
});

it('any wish for any group comes out as wished, the others where they were', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.integer({ min: 0, max: 60 }), { minLength: 1, maxLength: 12 }),
      fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 12, maxLength: 12 }),
      fc.boolean(),
      fc.integer({ min: 0, max: 1000 }),
      (ids, orders, isDistinct, seed) => {
        const all = ids
          .map((id, index) => ({ id: String(id), order: isDistinct ? index * 2 : orders[index]! }))
          .sort((x, y) => x.order - y.order || (x.id < y.id ? -1 : 1));
        const group = all.filter((_, index) => (seed >> (index % 10)) & 1).map(({ id }) => id);
        const wish = [...group].reverse();
        const changes = new Map(reordered(all, wish).map((each) => [each.id, each]));
        const after = inOrder(all.map((each) => changes.get(each.id) ?? each));
        expect(after.filter((id) => group.includes(id))).toEqual(wish);
        expect(after.map((id) => group.includes(id))).toEqual(all.map(({ id }) => group.includes(id)));
      },
    ),
  );
});

it('an item moves to a place, and stays where there is none', () => {
  expect(moved(['a', 'b', 'c'], 0, 2)).toEqual(['b', 'c', 'a']);
  expect(moved(['a', 'b', 'c'], 2, 0)).toEqual(['c', 'a', 'b']);
  expect(moved(['a', 'b', 'c'], 0, -1)).toEqual(['a', 'b', 'c']);
  expect(moved(['a', 'b', 'c'], 2, 3)).toEqual(['a', 'b', 'c']);
});
