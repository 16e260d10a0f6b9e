import fc from 'fast-check';
import { monthOf } from '../calendar/month.ts';
import { dayOf, formatDay } from '../calendar/plainDay.ts';
import { buildTrack } from '../habit/buildTrack.ts';
import type { CheckIn, Goal, KeyResult, Milestone, Step } from '../record/records.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { evenCheckpoints } from './checkpointPlan.ts';
import { dueThings } from './dueThings.ts';
import { keptTogether } from '../habit/kept.ts';
import { carryingTracks } from './carrying.ts';
import { type GoalRecords, goalCourse } from './goalCourse.ts';
import { goalFigures } from './goalFigures.ts';
import { comesBefore, milestoneState, waitsFor } from './milestones.ts';
import { goalMovedTo, quarterOfGoal } from './quarter.ts';
import { allStepsValue, stepTree, stepsBelow, stepsMarked, stepsSorted } from './steps.ts';
import { goalsTogether, yearOfGoal } from './goalGroups.ts';
import { roundTo, weeklyNeed } from './weeklyNeed.ts';
import { numberOf } from '../number/fraction.ts';
import { type StoryItem, goalStory } from './story.ts';
import { goalClosed, goalPostponed, goalReopened, goalWithWord } from './turns.ts';

const TODAY = dayOf('2025-03-31');
const goal: Goal = { id: 'g', title: 'Sail', startsOn: '2025-03-01', dueOn: '2025-04-30', state: 'open', order: 0 };
const planks: KeyResult = {
  id: 'k',
  goalId: 'g',
  title: 'Planks',
  order: 0,
  measure: { kind: 'number', start: 0, target: 10 },
};
const checkIn = (day: string, value: number, more: Partial<CheckIn> = {}): CheckIn => ({
  id: `c${day}`,
  keyResultId: 'k',
  day,
  value,
  madeAt: `${day}T10:00:00Z`,
  ...more,
});
const step = (id: string, more: Partial<Step> = {}): Step => ({ id, goalId: 'g', title: id, order: 0, ...more });
const milestone = (id: string, more: Partial<Milestone> = {}): Milestone => ({
  id,
  goalId: 'g',
  title: id,
  order: 0,
  ...more,
});
const records = (more: Partial<GoalRecords> = {}): GoalRecords => ({
  goal,
  keyResults: [],
  checkIns: [],
  steps: [],
  milestones: [],
  ...more,
});
const none = () => undefined;

describe('a goal on any day', () => {
  it('stands where it stood then, and ends where its figures are today', () => {
    const all = records({ keyResults: [planks], checkIns: [checkIn('2025-03-05', 2), checkIn('2025-03-20', 5)] });
    const course = goalCourse(all, none, TODAY);
    expect(
      ['2025-03-04', '2025-03-05', '2025-03-19', '2025-03-20', '2025-12-31'].map((day) =>
        course.progressAt(dayOf(day)),
      ),
    ).toEqual([0, 0.2, 0.2, 0.5, 0.5]);
    expect(course.expectedAt(dayOf('2025-03-31'))).toBe(0.5);
    expect(course.expectedAt(dayOf('2025-06-01'))).toBe(1);
    expect(goalFigures(all, none, TODAY)).toMatchObject({ progress: 0.5, expected: 0.5, pace: 'onPace' });
  });

  it('goes by its milestones where it has no key result, and is nothing with neither', () => {
    const stones = [
      milestone('a', { reachedOn: '2025-03-10' }),
      milestone('b'),
      milestone('c', { reachedOn: '2025-04-09' }),
    ];
    const course = goalCourse(records({ milestones: stones }), none, TODAY);
    expect([course.progressAt(dayOf('2025-03-09')), course.progressAt(dayOf('2025-03-10'))]).toEqual([0, 1 / 3]);
    // What is recorded for a later day is not there yet.
    expect(course.progressAt(dayOf('2025-04-30'))).toBe(1 / 3);
    expect(goalCourse(records(), none, TODAY).progressAt(TODAY)).toBeNull();
  });

  it('moves with steps on the days they were done', () => {
    const rig: KeyResult = { ...planks, measure: { kind: 'steps' } };
    const steps = [step('a', { keyResultId: 'k', doneOn: '2025-03-10' }), step('b', { keyResultId: 'k' })];
    const course = goalCourse(records({ keyResults: [rig], steps }), none, TODAY);
    expect([course.progressAt(dayOf('2025-03-09')), course.progressAt(dayOf('2025-03-10'))]).toEqual([0, 0.5]);
  });

  it('on every day up to today agrees with the figures as of that day', () => {
    const days = fc.integer({ min: dayOf('2025-02-20'), max: TODAY });
    fc.assert(
      fc.property(
        fc.array(fc.record({ day: days, value: fc.integer({ min: -3, max: 14 }) }), { maxLength: 8 }),
        fc.array(days, { maxLength: 5 }),
        days,
        (values, doneDays, at) => {
          const all = records({
            keyResults: [planks, { ...planks, id: 's', measure: { kind: 'steps' }, weight: 2 }],
            checkIns: values.map(({ day, value }, index) => checkIn(formatDay(day), value, { id: String(index) })),
            steps: doneDays.map((day, index) => step(String(index), { keyResultId: 's', doneOn: formatDay(day) })),
          });
          expect(goalCourse(all, none, TODAY).progressAt(at)).toBeCloseTo(goalFigures(all, none, at).progress!, 12);
        },
      ),
    );
  });
});

