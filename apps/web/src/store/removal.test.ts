import { type Change, referencesOf } from '@wimbel/contract';
import { type Goal, type KeyResult, NO_ENTRIES, eachEntry } from '@wimbel/core';
import fc from 'fast-check';
import { aHabit } from '../testing/goalSamples.ts';
import { dayTurned } from './clockSlice.ts';
import { changeTo, entryChange, removalOf } from './makeChange.ts';
import { recordsChanged } from './recordsSlice.ts';
import { goesWithGoal, goesWithHabit, habitRemoval } from './removal.ts';
import { createStore } from './store.ts';
import { effectsOfChanges } from '@wimbel/sync';
import { undoChanges } from './undo.ts';

const goal: Goal = { id: 'g', title: 'Play', areaId: 'music', startsOn: '2026-11-01', state: 'open', order: 1 };
const counting = (id: string, habitId: string): KeyResult => ({
  id,
  goalId: 'g',
  title: id,
  order: 1,
  measure: { kind: 'habitDays', habitId, target: 10 },
});

/** Two habits of an area with all that can hang on a habit. */
function filled() {
  const store = createStore();
  store.dispatch(dayTurned(20781));
  const changes: Change[] = [
    changeTo('areas', { id: 'music', name: 'Cello', order: 1 }),
    changeTo('habits', aHabit('scales', { areaId: 'music' })),
    changeTo('habits', aHabit('bow', { areaId: 'music' })),
    changeTo('goals', goal),
    changeTo('keyResults', counting('forty', 'scales')),
    changeTo('keyResults', counting('ten', 'bow')),
    changeTo('steps', { id: 'buy', goalId: 'g', keyResultId: 'forty', title: 'Buy rosin', order: 1 }),
    changeTo('steps', { id: 'tune', goalId: 'g', keyResultId: 'ten', title: 'Tune', order: 2 }),
    changeTo('habitNotes', { id: 'n', habitId: 'scales', text: 'Slowly' }),
    changeTo('reminders', { id: 'r', habitId: 'scales', about: 'habit', at: '08:00', days: ['monday'], on: true }),
    entryChange({ habitId: 'scales', day: '2026-11-23', mark: 'done' }),
    entryChange({ habitId: 'scales', day: '2026-11-24', mark: 'rest', note: 'Sore' }),
    entryChange({ habitId: 'bow', day: '2026-11-24', mark: 'done' }),
  ];
  store.dispatch(recordsChanged({ changes }));
  return store;
}
const recordsOf = (store: ReturnType<typeof filled>) => store.getState().records;

describe('deleting a habit', () => {
  it('says first what goes with it', () => {
    expect(goesWithHabit(recordsOf(filled()), 'scales')).toEqual({ entries: 2, notes: 1, keyResults: 1, reminders: 1 });
    expect(goesWithHabit(recordsOf(filled()), 'nobody')).toEqual({ entries: 0, notes: 0, keyResults: 0, reminders: 0 });
  });

  it('takes all that hangs on it, and nothing else', () => {
    const store = filled();
    store.dispatch(recordsChanged({ changes: habitRemoval(recordsOf(store), 'scales') }));
    const { habits, keyResults, steps, habitNotes, reminders, entries, goals, areas } = recordsOf(store);
    expect([habits, keyResults, steps, habitNotes, reminders, goals, areas].map((each) => Object.keys(each))).toEqual([
      ['bow'],
      ['ten'],
      ['buy', 'tune'],
      [],
      [],
      ['g'],
      ['music'],
    ]);
    const daysOf = (habitId: string) => [...eachEntry(entries[habitId] ?? NO_ENTRIES)].map(({ day }) => day);
    expect(daysOf('scales')).toEqual([]);
    expect(daysOf('bow')).toEqual(['2026-11-24']);
  });

  it('is one change, whatever goes with it, and leaves nothing hanging', () => {
    const store = filled();
    const changes = habitRemoval(recordsOf(store), 'scales');
    expect(changes).toHaveLength(1);
    store.dispatch(recordsChanged({ changes }));
    const { habits, keyResults, steps } = recordsOf(store);
    for (const result of Object.values(keyResults))
      for (const { collection, key } of referencesOf('keyResults', result))
        if (collection === 'habits') expect(habits).toHaveProperty(key);
    for (const { keyResultId } of Object.values(steps)) if (keyResultId) expect(keyResults).toHaveProperty(keyResultId);
  });
});

it('deleting an area leaves its habits and goals, without an area', () => {
  const store = filled();
  store.dispatch(recordsChanged({ changes: [removalOf('areas', 'music')] }));
  const { areas, habits, goals } = recordsOf(store);
  expect(areas).toEqual({});
  expect([habits.scales, habits.bow, goals.g].map((each) => each !== undefined && 'areaId' in each)).toEqual([
    false,
    false,
    false,
  ]);
});

