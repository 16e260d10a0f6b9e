import type { Area, Habit, MonthTarget, Terms, YearTarget } from '@wimbel/core';

export const AREAS: Area[] = [
  { id: 'music', name: 'Cello', color: 'woad', order: 0 },
  { id: 'bay', name: 'The bay', color: 'verdigris', order: 1 },
  { id: 'yard', name: 'Boat yard', color: 'clay', order: 2 },
  { id: 'words', name: 'Welsh', color: 'plum', order: 3 },
  { id: 'shore', name: 'Shore birds', color: 'moss', order: 4 },
  { id: 'self', name: 'House rules', color: 'slate', order: 5 },
];

/** A habit of the sample person, with how it usually goes; days are counted back from today. */
export type SampleHabit = {
  record: Omit<Habit, 'startsOn' | 'endsOn' | 'terms' | 'order' | 'pauses' | 'monthTargets' | 'yearTargets'>;
  startedDaysAgo: number;
  endedDaysAgo?: number;
  terms: (Omit<Terms, 'from'> & { daysAgo: number })[];
  /** How likely a day that is asked gets done, and how much less (or more) at the weekend. */
  likely: number;
  weekend: number;
  /** Typical amount of a day that goes well, and the step amounts come in. */
  amount?: { typical: number; spread: number; step: number };
  pauses?: { fromDaysAgo: number; toDaysAgo: number; why: string }[];
  /** Targets set for a month, counted back from this one, and for this year. */
  monthTargets?: ({ monthsAgo: number } & MonthTarget)[];
  yearTarget?: YearTarget;
  notes?: { daysAgo: number; text: string; link?: string }[];
};

const check = { kind: 'check' } as const;
const minutes = (step: number) => ({ kind: 'amount', unit: 'min', step }) as const;
const build = (id: string, name: string, areaId: string, partOfDay: Habit['partOfDay'], icon: string) =>
  ({ id, name, areaId, partOfDay, icon, aim: 'build' }) as const;
const ILLNESS = { fromDaysAgo: 291, toDaysAgo: 282, why: 'Flu, the long kind' };

