import { type Entry, dayOf, formatDay, monthOf, monthSpan } from '@wimbel/core';
import { entryChange } from '../../store/makeChange.ts';
import { recordsChanged } from '../../store/recordsSlice.ts';
import { TODAY, aCheckIn, aGoal, aHabit, aKeyResult, aStep, storeWith } from '../../testing/goalSamples.ts';
import type { FigureQuery } from '../figureQuery.ts';
import { explainFigure } from './explainFigure.ts';

const november = monthSpan(monthOf('2026-11'));
const terms = (times: number) => [{ from: '2026-11-01', schedule: { kind: 'perWeek' as const, times } }];

/** Two habits of November: every day, done on the 2nd and 3rd; three days a week, done on four of a week. */
function filled() {
  const store = storeWith({
    habits: [aHabit('Scales'), aHabit('Hull', { order: 2, terms: terms(3) })],
    goals: [aGoal('boat'), aGoal('song', { dueOn: '2027-01-31', order: 2 })],
    keyResults: [
      aKeyResult('planks', 'boat'),
      aKeyResult('hours', 'boat', {
        order: 2,
        measure: { kind: 'number', start: 0, target: 100, unit: 'h' },
        weight: 3,
      }),
    ],
    checkIns: [aCheckIn('a', 'planks', 5), aCheckIn('b', 'hours', 20)],
    steps: [aStep('tune', 'song', { doneOn: '2026-11-20' }), aStep('play', 'song', { order: 2 })],
  });
  const done = (habitId: string, ...days: number[]): Entry[] =>
    days.map((day) => ({ habitId, day: formatDay(november.first + day - 1), mark: 'done' }));
  const entries = [...done('Scales', 2, 3), ...done('Hull', 2, 3, 4, 5)];
  store.dispatch(recordsChanged({ changes: entries.map(entryChange) }));
  return store.getState();
}

const bare = (text: string): string => text.replace(/\s/g, ' ');
const told = (asked: FigureQuery) => {
  const account = explainFigure(filled(), asked)!;
  return {
    ...account,
    total: bare(account.total),
    parts: account.parts.map(({ name, value }) => `${name}: ${bare(value)}`),
  };
};