describe('taking back', () => {
  const ways: Record<string, (store: ReturnType<typeof filled>) => Change[]> = {
    'a habit deleted': (store) => habitRemoval(recordsOf(store), 'scales'),
    'an area deleted': () => [removalOf('areas', 'music')],
    'a day emptied': () => [entryChange({ habitId: 'scales', day: '2026-11-23' })],
    'a new day': () => [entryChange({ habitId: 'scales', day: '2026-11-20', mark: 'missed', note: 'Storm' })],
    'a habit renamed': () => [changeTo('habits', aHabit('bow', { name: 'Bow hold' }))],
    'the same record twice': () => [
      entryChange({ habitId: 'bow', day: '2026-11-24', mark: 'rest' }),
      entryChange({ habitId: 'bow', day: '2026-11-24' }),
    ],
    'the week’s first day': (store) => [
      changeTo('settings', { ...recordsOf(store).settings, weekStart: 'sunday' as const }),
    ],
    'something that was not there': () => [removalOf('habitNotes', 'none')],
  };

  /** What the records hold, apart from how far they are in step with the server and habits without a day. */
  const held = (store: ReturnType<typeof filled>): unknown => {
    const { entries, ...rest } = recordsOf(store);
    return {
      ...rest,
      entries: Object.fromEntries(
        Object.entries(entries)
          .map(([habitId, years]) => [habitId, [...eachEntry(years)]] as const)
          .filter(([, list]) => list.length > 0),
      ),
    };
  };

  it.each(Object.keys(ways))('puts all of it back: %s', (name) => {
    const store = filled();
    const before = held(store);
    const changes = ways[name]!(store);
    const remembered = effectsOfChanges(recordsOf(store), changes);
    store.dispatch(recordsChanged({ changes }));
    store.dispatch(recordsChanged({ changes: undoChanges(recordsOf(store), remembered) }));
    expect(held(store)).toEqual(before);
  });

  it('step by step leads back through whatever was done', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...Object.keys(ways)), { maxLength: 8 }), (names) => {
        const store = filled();
        const before = held(store);
        const steps = names.map((name) => {
          const changes = ways[name]!(store);
          const remembered = effectsOfChanges(recordsOf(store), changes);
          store.dispatch(recordsChanged({ changes }));
          return remembered;
        });
        for (const step of steps.reverse())
          store.dispatch(recordsChanged({ changes: undoChanges(recordsOf(store), step) }));
        expect(held(store)).toEqual(before);
      }),
      { numRuns: 60 },
    );
  });
});

describe('taking back, where more was done since', () => {
  it('goes the other way round: what was made last goes first, and what was taken away comes before what hangs on it', () => {
    const store = filled();
    const made = [
      changeTo('areas', { id: 'new', name: 'New', order: 9 }),
      changeTo('habits', aHabit('in', { areaId: 'new' })),
    ];
    const making = effectsOfChanges(recordsOf(store), made);
    store.dispatch(recordsChanged({ changes: made }));
    expect(undoChanges(recordsOf(store), making).map(({ key }) => key)).toEqual(['in', 'new']);
    const removal = [removalOf('goals', 'g')];
    const removing = effectsOfChanges(recordsOf(store), removal);
    store.dispatch(recordsChanged({ changes: removal }));
    const back = undoChanges(recordsOf(store), removing).map(({ collection }) => collection);
    expect(back.indexOf('goals')).toBeLessThan(back.indexOf('keyResults'));
    expect(back.indexOf('keyResults')).toBeLessThan(back.lastIndexOf('steps'));
    expect(back.filter((each) => each === 'steps')).toHaveLength(2);
  });

  it('undoes what the step changed and no more', () => {
    const store = filled();
    const run = (...changes: Change[]) => {
      const step = effectsOfChanges(recordsOf(store), changes);
      store.dispatch(recordsChanged({ changes }));
      return step;
    };
    const renamed = run(changeTo('habits', { ...recordsOf(store).habits['bow']!, name: 'Bow hold' }));
    run(changeTo('habits', { ...recordsOf(store).habits['bow']!, note: 'Thumb bent', icon: 'music' }));
    store.dispatch(recordsChanged({ changes: undoChanges(recordsOf(store), renamed) }));
    expect(recordsOf(store).habits['bow']).toMatchObject({ name: 'bow', note: 'Thumb bent', icon: 'music' });

    const noted = run(entryChange({ habitId: 'bow', day: '2026-11-24', mark: 'done', note: 'Cold hands' }));
    run(entryChange({ habitId: 'bow', day: '2026-11-24', mark: 'rest', note: 'Cold hands' }));
    store.dispatch(recordsChanged({ changes: undoChanges(recordsOf(store), noted) }));
    const entry = [...eachEntry(recordsOf(store).entries['bow']!)][0];
    expect(entry).toEqual({ habitId: 'bow', day: '2026-11-24', mark: 'rest' });
  });

  it('leaves away what was taken away since, and takes away what the step made', () => {
    const store = filled();
    const note = { id: 'n', habitId: 'scales', text: 'Slowly' };
    const edited = effectsOfChanges(recordsOf(store), [changeTo('habitNotes', { ...note, text: 'Fast' })]);
    store.dispatch(recordsChanged({ changes: [removalOf('habitNotes', 'n')] }));
    expect(undoChanges(recordsOf(store), edited)).toEqual([]);
    const made = effectsOfChanges(recordsOf(store), [changeTo('habitNotes', { ...note, id: 'new' })]);
    expect(undoChanges(recordsOf(store), made)).toEqual([]);
    store.dispatch(recordsChanged({ changes: [changeTo('habitNotes', { ...note, id: 'new', text: 'Later' })] }));
    expect(undoChanges(recordsOf(store), made)).toMatchObject([{ key: 'new', record: null }]);
  });
});

