import type { Change, ServerRow } from '@wimbel/contract';
import { createOptimisticState } from './optimisticState.ts';

const KEY = '2026-11-18 swim';
const entry = (note: string) => ({ habitId: 'swim', day: '2026-11-18', note });
const change = (id: string, second: number, note: string) =>
  ({ id, madeAt: `2026-11-18T20:00:0${second}.000Z`, collection: 'entries', key: KEY, record: entry(note) }) as Change;
const touchedBy = (before: string, after: string) => [
  { collection: 'entries' as const, key: KEY, before: entry(before) as never, after: entry(after) as never },
];

it('an answer that comes after something later leaves that standing under what still waits', () => {
  const state = createOptimisticState();
  state.add(change('first', 1, 'fog'), touchedBy('', 'fog'));
  state.add(change('second', 2, 'fog, then sun'), touchedBy('fog', 'fog, then sun'));
  // Another device wrote too; both were put together at the server, and that is heard of before either answer comes.
  const together = entry('fog, then sun / calm');
  const row = { collection: 'entries', key: KEY, revision: 9, madeAt: '2026-11-18T20:00:02.000Z', changeId: 'second+' };
  state.arrived([{ ...row, record: together } as unknown as ServerRow]);
  expect(state.accepted('first').back).toEqual([]);
  expect(state.undone('second')).toEqual([{ collection: 'entries', key: KEY, record: together }]);
});

it('an answer to the latest is what the server holds, whatever arrived before', () => {
  const state = createOptimisticState();
  state.add(change('first', 3, 'fog'), touchedBy('', 'fog'));
  state.add(change('second', 4, 'sun'), touchedBy('fog', 'sun'));
  const row = { collection: 'entries', key: KEY, revision: 9, madeAt: '2026-11-18T20:00:01.000Z', changeId: 'theirs' };
  state.arrived([{ ...row, record: entry('calm') } as unknown as ServerRow]);
  state.accepted('first');
  expect(state.undone('second')).toEqual([{ collection: 'entries', key: KEY, record: entry('fog') }]);
});

it('what was heard of stands on the screen once nothing waits over it, in whatever order the answers come', () => {
  const state = createOptimisticState();
  state.add(change('first', 1, 'fog'), touchedBy('', 'fog'));
  state.add(change('second', 3, 'sun'), touchedBy('fog', 'sun'));
  const row = { collection: 'entries', key: KEY, revision: 9, madeAt: '2026-11-18T20:00:02.000Z', changeId: 'theirs' };
  expect(state.arrived([{ ...row, record: entry('calm') } as unknown as ServerRow])).toEqual([]);
  expect(state.undone('second')).toEqual([]);
  expect(state.accepted('first').back).toEqual([{ collection: 'entries', key: KEY, record: entry('calm') }]);
});
