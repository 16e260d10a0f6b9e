import type { Goal, GoalTurn, KeyResult, Milestone, Quote, Step } from '@wimbel/core';

/** Days are counted from today: below 0 in the past. */
type SampleGoal = Omit<Goal, 'startsOn' | 'dueOn' | 'closedOn' | 'order' | 'turns'> & {
  starts: number;
  due?: number;
  closed?: number;
  /** What happened to it: the day, and the day it was due before. */
  turns?: (Omit<GoalTurn, 'on' | 'dueWas'> & { on: number; dueWas?: number })[];
};

export const GOALS: SampleGoal[] = [
  {
    id: 'island',
    title: 'Sail the dinghy to the island and back',
    areaId: 'yard',
    why: 'She has lain keel up since grandfather stopped sailing. I want to hear the water along her planks once.',
    doneWhen: 'Done when she carries two people over and home in one tide.',
    starts: -232,
    due: 217,
    state: 'open',
    reward: 'Two nights at the light keeper’s',
    turns: [
      { on: -100, kind: 'postponed', dueWas: 120, note: 'The larch comes in winter only, and wood cannot be hurried.' },
    ],
  },
  {
    id: 'swim-bay',
    title: 'Swim across the bay',
    areaId: 'bay',
    why: 'Because I look at the other side every morning.',
    doneWhen: 'Done when I walk out on the far sand without having touched the boat.',
    starts: -160,
    due: 240,
    state: 'open',
  },
  {
    id: 'harbour',
    title: 'Talk a whole tide with the harbour master, in Welsh',
    areaId: 'words',
    why: 'He tells the good stories only in his own tongue.',
    doneWhen: 'Done when neither of us changes over.',
    starts: -300,
    due: -12,
    state: 'open',
    turns: [{ on: -90, kind: 'postponed', dueWas: -74, note: 'He was away at sea for six weeks.' }],
  },
  {
    id: 'market',
    title: 'Play for the new sails at the autumn market',
    areaId: 'music',
    why: 'Sails paid for by the cello: then both halves of my year belong together.',
    doneWhen: 'Done when the sailmaker has his deposit.',
    starts: -290,
    due: -30,
    closed: -38,
    state: 'reached',
    reward: 'New strings, the good ones',
    turns: [
      {
        on: -45,
        kind: 'word',
        about: 'Pieces by heart',
        note: 'One bar at a time, and always before the kettle boils.',
      },
      { on: -38, kind: 'reached', note: 'The sailmaker counted the coins twice and laughed.' },
    ],
  },
  {
    id: 'rocks',
    title: 'Row round the seal rocks before breakfast',
    areaId: 'bay',
    why: 'To see the pups while the light is still flat.',
    starts: -150,
    due: 60,
    state: 'paused',
    turns: [{ on: -70, kind: 'paused', note: 'Waits for the dinghy to float.' }],
  },
  {
    id: 'waders',
    title: 'Draw every wader of the estuary',
    areaId: 'shore',
    doneWhen: 'Done when the twelve plates hang in the hide.',
    starts: -260,
    due: -100,
    closed: -115,
    state: 'dropped',
    turns: [{ on: -115, kind: 'dropped', note: 'Counting them tells me more than drawing them badly.' }],
  },
];

type SampleKeyResult = Omit<KeyResult, 'order' | 'checkpoints'> & {
  /** Values by the month they are due at the end of, counted from this month. */
  checkpoints?: [number, number][];
  /** Check-ins: days from today, value, note. */
  checkIns: [number, number, string?][];
};

