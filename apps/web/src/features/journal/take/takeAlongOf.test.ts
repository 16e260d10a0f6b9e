import { DEFAULT_SETTINGS, buildTrack, dayOf, entryYearsOf } from '@wimbel/core';
import { aHabit } from '../../../testing/goalSamples.ts';
import { TAKEN, type Taken, type TakenFrom, takeAlongOf } from './takeAlongOf.ts';

const TODAY = dayOf('2026-11-24');
const entries = [
  { habitId: 'swim', day: '2026-11-20', mark: 'missed' as const, note: 'Storm' },
  { habitId: 'swim', day: '2026-11-21', mark: 'done' as const },
  { habitId: 'swim', day: '2026-11-22', mark: 'missed' as const },
];
const from: TakenFrom = {
  journal: [
    { id: 'a', day: '2026-11-20', part: 'day', mood: 2, feelings: ['tired'], text: 'Gale.' },
    {
      id: 'b',
      day: '2026-11-20',
      part: 'evening',
      answers: [{ promptId: 'p', promptText: 'Good things', items: [{ text: 'Soup' }, { text: '' }] }],
    },
    { id: 'c', day: '2026-11-22', part: 'day', mood: 5, feelings: ['calm', 'tired'] },
    { id: 'd', day: '2026-10-01', part: 'day', mood: 1, text: 'Long ago.' },
  ],
  tracks: [buildTrack({ ...aHabit('swim'), name: 'Cold swim', startsOn: '2026-11-20' }, entries, TODAY, 'monday')],
  entriesOf: () => entryYearsOf(entries),
  nameOf: () => 'Cold swim',
  settings: DEFAULT_SETTINGS,
  today: TODAY,
};
const span = { first: dayOf('2026-11-16'), last: dayOf('2026-11-22') };
const taken = (...parts: Taken[]) => takeAlongOf(from, span, new Set(parts));

describe('a page to take along', () => {
  it('has of its days, and of no other, what was chosen', () => {
    expect(taken(...TAKEN)).toEqual({
      title: '16 to 22 November',
      sums: ['33\u00a0% kept, 1 of 3.', 'Mood: mean 3.5 on 2 days, of 1 (Low) to 5 (Great).'],
      moods: [
        { day: '20 November', mood: 'Flat' },
        { day: '22 November', mood: 'Great' },
      ],
      feelings: [
        { feeling: 'tired', told: '2 days, mean mood 3.5' },
        { feeling: 'calm', told: '1 day, mean mood 5.0' },
      ],
      misses: [
        { reason: 'Storm (1 time)', which: ['Cold swim, 20 November'] },
        { reason: 'No reason given (1 time)', which: ['Cold swim, 22 November'] },
      ],
      days: [
        {
          day: 'Friday 20 November',
          about: 'Flat, tired',
          writings: [
            { asked: null, text: 'Gale.' },
            { asked: 'Good things', text: '- Soup' },
          ],
        },
      ],
    });
  });

  it('leaves out what was not', () => {
    expect(taken('writing')).toMatchObject({
      sums: [],
      moods: [],
      misses: [],
      days: [{ about: '', writings: [{ text: 'Gale.' }] }],
    });
    expect(taken('moods', 'answers').days[0]).toMatchObject({ about: 'Flat', writings: [{ text: '- Soup' }] });
  });
});