describe('checkpoints laid evenly', () => {
  const lay = (start: string, due: string, from: number, target: number, isWhole = false) =>
    evenCheckpoints({ start: dayOf(start), due: dayOf(due) }, { from, target, isWhole }).map((each) => each.target);

  it('stand at the ends of the months between, on a straight line, rounded to be read', () => {
    expect(lay('2025-01-01', '2025-04-30', 0, 900)).toEqual([227, 439, 673]);
    expect(lay('2025-01-01', '2025-04-30', 28, 22)).toEqual([26.49, 25.08, 23.51]);
    expect(lay('2025-01-01', '2025-04-30', 0, 30, true)).toEqual([8, 15, 22]);
  });

  it('are none where no month ends strictly between, or there is no way to go', () => {
    expect(lay('2025-01-31', '2025-02-28', 0, 9)).toEqual([]);
    expect(lay('2025-01-02', '2025-01-31', 0, 9)).toEqual([]);
    expect(lay('2025-01-01', '2025-12-31', 5, 5)).toEqual([]);
    expect(
      evenCheckpoints({ start: dayOf('2025-01-01'), due: dayOf('2025-03-01') }, { from: 0, target: 9 }),
    ).toMatchObject([{ month: monthOf('2025-01') }, { month: monthOf('2025-02') }]);
  });
});

describe('steps', () => {
  const steps = [
    step('mast', { order: 0 }),
    step('spruce', { parentId: 'mast', order: 1 }),
    step('glue', { parentId: 'mast', order: 2, doneOn: '2025-03-02' }),
    step('berth', { order: 3, doneOn: '2025-03-03' }),
    step('rudder', { order: 4, dueOn: '2025-04-03' }),
  ];
  const shape = (nodes: ReturnType<typeof stepTree>): unknown[] =>
    nodes.map(({ step: { id }, isDone, below }) => [isDone ? `${id}!` : id, ...shape(below)]);

  it('stand in a tree, the done ones below the open ones of their level', () => {
    expect(shape(stepTree(steps, TODAY))).toEqual([['mast', ['spruce'], ['glue!']], ['rudder'], ['berth!']]);
    expect(stepTree(steps, TODAY)[1]!.state).toBe('dueSoon');
    expect(stepsBelow(steps, 'mast').map(({ id }) => id)).toEqual(['spruce', 'glue']);
    // One whose parent is gone stands at the top.
    expect(shape(stepTree([step('left', { parentId: 'gone' })], TODAY))).toEqual([['left']]);
  });

  it('ticked off take along what is open below, and what they were the last of', () => {
    const marked = (id: string, day: number | null, all = steps) =>
      Object.fromEntries(stepsMarked(all, id, day).map((each) => [each.id, each.doneOn ?? null]));
    expect(marked('mast', TODAY)).toEqual({ mast: '2025-03-31', spruce: '2025-03-31' });
    expect(marked('spruce', TODAY)).toEqual({ spruce: '2025-03-31', mast: '2025-03-31' });
    expect(marked('rudder', TODAY)).toEqual({ rudder: '2025-03-31' });
    expect(marked('berth', null)).toEqual({ berth: null });
    expect(marked('nowhere', TODAY)).toEqual({});
    const all = stepsMarked(steps, 'mast', TODAY);
    const after = steps.map((each) => all.find(({ id }) => id === each.id) ?? each);
    // Opened again below, the step above is open too; its other sub-steps stay as they are.
    expect(marked('glue', null, after)).toEqual({ glue: null, mast: null });
  });
});