export const KEY_RESULTS: SampleKeyResult[] = [
  {
    id: 'planks',
    goalId: 'island',
    title: 'Planks refitted',
    weight: 2,
    measure: { kind: 'number', unit: 'planks', start: 0, target: 14 },
    checkpoints: [
      [-6, 2],
      [-5, 3],
      [-4, 5],
      [-3, 6],
      [-2, 7],
      [-1, 8],
      [0, 9],
      [1, 10],
      [2, 11],
      [3, 12],
      [4, 13],
      [5, 13],
      [6, 14],
    ],
    checkIns: [
      [-210, 1],
      [-171, 3],
      [-120, 4, 'The garboard fought back'],
      [-84, 6],
      [-41, 8],
      [-9, 9, 'Larch from the old pier'],
    ],
  },
  {
    id: 'hours',
    goalId: 'island',
    title: 'Hours of sanding',
    weight: 3,
    measure: { kind: 'number', unit: 'h', start: 0, target: 120 },
    checkIns: [
      [-200, 6],
      [-160, 14],
      [-110, 22.5],
      [-60, 33],
      [-20, 42, 'Both sides down to clean wood aft'],
    ],
  },
  {
    id: 'evenings',
    goalId: 'island',
    title: 'Evenings at the hull',
    measure: { kind: 'habitDays', habitId: 'sand', target: 170 },
    checkIns: [],
  },
  {
    id: 'sails',
    goalId: 'island',
    title: 'Money for the sails',
    measure: { kind: 'money', currency: 'EUR', start: 0, target: 900 },
    checkIns: [
      [-190, 60],
      [-150, 185, 'Two fair days, and a wedding'],
      [-95, 390],
      [-50, 610],
      [-12, 747, 'A stranger put in a fifty'],
    ],
  },
  {
    id: 'rig',
    goalId: 'island',
    title: 'Mast and rigging',
    measure: { kind: 'steps' },
    checkIns: [],
  },
  {
    id: 'survey',
    goalId: 'island',
    title: 'Survey passed',
    weight: 0.5,
    measure: { kind: 'yesNo' },
    checkIns: [[-33, 1, 'Frames sound, he said, and shook my hand']],
  },
  {
    id: 'longest',
    goalId: 'swim-bay',
    title: 'Longest swim',
    measure: { kind: 'number', unit: 'm', start: 800, target: 3200 },
    checkpoints: [
      [-4, 1000],
      [-3, 1200],
      [-2, 1500],
      [-1, 1700],
      [0, 1900],
      [1, 2000],
      [3, 2400],
      [5, 2900],
    ],
    checkIns: [
      [-140, 900],
      [-101, 1100],
      [-70, 1300, 'Along the moorings'],
      [-30, 1400],
      [-6, 1500],
    ],
  },
  {
    id: 'kilometre',
    goalId: 'swim-bay',
    title: 'Minutes for a kilometre',
    measure: { kind: 'number', unit: 'min', start: 28, target: 22 },
    checkIns: [
      [-120, 27.5],
      [-75, 27.2],
      [-28, 26.9, 'With the ebb, to be honest'],
      [-8, 26.6],
    ],
  },
  {
    id: 'swims',
    goalId: 'swim-bay',
    title: 'Swims in open water',
    measure: { kind: 'habitDays', habitId: 'swim', target: 150 },
    checkIns: [],
  },
  {
    id: 'metres',
    goalId: 'swim-bay',
    title: 'Metres swum in all',
    measure: { kind: 'habitAmount', habitId: 'swim', target: 200_000 },
    checkIns: [],
  },
  {
    id: 'words-known',
    goalId: 'harbour',
    title: 'Words that stay',
    measure: { kind: 'number', unit: 'words', start: 200, target: 1500 },
    checkIns: [
      [-250, 340],
      [-180, 560],
      [-110, 810],
      [-50, 1010],
      [-15, 1120, 'The mutations still slip'],
    ],
  },
  {
    id: 'first-talk',
    goalId: 'harbour',
    title: 'First talk of ten minutes',
    measure: { kind: 'yesNo' },
    checkIns: [[-64, 1, 'About mackerel, mostly']],
  },
  {
    id: 'pieces',
    goalId: 'market',
    title: 'Pieces by heart',
    measure: { kind: 'number', unit: 'pieces', start: 0, target: 6 },
    checkIns: [
      [-250, 1],
      [-200, 2],
      [-140, 4],
      [-80, 5],
      [-45, 6, 'The sixth in front of the baker'],
    ],
  },
  {
    id: 'market-days',
    goalId: 'market',
    title: 'Days at the market',
    measure: { kind: 'habitDays', habitId: 'busk', target: 25 },
    checkIns: [],
  },
  {
    id: 'deposit',
    goalId: 'market',
    title: 'Deposit with the sailmaker',
    measure: { kind: 'yesNo' },
    checkIns: [[-38, 1]],
  },
];

