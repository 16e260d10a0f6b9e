import type { Change } from '@wimbel/contract';
import { type Entry, type Goal, type Habit, eachEntry, totalsOf } from '@wimbel/core';
import { signedIn, signedOut } from './accountSlice.ts';
import { dayTurned } from './clockSlice.ts';
import { changeTo, entryChange, removalOf } from './makeChange.ts';
import { changesAcknowledged, outboxRestored, refusalDismissed, changesRefused } from './outboxSlice.ts';
import { recordsChanged, recordsCleared, rowsArrived } from './recordsSlice.ts';
import { selectAreas, selectEntry, selectHabits, selectTotals, selectTrack, selectTracks } from './selectors.ts';
import { createStore } from './store.ts';
import { allPending } from '@wimbel/sync';

const TODAY = 20781;
const habit = (id: string, order: number): Habit => ({
  id,
  name: id,
  order,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'check' },
  terms: [{ from: '2026-11-01', schedule: { kind: 'daily' } }],
  startsOn: '2026-11-01',
});
const done = (habitId: string, day: string): Entry => ({ habitId, day, mark: 'done' });

function filled() {
  const store = createStore();
  store.dispatch(dayTurned(TODAY));
  store.dispatch(
    recordsChanged({
      changes: [
        changeTo('habits', habit('b', 2)),
        changeTo('habits', habit('a', 1)),
        changeTo('areas', { id: 'y', name: 'Y', order: 1 }),
        changeTo('areas', { id: 'x', name: 'X', order: 1 }),
        entryChange(done('a', '2026-11-23')),
        entryChange(done('b', '2026-11-23')),
      ],
    }),
  );
  return store;
}

describe('records in the store', () => {
  it('come in the order that the user gave them, of equals by id', () => {
    const state = filled().getState();
    expect(selectHabits(state).map((each) => each.id)).toEqual(['a', 'b']);
    expect(selectAreas(state).map((each) => each.id)).toEqual(['x', 'y']);
  });

  it('go out as they came in: a change is a record or its removal', () => {
    const store = filled();
    store.dispatch(
      recordsChanged({ changes: [removalOf('areas', 'x'), entryChange({ habitId: 'a', day: '2026-11-23' })] }),
    );
    expect(selectAreas(store.getState()).map((each) => each.id)).toEqual(['y']);
    expect(selectEntry(store.getState(), 'a', '2026-11-23')).toBeUndefined();
    expect(store.getState().outbox.waiting.count).toBe(8);
  });

  it('of days leave the state before them as it was, the habits that they are not about the same', () => {
    const store = filled();
    const before = store.getState().records;
    const held = structuredClone(before);
    store.dispatch(
      recordsChanged({ changes: [entryChange(done('a', '2026-11-24')), entryChange(done('a', '2025-01-01'))] }),
    );
    const after = store.getState().records;
    expect(before).toEqual(held);
    expect(after.entries['b']).toBe(before.entries['b']);
    expect([...eachEntry(after.entries['a']!)].map(({ day }) => day)).toEqual([
      '2025-01-01',
      '2026-11-23',
      '2026-11-24',
    ]);
  });

  it('of the server are taken in without being sent again', () => {
    const store = createStore();
    const goal: Goal = { id: 'g', title: 'Sail', startsOn: '2026-11-01', state: 'open', order: 0 };
    store.dispatch(
      rowsArrived({
        rows: [
          { collection: 'goals', key: 'g', revision: 7, madeAt: '2026-11-24T09:00:00Z', record: goal },
          {
            collection: 'settings',
            key: 'settings',
            revision: 8,
            madeAt: '2026-11-24T09:00:00Z',
            record: { weekStart: 'sunday', passMark: 0.9, dayEndsAt: 2 },
          },
          { collection: 'goals', key: 'gone', revision: 9, madeAt: '2026-11-24T09:00:00Z', record: null },
        ],
        revision: 9,
        isLast: true,
      }),
    );
    const { records, outbox } = store.getState();
    expect([records.goals, records.settings.weekStart, records.revision, records.isLoaded]).toEqual([
      { g: goal },
      'sunday',
      9,
      true,
    ]);
    expect(allPending(outbox.waiting)).toEqual([]);
  });

  it('of one account are gone when it ends', () => {
    const store = filled();
    store.dispatch(signedIn({ id: '1', email: 'a@example.org', name: 'a' }));
    store.dispatch(recordsCleared());
    store.dispatch(signedOut());
    const { records, outbox, account } = store.getState();
    expect([records.habits, outbox.waiting.count, account.status]).toEqual([{}, 0, 'out']);
  });
});

describe('the outbox', () => {
  const change = (id: string): Change => ({ ...removalOf('areas', id), id });

  it('keeps the order, what was kept before first, and each once', () => {
    const store = createStore();
    store.dispatch(recordsChanged({ changes: [change('3')] }));
    store.dispatch(outboxRestored({ waiting: [change('1'), change('2'), change('3')], refused: [] }));
    expect(allPending(store.getState().outbox.waiting).map((each) => each.id)).toEqual(['1', '2', '3']);
    store.dispatch(changesAcknowledged({ ids: ['2'] }));
    store.dispatch(changesRefused({ refusals: [{ change: change('1'), issues: [] }] }));
    const { waiting, refused } = store.getState().outbox;
    expect([allPending(waiting), refused]).toMatchObject([[{ id: '3' }], [{ change: { id: '1' } }]]);
    store.dispatch(refusalDismissed({ id: '1' }));
    expect(store.getState().outbox.refused).toEqual([]);
  });
});

describe('tracks', () => {
  it('are built again only for the habit that changed', () => {
    const store = filled();
    const before = selectTracks(store.getState());
    expect(selectTracks(store.getState())).toBe(before);
    store.dispatch(recordsChanged({ changes: [entryChange(done('a', '2026-11-24'))] }));
    const after = selectTracks(store.getState());
    expect([after[0] === before[0], after[1] === before[1]]).toEqual([false, true]);
    expect(selectTrack(store.getState(), 'a')).toBe(after[0]);
    expect(selectTrack(store.getState(), 'gone')).toBeNull();
  });

  it('follow the day and the first day of the week', () => {
    const store = filled();
    const before = selectTrack(store.getState(), 'a');
    store.dispatch(dayTurned(TODAY + 1));
    expect(selectTrack(store.getState(), 'a')).not.toBe(before);
    store.dispatch(
      recordsChanged({ changes: [changeTo('settings', { weekStart: 'sunday', passMark: 0.85, dayEndsAt: 0 })] }),
    );
    expect(selectTrack(store.getState(), 'a')?.weekStart).toBe('sunday');
  });

  it('add up to the same totals until one of them changes', () => {
    const store = filled();
    const before = selectTotals(store.getState());
    const doneLately = () => [...selectTotals(store.getState()).done].slice(-2);
    expect(doneLately()).toEqual([2, 0]);
    expect(selectTotals(store.getState())).toBe(before);
    store.dispatch(recordsChanged({ changes: [entryChange(done('b', '2026-11-24'))] }));
    expect(doneLately()).toEqual([2, 1]);
    expect([...before.done].slice(-2)).toEqual([2, 0]);
    // By difference it comes to the same as added up anew.
    const { first, done: _, ...columns } = totalsOf(selectTracks(store.getState()), TODAY);
    expect(selectTotals(store.getState())).toMatchObject({ first, ...columns });
  });
});