describe('steps in another order', () => {
  const tree = stepTree(
    [
      step('later', { dueOn: '2025-06-01', priority: 1 }),
      step('late', { dueOn: '2025-03-20', priority: 3 }),
      step('soon', { dueOn: '2025-04-02' }),
      step('some day', { impact: 'high' }),
      step('done', { doneOn: '2025-03-01', priority: 1 }),
      step('sub b', { parentId: 'later', priority: 4 }),
      step('sub a', { parentId: 'later', priority: 2 }),
    ],
    TODAY,
  );
  const names = (nodes: ReturnType<typeof stepTree>): unknown[] =>
    nodes.flatMap(({ step: { id }, below }) => (below.length > 0 ? [id, names(below)] : [id]));

  it('come by what presses, by priority, by due day, or as they were, the done ones last', () => {
    expect(names(stepsSorted(tree, 'order'))).toEqual(names(tree));
    expect(names(stepsSorted(tree, 'need'))).toEqual(['late', 'soon', 'later', ['sub a', 'sub b'], 'some day', 'done']);
    expect(names(stepsSorted(tree, 'priority'))).toEqual([
      'later',
      ['sub a', 'sub b'],
      'late',
      'some day',
      'soon',
      'done',
    ]);
    expect(names(stepsSorted(tree, 'due'))).toEqual(['late', 'soon', 'later', ['sub a', 'sub b'], 'some day', 'done']);
  });

  it('count together whichever key result they belong to, sub-steps for their part', () => {
    const all = [
      step('a', { keyResultId: 'k' }),
      step('a1', { parentId: 'a', doneOn: '2025-03-01' }),
      step('a2', { parentId: 'a' }),
      step('b', { doneOn: '2025-03-02' }),
      step('c'),
    ];
    expect(numberOf(allStepsValue(all, TODAY).value)).toBe(1.5);
    expect(allStepsValue(all, TODAY).count).toBe(3);
  });
});

describe('milestones', () => {
  const stones = [
    milestone('frames', { reachedOn: '2025-03-02', dueOn: '2025-03-01' }),
    milestone('tight', { after: ['frames'], dueOn: '2025-04-01' }),
    milestone('afloat', { after: ['tight', 'frames'], dueOn: '2025-03-30' }),
  ];

  it('wait for those that must come first and are not reached', () => {
    expect(stones.map((each) => waitsFor(each, stones, TODAY).map(({ id }) => id))).toEqual([[], [], ['tight']]);
    expect(waitsFor(stones[1]!, stones, dayOf('2025-03-01')).map(({ id }) => id)).toEqual(['frames']);
    expect(stones.map((each) => milestoneState(each, TODAY))).toEqual(['doneLate', 'dueSoon', 'overdue']);
  });

  it('know all that comes before them, and themselves only in a circle', () => {
    expect([...comesBefore('afloat', stones)].sort()).toEqual(['frames', 'tight']);
    const round = stones.map((each) => (each.id === 'frames' ? { ...each, after: ['afloat'] } : each));
    expect(comesBefore('frames', round).has('frames')).toBe(true);
  });
});

describe('the days of what is due', () => {
  it('run from its own start, where it has one, to the day it is due', () => {
    const all = records({
      steps: [step('s', { startsOn: '2025-03-10', dueOn: '2025-03-20' }), step('t', { dueOn: '2025-04-01' })],
    });
    const things = dueThings({ records: all, figures: goalFigures(all, none, TODAY) }, TODAY);
    expect(things.map(({ id, first, due }) => [id, formatDay(first), formatDay(due)])).toEqual([
      ['s', '2025-03-10', '2025-03-20'],
      ['t', '2025-04-01', '2025-04-01'],
      // A goal appears on its due day only.
      ['g', '2025-04-30', '2025-04-30'],
    ]);
  });
});