export const HABITS: SampleHabit[] = [
  {
    record: {
      ...build('scales', 'Scales, slow bow', 'music', 'morning', 'music'),
      measure: minutes(5),
      goalId: 'market',
    },
    startedDaysAgo: 424,
    terms: [
      { daysAgo: 424, schedule: { kind: 'daily' }, atLeast: 10, pips: 1 },
      { daysAgo: 236, schedule: { kind: 'daily' }, atLeast: 20, pips: 2 },
    ],
    likely: 0.88,
    weekend: -0.04,
    amount: { typical: 22, spread: 8, step: 5 },
    pauses: [ILLNESS],
    monthTargets: [
      { monthsAgo: 7, days: 24, reward: 'A cake of dark rosin', onward: true },
      { monthsAgo: 2, days: 20, reward: 'An evening off' },
    ],
    notes: [
      { daysAgo: 230, text: 'Twenty minutes from now on: ten were over before the hand was warm.' },
      {
        daysAgo: 64,
        text: 'Slow bow exercises, the second page is the one that helps.',
        link: 'https://example.org/slow-bow',
      },
    ],
  },
  {
    record: { ...build('bow', 'Bow hold before coffee', 'music', 'morning', 'hand'), measure: check },
    startedDaysAgo: 180,
    terms: [{ daysAgo: 180, schedule: { kind: 'daily' }, pips: 1 }],
    likely: 0.8,
    weekend: -0.12,
  },
  {
    record: {
      ...build('swim', 'Cold swim', 'bay', 'morning', 'waves'),
      measure: { kind: 'amount', unit: 'm', step: 100 },
      goalId: 'swim-bay',
      impact: 'high',
    },
    startedDaysAgo: 398,
    terms: [
      { daysAgo: 398, schedule: { kind: 'perWeek', times: 2 }, atLeast: 300, pips: 3 },
      { daysAgo: 160, schedule: { kind: 'perWeek', times: 3 }, atLeast: 600, pips: 4 },
    ],
    likely: 0.5,
    weekend: 0.2,
    amount: { typical: 800, spread: 400, step: 100 },
    pauses: [ILLNESS],
    monthTargets: [{ monthsAgo: 4, amount: 12000, reward: 'Hot chocolate at the lifeboat station', onward: true }],
    yearTarget: { days: 140 },
    notes: [{ daysAgo: 33, text: 'Never alone under ten degrees.', link: 'https://example.org/cold-water' }],
  },
  {
    record: { ...build('tide', 'Tide table first', 'bay', 'morning', 'anchor'), measure: check },
    startedDaysAgo: 300,
    terms: [{ daysAgo: 300, schedule: { kind: 'daily' }, pips: 1 }],
    likely: 0.9,
    weekend: -0.1,
  },
  {
    record: {
      ...build('sand', 'Sand the hull', 'yard', 'evening', 'hammer'),
      measure: check,
      goalId: 'island',
      impact: 'high',
    },
    startedDaysAgo: 420,
    terms: [{ daysAgo: 420, schedule: { kind: 'perWeek', times: 3 }, pips: 3 }],
    likely: 0.42,
    weekend: 0.28,
    pauses: [ILLNESS],
  },
  {
    record: {
      ...build('splice', 'Splice a rope', 'yard', 'evening', 'cable'),
      measure: check,
      finishLine: { days: 80, reward: 'The good marlinspike' },
    },
    startedDaysAgo: 220,
    terms: [{ daysAgo: 220, schedule: { kind: 'interval', every: 2 }, pips: 1 }],
    likely: 0.78,
    weekend: 0,
  },
  {
    record: {
      ...build('cards', 'Welsh cards', 'words', 'midday', 'languages'),
      measure: { kind: 'amount', unit: 'cards', step: 10 },
      goalId: 'harbour',
    },
    startedDaysAgo: 410,
    terms: [
      {
        daysAgo: 410,
        schedule: { kind: 'weekdays', days: ['monday', 'tuesday', 'wednesday', 'thursday', 'friday'] },
        atLeast: 30,
        pips: 2,
      },
    ],
    likely: 0.82,
    weekend: 0,
    amount: { typical: 30, spread: 20, step: 10 },
  },
  {
    record: { ...build('birds', 'Bird count walk', 'shore', 'any', 'bird'), measure: check },
    startedDaysAgo: 330,
    terms: [{ daysAgo: 330, schedule: { kind: 'perMonth', times: 10 }, pips: 2 }],
    likely: 0.32,
    weekend: 0.3,
  },
  {
    record: {
      id: 'coffee',
      name: 'No coffee after two',
      areaId: 'self',
      partOfDay: 'any',
      icon: 'coffee',
      aim: 'quit',
      measure: check,
    },
    startedDaysAgo: 405,
    terms: [{ daysAgo: 405, schedule: { kind: 'daily' }, pips: 1 }],
    likely: 0.74,
    weekend: -0.12,
  },
  {
    record: {
      id: 'screen',
      name: 'Screen after supper',
      areaId: 'self',
      partOfDay: 'evening',
      icon: 'moon',
      aim: 'quit',
      measure: minutes(15),
    },
    startedDaysAgo: 120,
    terms: [{ daysAgo: 120, schedule: { kind: 'daily' }, atMost: 45, pips: 1 }],
    likely: 0.8,
    weekend: -0.2,
    amount: { typical: 30, spread: 30, step: 15 },
  },
  {
    record: {
      ...build('busk', 'Market busking', 'music', 'midday', 'guitar'),
      measure: { kind: 'amount', unit: '€', step: 5 },
      goalId: 'market',
    },
    startedDaysAgo: 300,
    terms: [{ daysAgo: 300, schedule: { kind: 'perMonth', times: 4 }, atLeast: 10, pips: 5 }],
    likely: 0.02,
    weekend: 0.42,
    amount: { typical: 24, spread: 16, step: 1 },
    yearTarget: { amount: 2000 },
  },
  {
    record: {
      ...build('pieces', 'Pieces by heart', 'music', 'evening', 'music'),
      measure: minutes(5),
      goalId: 'market',
      note: 'One at a time, from the last bar backwards.',
      variants: [
        { id: 'air', name: 'Slow air', group: 'Market set' },
        { id: 'waltz', name: 'Harbour waltz', group: 'Market set' },
        { id: 'reel', name: 'Two-string reel', group: 'Market set' },
        { id: 'prelude', name: 'Prelude', group: 'For myself' },
      ],
    },
    startedDaysAgo: 140,
    terms: [{ daysAgo: 140, schedule: { kind: 'perWeek', times: 4 }, atLeast: 10, pips: 2 }],
    likely: 0.55,
    weekend: 0.08,
    amount: { typical: 15, spread: 20, step: 5 },
    pauses: [{ fromDaysAgo: -27, toDaysAgo: -33, why: 'With Nan over the holidays' }],
  },
  {
    record: { ...build('stretch', 'Shoulder stretches', 'bay', 'evening', 'dumbbell'), measure: check },
    startedDaysAgo: 380,
    endedDaysAgo: 96,
    terms: [{ daysAgo: 380, schedule: { kind: 'daily' }, pips: 1 }],
    likely: 0.72,
    weekend: -0.05,
  },
  {
    record: { ...build('sketch', 'Barnacle sketch', 'shore', 'evening', 'pencil'), measure: check, archived: true },
    startedDaysAgo: 415,
    endedDaysAgo: 260,
    terms: [{ daysAgo: 415, schedule: { kind: 'weekdays', days: ['saturday', 'sunday'] } }],
    likely: 0.3,
    weekend: 0.1,
  },
];

export const MISS_REASONS = [
  'Back from the yard too late',
  'Storm, stayed in',
  'Slept through the alarm',
  'Visitors all day',
  'Shoulder sore, let it be',
  'Forgot until bed',
];

export const NOTES = [
  'Third position at last without looking',
  'Fog so thick I counted by ear',
  'Forty dunlin, one curlew',
  'New paper, 180 grit, much better',
  'The water was eight degrees',
  'Played the slow one twice',
];
