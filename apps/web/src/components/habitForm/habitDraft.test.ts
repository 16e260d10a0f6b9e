import { checkRecord } from '@wimbel/contract';
import { type Habit, dayOf } from '@wimbel/core';
import { type HabitDraft, draftOf, emptyDraft, habitDraftSchema, habitOfDraft, termsAfter } from './habitDraft.ts';

const TODAY = dayOf('2026-11-24');
const FIRST = dayOf('2026-10-01');
const draft = (more: Partial<HabitDraft> = {}): HabitDraft => ({ ...emptyDraft(TODAY), name: 'Scales', ...more });
const context = { id: 'h', order: 3, today: TODAY, areaId: undefined, first: null };
const faultsOf = async (filled: HabitDraft): Promise<string[]> => {
  try {
    await habitDraftSchema.validate(filled, { abortEarly: false });
    return [];
  } catch (error) {
    return [...new Set((error as { inner: { path: string }[] }).inner.map((each) => each.path))].sort();
  }
};

describe('a filled-in form', () => {
  it.each<[string, Partial<HabitDraft>]>([
    ['daily', {}],
    ['weekdays', { schedule: 'weekdays', weekdays: ['friday', 'monday'] }],
    ['interval', { schedule: 'interval', every: '3' }],
    ['a week', { schedule: 'perWeek', times: '7' }],
    ['a month', { schedule: 'perMonth', times: '31' }],
    ['an amount', { measure: 'amount', unit: ' m ', step: '0,5', threshold: '7.5' }],
    ['at most nothing', { measure: 'amount', limit: 'atMost', threshold: '0', aim: 'quit' }],
  ])('makes a record that holds: %s', async (_, more) => {
    expect(await faultsOf(draft(more))).toEqual([]);
    expect(checkRecord('habits', habitOfDraft(draft(more), null, context)).issues).toEqual([]);
  });

  it.each<[Partial<HabitDraft>, string[]]>([
    [{ name: '  ' }, ['name']],
    [{ schedule: 'weekdays', weekdays: [] }, ['weekdays']],
    [{ schedule: 'interval', every: '1' }, ['every']],
    [{ schedule: 'perWeek', times: '8' }, ['times']],
    [{ schedule: 'perWeek', times: '2.5' }, ['times']],
    [{ schedule: 'perMonth', times: 'many' }, ['times']],
    [{ measure: 'amount', step: '0', threshold: '' }, ['step', 'threshold']],
    [{ measure: 'amount', limit: 'atMost', threshold: '-1' }, ['threshold']],
    [{ startsOn: '2026-02-30' }, ['startsOn']],
    [{ step: 'x', threshold: 'x', every: 'x', times: 'x' }, []],
  ])('%j has its faults at %j', async (more, paths) => expect(await faultsOf(draft(more))).toEqual(paths));

  it('comes back as it was from the habit it made', () => {
    const filled = draft({
      measure: 'amount',
      unit: 'm',
      step: '100',
      threshold: '600',
      schedule: 'perWeek',
      times: '3',
      icon: 'waves',
      note: 'Cold',
    });
    const habit = habitOfDraft(filled, null, { ...context, areaId: 'bay' });
    expect(draftOf(habit, TODAY)).toEqual({ ...filled, areaId: 'bay' });
  });
});

describe('new terms', () => {
  const habit: Habit = {
    ...habitOfDraft(draft({ startsOn: '2026-10-01' }), null, context),
    terms: [{ from: '2026-10-01', schedule: { kind: 'daily' }, pips: 2 }],
    pauses: [{ from: '2026-10-05', to: '2026-10-06' }],
  };

  it('hold from today on and leave the past as it was', () => {
    const terms = termsAfter(habit, { ...draftOf(habit, TODAY), schedule: 'interval', every: '2' }, TODAY, FIRST);
    expect(terms).toEqual([
      { from: '2026-10-01', schedule: { kind: 'daily' }, pips: 2 },
      { from: '2026-11-24', schedule: { kind: 'interval', every: 2 }, pips: 2 },
    ]);
  });

  it('hold from today on where earlier days came in after the habit was made', () => {
    const made = {
      ...habit,
      startsOn: '2026-11-24',
      terms: [{ from: '2026-11-24', schedule: { kind: 'daily' as const } }],
    };
    const terms = termsAfter(made, { ...draftOf(made, TODAY), schedule: 'perWeek', times: '3' }, TODAY, FIRST);
    expect(terms).toEqual([
      { from: '2026-10-01', schedule: { kind: 'daily' } },
      { from: '2026-11-24', schedule: { kind: 'perWeek', times: 3 } },
    ]);
  });

  it('are not made where nothing about them changed', () => {
    expect(termsAfter(habit, { ...draftOf(habit, TODAY), name: 'Slow scales' }, TODAY, FIRST)).toEqual(habit.terms);
  });

  it('of today are replaced by newer ones of today', () => {
    const changed = {
      ...habit,
      terms: termsAfter(habit, { ...draftOf(habit, TODAY), schedule: 'perWeek', times: '3' }, TODAY, FIRST),
    };
    const again = termsAfter(changed, { ...draftOf(changed, TODAY), times: '4' }, TODAY, FIRST);
    expect(again.map((each) => [each.from, each.schedule])).toEqual([
      ['2026-10-01', { kind: 'daily' }],
      ['2026-11-24', { kind: 'perWeek', times: 4 }],
    ]);
  });

  it('replace the first ones while nothing is recorded', () => {
    expect(termsAfter(habit, { ...draftOf(habit, TODAY), schedule: 'perWeek', times: '3' }, TODAY, null)).toEqual([
      { from: '2026-10-01', schedule: { kind: 'perWeek', times: 3 }, pips: 2 },
    ]);
  });

  it('follow an earlier start', () => {
    expect(termsAfter(habit, { ...draftOf(habit, TODAY), startsOn: '2026-09-01' }, TODAY, FIRST)[0]?.from).toBe(
      '2026-09-01',
    );
  });

  it('keep what the form does not show', () => {
    const saved = habitOfDraft({ ...draftOf(habit, TODAY), name: 'Renamed' }, habit, { ...context, first: FIRST });
    expect(saved).toEqual({ ...habit, name: 'Renamed' });
  });
});
