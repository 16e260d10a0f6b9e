import type { Impact, Season } from '@wimbel/core';
import { TODAY, aGoal, aHabit, aKeyResult, aStep } from '../../testing/goalSamples.ts';
import {
  type SeasonDraft,
  changesOfSeason,
  draftOfSeason,
  draftSpan,
  emptySeasonDraft,
  evenMonths,
  monthlyKeyResults,
  readSeasonDraft,
  seasonOfDraft,
  withDraft,
} from './begin/seasonDraft.ts';
import { faultsOf } from './begin/useSeasonDraft.ts';
import { carriersOf, droppedNote, withImpact } from './carriers.ts';

const draft = (more: Partial<SeasonDraft> = {}): SeasonDraft => ({
  ...emptySeasonDraft(TODAY),
  id: 's',
  title: 'Winter',
  ...more,
});
const there = (more = {}) => ({ habits: [], steps: [], keyResults: [], ...more });
const NONE = { goal: 0, habit: 0 };

describe('what carries a goal', () => {
  const with_ = (id: string, impact?: Impact) => aHabit(id, { goalId: 'g', ...(impact ? { impact } : {}) });

  it('stands by impact, the highest first, what has none last; habits before steps', () => {
    const steps = [aStep('ask', 'g', { impact: 'high' }), aStep('look', 'g')];
    const carriers = carriersOf(
      { id: 'g' },
      { habits: [with_('a'), with_('b', 'low'), with_('c', 'high')], steps, keyResults: [] },
    );
    expect(carriers.map(({ id }) => id)).toEqual(['c', 'ask', 'b', 'a', 'look']);
  });

  it('leaves out what is put away, done, below another step, or of another goal; what a key result counts is in it', () => {
    const habits = [
      aHabit('gone', { goalId: 'g', archived: true }),
      aHabit('counted'),
      aHabit('other', { goalId: 'x' }),
    ];
    const steps = [aStep('done', 'g', { doneOn: '2026-11-20' }), aStep('below', 'g', { parentId: 'done' })];
    const keyResults = [aKeyResult('k', 'g', { measure: { kind: 'habitDays', habitId: 'counted', target: 9 } })];
    expect(carriersOf({ id: 'g' }, { habits, steps, keyResults })).toMatchObject([{ id: 'counted', isCounted: true }]);
  });

  it('is told without pips, and dropped with a word or without', () => {
    const habit = aHabit('a', { goalId: 'g', terms: [{ from: '2026-11-01', schedule: { kind: 'daily' }, pips: 3 }] });
    expect(carriersOf({ id: 'g' }, { habits: [habit], steps: [], keyResults: [] })[0]!.aside).toBe('every day');
    expect(droppedNote('A second bow', ' Too dear ')).toEqual({ text: 'Left out: A second bow. Too dear' });
    expect(droppedNote('A second bow', ' ')).toEqual({ text: 'Left out: A second bow' });
    expect(withImpact({ id: 'a', impact: 'low' }, null)).toEqual({ id: 'a' });
  });
});