describe('what is due', () => {
  it('is everything with a due day of its own, in order, the larger first', () => {
    const all = records({
      keyResults: [
        { ...planks, dueOn: '2025-04-30' },
        { ...planks, id: 'k2' },
      ],
      checkIns: [checkIn('2025-03-05', 12)],
      steps: [step('s', { dueOn: '2025-03-20' }), step('none')],
      milestones: [milestone('m', { dueOn: '2025-04-02' })],
    });
    const things = dueThings({ records: all, figures: goalFigures(all, none, TODAY) }, TODAY);
    expect(things.map(({ kind, id, state }) => [kind, id, state])).toEqual([
      ['step', 's', 'overdue'],
      ['milestone', 'm', 'dueSoon'],
      ['goal', 'g', 'open'],
      ['keyResult', 'k', 'doneInTime'],
    ]);
  });
});

describe('a goal through its states', () => {
  it('keeps the day it was due before, and the words', () => {
    const moved = goalPostponed(goal, '2025-06-30', TODAY, 'Late larch');
    expect(moved).toMatchObject({ dueOn: '2025-06-30' });
    expect(moved.turns).toEqual([{ on: '2025-03-31', kind: 'postponed', dueWas: '2025-04-30', note: 'Late larch' }]);
    const { dueOn: _, ...withoutDue } = goal;
    expect(goalPostponed(withoutDue, '2025-06-30', TODAY).turns).toEqual([{ on: '2025-03-31', kind: 'postponed' }]);
    expect(goalPostponed(goal, null, TODAY).dueOn).toBeUndefined();
  });

  it('is closed on a day, and opened again without one', () => {
    const dropped = goalClosed(goal, 'dropped', TODAY, 'No wind');
    expect(dropped).toMatchObject({ state: 'dropped', closedOn: '2025-03-31' });
    expect(goalClosed(goal, 'paused', TODAY)).not.toHaveProperty('closedOn');
    const open = goalReopened(dropped, TODAY + 1);
    expect(open.state).toBe('open');
    expect(open).not.toHaveProperty('closedOn');
    expect(open.turns!.map(({ kind }) => kind)).toEqual(['dropped', 'reopened']);
    expect(goalWithWord(goal, 'Planks', 'Bar by bar', TODAY).turns).toEqual([
      { on: '2025-03-31', kind: 'word', about: 'Planks', note: 'Bar by bar' },
    ]);
  });

  describe('moves to the last day of a quarter', () => {
    const own = (id: string, days: Pick<KeyResult, 'startsOn' | 'dueOn'>): KeyResult => ({ ...planks, id, ...days });
    const move = (quarter: string | null, movesStart = false, keyResults: KeyResult[] = []) =>
      goalMovedTo({ goal, keyResults }, quarter === null ? null : monthOf(quarter), TODAY, movesStart);
    const days = ({ id, startsOn, dueOn }: KeyResult) => [id, startsOn, dueOn];

    it('and keeps its start unless asked, or where it would come after the due day', () => {
      expect(quarterOfGoal(goal)).toBe(monthOf('2025-04'));
      expect(move('2025-07').goal).toMatchObject({ startsOn: '2025-03-01', dueOn: '2025-09-30' });
      expect(move('2025-07', true).goal).toMatchObject({ startsOn: '2025-07-01', dueOn: '2025-09-30' });
      expect(move('2024-10').goal).toMatchObject({ startsOn: '2024-10-01', dueOn: '2024-12-31' });
      expect(quarterOfGoal(move(null).goal)).toBeNull();
    });

    it('and its story keeps the days it had', () => {
      expect(move('2025-07', true).goal.turns).toEqual([
        { on: '2025-03-31', kind: 'moved', dueWas: '2025-04-30', startWas: '2025-03-01' },
      ]);
      expect(move('2025-07').goal.turns).toEqual([{ on: '2025-03-31', kind: 'moved', dueWas: '2025-04-30' }]);
    });

    it('with the own days of its key results going on by as many months, those without any left alone', () => {
      const some = [
        planks,
        own('due', { dueOn: '2025-03-31' }),
        own('both', { startsOn: '2025-03-10', dueOn: '2025-04-10' }),
      ];
      expect(move('2025-07', false, some).keyResults.map(days)).toEqual([
        ['due', undefined, '2025-06-30'],
        ['both', '2025-03-10', '2025-07-10'],
      ]);
      expect(move('2025-07', true, some).keyResults.map(days)).toEqual([
        // 30 June lies before the goal's new start, so that it goes by the goal's days.
        ['due', undefined, undefined],
        ['both', '2025-06-10', '2025-07-10'],
      ]);
    });

    it('and never leaves a key result due before it starts', () => {
      const someDay = fc.integer({ min: dayOf('2024-06-01'), max: dayOf('2026-06-30') });
      fc.assert(
        fc.property(
          fc.option(someDay),
          fc.option(someDay),
          fc.constantFrom('2024-04', '2024-10', '2025-04', '2026-01'),
          fc.boolean(),
          (starts, due, quarter, movesStart) => {
            const keyResult = own('k', {
              ...(starts === null ? {} : { startsOn: formatDay(starts) }),
              ...(due === null ? {} : { dueOn: formatDay(due) }),
            });
            fc.pre((keyResult.dueOn ?? goal.dueOn!) >= (keyResult.startsOn ?? goal.startsOn));
            const moved = move(quarter, movesStart, [keyResult]);
            const after = moved.keyResults[0] ?? keyResult;
            expect((after.dueOn ?? moved.goal.dueOn!) >= (after.startsOn ?? moved.goal.startsOn)).toBe(true);
          },
        ),
      );
    });
  });
});

