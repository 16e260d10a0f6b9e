import { WEEKDAYS } from '@wimbel/core';
import fc from 'fast-check';
import { type LineHabit, habitOfLine } from './habitLine.ts';

const AREAS = [
  { id: 'boat', name: 'Boat' },
  { id: 'music', name: 'Music' },
];
const base: LineHabit = {
  name: '',
  aim: 'build',
  schedule: { kind: 'daily' },
  partOfDay: 'any',
  amount: null,
  areaId: null,
};
const days = (...names: string[]) => ({
  kind: 'weekdays',
  days: WEEKDAYS.filter((day) => names.includes(day.slice(0, 3))),
});
const minutes = (value: number, step = 5) => ({ limit: 'atLeast', value, unit: 'min', step });

describe('a line is read as a habit', () => {
  it.each([
    ['Scales', { name: 'Scales' }],
    [
      'Cello 20 min, 3 a week, evenings',
      { name: 'Cello', amount: minutes(20), schedule: { kind: 'perWeek', times: 3 }, partOfDay: 'evening' },
    ],
    ['no coffee after two', { name: 'No coffee after two', aim: 'quit' }],
    ['Sand the hull, Sat Sun', { name: 'Sand the hull', schedule: days('sat', 'sun') }],
    ['Sand the hull on weekends', { name: 'Sand the hull', schedule: days('sat', 'sun') }],
    ['Swim, Mon, Wed and Fri, morning', { name: 'Swim', schedule: days('mon', 'wed', 'fri'), partOfDay: 'morning' }],
    ['Vocabulary Mon-Fri', { name: 'Vocabulary', schedule: days('mon', 'tue', 'wed', 'thu', 'fri') }],
    ['Long walk, Fri to Mon', { name: 'Long walk', schedule: days('fri', 'sat', 'sun', 'mon') }],
    ['Read, at least 15 pages', { name: 'Read', amount: { limit: 'atLeast', value: 15, unit: 'pages', step: 5 } }],
    ['Tea, at most 2 cups', { name: 'Tea', amount: { limit: 'atMost', value: 2, unit: 'cups', step: 1 } }],
    [
      'Row; 2,5 km; twice a week',
      {
        name: 'Row',
        amount: { limit: 'atLeast', value: 2.5, unit: 'km', step: 1 },
        schedule: { kind: 'perWeek', times: 2 },
      },
    ],
    ['Birds: every other day', { name: 'Birds', schedule: { kind: 'interval', every: 2 } }],
    [
      'Oil the rigging every 10 days, Boat',
      { name: 'Oil the rigging', schedule: { kind: 'interval', every: 10 }, areaId: 'boat' },
    ],
    ['Write home, three times a month', { name: 'Write home', schedule: { kind: 'perMonth', times: 3 } }],
    ['Tidy up weekly', { name: 'Tidy up', schedule: { kind: 'perWeek', times: 1 } }],
    [
      '- Duets\t30 min\t5x per week',
      { name: 'Duets', amount: minutes(30, 10), schedule: { kind: 'perWeek', times: 5 } },
    ],
    ['2) Scales, slowly, mornings', { name: 'Scales, slowly', partOfDay: 'morning' }],
    ['[ ] Knots, daily', { name: 'Knots' }],
    ['Evening', { name: 'Evening' }],
    ['Sunday', { name: 'Sunday' }],
    ['Walk 7 a week', { name: 'Walk' }],
    ['Count to 9 a week', { name: 'Count to 9 a week' }],
    ['Sundial', { name: 'Sundial' }],
    ['Repair the sun sail', { name: 'Repair the sun sail' }],
    [
      'Step counting 6000 steps',
      { name: 'Step counting', amount: { limit: 'atLeast', value: 6000, unit: 'steps', step: 100 } },
    ],
    ['Gulls, 12 gulls', { name: 'Gulls', amount: { limit: 'atLeast', value: 12, unit: 'gulls', step: 1 } }],
  ])('%s', (line, expected) => {
    expect(habitOfLine(line, AREAS)).toEqual({ ...base, ...expected });
  });

  it('says nothing of a line without a name', () => {
    for (const line of ['', '   ', '- ', ' , ; ']) expect(habitOfLine(line)).toBeNull();
  });

  it('never loses a word of a name it does not understand, and never throws', () => {
    fc.assert(
      fc.property(
        fc.array(fc.stringMatching(/^[a-z]{4,9}q$/), { minLength: 1, maxLength: 5 }),
        fc.string(),
        (words, noise) => {
          const line = words.join(' ');
          expect(habitOfLine(line)?.name.toLowerCase()).toBe(line);
          habitOfLine(noise);
        },
      ),
    );
  });
});