describe('deleting a habit that a key result counts', () => {
  it('can keep the key result as a number that stands where it stood', () => {
    const store = filled();
    const changes = habitRemoval(recordsOf(store), 'scales', { valueOf: () => 7, day: '2026-11-24' });
    store.dispatch(recordsChanged({ changes }));
    const { keyResults, checkIns, habits, steps } = recordsOf(store);
    expect(habits['scales']).toBeUndefined();
    expect(keyResults['forty']!.measure).toEqual({ kind: 'number', unit: 'days', start: 0, target: 10 });
    expect(Object.values(checkIns)).toMatchObject([{ keyResultId: 'forty', day: '2026-11-24', value: 7 }]);
    expect(steps['buy']!.keyResultId).toBe('forty');
  });
});

describe('deleting a goal', () => {
  it('takes along what hangs on it and leaves its habits and seasons; nothing is left hanging', () => {
    const store = filled();
    const more: Change[] = [
      changeTo('habits', aHabit('scales', { areaId: 'music', goalId: 'g' })),
      changeTo('steps', { id: 'below', goalId: 'g', parentId: 'buy', title: 'Ask', order: 3 }),
      changeTo('milestones', { id: 'm', goalId: 'g', title: 'Half', order: 1 }),
      changeTo('seasons', { id: 's', title: 'Winter', startsOn: '2026-11-01', weeks: 12, goalIds: ['g'] }),
      changeTo('keyResults', { id: 'n', goalId: 'g', title: 'n', order: 3, measure: { kind: 'yesNo' } }),
      changeTo('checkIns', { id: 'c', keyResultId: 'n', day: '2026-11-24', value: 1, madeAt: '2026-11-24T10:00:00Z' }),
    ];
    store.dispatch(recordsChanged({ changes: more }));
    expect(goesWithGoal(recordsOf(store), 'g')).toEqual({ keyResults: 3, checkIns: 1, steps: 3, milestones: 1 });
    const changes = [removalOf('goals', 'g')];
    const before = effectsOfChanges(recordsOf(store), changes);
    const was = recordsOf(store);
    store.dispatch(recordsChanged({ changes }));
    const left = recordsOf(store);
    expect([left.goals, left.keyResults, left.checkIns, left.steps, left.milestones]).toEqual([{}, {}, {}, {}, {}]);
    expect(left.habits['scales']).not.toHaveProperty('goalId');
    expect(left.seasons['s']!.goalIds).toEqual([]);
    store.dispatch(recordsChanged({ changes: undoChanges(recordsOf(store), before) }));
    expect(recordsOf(store)).toEqual(was);
  });

  it('of a key result, a step or a milestone leaves the rest standing', () => {
    const store = filled();
    const run = (changes: Change[]) => store.dispatch(recordsChanged({ changes }));
    run([
      changeTo('milestones', { id: 'a', goalId: 'g', title: 'a', order: 1 }),
      changeTo('milestones', { id: 'b', goalId: 'g', title: 'b', order: 2, after: ['a'] }),
      changeTo('steps', { id: 'below', goalId: 'g', parentId: 'buy', title: 'Ask', order: 3 }),
    ]);
    run([removalOf('keyResults', 'forty')]);
    expect(recordsOf(store).steps['buy']).not.toHaveProperty('keyResultId');
    run([removalOf('steps', 'buy')]);
    expect(Object.keys(recordsOf(store).steps)).toEqual(['tune']);
    run([removalOf('milestones', 'a')]);
    expect(recordsOf(store).milestones).toEqual({ b: { id: 'b', goalId: 'g', title: 'b', order: 2, after: [] } });
  });
});