describe('effort', () => {
  it('adds up what was asked of the habits that carry a goal, by their own goal or by a key result', () => {
    const track = (id: string, days: string[], goalId?: string) =>
      buildTrack(aHabit({ id, ...(goalId ? { goalId } : {}) }), doneOn(id, ...days), TODAY, 'monday');
    const tracks = [track('a', ['2025-03-01'], 'g'), track('b', ['2025-03-02', '2025-03-03']), track('c', [])];
    const counts: KeyResult = { ...planks, measure: { kind: 'habitDays', habitId: 'b', target: 9 } };
    const carrying = carryingTracks(['g'], tracks, [counts]);
    expect(carrying.map(({ habit }) => habit.id)).toEqual(['a', 'b']);
    const span = { first: dayOf('2025-03-01'), last: dayOf('2025-03-10') };
    expect(keptTogether(carrying, span)).toEqual({ kept: 3, asked: 20, rate: 0.15 });
    expect(keptTogether([], span).rate).toBeNull();
  });
});

describe('the story of a goal', () => {
  const habitDays: KeyResult = {
    ...planks,
    id: 'h',
    title: 'Evenings',
    measure: { kind: 'habitDays', habitId: 'x', target: 4 },
  };
  const track = buildTrack(
    aHabit({ id: 'x' }),
    doneOn('x', '2025-02-27', '2025-03-03', '2025-03-05', '2025-03-12'),
    TODAY,
    'monday',
  );
  const story = goalStory(
    records({
      goal: { ...goal, turns: [{ on: '2025-03-07', kind: 'postponed', dueWas: '2025-04-01' }] },
      keyResults: [planks, habitDays],
      checkIns: [checkIn('2025-03-08', 4, { note: 'Larch' }), checkIn('2025-03-02', 1), checkIn('2025-04-08', 9)],
      steps: [step('Order larch', { doneOn: '2025-03-05', dueOn: '2025-03-04' }), step('open')],
      milestones: [milestone('Frames', { reachedOn: '2025-03-20' })],
    }),
    () => track,
    TODAY,
    'monday',
  );
  const told = (item: StoryItem): string => `${formatDay(item.day).slice(8)} ${item.kind} ${item.after}`;

  it('tells everything that changed it up to today, the latest first, with the progress after each', () => {
    expect(story.map(told)).toEqual([
      '20 milestone 0.575',
      '12 habit 0.575',
      '08 checkIn 0.45',
      '07 turn 0.3',
      '05 step 0.3',
      '05 habit 0.3',
      '02 checkIn 0.05',
      '01 begun 0',
    ]);
  });

  it('tells habits week by week, check-ins with what was there before, steps with how they stood', () => {
    const find = <K extends StoryItem['kind']>(kind: K) =>
      story.filter((item): item is Extract<StoryItem, { kind: K }> => item.kind === kind);
    expect(find('habit').map(({ first, day, grown }) => [formatDay(first), formatDay(day), grown])).toEqual([
      ['2025-03-12', '2025-03-12', 1],
      ['2025-03-03', '2025-03-05', 2],
    ]);
    expect(find('checkIn').map(({ was, checkIn: { value, note } }) => [was, value, note])).toEqual([
      [1, 4, 'Larch'],
      [0, 1, undefined],
    ]);
    expect(find('step')[0]!.state).toBe('doneLate');
  });

  it('says where the goal stood right after each thing of a day, not at the end of it', () => {
    const rig: KeyResult = { ...planks, id: 's', measure: { kind: 'steps' } };
    const same = goalStory(
      records({
        keyResults: [planks, rig],
        checkIns: [
          checkIn('2025-03-05', 4, { id: 'a' }),
          checkIn('2025-03-05', 10, { id: 'b', madeAt: '2025-03-05T11:00:00Z' }),
        ],
        steps: ['a', 'b'].map((id) => step(id, { keyResultId: 's', doneOn: '2025-03-05' })),
      }),
      none,
      TODAY,
      'monday',
    );
    expect(same.map(told)).toEqual(['05 step 1', '05 step 0.75', '05 checkIn 0.5', '05 checkIn 0.2', '01 begun 0']);
  });

  it('of a goal by its milestones or steps moves with them', () => {
    const by = (more: Partial<GoalRecords>) =>
      goalStory(records(more), none, TODAY, 'monday').map(({ after }) => after);
    const milestones = [milestone('a', { reachedOn: '2025-03-10' }), milestone('b', { reachedOn: '2025-03-10' })];
    expect(by({ milestones })).toEqual([1, 0.5, 0]);
    expect(by({ steps: [step('a', { doneOn: '2025-03-10' }), step('b')] })).toEqual([0.5, 0]);
    expect(by({})).toEqual([null]);
  });
});

