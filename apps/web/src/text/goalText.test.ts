import {
  type CheckIn,
  type Goal,
  type GoalRecords,
  type GoalTurn,
  type KeyResult,
  type KeyResultMeasure,
  type Milestone,
  type Step,
  type StepState,
  type StoryItem,
  type Habit,
  buildTrack,
  dayOf,
  goalFigures,
  keyResultFigures,
} from '@wimbel/core';
import { LIGHT } from '../theme/colors.ts';
import {
  goalPaceSentence,
  holeColor,
  paceSentence,
  paceTone,
  shareWords,
  standingOf,
  stateTone,
  stateWords,
  storyWords,
  targetWords,
} from './goalText.ts';

const TODAY = dayOf('2026-11-24');
const goal: Goal = { id: 'g', title: 'Sail', startsOn: '2026-11-14', dueOn: '2026-12-04', state: 'open', order: 0 };
const keyResult = (measure: KeyResultMeasure, more: Partial<KeyResult> = {}): KeyResult => ({
  id: 'k',
  goalId: 'g',
  title: 'K',
  order: 0,
  measure,
  ...more,
});

function words(of: KeyResult, value?: number, of_: Goal = goal): [string, string] {
  const checkIns: CheckIn[] =
    value === undefined
      ? []
      : [{ id: 'c', keyResultId: 'k', day: '2026-11-20', value, madeAt: '2026-11-20T10:00:00Z' }];
  const figures = keyResultFigures(of, { goal: of_, checkIns, steps: [], trackOf: () => undefined, today: TODAY });
  return [standingOf(of, figures), paceSentence(of, figures, TODAY)];
}

describe('a key result says where it stands and why', () => {
  const hours = keyResult({ kind: 'number', unit: 'h', start: 0, target: 120 });

  it.each<[string, [string, string], [string, string]]>([
    [
      'behind',
      words(hours, 42),
      ['42 of 120 h', 'Behind: 60 h were planned by now. About 55 h a week from here reaches it by 4 December.'],
    ],
    ['on pace', words(hours, 60), ['60 of 120 h', 'On pace. 42 h a week from here reaches it by 4 December.']],
    ['ahead', words(hours, 80), ['80 of 120 h', 'Ahead. At this rate reached by 29 November.']],
    ['reached', words(hours, 121), ['121 of 120 h', 'Reached.']],
    [
      'overdue',
      words(hours, 100, { ...goal, dueOn: '2026-11-23' }),
      ['100 of 120 h', 'Overdue by 1 day: 20 h missing.'],
    ],
    [
      'downwards',
      words(keyResult({ kind: 'number', unit: 'min', start: 28, target: 22 }), 24.8),
      ['24.8, down to 22 min', 'On pace. 1.96 min a week from here reaches it by 4 December.'],
    ],
    [
      'money',
      words(keyResult({ kind: 'money', currency: 'EUR', start: 0, target: 900 }), 747),
      ['€747 of €900', 'Ahead. At this rate reached by 27 November.'],
    ],
    [
      'whole things, fewer than one a week',
      words(keyResult({ kind: 'number', unit: 'planks', start: 0, target: 14 }), 3, {
        ...goal,
        startsOn: '2025-11-24',
        dueOn: '2029-11-24',
      }),
      ['3 of 14 planks', 'On pace. About 1 more every 14 weeks from here reaches it by 24 November 2029.'],
    ],
    ['a yes still open', words(keyResult({ kind: 'yesNo' })), ['not yet', 'Still open, due 4 December.']],
    ['a yes', words(keyResult({ kind: 'yesNo' }), 1), ['yes', 'Reached.']],
    [
      'days of a habit',
      words(keyResult({ kind: 'habitDays', habitId: 'h', target: 4 })),
      ['0 of 4 days', 'Behind: 2 days were planned by now. About 3 days a week from here reaches it by 4 December.'],
    ],
    [
      'without a due day',
      words(hours, 60, { ...goal, dueOn: undefined }),
      ['60 of 120 h', 'No due day. At this rate reached by 4 December.'],
    ],
  ])('%s', (_, said, expected) => expect(said).toEqual(expected));

  it('neighbours differ in colour, overdue alone is told in madder', () => {
    expect(new Set([0, 1, 2, 3, 4, 5, 6, 7].map((place) => holeColor(LIGHT, place))).size).toBe(8);
    expect([paceTone('overdue'), paceTone('behind'), paceTone('ahead'), paceTone(null)]).toEqual([
      'madder',
      'ink',
      'working',
      'quiet',
    ]);
  });
});

