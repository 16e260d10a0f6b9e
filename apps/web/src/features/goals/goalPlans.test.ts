import { type Area, type KeyResult, type Step, buildTrack, dayOf } from '@wimbel/core';
import { recordAt } from '@wimbel/sync';
import { recordsChanged } from '../../store/recordsSlice.ts';
import { selectFiguredGoal, selectFiguredList } from '../../store/goalSelectors.ts';
import { TODAY, aCheckIn, aGoal, aHabit, aKeyResult, aMilestone, aStep, storeWith } from '../../testing/goalSamples.ts';
import { habitOfAnswers } from '../../components/habitForm/QuickHabitSheet.tsx';
import { goalHints } from './goalHints.ts';
import { circleFault, linked, timeLineThings } from './page/goalParts.ts';
import { groupsOfGoals, sorted } from './list/goalLists.ts';
import { changesOfDraft, emptyGuidedDraft, goalOfDraft, readGuidedDraft, spanChoices } from './guided/guidedDraft.ts';
import { newStep, stepDraftOf, stepOfDraft, stepsMoved } from '../../components/goals/stepDraft.ts';

describe('goals in a list', () => {
  const areas: Area[] = [
    { id: 'yard', name: 'Yard', color: 'clay', order: 0 },
    { id: 'bay', name: 'Bay', order: 1 },
  ];
  const goals = selectFiguredList(
    storeWith({
      goals: [
        aGoal('island', { areaId: 'yard', dueOn: '2027-06-30', order: 3 }),
        aGoal('swim', { areaId: 'bay', dueOn: '2026-12-31', order: 1 }),
        aGoal('talk', { dueOn: '2026-10-01', startsOn: '2026-01-01', state: 'reached', order: 2 }),
        aGoal('some day', { dueOn: undefined, areaId: 'yard', order: 4 }),
      ],
      keyResults: [aKeyResult('a', 'island'), aKeyResult('b', 'swim')],
      checkIns: [aCheckIn('1', 'a', 2), aCheckIn('2', 'b', 6)],
    }).getState(),
  );
  const told = (by: 'area' | 'quarter' | 'year' | 'state') =>
    groupsOfGoals(goals, { by, sort: 'due', areas }).map(({ title, goals: of }) => [
      title,
      ...of.map(({ records }) => records.goal.id),
    ]);

  it('stand by due day, by share or in the user’s order; what has none comes last', () => {
    const ids = (by: 'due' | 'share' | 'order') => sorted(goals, by).map(({ records }) => records.goal.id);
    expect(ids('due')).toEqual(['talk', 'swim', 'island', 'some day']);
    expect(ids('share')).toEqual(['island', 'swim', 'talk', 'some day']);
    expect(ids('order')).toEqual(['swim', 'talk', 'island', 'some day']);
  });

  it('stand together by area, quarter, year or state', () => {
    expect(told('area')).toEqual([
      ['Yard', 'island', 'some day'],
      ['Bay', 'swim'],
      ['No area', 'talk'],
    ]);
    expect(told('quarter')).toEqual([
      ['October to December 2026', 'talk', 'swim'],
      ['April to June 2027', 'island'],
      ['No due day', 'some day'],
    ]);
    expect(told('year')).toEqual([
      ['2026', 'talk', 'swim'],
      ['2027', 'island'],
      ['No due day', 'some day'],
    ]);
    expect(told('state')).toEqual([
      ['Open', 'swim', 'island', 'some day'],
      ['Reached', 'talk'],
    ]);
  });
});

