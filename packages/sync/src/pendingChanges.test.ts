import type { Change } from '@wimbel/contract';
import fc from 'fast-check';
import {
  NO_PENDING,
  type PendingChanges,
  allPending,
  firstPending,
  mapPending,
  withPending,
  withoutPending,
} from './pendingChanges.ts';

const changes = (from: number, count: number): Change[] =>
  Array.from({ length: count }, (_, at) => ({ id: `${from + at}` }) as Change);
const ids = (waiting: PendingChanges): string[] => allPending(waiting).map(({ id }) => id);

describe('changes that wait', () => {
  it('are, however they come and go, what a plain list of them would be', () => {
    const step = fc.oneof(
      fc.record({ add: fc.oneof(fc.nat({ max: 3 }), fc.nat({ max: 1200 })) }),
      fc.record({ answer: fc.nat({ max: 700 }), outOf: fc.constantFrom(1, 2, 3) }),
    );
    fc.assert(
      fc.property(fc.array(step, { maxLength: 14 }), (steps) => {
        let waiting = NO_PENDING;
        let plain: string[] = [];
        let made = 0;
        for (const each of steps) {
          if ('add' in each) {
            waiting = withPending(waiting, changes(made, each.add));
            plain = [...plain, ...changes(made, each.add).map(({ id }) => id)];
            made += each.add;
          } else {
            // Answers of the first of them, some out of turn, and of one that is not there.
            const gone = new Set([...plain.filter((_, at) => at % each.outOf === 0).slice(0, each.answer), 'unknown']);
            waiting = withoutPending(waiting, gone);
            plain = plain.filter((id) => !gone.has(id));
          }
          expect(waiting.count).toBe(plain.length);
        }
        expect(ids(waiting)).toEqual(plain);
        for (const most of [0, 1, 200, 501])
          expect(firstPending(waiting, most).map(({ id }) => id)).toEqual(plain.slice(0, most));
      }),
    );
  });

  it('are copied only where some come or go', () => {
    const many = withPending(withPending(NO_PENDING, changes(0, 2000)), changes(2000, 500));
    const { parts } = many;
    const more = withPending(many, changes(2500, 1));
    expect(parts.every((part, at) => more.parts[at] === part)).toBe(true);
    const less = withoutPending(many, ['0', '1']);
    expect(less.parts[0]).toHaveLength(parts[0]!.length - 2);
    expect(parts.slice(1).every((part, at) => less.parts[at + 1] === part)).toBe(true);
  });

  it('can be changed each in its place', () => {
    const waiting = mapPending(withPending(NO_PENDING, changes(0, 700)), (each) => ({ ...each, madeAt: 'later' }));
    expect(ids(waiting)).toEqual(changes(0, 700).map(({ id }) => id));
    expect(allPending(waiting).every(({ madeAt }) => madeAt === 'later')).toBe(true);
  });
});