it('a key result of an ended habit says that it grows no further, not that it is on pace', () => {
  const track = buildTrack(
    {
      ...{ id: 'h', name: 'Scales', order: 0, aim: 'build', partOfDay: 'any', measure: { kind: 'check' } },
      terms: [{ from: '2026-11-14', schedule: { kind: 'daily' } }],
      ...{ startsOn: '2026-11-14', endsOn: '2026-11-19' },
    } as Habit,
    ['14', '15', '16', '17', '18', '19'].map((date) => ({ habitId: 'h', day: `2026-11-${date}`, mark: 'done' })),
    TODAY,
    'monday',
  );
  const days: KeyResult = {
    ...{ id: 'k', goalId: 'g', title: 'Days', order: 0 },
    measure: { kind: 'habitDays', habitId: 'h', target: 12 },
  };
  const goal: Goal = { id: 'g', title: 'G', startsOn: '2026-11-14', dueOn: '2026-12-04', state: 'open', order: 0 };
  const of = (today: number) =>
    keyResultFigures(days, { goal, checkIns: [], steps: [], trackOf: () => ({ ...track, today }), today });
  expect(of(TODAY).pace).toBe('onPace');
  expect(paceSentence(days, of(TODAY), TODAY)).toBe('Its habit ended on 19 November, so it grows no further.');
  expect(paceSentence(days, of(TODAY - 5), TODAY - 5)).toContain('Ahead');
});

describe('a goal says where it stands and why', () => {
  const figured = (more: Partial<Goal>, values: [value: number, weight?: number][], milestones: Milestone[] = []) => {
    const keyResults = values.map(([, weight], index) =>
      keyResult({ kind: 'number', start: 0, target: 10 }, { id: String(index), ...(weight ? { weight } : {}) }),
    );
    const records: GoalRecords = {
      goal: { ...goal, ...more },
      keyResults,
      checkIns: values.map(([value], index) => ({
        id: String(index),
        keyResultId: String(index),
        day: '2026-11-20',
        value,
        madeAt: '2026-11-20T10:00:00Z',
      })),
      steps: [],
      milestones,
    };
    const trackOf = () => undefined;
    return { records, carrying: [], trackOf, figures: goalFigures(records, trackOf, TODAY) };
  };
  const milestone = (id: string, reachedOn?: string): Milestone => ({
    id,
    goalId: 'g',
    title: id,
    order: 0,
    ...(reachedOn ? { reachedOn } : {}),
  });

  it('in whole things, of several key results how many are reached', () => {
    expect(shareWords(figured({}, [[10], [3]]), TODAY)).toBe('1 of 2 key results reached');
    expect(shareWords(figured({}, [[10, 2], [3]]), TODAY)).toBe('1 of 2 key results reached');
    expect(shareWords(figured({}, [], [milestone('a', '2026-11-20'), milestone('b')]), TODAY)).toBe(
      '1 of 2 milestones',
    );
    expect(shareWords(figured({}, []), TODAY)).toBe('');
    // Of one key result it is where that stands.
    expect(shareWords(figured({}, [[3]]), TODAY)).toBe('3 of 10');
  });

  it.each([
    [{}, [[10], [3]], 'Ahead: 65\u00a0% of the way, and by now 50\u00a0% was planned.'],
    [
      {},
      [[2]],
      'Behind: 20\u00a0% of the way, and by now 50\u00a0% was planned. 56\u00a0% a week from here reaches it by 4 December.',
    ],
    [{}, [[5]], 'On pace: 50\u00a0% of the way, and by now 50\u00a0% was planned.'],
    [{}, [[10]], 'Every key result has reached its target.'],
    [{ dueOn: '2026-11-22' }, [[5]], 'Overdue by 2 days, with 50\u00a0% missing.'],
    [{ dueOn: undefined }, [[5]], 'Without a due day there is no pace.'],
    [{}, [], 'Nothing is measured yet.'],
  ] as [Partial<Goal>, [number][], string][])('%j %j', (more, values, words) => {
    expect(goalPaceSentence(figured(more, values), TODAY)).toBe(words);
  });

  it('of a goal that goes by milestones speaks of these', () => {
    const reached = [milestone('a', '2026-11-20'), milestone('b', '2026-11-21')];
    expect(goalPaceSentence(figured({}, [], reached), TODAY)).toBe('Every milestone is reached.');
    expect(goalPaceSentence(figured({}, [], [...reached, milestone('c')]), TODAY)).toMatch(/^Ahead: 67/);
  });

  it('before anything is done says what is to be reached', () => {
    const measures: KeyResultMeasure[] = [
      { kind: 'number', unit: 'planks', start: 0, target: 14 },
      { kind: 'number', unit: 'min', start: 28, target: 22 },
      { kind: 'money', currency: 'EUR', start: 0, target: 900 },
      { kind: 'yesNo' },
      { kind: 'steps' },
      { kind: 'habitDays', habitId: 'h', target: 30 },
    ];
    expect(measures.map((each) => targetWords(keyResult(each)))).toEqual([
      '0 to 14 planks',
      '28 down to 22 min',
      '0 to €900',
      'yes or no',
      'by its steps',
      '30 days',
    ]);
  });
});

