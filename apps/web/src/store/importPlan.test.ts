import { DEFAULT_SETTINGS, type Records } from '@wimbel/core';
import fc from 'fast-check';
import { aHabit } from '../testing/goalSamples.ts';
import { planImport, countsOf, recordsOf } from './importPlan.ts';
import { withChanges, emptyRecordsState, withRows } from '@wimbel/sync';

const EMPTY = recordsOf(emptyRecordsState());
const stateOf = (records: Records) =>
  withChanges(emptyRecordsState(), planImport(emptyRecordsState(), records, 'merge'));

/** A file of some of these habits, goals, steps and days, each in one of two forms; only what it holds is named in it. */
const someRecords = fc
  .record({
    habits: fc.subarray(['a', 'b', 'c']),
    goals: fc.subarray(['g', 'k']),
    days: fc.subarray(['2026-11-20', '2026-11-21', '2026-11-22']),
    isSecond: fc.boolean(),
    isMoved: fc.boolean(),
  })
  .map(({ habits, goals, days, isSecond, isMoved }): Records => {
    const goalId = goals.at(isMoved ? 0 : -1);
    const step = (id: string, more: object) => ({ id, goalId: goalId!, title: id, order: 0, ...more });
    return {
      ...EMPTY,
      settings: { ...DEFAULT_SETTINGS, passMark: isSecond ? 0.9 : 0.7 },
      habits: habits.map((id) => aHabit(id, { name: isSecond ? `${id} anew` : id })),
      entries: habits.flatMap((habitId) =>
        days.map((day) => ({ habitId, day, mark: isSecond ? 'rest' : 'done' }) as const),
      ),
      goals: goals.map((id) => ({ id, title: id, startsOn: '2026-11-01', state: 'open', order: 0 })),
      // A sub-step stands before the step it belongs to.
      steps: goalId === undefined ? [] : [step('below', { parentId: 'above' }), step('above', {})],
    };
  });

/** Records whatever their order. */
const sorted = (records: Records) =>
  Object.fromEntries(
    Object.entries(records).map(([name, list]) => [
      name,
      Array.isArray(list) ? list.map((each) => JSON.stringify(Object.entries(each as object).sort())).sort() : list,
    ]),
  );

it('in the place of what is here, a file leaves exactly what it holds', () => {
  fc.assert(
    fc.property(someRecords, someRecords, (here, file) => {
      const state = stateOf(here);
      expect(sorted(recordsOf(withChanges(state, planImport(state, file, 'replace'))))).toEqual(sorted(file));
    }),
  );
});

it('beside what is here, nothing goes, and of the same record the file’s stands', () => {
  fc.assert(
    fc.property(someRecords, someRecords, (here, file) => {
      const state = stateOf(here);
      const changes = planImport(state, file, 'merge');
      expect(changes.every((each) => each.record !== null)).toBe(true);
      const after = recordsOf(withChanges(state, changes));
      for (const [name, count] of countsOf(here)) expect(after[name as 'habits'].length).toBeGreaterThanOrEqual(count);
      expect(after.habits).toEqual(expect.arrayContaining(file.habits));
      expect(after.entries).toEqual(expect.arrayContaining(file.entries));
      expect(after.settings).toEqual(file.settings);
    }),
  );
});

it('what is the same already is left alone, and a step comes after the one it belongs to', () => {
  fc.assert(
    fc.property(someRecords, fc.constantFrom('merge', 'replace'), (file, way) => {
      expect(planImport(stateOf(file), file, way as 'merge')).toEqual([]);
      const steps = planImport(emptyRecordsState(), file, way as 'merge').filter((each) => each.collection === 'steps');
      if (steps.length > 0) expect(steps.map((each) => each.key)).toEqual(['above', 'below']);
    }),
  );
});

it('counts what a file holds, kind by kind', () => {
  const state = withRows(emptyRecordsState(), [{ collection: 'habits', key: 'a', record: aHabit('a') }]);
  expect(countsOf(recordsOf(state))).toEqual([['habits', 1]]);
  expect(countsOf(EMPTY)).toEqual([]);
});
