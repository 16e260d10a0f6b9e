import { type Entry, type Habit, buildTrack, dayOf, formatDay } from '@wimbel/core';
import { dayByClock } from '../store/clockSlice.ts';
import { entryChange } from '../store/makeChange.ts';
import { afterTap, amountWords, askOn, isDecided, dayStatusOn, dayStatusText } from './dayStatusText.ts';

const TODAY = dayOf('2026-11-24');

const habit = (more: Partial<Habit> = {}): Habit => ({
  id: 'h',
  name: 'Scales',
  order: 0,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'check' },
  terms: [{ from: '2026-11-01', schedule: { kind: 'daily' } }],
  startsOn: '2026-11-01',
  ...more,
});
const track = (of: Habit, entries: Entry[] = [], today = TODAY) => buildTrack(of, entries, today, 'monday');
const done = (...days: string[]): Entry[] => days.map((day) => ({ habitId: 'h', day, mark: 'done' }));
const perWeek = (times: number) => habit({ terms: [{ from: '2026-11-01', schedule: { kind: 'perWeek', times } }] });
const swim = habit({
  measure: { kind: 'amount', unit: 'm', step: 100 },
  terms: [{ from: '2026-11-01', schedule: { kind: 'daily' }, atLeast: 600 }],
});

describe('how a habit stands, in words', () => {
  it('fixed ones by the month', () => {
    expect(dayStatusText(track(habit(), done('2026-11-02', '2026-11-03')), TODAY)).toBe('2 of 23 this month');
    expect(dayStatusText(track(habit({ aim: 'quit' }), done('2026-11-24')), TODAY)).toBe('held off 1 of 24 this month');
    expect(
      dayStatusText(
        track(habit({ startsOn: '2026-11-24', terms: [{ from: '2026-11-24', schedule: { kind: 'daily' } }] })),
        TODAY,
      ),
    ).toBe('new');
    expect(dayStatusText(track(habit({ startsOn: '2026-09-01' }), done('2026-10-02')), dayOf('2026-10-10'))).toBe(
      '1 of 10 that month by then',
    );
  });

  it('on the first of a month by the month before, for as long as nothing of this one is settled', () => {
    const first = dayOf('2026-11-01');
    const since = (more: Partial<Habit>) => habit({ startsOn: '2026-10-02', ...more });
    const october = Array.from({ length: 29 }, (_, day) => `2026-10-${String(day + 2).padStart(2, '0')}`);
    expect(dayStatusText(track(since({}), done(...october), first), first)).toBe('29 of 30 in October');
    expect(dayStatusText(track(since({ aim: 'quit' }), done(...october), first), first)).toBe(
      'held off 29 of 30 in October',
    );
    expect(dayStatusOn(track(since({}), done(...october), first), first).asked).toMatchObject({ figure: 'habitKept' });
    expect(dayStatusText(track(since({}), done(...october, '2026-11-01'), first), first)).toBe('1 of 1 this month');
    const away = since({ pauses: [{ from: '2026-10-01', to: '2026-10-31' }] });
    expect(dayStatusText(track(away, [], first), first)).toBe('nothing due yet this month');
  });

  it('one of every few days waits since the day it was asked, until it is done', () => {
    const every = habit({ terms: [{ from: '2026-11-01', schedule: { kind: 'interval', every: 3 } }] });
    // Asked on the 22nd, a Sunday, three days after it was done.
    expect(dayStatusText(track(every, done('2026-11-19')), TODAY)).toBe('due since Sunday, 1 of 7 this month');
    expect(askOn(track(every, done('2026-11-19')), TODAY)).toBe('waiting');
    const now = track(every, done('2026-11-19', '2026-11-24'));
    expect([dayStatusText(now, TODAY), askOn(now, TODAY)]).toEqual(['2 of 8 this month', 'waiting']);
    expect(dayStatusText(track(every, done('2026-11-01', '2026-11-22')), TODAY)).toBe('2 of 7 this month');
  });

  it('flexible ones by their week or month, with the days left', () => {
    expect(dayStatusText(track(perWeek(3), done('2026-11-23')), TODAY)).toBe('1 of 3 this week, 6 days left');
    expect(dayStatusText(track(perWeek(1), done('2026-11-23')), TODAY)).toBe('1 of 1 this week');
    expect(dayStatusText(track(perWeek(7), done('2026-11-23')), TODAY)).toBe('1 of 7 this week, no day to spare');
    expect(dayStatusText(track(perWeek(3), done('2026-11-16')), dayOf('2026-11-17'))).toBe('1 of 3 that week by then');
    // Nothing was done until Sunday: three days cannot be had on it.
    const sunday = dayOf('2026-11-29');
    expect(dayStatusText(track(perWeek(3), [], sunday), sunday)).toBe('0 of 3 this week, out of reach');
  });

  it('amounts beside what is asked', () => {
    expect(amountWords(track(swim), TODAY, undefined)).toBe('600 m');
    expect(amountWords(track(swim), TODAY, { habitId: 'h', day: '2026-11-24', amount: 400 })).toBe('400 of 600 m');
    const screen = habit({
      measure: { kind: 'amount', unit: 'min', step: 15 },
      terms: [{ from: '2026-11-01', schedule: { kind: 'daily' }, atMost: 45 }],
    });
    expect(amountWords(track(screen), TODAY, undefined)).toBe('limit 45 min');
    expect(amountWords(track(screen), TODAY, { habitId: 'h', day: '2026-11-24', amount: 60 })).toBe(
      '60 min, limit 45 min',
    );
    expect(amountWords(track(habit()), TODAY, undefined)).toBeNull();
  });
});

