import { dayOf, formatDay } from '../calendar/plainDay.ts';
import { moodRows } from '../chart/moodRows.ts';
import { buildTrack } from '../habit/buildTrack.ts';
import type { Entry, Habit } from '../record/records.ts';
import { aHabit, doneOn } from '../testing/samples.ts';
import { moodBeside, moodByDay } from './mood.ts';

const FIRST = dayOf('2025-03-01');
const TODAY = dayOf('2025-03-12');
const whole = { first: FIRST - 30, last: TODAY + 30 };
const on = (index: number): string => formatDay(FIRST + index);
const track = (entries: Entry[], habit: Partial<Habit> = {}) => buildTrack(aHabit(habit), entries, TODAY, 'monday');
/** A mood for each of the first twelve days of March: 5, 4, 5, 4 … */
const moods = moodByDay(Array.from({ length: 12 }, (_, index) => ({ day: on(index), mood: index % 2 ? 4 : 5 })));

describe('moods by day', () => {
  it('are the mean of a day’s pages that have one', () => {
    const found = moodByDay([
      { day: '2025-03-01', mood: 2 },
      { day: '2025-03-01', mood: 5 },
      { day: '2025-03-01' },
      { day: '2025-03-02' },
    ]);
    expect([...found]).toEqual([[FIRST, 3.5]]);
  });
});

describe('mood beside a habit', () => {
  it('is the mean on done days and on the other days it was asked, with both counts', () => {
    // Done on the six even days; today, the twelfth day, is still open.
    const done = doneOn('h', ...[0, 2, 4, 6, 8, 10].map(on));
    expect(moodBeside(track(done), whole, moods)).toEqual({
      done: { mean: 5, days: 6 },
      other: { mean: 4, days: 5 },
    });
  });

  it('counts today once it is settled, and days without a mood never', () => {
    const done = doneOn('h', ...[0, 2, 4, 6, 8].map(on));
    const missed: Entry = { habitId: 'h', day: on(11), mark: 'missed' };
    expect(moodBeside(track([...done, missed]), whole, moods)!.other.days).toBe(7);
    const fewer = new Map([...moods].filter(([day]) => day !== FIRST));
    expect(moodBeside(track([...done, missed]), whole, fewer)).toBeNull();
  });

  it('is none with fewer than five days on either side, of the span alone', () => {
    const done = doneOn('h', ...[0, 2, 4, 6, 8].map(on));
    expect(moodBeside(track(done), whole, moods)!.done.days).toBe(5);
    expect(moodBeside(track(done), { first: FIRST + 1, last: TODAY }, moods)).toBeNull();
    expect(moodBeside(track(done.slice(1)), whole, moods)).toBeNull();
    expect(
      moodBeside(track(doneOn('h', ...Array.from({ length: 12 }, (_, index) => on(index)))), whole, moods),
    ).toBeNull();
    expect(moodBeside(track(done), whole, new Map())).toBeNull();
  });

  it('leaves out days it was not asked: rest, pauses, weekdays that are not named', () => {
    const done = doneOn('h', ...[0, 2, 4, 6, 8].map(on));
    const rest: Entry = { habitId: 'h', day: on(1), mark: 'rest' };
    const pauses = [{ from: on(3), to: on(3) }];
    expect(moodBeside(track([...done, rest], { pauses }), whole, moods)).toBeNull();
    // Of a habit that may be done on any day, each day that counts for its quota is one of the others.
    const terms = [{ from: on(0), schedule: { kind: 'perWeek' as const, times: 3 } }];
    expect(moodBeside(track(done, { terms }), whole, moods)!.other.days).toBe(6);
  });

  it('is drawn along a scale from 1 to 5, a row for each', () => {
    const means = { done: { mean: 5, days: 6 }, other: { mean: 2, days: 5 } };
    const { rows, heightPx, xOf } = moodRows([means, means], { widthPx: 420, padPx: 10, rowPx: 40 });
    expect(rows).toEqual([
      { doneX: 410, otherX: 110, y: 20 },
      { doneX: 410, otherX: 110, y: 60 },
    ]);
    expect([heightPx, xOf(1), xOf(3)]).toEqual([80, 10, 210]);
  });
});