/** Days are counted from today. */
type SampleStep = Omit<Step, 'startsOn' | 'dueOn' | 'doneOn' | 'order'> & {
  starts?: number;
  due?: number;
  done?: number;
};

export const STEPS: SampleStep[] = [
  {
    id: 'mast',
    goalId: 'island',
    keyResultId: 'rig',
    title: 'Scarf the mast',
    priority: 1,
    impact: 'high',
    starts: -60,
    due: -20,
    done: -24,
  },
  { id: 'spruce', goalId: 'island', parentId: 'mast', title: 'Choose the spruce', done: -58 },
  { id: 'glue', goalId: 'island', parentId: 'mast', title: 'Glue up with Olwen’s long clamps', done: -24 },
  {
    id: 'shrouds',
    goalId: 'island',
    keyResultId: 'rig',
    title: 'Splice the shrouds',
    priority: 2,
    starts: -30,
    due: -10,
    done: -4,
    note: 'The third splice holds. The first two are key rings now.',
  },
  {
    id: 'halyard',
    goalId: 'island',
    keyResultId: 'rig',
    title: 'Run the halyards',
    priority: 2,
    impact: 'medium',
    due: -3,
  },
  { id: 'sheave', goalId: 'island', parentId: 'halyard', title: 'Turn a new sheave', done: -6 },
  { id: 'reeve', goalId: 'island', parentId: 'halyard', title: 'Reeve and whip the ends' },
  { id: 'rudder', goalId: 'island', keyResultId: 'rig', title: 'Hang the rudder', priority: 3, starts: 10, due: 60 },
  { id: 'varnish', goalId: 'island', title: 'Seven coats on the rails', impact: 'low', starts: -12, due: 5 },
  { id: 'berth', goalId: 'island', title: 'Ask the harbour master for a berth', priority: 1, due: 0 },
  { id: 'charts', goalId: 'island', title: 'Walk the tide race at low water', priority: 4 },
  { id: 'pilot', goalId: 'swim-bay', title: 'Find somebody to row beside', priority: 1, impact: 'high', due: 120 },
  { id: 'wetsuit', goalId: 'swim-bay', title: 'Mend the left sleeve', due: -70, done: -74 },
  { id: 'verbs', goalId: 'harbour', title: 'The irregular verbs, aloud', due: -60, done: -31 },
];

type SampleMilestone = Omit<Milestone, 'dueOn' | 'reachedOn' | 'order'> & { due?: number; reached?: number };

export const MILESTONES: SampleMilestone[] = [
  {
    id: 'frames',
    goalId: 'island',
    title: 'Frames sound',
    due: -40,
    reached: -33,
    pips: 60,
    reward: 'Chips on the quay',
  },
  { id: 'tight', goalId: 'island', title: 'The hull is tight', due: 50, after: ['frames'], pips: 120 },
  {
    id: 'afloat',
    goalId: 'island',
    title: 'Afloat at the mooring',
    due: 120,
    after: ['tight'],
    reward: 'A bottle over the bow, half of it in glasses',
  },
  { id: 'first-sail', goalId: 'island', title: 'First sail inside the bar', due: 170, after: ['afloat'], pips: 200 },
  { id: 'two-k', goalId: 'swim-bay', title: 'Two kilometres without a stop', due: 6, pips: 80 },
  { id: 'cold', goalId: 'swim-bay', title: 'Ten minutes under eight degrees', due: -14, reward: 'The hot stone bath' },
  { id: 'blades', goalId: 'rocks', title: 'New blades on the oars', due: -80, reached: -82 },
  { id: 'half-way', goalId: 'rocks', title: 'To the rocks and straight home', after: ['blades'] },
  { id: 'plates', goalId: 'waders', title: 'Three plates', due: -180, reached: -171 },
  { id: 'all-plates', goalId: 'waders', title: 'All twelve', due: -100, after: ['plates'] },
];

export const QUOTES: Quote[] = [
  { id: 'quote-1', text: 'A little every day is a great deal by the spring.', by: 'Grandmother' },
  { id: 'quote-2', text: 'The plank does not know that you are tired. Bore on.', by: 'Olwen at the yard' },
  { id: 'quote-3', text: 'Slow is in tune.' },
];