describe('a season thought out', () => {
  it('has its days from its first one on, and none where they are not such', () => {
    expect(draftSpan(draft())).toEqual({ first: TODAY, last: TODAY + 83 });
    for (const weeks of ['', '0', '2.5', '521', 'x']) expect(draftSpan(draft({ weeks }))).toBeNull();
    expect(draftSpan(draft({ startsOn: '' }))).toBeNull();
  });

  it('becomes a season with only what was said, what was dropped in its notes', () => {
    expect(seasonOfDraft(draft({ vision: ' Sail ', passMark: '80', dropped: [{ title: 'A bow', word: '' }] }))).toEqual(
      {
        id: 's',
        title: 'Winter',
        startsOn: '2026-11-24',
        weeks: 12,
        vision: 'Sail',
        passMark: 0.8,
        goalIds: [],
        notes: [{ text: 'Left out: A bow' }],
      },
    );
  });

  it('is changed and written back to the letter', () => {
    const season: Season = {
      id: 's',
      title: 'Winter',
      startsOn: '2026-11-02',
      weeks: 7,
      vision: 'v',
      why: 'w',
      passMark: 0.825,
      goalIds: ['g'],
      notes: [{ text: 'n', link: 'l' }],
    };
    expect(seasonOfDraft(draftOfSeason(season), { notes: season.notes })).toEqual(season);
    const { passMark: _, vision: __, why: ___, notes: ____, ...plain } = season;
    expect(seasonOfDraft(draftOfSeason(plain))).toEqual(plain);
  });

  it('is read back from the device; what cannot be read is none', () => {
    const kept = draft({ vision: 'v' });
    expect(readSeasonDraft(JSON.stringify(kept), TODAY)).toEqual(kept);
    expect([readSeasonDraft('{', TODAY), readSeasonDraft('', TODAY), readSeasonDraft(null, TODAY)]).toEqual([
      null,
      null,
      null,
    ]);
  });

  it('says field by field what is wrong', () => {
    expect(faultsOf(draft(), [], TODAY)).toEqual({});
    expect(faultsOf(draft({ title: ' ' }), [], TODAY)).toEqual({ title: 'Give the season a title' });
    expect(faultsOf(draft({ startsOn: '' }), [], TODAY)).toEqual({ startsOn: 'Choose its first day' });
    expect(faultsOf(draft({ weeks: '0' }), [], TODAY)).toEqual({ weeks: 'A whole number of weeks, from 1 to 520' });
    for (const passMark of ['-1', '101', 'x'])
      expect(faultsOf(draft({ passMark }), [], TODAY)).toEqual({ passMark: 'A number from 0 to 100' });
    const other: Season = { id: 'o', title: 'Autumn', startsOn: '2026-11-02', weeks: 4, goalIds: [] };
    expect(faultsOf(draft(), [other], TODAY).startsOn).toBe(
      'Autumn runs until 29 November. This one can begin on 30 November',
    );
    expect(faultsOf(draft({ startsOn: '2026-10-20' }), [other], TODAY).startsOn).toBe(
      'Autumn begins on 2 November. This one has to end before that',
    );
    expect(faultsOf(draft({ id: 'o' }), [other], TODAY)).toEqual({});
  });
});