describe('a target that a person set', () => {
  const month = (id: string, days: number) => ({ monthTargets: { [id]: { days } } });

  it('is what the month goes by, and says when it is met', () => {
    const of = (target: number) =>
      dayStatusOn(track(habit(month('2026-11', target)), done('2026-11-02', '2026-11-03')), TODAY);
    expect(of(15).words).toBe('2 of the target of 15');
    expect(of(15).asked).toMatchObject({ figure: 'habitTarget', kind: 'month' });
    expect(of(2).words).toBe('2 of the target of 2, reached');
    const perMonth = habit({
      ...month('2026-11', 4),
      terms: [{ from: '2026-11-01', schedule: { kind: 'perMonth', times: 10 } }],
    });
    expect(dayStatusText(track(perMonth, done('2026-11-02')), TODAY)).toBe('1 of the target of 4');
  });
});

describe('what is asked of a day', () => {
  it('is named by fixed schedules, and pressing where every day left is needed', () => {
    expect(askOn(track(habit()), TODAY)).toBe('fixed');
    expect(askOn(track(perWeek(7)), TODAY)).toBe('pressing');
    expect(askOn(track(perWeek(2), done('2026-11-23')), TODAY)).toBe('canWait');
    // What is done today does not change what the day asked.
    expect(askOn(track(perWeek(2), done('2026-11-24')), TODAY)).toBe('canWait');
    expect(askOn(track(perWeek(1), done('2026-11-23')), TODAY)).toBe('none');
  });

  it('is nothing outside the span, in a pause, or on a day that is not named', () => {
    expect(askOn(track(habit({ pauses: [{ from: '2026-11-24', to: '2026-11-24' }] })), TODAY)).toBe('none');
    expect(
      askOn(track(habit({ terms: [{ from: '2026-11-01', schedule: { kind: 'weekdays', days: ['monday'] } }] })), TODAY),
    ).toBe('none');
    expect(askOn(track(habit({ endsOn: '2026-11-20' })), TODAY)).toBe('none');
  });

  it('is decided by done, missed and rest, not by a part', () => {
    const of = (...entries: Entry[]) => isDecided(track(swim, entries), TODAY);
    const day = '2026-11-24';
    expect([
      of(),
      of({ habitId: 'h', day, amount: 100 }),
      of({ habitId: 'h', day, amount: 600 }),
      of({ habitId: 'h', day, mark: 'rest' }),
      of({ habitId: 'h', day, mark: 'missed' }),
    ]).toEqual([false, false, true, true, true]);
  });
});

describe('a tap', () => {
  it('checks off, and another takes it back and leaves nothing', () => {
    const checked = afterTap(track(habit()), TODAY, undefined);
    expect(checked).toEqual({ habitId: 'h', day: formatDay(TODAY), mark: 'done' });
    const back = afterTap(track(habit()), TODAY, checked);
    expect(entryChange(back)).toMatchObject({ collection: 'entries', key: '2026-11-24 h', record: null });
    expect(entryChange(afterTap(track(habit()), TODAY, { ...checked, note: 'windy' })).record).toEqual({
      habitId: 'h',
      day: '2026-11-24',
      note: 'windy',
    });
  });

  it('adds a step to an amount, without dust, and lifts a rest', () => {
    const pages = habit({
      measure: { kind: 'amount', unit: 'h', step: 0.1 },
      terms: [{ from: '2026-11-01', schedule: { kind: 'daily' }, atLeast: 1 }],
    });
    expect(afterTap(track(pages), TODAY, { habitId: 'h', day: '2026-11-24', amount: 0.2, mark: 'rest' })).toEqual({
      habitId: 'h',
      day: '2026-11-24',
      amount: 0.3,
    });
  });
});

describe('the day by the clock', () => {
  it('turns at the hour that is set', () => {
    expect(dayByClock(new Date(2026, 10, 24, 1, 30), 0)).toBe(TODAY);
    expect(dayByClock(new Date(2026, 10, 24, 1, 30), 3)).toBe(TODAY - 1);
    expect(dayByClock(new Date(2026, 10, 24, 3, 0), 3)).toBe(TODAY);
    expect(dayByClock(new Date(2027, 0, 1, 0, 0), 1)).toBe(dayOf('2026-12-31'));
  });
});
