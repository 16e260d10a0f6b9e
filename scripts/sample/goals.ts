import type { Goal, KeyResult } from '@wimbel/core';

/** Days are counted from today: below 0 in the past. */
type SampleGoal = Omit<Goal, 'startsOn' | 'dueOn' | 'closedOn' | 'order'> & {
  starts: number;
  due?: number;
  closed?: number;
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
  },
];

type SampleKeyResult = Omit<KeyResult, 'order'> & {
  /** Check-ins: days from today, value, note. */
  checkIns: [number, number, string?][];
};

export const KEY_RESULTS: SampleKeyResult[] = [
  {
    id: 'planks',
    goalId: 'island',
    title: 'Planks refitted',
    measure: { kind: 'number', unit: 'planks', start: 0, target: 14 },
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
    id: 'survey',
    goalId: 'island',
    title: 'Survey passed',
    measure: { kind: 'yesNo' },
    checkIns: [[-33, 1, 'Frames sound, he said, and shook my hand']],
  },
  {
    id: 'longest',
    goalId: 'swim-bay',
    title: 'Longest swim',
    measure: { kind: 'number', unit: 'm', start: 800, target: 3200 },
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
