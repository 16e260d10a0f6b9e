import { TODAY, aCheckIn, aGoal, aHabit, aKeyResult, aMilestone, aStep, storeWith } from '../../testing/goalSamples.ts';
import { isFedByCheckIns, neediest } from '../../text/neediest.ts';
import { dayTurned } from '../../store/clockSlice.ts';
import { selectFiguredGoal, selectFiguredGoals, selectFiguredList } from '../../store/goalSelectors.ts';
import { changeTo, entryChange, removalOf } from '../../store/makeChange.ts';
import { recordsChanged } from '../../store/recordsSlice.ts';
import { goalDaysFault } from './useGoalActions.ts';

const filled = () =>
  storeWith({
    habits: [aHabit('swim', { goalId: 'bay' }), aHabit('scales')],
    goals: [aGoal('bay', { order: 2 }), aGoal('play', { order: 1 })],
    keyResults: [
      aKeyResult('days', 'bay', { measure: { kind: 'habitDays', habitId: 'swim', target: 4 } }),
      aKeyResult('metres', 'bay', { order: 2 }),
      aKeyResult('done', 'bay', { order: 3, measure: { kind: 'yesNo' } }),
    ],
    checkIns: [aCheckIn('1', 'metres', 3), aCheckIn('2', 'done', 1)],
    steps: [aStep('a', 'play')],
  });

describe('goals figured from the store', () => {
  it('come in the user’s order, each with what hangs on it and the habits that carry it', () => {
    const state = filled().getState();
    expect(selectFiguredList(state).map(({ records }) => records.goal.id)).toEqual(['play', 'bay']);
    const bay = selectFiguredGoal(state, 'bay')!;
    expect(bay.records.keyResults.map(({ id }) => id)).toEqual(['days', 'metres', 'done']);
    expect(bay.records.checkIns).toHaveLength(2);
    expect(bay.carrying.map(({ habit }) => habit.id)).toEqual(['swim']);
    expect(bay.figures.progress).toBeCloseTo(1.3 / 3, 12);
    expect(selectFiguredGoal(state, 'nowhere')).toBeNull();
  });

  it('move with a check-off of a habit that a key result counts, and with no other', () => {
    const store = filled();
    const before = selectFiguredGoals(store.getState());
    const checkOff = (habitId: string) =>
      store.dispatch(recordsChanged({ changes: [entryChange({ habitId, day: '2026-11-24', mark: 'done' })] }));
    checkOff('scales');
    const other = selectFiguredGoals(store.getState());
    expect([other.get('bay'), other.get('play')]).toEqual([before.get('bay'), before.get('play')]);
    expect(other.get('bay')).toBe(before.get('bay'));
    checkOff('swim');
    const after = selectFiguredGoals(store.getState());
    expect(after.get('play')).toBe(before.get('play'));
    expect(after.get('bay')!.figures.keyResults['days']!.progress).toBe(0.25);
  });

  it('are figured anew when the day turns, and leave out what is gone', () => {
    const store = filled();
    const before = selectFiguredGoals(store.getState());
    store.dispatch(dayTurned(TODAY + 20));
    const later = selectFiguredGoals(store.getState());
    expect(later.get('bay')).not.toBe(before.get('bay'));
    expect(later.get('bay')!.figures.pace).toBe('overdue');
    store.dispatch(recordsChanged({ changes: [removalOf('goals', 'bay')] }));
    expect([...selectFiguredGoals(store.getState()).keys()]).toEqual(['play']);
    expect(selectFiguredList(store.getState())).toHaveLength(1);
  });
});

describe('checking in to a goal', () => {
  it('begins at the key result furthest behind of those fed by hand', () => {
    const store = filled();
    const bay = () => selectFiguredGoal(store.getState(), 'bay')!;
    expect(
      bay()
        .records.keyResults.filter(isFedByCheckIns)
        .map(({ id }) => id),
    ).toEqual(['metres', 'done']);
    expect(neediest(bay())!.id).toBe('metres');
    store.dispatch(recordsChanged({ changes: [changeTo('checkIns', aCheckIn('3', 'metres', 10, '2026-11-22'))] }));
    // Both are reached: the first of them stands ready all the same.
    expect(neediest(bay())!.id).toBe('metres');
    expect(neediest(selectFiguredGoal(store.getState(), 'play')!)).toBeNull();
  });
});

describe('the days of a goal', () => {
  it('cannot end before they begin, for the goal or for a key result that goes by them', () => {
    const { keyResults } = storeWith({
      goals: [aGoal('g')],
      keyResults: [aKeyResult('late', 'g', { startsOn: '2026-12-01' })],
      milestones: [aMilestone('m', 'g')],
    }).getState().records;
    expect(goalDaysFault(aGoal('g'), keyResults)).toBeNull();
    expect(goalDaysFault(aGoal('g', { dueOn: '2026-11-01' }), keyResults)).toBe('The due day is before the start.');
    expect(goalDaysFault(aGoal('g', { dueOn: '2026-11-30' }), keyResults)).toMatch(
      /"late" would be due before it starts/,
    );
    expect(goalDaysFault(aGoal('other', { dueOn: '2026-11-30' }), keyResults)).toBeNull();
  });
});
