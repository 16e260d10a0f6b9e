import type { Change } from '@wimbel/contract';
import fc from 'fast-check';
import { type LogStorage, openWriteAheadLog } from './writeAheadLog.ts';
import { entryChange } from '../store/makeChange.ts';

/** A local storage with room for so many slips. */
function storage(room = Infinity): LogStorage & { kept: Map<string, string> } {
  const kept = new Map<string, string>();
  return {
    kept,
    getItem: (key) => kept.get(key) ?? null,
    setItem: (key, value) => {
      if (kept.size >= room) throw new DOMException('full', 'QuotaExceededError');
      kept.set(key, value);
    },
    removeItem: (key) => void kept.delete(key),
    key: (index) => [...kept.keys()][index] ?? null,
    get length() {
      return kept.size;
    },
  };
}
const change = (day: number): Change =>
  entryChange({ habitId: 'h', day: `2026-11-${String(day).padStart(2, '0')}`, mark: 'done' });

it('what was jotted down is read in the order it was written, each account its own', () => {
  const slips = storage();
  const jotter = openWriteAheadLog(slips, 'wimbel');
  const [first, second, third] = [change(1), change(2), change(3)];
  jotter.append('anna', [first, second]);
  jotter.append('bert', [change(9)]);
  jotter.append('anna', [third]);
  const again = openWriteAheadLog(slips, 'wimbel');
  expect(again.read('anna')).toEqual([[first, second], [third]]);
  expect(again.read('ann')).toEqual([]);
  expect(openWriteAheadLog(slips, 'other').read('anna')).toEqual([]);
});

it('crossing out takes only its own away', () => {
  const slips = storage();
  slips.setItem('wimbel.appearance', 'dark');
  const jotter = openWriteAheadLog(slips, 'wimbel');
  const [first, second] = [change(1), change(2)];
  jotter.append('anna', [first]);
  jotter.append('anna', [second]);
  jotter.truncate('anna', [first.id]);
  expect(jotter.read('anna')).toEqual([[second]]);
  jotter.truncate('bert', [second.id]);
  expect(jotter.read('anna')).toEqual([[second]]);
  jotter.truncate('anna', [first.id, second.id]);
  expect([...slips.kept.keys()]).toEqual(['wimbel.appearance']);
});

it('what was jotted down together goes once its last has gone', () => {
  const jotter = openWriteAheadLog(storage(), 'wimbel');
  const [first, second] = [change(1), change(2)];
  jotter.append('anna', [first, second]);
  jotter.truncate('anna', [first.id]);
  expect(jotter.read('anna')).toEqual([[first, second]]);
  jotter.truncate('anna', [second.id]);
  expect(jotter.read('anna')).toEqual([]);
});

it('a full or absent storage jots nothing down and does not stand in the way', () => {
  const full = openWriteAheadLog(storage(1), 'wimbel');
  const kept = change(1);
  full.append('anna', [kept]);
  expect(() => full.append('anna', [change(2)])).not.toThrow();
  expect(full.read('anna')).toEqual([[kept]]);
  const none = openWriteAheadLog(undefined, 'wimbel');
  expect(() => none.append('anna', [change(1)])).not.toThrow();
  expect(none.read('anna')).toEqual([]);
});

it('whatever is jotted and crossed out, the rest is there, in order', () => {
  fc.assert(
    fc.property(fc.array(fc.record({ size: fc.integer({ min: 1, max: 4 }), isCrossed: fc.boolean() })), (steps) => {
      const jotter = openWriteAheadLog(storage(), 'wimbel');
      const left: Change[][] = [];
      for (const { size, isCrossed } of steps) {
        const changes = Array.from({ length: size }, (_, index) => change(index + 1));
        jotter.append('anna', changes);
        if (isCrossed) jotter.truncate('anna', [changes.at(-1)!.id]);
        else left.push(changes);
      }
      expect(jotter.read('anna')).toEqual(left);
    }),
  );
});

it('a damaged slip loses none of the others, and a device without room says so', () => {
  const slips = storage(2);
  const jotter = openWriteAheadLog(slips, 'wimbel');
  expect(jotter.append('anna', [change(1)])).toBe(true);
  slips.kept.set('wimbel.jotted.anna.000', '{"half a');
  expect(jotter.append('anna', [change(2)])).toBe(false);
  expect(jotter.read('anna').map(([only]) => only!.key)).toEqual(['2026-11-01 h']);
  expect(openWriteAheadLog(undefined, 'wimbel').append('anna', [change(3)])).toBe(false);
});
