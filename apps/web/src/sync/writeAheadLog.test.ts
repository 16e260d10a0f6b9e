import type { Change } from '@wimbel/contract';
import fc from 'fast-check';
import { type LogStorage, openWriteAheadLog } from './writeAheadLog.ts';
import { entryChange } from '../store/makeChange.ts';

/** A local storage with room for `most` items. */
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

it('changes are read in the order they were appended, per account', () => {
  const items = storage();
  const log = openWriteAheadLog(items, 'wimbel');
  const [first, second, third] = [change(1), change(2), change(3)];
  log.append('anna', [first, second]);
  log.append('bert', [change(9)]);
  log.append('anna', [third]);
  const again = openWriteAheadLog(items, 'wimbel');
  expect(again.read('anna')).toEqual([[first, second], [third]]);
  expect(again.read('ann')).toEqual([]);
  expect(openWriteAheadLog(items, 'other').read('anna')).toEqual([]);
});

it('crossing out takes only its own away', () => {
  const items = storage();
  items.setItem('wimbel.appearance', 'dark');
  const log = openWriteAheadLog(items, 'wimbel');
  const [first, second] = [change(1), change(2)];
  log.append('anna', [first]);
  log.append('anna', [second]);
  log.truncate('anna', [first.id]);
  expect(log.read('anna')).toEqual([[second]]);
  log.truncate('bert', [second.id]);
  expect(log.read('anna')).toEqual([[second]]);
  log.truncate('anna', [first.id, second.id]);
  expect([...items.kept.keys()]).toEqual(['wimbel.appearance']);
});

it('a batch is truncated once its last change is acknowledged', () => {
  const log = openWriteAheadLog(storage(), 'wimbel');
  const [first, second] = [change(1), change(2)];
  log.append('anna', [first, second]);
  log.truncate('anna', [first.id]);
  expect(log.read('anna')).toEqual([[first, second]]);
  log.truncate('anna', [second.id]);
  expect(log.read('anna')).toEqual([]);
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

it('whatever is appended and truncated, the rest is read in order', () => {
  fc.assert(
    fc.property(fc.array(fc.record({ size: fc.integer({ min: 1, max: 4 }), isCrossed: fc.boolean() })), (steps) => {
      const log = openWriteAheadLog(storage(), 'wimbel');
      const left: Change[][] = [];
      for (const { size, isCrossed } of steps) {
        const changes = Array.from({ length: size }, (_, index) => change(index + 1));
        log.append('anna', changes);
        if (isCrossed) log.truncate('anna', [changes.at(-1)!.id]);
        else left.push(changes);
      }
      expect(log.read('anna')).toEqual(left);
    }),
  );
});

it('a damaged slip loses none of the others, and a device without room says so', () => {
  const items = storage(2);
  const log = openWriteAheadLog(items, 'wimbel');
  expect(log.append('anna', [change(1)])).toBe(true);
  items.kept.set('wimbel.jotted.anna.000', '{"half a');
  expect(log.append('anna', [change(2)])).toBe(false);
  expect(log.read('anna').map(([only]) => only!.key)).toEqual(['2026-11-01 h']);
  expect(openWriteAheadLog(undefined, 'wimbel').append('anna', [change(3)])).toBe(false);
});