describe('what is needed a week', () => {
  it('is rounded up to what a person would do, whole things whole', () => {
    expect(weeklyNeed(7.02, 120, false)).toMatchObject({ amount: 7.1, isRounded: true });
    expect(weeklyNeed(1929, 20_000, false)).toMatchObject({ amount: 2000 });
    expect(weeklyNeed(-0.21, -6, false)).toMatchObject({ amount: 0.21, isRounded: false });
    expect(weeklyNeed(2.4, 14, true)).toMatchObject({ amount: 3, everyWeeks: 1 });
    expect(weeklyNeed(0.16, 14, true)).toMatchObject({ amount: 1, everyWeeks: 6 });
    expect(weeklyNeed(1, 14, true)).toMatchObject({ amount: 1, everyWeeks: 1, isRounded: false });
    expect(weeklyNeed(0, 14, false)).toMatchObject({ amount: 0, everyWeeks: 1 });
    expect([roundTo(51.3412, 0.1), roundTo(393.2, 1), roundTo(0.1 + 0.2, 0.01)]).toEqual([51.3, 393, 0.3]);
  });

  it('reaches the target when it is done', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 1e6, noNaN: true }),
        fc.double({ min: 1 / 7, max: 200, noNaN: true }),
        fc.boolean(),
        (left, weeks, isWhole) => {
          const { amount, everyWeeks } = weeklyNeed(left / weeks, left * 2, isWhole);
          expect((amount / everyWeeks) * weeks).toBeGreaterThanOrEqual(left - 1e-6);
          if (isWhole) expect([Number.isInteger(amount), Number.isInteger(everyWeeks)]).toEqual([true, true]);
        },
      ),
    );
  });
});

describe('goals together', () => {
  it('are counted by what became of them, with the mean of how far they are', () => {
    const of = (state: Goal['state'], progress: number | null) => ({ goal: { ...goal, state }, progress });
    const together = goalsTogether([of('open', 0.5), of('reached', null), of('dropped', 0.1), of('paused', null)]);
    expect(together).toMatchObject({ set: 4, open: 1, reached: 1, dropped: 1, paused: 1 });
    // The dropped one is left out; one that measures nothing counts as 0 until it is reached.
    expect(together.progress).toBeCloseTo((0.5 + 1 + 0) / 3, 12);
    expect(goalsTogether([of('open', null)]).progress).toBe(0);
    expect(goalsTogether([of('dropped', 0.4)]).progress).toBeNull();
    expect(goalsTogether([])).toMatchObject({ set: 0, progress: null });
    expect([yearOfGoal(goal), yearOfGoal({ startsOn: '2024-12-31' })]).toEqual([2025, 2024]);
  });
});