describe('what a figure is made of, in words', () => {
  it('what was kept lists the habits, each leading to its page, and adds up', () => {
    const { total, parts, sentence } = told({ figure: 'kept', span: november });
    // 23 days settled of the daily one; of the other 23 days of 3/7, rounded: 10, its four of one week counting three.
    expect(total).toBe('5 of 33, 15 %; 6 done, 1 more than asked');
    expect(parts).toEqual(['Scales: 2 of 23', 'Hull: 3 of 10 (4 done)']);
    expect(sentence).toContain('November, up to today');
    expect(explainFigure(filled(), { figure: 'kept', span: november })!.parts.map(({ href }) => href)).toEqual([
      '/habits/Scales',
      '/habits/Hull',
    ]);
  });

  it('of one habit lists weeks, and says what was rounded and what went beyond', () => {
    const week = { first: dayOf('2026-11-02'), last: dayOf('2026-11-08') };
    const { total, parts, adjustments, sentence } = told({ figure: 'habitKept', habitId: 'Hull', span: week });
    expect(total).toBe('3 of 3, 100 %; 4 done, 1 more than asked');
    expect(parts).toEqual(['2 to 8 November: 3 of 3 (4 done)']);
    expect(adjustments).toEqual([]);
    expect(sentence).toContain('Each week counts by itself');
    // From a Thursday to a Wednesday, in two parts of weeks: 4 × 3/7 and 3 × 3/7 are 2 and 1, together 3.
    const some = told({ figure: 'habitKept', habitId: 'Hull', span: { first: week.first + 3, last: week.first + 9 } });
    expect([some.parts, some.adjustments]).toEqual([['5 to 8 November: 1 of 2', '9 to 11 November: 0 of 1'], []]);
    const fortnight = { first: week.first - 1, last: week.last + 5 };
    expect(told({ figure: 'habitKept', habitId: 'Hull', span: fortnight }).adjustments).toEqual([
      { text: 'Rounded once for all of it, not row by row', value: '+1' },
    ]);
  });

  it('of a first week that began on a Tuesday says why it asks less', () => {
    const started = aHabit('Late', { startsOn: '2026-11-03', terms: [{ ...terms(4)[0]!, from: '2026-11-03' }] });
    const store = storeWith({ habits: [started] });
    const account = explainFigure(store.getState(), {
      figure: 'habitQuota',
      habitId: 'Late',
      kind: 'weeks',
      day: dayOf('2026-11-08'),
    })!;
    expect(account.sentence).toContain('It began on Tuesday 3 November, so this first week asks its part');
    expect(account.parts).toMatchObject([{ name: 'What 6 of the 7 days of the week ask', value: '3 days' }]);
    expect(bare(account.total)).toBe('0 of 3, 0 %');
  });

  it('a day tells what it asked, those that can wait together', () => {
    expect(told({ figure: 'dayScore', day: dayOf('2026-11-02') })).toMatchObject({
      total: '2 of 2, 100 %',
      parts: ['Scales: 1 of 1', 'Hull: 1 of 1'],
    });
    // On the Sunday after a week in which nothing was done, three days can no longer wait.
    expect(told({ figure: 'dayScore', day: dayOf('2026-11-15') }).parts).toEqual([
      'Scales: 0 of 1',
      'One of the habits that can wait: 0 of 1',
    ]);
  });

  it('a goal tells each key result with what it brings, by its weight', () => {
    expect(told({ figure: 'goalProgress', goalId: 'boat' })).toMatchObject({
      total: '27.5 %',
      parts: ['planks: 50 %, brings 12.5 %', 'hours: 20 %, brings 15 %'],
    });
    expect(told({ figure: 'goalProgress', goalId: 'song' }).parts).toEqual(['tune: 1 of 1', 'play: 0 of 1']);
    const leading = explainFigure(filled(), { figure: 'goalProgress', goalId: 'boat' })!;
    expect(leading.parts[0]!.href).toBe('/goals/boat?at=planks');
  });

  it('a pace is how far it is less what was expected, a forecast the days so far and those to come', () => {
    expect(told({ figure: 'goalPace', goalId: 'boat' })).toMatchObject({
      total: '\u221222.5 %',
      parts: ['How far it is: 27.5 %', 'Less what was expected by today: \u221250 %'],
    });
    // 0.275 took ten days: all of it takes 37.
    expect(told({ figure: 'goalForecast', goalId: 'boat' })).toMatchObject({
      total: '37 days',
      parts: ['So far, since 14 November: 10 days', 'Still to come at this rate, until 21 December: 27 days'],
    });
  });

  it('what a key result needs is what is left over the weeks that are left, in its unit', () => {
    const { total, parts } = told({ figure: 'keyResultNeeded', goalId: 'boat', keyResultId: 'hours' });
    expect(parts).toEqual(['What is left: 80 h', 'Over so many weeks that are left: 1.43 weeks']);
    expect(total).toBe('56 h');
  });

  it('several goals tell what each brings to their mean', () => {
    expect(told({ figure: 'goals', goalIds: ['boat', 'song', 'gone'], name: 'The bay' })).toMatchObject({
      title: 'The bay',
      total: '38.8 %',
      parts: ['boat: 28 %, brings 13.8 %', 'song: 50 %, brings 25 %'],
    });
  });

  it('days left lead to what is due in their month', () => {
    const { parts, total } = explainFigure(filled(), { figure: 'goalDaysLeft', goalId: 'song' })!;
    expect(total).toBe('68 days');
    expect(parts.map(({ name, value, href }) => [name, value, href])).toEqual([
      ['25 to 30 November', '6 days', '/goals/due?month=2026-11'],
      ['December', '31 days', '/goals/due?month=2026-12'],
      ['January 2027', '31 days', '/goals/due?month=2027-01'],
    ]);
  });

  it('is nothing for what is not there any more', () => {
    const state = filled();
    expect(explainFigure(state, { figure: 'habitKept', habitId: 'gone', span: november })).toBeNull();
    expect(explainFigure(state, { figure: 'goalProgress', goalId: 'gone' })).toBeNull();
    expect(explainFigure(state, { figure: 'keyResult', goalId: 'boat', keyResultId: 'gone' })).toBeNull();
    expect(explainFigure(state, { figure: 'habitMood', habitId: 'Scales', span: november, side: 'done' })).toBeNull();
    expect(TODAY).toBe(dayOf('2026-11-24'));
  });
});