describe('a goal that is thought out page by page', () => {
  const draft = {
    ...emptyGuidedDraft(TODAY),
    id: 'tiller',
    title: ' Carve the tiller ',
    dueOn: '2027-02-15',
    areaId: 'yard',
    keyResults: [aKeyResult('oil', ''), aKeyResult('rig', '', { measure: { kind: 'steps' } })],
    habits: [aHabit('carve')],
    linked: ['sand'],
    steps: ['Choose the ash', 'Steam it'],
  };

  it('is kept as text on the device, and read again', () => {
    expect(readGuidedDraft(JSON.stringify(draft), TODAY)).toEqual(draft);
    expect(readGuidedDraft('{"title":"Half"}', TODAY)).toMatchObject({
      title: 'Half',
      startsOn: '2026-11-24',
      steps: [],
    });
    expect([readGuidedDraft(null, TODAY), readGuidedDraft('', TODAY), readGuidedDraft('{', TODAY)]).toEqual([
      null,
      null,
      null,
    ]);
  });

  it('is recorded at once, with all that was planned for it', () => {
    const sand = aHabit('sand');
    const store = storeWith({ habits: [sand] });
    const changes = changesOfDraft(draft, { order: 7, habits: [sand], habitOrder: 2 });
    store.dispatch(recordsChanged({ changes }));
    const { records, carrying } = selectFiguredGoal(store.getState(), 'tiller')!;
    expect(records.goal).toEqual({
      id: 'tiller',
      title: 'Carve the tiller',
      startsOn: '2026-11-24',
      dueOn: '2027-02-15',
      areaId: 'yard',
      state: 'open',
      order: 7,
    });
    expect(records.keyResults.map(({ id, goalId, order }) => [id, goalId, order])).toEqual([
      ['oil', 'tiller', 0],
      ['rig', 'tiller', 1],
    ]);
    // The first steps count for the key result that goes by steps.
    expect(records.steps.map(({ title, keyResultId, order }) => [title, keyResultId, order])).toEqual([
      ['Choose the ash', 'rig', 0],
      ['Steam it', 'rig', 1],
    ]);
    expect(carrying.map(({ habit }) => habit.id).sort()).toEqual(['carve', 'sand']);
    expect(recordAt(store.getState().records, 'habits', 'carve')).toMatchObject({ areaId: 'yard', order: 2 });
  });

  it('offers the spans that goals are often set for', () => {
    expect(spanChoices(dayOf('2026-11-24'))).toEqual([
      { label: 'This quarter', value: '2026-12-31' },
      { label: 'This year', value: '2026-12-31' },
      { label: 'Twelve weeks', value: '2027-02-15' },
      { label: 'No due day', value: '' },
    ]);
  });

  it('gets soft hints: no measure, no day, a day gone by, no habit, many goals, a target that is there already', () => {
    const hintsOf = (more: Partial<Parameters<typeof goalHints>[0]>) =>
      goalHints({
        goal: goalOfDraft(draft, 0),
        keyResults: draft.keyResults,
        otherOpen: 0,
        today: TODAY,
        trackOf: () => undefined,
        habits: draft.habits,
        ...more,
      }).join(' ');
    expect(hintsOf({})).toBe('');
    expect(hintsOf({ keyResults: [] })).toMatch(/Nothing measures it/);
    expect(hintsOf({ goal: aGoal('g', { dueOn: undefined }) })).toMatch(/Without a due day/);
    expect(hintsOf({ goal: aGoal('g', { dueOn: '2026-11-20' }) })).toMatch(/past already/);
    expect(hintsOf({ habits: [] })).toMatch(/No habit carries it/);
    expect(hintsOf({ otherOpen: 2 })).toBe('');
    expect(hintsOf({ otherOpen: 3 })).toMatch(/With this one 4 goals are open/);
    const three = aKeyResult('Three swims', 'g', { measure: { kind: 'habitDays', habitId: 'swim', target: 3 } });
    const days = ['21', '22', '23'].map((day) => ({ habitId: 'swim', day: `2026-11-${day}`, mark: 'done' as const }));
    const track = buildTrack(aHabit('swim'), days, TODAY, 'monday');
    const since = (startsOn: string) =>
      hintsOf({ goal: aGoal('g', { startsOn }), keyResults: [three], trackOf: () => track });
    expect(since('2026-11-20')).toMatch(/“Three swims” is at its target before it begins/);
    expect(since('2026-11-22')).toBe('');
  });
});

describe('a habit in a few answers', () => {
  const answers = { name: 'Swim', kind: 'amount', unit: 'm', atLeast: '600', often: 'perWeek', times: '3' } as const;

  it('is one that can be recorded from today', () => {
    const made = habitOfAnswers(answers, TODAY);
    expect('habit' in made && made.habit).toMatchObject({
      name: 'Swim',
      measure: { kind: 'amount', unit: 'm', step: 600 },
      terms: [{ from: '2026-11-24', schedule: { kind: 'perWeek', times: 3 }, atLeast: 600 }],
    });
  });

  it.each([
    [{ name: ' ' }, 'name'],
    [{ atLeast: '0' }, 'atLeast'],
    [{ times: '8' }, 'times'],
    [{ times: '2.5' }, 'times'],
  ])('%j is not right at %s', (more, field) => {
    const made = habitOfAnswers({ ...answers, ...more }, TODAY);
    expect('faults' in made && Object.keys(made.faults)).toEqual([field]);
  });

  it('carries a goal, or no longer does', () => {
    const habit = aHabit('h');
    expect(linked(habit, 'g').goalId).toBe('g');
    expect(linked(linked(habit, 'g'), 'g')).toEqual(habit);
    expect(linked(linked(habit, 'g'), 'other').goalId).toBe('other');
  });
});