describe('what a season records as it begins', () => {
  const named = (changes: ReturnType<typeof changesOfSeason>) =>
    changes.map(({ collection, key, record }) => `${collection} ${key}${record === null ? ' gone' : ''}`);

  it('is the season alone where nothing else was touched', () => {
    const habits = [aHabit('a', { goalId: 'g' })];
    expect(named(changesOfSeason(draft({ goalIds: ['g'] }), there({ habits }), NONE, null))).toEqual(['seasons s']);
  });

  it('names nothing before it is there, and leaves out what hangs on a goal that was left out', () => {
    const made = draft({
      goalIds: ['g'],
      goals: [aGoal('g'), aGoal('left out')],
      keyResults: [aKeyResult('k', 'g'), aKeyResult('l', 'left out')],
      habits: [aHabit('new', { goalId: 'g' })],
      steps: [aStep('step', 'g', { keyResultId: 'k' })],
      links: { old: 'g' },
      impacts: { old: 'high' },
    });
    const changes = changesOfSeason(made, there({ habits: [aHabit('old')] }), { goal: 4, habit: 7 }, null);
    expect(named(changes)).toEqual(['goals g', 'habits new', 'habits old', 'keyResults k', 'steps step', 'seasons s']);
    expect(changes[0]!.record).toMatchObject({ order: 4 });
    expect(changes[1]!.record).toMatchObject({ order: 7, goalId: 'g' });
    expect(changes[2]!.record).toMatchObject({ goalId: 'g', impact: 'high' });
  });

  it('unties a habit, drops a step, and ends what does not go on with the season before', () => {
    const before = there({
      habits: [aHabit('untied', { goalId: 'g' }), aHabit('ended', { goalId: 'g' })],
      steps: [aStep('dropped', 'g')],
    });
    const made = draft({ links: { untied: '' }, ended: ['ended'], droppedSteps: ['dropped'] });
    const changes = changesOfSeason(made, before, NONE, '2026-11-22');
    expect(named(changes)).toEqual(['habits untied', 'habits ended', 'steps dropped gone', 'seasons s']);
    expect(changes[0]!.record).not.toHaveProperty('goalId');
    expect(changes[1]!.record).toMatchObject({ endsOn: '2026-11-22' });
    // Without a season before nothing ends.
    expect(named(changesOfSeason(draft({ ended: ['ended'] }), before, NONE, null))).toEqual(['seasons s']);
  });

  it('has the months that were typed, those emptied gone, those left alone as they were', () => {
    const keyResults = [
      aKeyResult('a', 'g', { checkpoints: { '2026-11': 3, '2027-05': 9 } }),
      aKeyResult('b', 'g', { checkpoints: { '2026-11': 1 } }),
    ];
    const made = draft({ goalIds: ['g'], months: { a: { '2026-11': '', '2026-12': '4,5', '2027-05': '9' } } });
    const changes = changesOfSeason(made, there({ keyResults }), NONE, null);
    expect(named(changes)).toEqual(['keyResults a', 'seasons s']);
    expect(changes[0]!.record).toMatchObject({ checkpoints: { '2026-12': 4.5, '2027-05': 9 } });
  });

  it('shows habits and steps as they will be, before anything is recorded', () => {
    const made = draft({ links: { a: 'x' }, impacts: { a: null, s: 'low' }, droppedSteps: ['t'] });
    const after = withDraft(
      made,
      there({ habits: [aHabit('a', { impact: 'high' })], steps: [aStep('s', 'g'), aStep('t', 'g')] }),
    );
    expect(after.habits[0]).toMatchObject({ goalId: 'x' });
    expect(after.habits[0]).not.toHaveProperty('impact');
    expect(after.steps).toMatchObject([{ id: 's', impact: 'low' }]);
  });
});

describe('months of a season', () => {
  const number = (more = {}) => aKeyResult('k', 'g', { measure: { kind: 'number', start: 0, target: 12 }, ...more });

  it('are for numbers and money of its goals only', () => {
    const all = [
      number(),
      aKeyResult('yes', 'g', { measure: { kind: 'yesNo' } }),
      aKeyResult('else', 'x'),
      aKeyResult('m', 'g', { measure: { kind: 'money', currency: 'EUR', start: 0, target: 900 } }),
    ];
    expect(monthlyKeyResults(draft({ goalIds: ['g'] }), all).map(({ id }) => id)).toEqual(['k', 'm']);
  });

  it('are spread from where it stands to its target, the month of the due day having all of it', () => {
    // From 24 November over 84 days to 15 February.
    const span = draftSpan(draft())!;
    expect(evenMonths(number(), { span, due: null, current: 0 })).toEqual({
      '2026-11': '1',
      '2026-12': '5',
      '2027-01': '10',
      '2027-02': '12',
    });
    expect(evenMonths(number(), { span, due: TODAY + 30, current: 6 })).toEqual({ '2026-11': '7', '2026-12': '12' });
  });

  it('are on the way only where it is due after the season, and none where it was due before', () => {
    const span = draftSpan(draft())!;
    const long = evenMonths(number(), { span, due: span.last + 200, current: 0 });
    expect(Object.keys(long)).toEqual(['2026-11', '2026-12', '2027-01', '2027-02']);
    expect(Number(long['2027-02'])).toBeLessThan(6);
    expect(evenMonths(number(), { span, due: TODAY - 40, current: 0 })).toEqual({});
    expect(evenMonths(aKeyResult('yes', 'g', { measure: { kind: 'yesNo' } }), { span, due: null, current: 0 })).toEqual(
      {},
    );
  });
});