describe('steps and milestones say how they stand', () => {
  it.each<[StepState, string | undefined, string | undefined, string]>([
    ['doneInTime', '2026-11-22', '2026-11-20', 'done 20 November, in time'],
    ['doneInTime', undefined, '2026-11-20', 'done 20 November'],
    ['doneLate', '2026-11-20', '2026-11-24', 'done 24 November, 4 days late'],
    ['overdue', '2026-11-23', undefined, 'overdue by 1 day'],
    ['dueSoon', '2026-11-24', undefined, 'due today'],
    ['dueSoon', '2026-11-26', undefined, 'due in 2 days'],
    ['open', '2027-01-02', undefined, 'due 2 January 2027'],
    ['open', undefined, undefined, ''],
  ])('%s, due %s, done %s', (state, dueOn, doneOn, words) => {
    expect(stateWords({ state, dueOn, doneOn }, TODAY)).toBe(words);
  });

  it('told apart by tone too', () => {
    const states: StepState[] = ['overdue', 'dueSoon', 'doneLate', 'doneInTime', 'open'];
    expect(states.map(stateTone)).toEqual(['madder', 'brassText', 'brassText', 'working', 'quiet']);
  });
});

describe('a story tells', () => {
  const at = { first: TODAY, day: TODAY, after: 0.5 };
  const hours = keyResult({ kind: 'number', unit: 'h', start: 0, target: 9 }, { title: 'Hours' });
  const checkIn: CheckIn = { id: 'c', keyResultId: 'k', day: '2026-11-24', value: 4.5, note: 'Larch', madeAt: '' };
  const step: Step = { id: 's', goalId: 'g', title: 'Glue', order: 0, dueOn: '2026-11-22', doneOn: '2026-11-24' };
  const turn = (more: Omit<GoalTurn, 'on'>): StoryItem => ({
    ...at,
    kind: 'turn',
    turn: { on: '2026-11-24', ...more },
  });

  it.each<[StoryItem, string, string | null]>([
    [{ ...at, kind: 'begun' }, 'The goal begins', null],
    [{ ...at, kind: 'checkIn', keyResult: hours, checkIn, was: 3 }, 'Hours: 4.5 h (+1.5)', 'Larch'],
    [
      { ...at, kind: 'checkIn', keyResult: keyResult({ kind: 'yesNo' }), checkIn: { ...checkIn, value: 1 }, was: 0 },
      'K: yes',
      'Larch',
    ],
    [
      {
        ...at,
        kind: 'habit',
        keyResult: keyResult({ kind: 'habitDays', habitId: 'h', target: 9 }),
        grown: 2,
        unit: '',
      },
      'K: 2 days more',
      null,
    ],
    [
      {
        ...at,
        kind: 'habit',
        keyResult: keyResult({ kind: 'habitAmount', habitId: 'h', target: 900 }),
        grown: 250,
        unit: 'm',
      },
      'K: 250 m more',
      null,
    ],
    [{ ...at, kind: 'step', step, state: 'doneLate' }, 'Step done: Glue (2 days late)', null],
    [
      {
        ...at,
        kind: 'milestone',
        milestone: { id: 'm', goalId: 'g', title: 'Tight', order: 0, reward: 'Chips' },
        state: 'doneInTime',
      },
      'Milestone reached: Tight',
      'Reward: Chips',
    ],
    [
      turn({ kind: 'postponed', dueWas: '2026-11-30', note: 'Ice' }),
      'Another due day; until then it was 30 November',
      'Ice',
    ],
    [turn({ kind: 'postponed' }), 'Given a due day', null],
    [
      turn({ kind: 'moved', dueWas: '2026-11-30', startWas: '2026-10-01' }),
      'Moved; until then it was due 30 November, from 1 October',
      null,
    ],
    [turn({ kind: 'moved' }), 'Moved; until then it was without a due day', null],
    [turn({ kind: 'dropped', note: 'No wind' }), 'Dropped', 'No wind'],
    [turn({ kind: 'word', about: 'Hours', note: 'Bar by bar' }), 'Hours', 'Bar by bar'],
  ])('%#', (item, text, note) => expect(storyWords(item, TODAY)).toEqual({ text, note }));
});