describe('steps and milestones', () => {
  it('a step is filled in as it was made; what is emptied is left out', () => {
    const step = aStep('s', 'g', { parentId: 'p', priority: 2, impact: 'high', note: 'Slow', dueOn: '2026-12-01' });
    expect(stepOfDraft(step, stepDraftOf(step))).toEqual(step);
    expect(stepOfDraft(step, { ...stepDraftOf(step), priority: '', impact: '', note: ' ', dueOn: '' })).toEqual(
      aStep('s', 'g', { parentId: 'p' }),
    );
  });

  it('a new step comes last, and counts for the goal’s only key result by steps', () => {
    const steps = [aStep('s', 'g'), aStep('t', 'g', { order: 9 })];
    const rig = aKeyResult('rig', 'g', { measure: { kind: 'steps' } });
    const hull = aKeyResult('hull', 'g', { measure: { kind: 'steps' } });
    const next = (keyResults: KeyResult[], more: Partial<Step> = {}) =>
      newStep({ goal: aGoal('g'), steps, keyResults }, 'Next', more);
    expect(next([])).toMatchObject({ order: 10, goalId: 'g' });
    expect(next([]).keyResultId).toBeUndefined();
    expect(next([aKeyResult('n', 'g'), rig]).keyResultId).toBe('rig');
    // With two of them, or below another step, the person says.
    expect(next([rig, hull]).keyResultId).toBeUndefined();
    expect(next([rig], { parentId: 's' }).keyResultId).toBeUndefined();
  });

  it('several steps are moved at once: those at the top that do not count for it yet', () => {
    const steps = [
      aStep('loose', 'g'),
      aStep('rig', 'g', { keyResultId: 'rig' }),
      aStep('hull', 'g', { keyResultId: 'hull' }),
      aStep('below', 'g', { parentId: 'hull' }),
    ];
    expect(stepsMoved(steps, 'rig').map(({ id, keyResultId }) => [id, keyResultId])).toEqual([
      ['loose', 'rig'],
      ['hull', 'rig'],
    ]);
    expect(stepsMoved(steps, null).map(({ id, keyResultId }) => [id, keyResultId])).toEqual([
      ['rig', undefined],
      ['hull', undefined],
    ]);
  });

  it('milestones that would wait for each other are refused in words', () => {
    const all = [aMilestone('a', 'g'), aMilestone('b', 'g', { after: ['a'] }), aMilestone('c', 'g', { after: ['b'] })];
    expect(circleFault({ ...all[0]!, after: ['c'] }, all)).toMatch(/"c" already waits for this one/);
    expect(circleFault({ ...all[2]!, after: ['a', 'b'] }, all)).toBeNull();
    expect(circleFault(aMilestone('new', 'g', { after: ['c'] }), all)).toBeNull();
  });

  it('stand on the time line by their days: milestones with any, top steps with dates of their own', () => {
    const figured = selectFiguredGoal(
      storeWith({
        goals: [aGoal('g')],
        milestones: [
          aMilestone('m', 'g', { dueOn: '2026-12-01', after: ['n'] }),
          aMilestone('n', 'g', { reachedOn: '2026-11-20' }),
          aMilestone('no day', 'g'),
        ],
        steps: [
          aStep('bar', 'g', { startsOn: '2026-11-15', dueOn: '2026-11-22' }),
          aStep('below', 'g', { parentId: 'bar', dueOn: '2026-11-21' }),
          aStep('undated', 'g', { doneOn: '2026-11-21' }),
        ],
      }).getState(),
      'g',
    )!;
    const things = timeLineThings(figured, TODAY);
    expect(things.map(({ id, words, peg }) => [id, words, peg])).toEqual([
      ['n', 'reached 20 November', 'done'],
      ['bar', 'overdue by 2 days', 'blank'],
      ['m', 'due in 7 days', 'blank'],
    ]);
    expect(things[2]!.after).toEqual(['n']);
  });
});
