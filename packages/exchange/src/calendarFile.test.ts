import {
  type Habit,
  type Records,
  type Schedule,
  WEEKDAYS,
  buildTrack,
  dayOf,
  formatDay,
  isScheduledOn,
} from '@wimbel/core';
import fc from 'fast-check';
import ICAL from 'ical.js';
import { CALENDAR_KINDS, type CalendarKind, calendarFile, withoutDays } from './calendarFile.ts';
import { readDataFile } from './dataFile.ts';

const TODAY = dayOf('2026-11-24');
const STAMP = new Date('2026-11-24T09:00:00Z');
const records = (more: object): Records => readDataFile({ format: 'wimbel', version: 1, ...more }).records!;
const habit = (more: Partial<Habit> = {}): Habit =>
  ({
    id: 'h',
    name: 'Scales',
    order: 0,
    aim: 'build',
    partOfDay: 'any',
    measure: { kind: 'check' },
    terms: [{ from: '2026-11-02', schedule: { kind: 'daily' } }],
    startsOn: '2026-11-02',
    ...more,
  }) as Habit;

const eventsOf = (file: string): ICAL.Event[] =>
  new ICAL.Component(ICAL.parse(file)).getAllSubcomponents('vevent').map((each) => new ICAL.Event(each));
const shown = (all: Records, ...kinds: CalendarKind[]) =>
  eventsOf(calendarFile(all, new Set(kinds), TODAY, STAMP)).map(({ uid, summary, startDate, endDate }) => ({
    uid,
    summary,
    from: startDate.toString(),
    to: endDate.toString(),
  }));

/** The days up to another on which a calendar shows anything. */
function daysShown(file: string, last: number): string[] {
  const days = eventsOf(file).flatMap((event) => {
    const found: string[] = [];
    const next = event.iterator();
    for (let at = next.next(); at; at = next.next()) {
      if (at.toString() > formatDay(last)) break;
      found.push(at.toString());
    }
    return found;
  });
  return [...new Set(days)].sort();
}

const goal = {
  id: 'g',
  title: 'Sail, and back',
  startsOn: '2026-01-01',
  dueOn: '2026-12-31',
  state: 'open',
  order: 0,
  why: 'Wind; salt\nand sun',
};

it('shows what is due, milestones and season weeks as entries of whole days, with ids that stay', () => {
  const all = records({
    goals: [goal, { ...goal, id: 'done', state: 'reached', closedOn: '2026-11-01' }],
    keyResults: [
      {
        id: 'k',
        goalId: 'g',
        title: 'Miles',
        dueOn: '2026-12-15',
        order: 0,
        measure: { kind: 'number', start: 0, target: 100 },
      },
    ],
    steps: [
      { id: 's', goalId: 'g', title: 'Paint', dueOn: '2026-12-01', order: 0 },
      { id: 't', goalId: 'g', title: 'Sand', dueOn: '2026-11-01', doneOn: '2026-11-01', order: 1 },
    ],
    milestones: [{ id: 'm', goalId: 'g', title: 'Afloat', dueOn: '2026-12-20', order: 0 }],
    seasons: [{ id: 'w', title: 'Winter', startsOn: '2026-11-09', weeks: 4, goalIds: ['g'] }],
  });
  expect(shown(all, 'due').map(({ summary, from, to }) => [summary, from, to])).toEqual([
    ['Due: Sail, and back', '2026-12-31', '2027-01-01'],
    ['Due: Miles', '2026-12-15', '2026-12-16'],
    ['Due: Paint', '2026-12-01', '2026-12-02'],
  ]);
  expect(shown(all, 'milestones').map((each) => each.summary)).toEqual(['Milestone: Afloat']);
  // The week of today and what comes; the two before it are over.
  expect(shown(all, 'seasons')).toEqual([
    { uid: 'season-w-3@wimbel', summary: 'Winter: week 3 of 4', from: '2026-11-23', to: '2026-11-30' },
    { uid: 'season-w-4@wimbel', summary: 'Winter: week 4 of 4', from: '2026-11-30', to: '2026-12-07' },
  ]);
  const [first] = eventsOf(calendarFile(all, new Set<CalendarKind>(['due']), TODAY, STAMP));
  expect(first!.description).toBe('Wind; salt\nand sun');
  expect(shown(all)).toEqual([]);
  expect(shown(all, ...CALENDAR_KINDS)).toEqual(shown(all, ...CALENDAR_KINDS));
});

const anySchedule: fc.Arbitrary<Schedule> = fc.oneof(
  fc.constant<Schedule>({ kind: 'daily' }),
  fc.uniqueArray(fc.constantFrom(...WEEKDAYS), { minLength: 1 }).map((days): Schedule => ({ kind: 'weekdays', days })),
  fc.integer({ min: 2, max: 9 }).map((every): Schedule => ({ kind: 'interval', every })),
);
const anyDay = (from: string, days: number) =>
  fc.integer({ min: 0, max: days }).map((each) => formatDay(dayOf(from) + each));

it('shows a habit on the very days on which it is planned, whatever its terms, pauses and end', () => {
  fc.assert(
    fc.property(
      fc.tuple(anySchedule, anySchedule, anyDay('2026-11-03', 40), anyDay('2026-11-02', 30)),
      fc.option(anyDay('2026-12-10', 60)),
      fc.uniqueArray(fc.tuple(fc.integer({ min: 0, max: 90 }), fc.integer({ min: 0, max: 12 })), {
        maxLength: 3,
        selector: ([at]) => at,
      }),
      ([one, two, turn, startsOn], endsOn, pauses) => {
        const own = habit({
          terms: [
            { from: '2026-11-02', schedule: one },
            { from: turn, schedule: two },
          ],
          startsOn,
          ...(endsOn === null ? {} : { endsOn }),
          pauses: pauses
            .sort(([a], [b]) => a - b)
            .map(([at, days]) => ({
              from: formatDay(dayOf('2026-11-02') + at),
              to: formatDay(dayOf('2026-11-02') + at + days),
            })),
        });
        const all = records({});
        const last = dayOf('2027-03-01');
        const file = calendarFile(
          { ...all, habits: [own] },
          new Set<CalendarKind>(['habits']),
          dayOf('2026-11-02'),
          STAMP,
        );
        const track = buildTrack(own, [], last, 'monday');
        const planned: string[] = [];
        for (let day = dayOf('2026-11-02'); day <= last; day++)
          if (isScheduledOn(track, day)) planned.push(formatDay(day));
        expect(daysShown(file, last)).toEqual(planned);
      },
    ),
    { numRuns: 150 },
  );
});

it('shows a habit of every few days from the next day that what was done leaves it', () => {
  const every = habit({ id: 'oil', terms: [{ from: '2026-11-02', schedule: { kind: 'interval', every: 3 } }] });
  const days = (...done: string[]) => {
    const entries = done.map((day) => ({ habitId: 'oil', day, mark: 'done' as const }));
    const file = calendarFile({ ...records({}), habits: [every], entries }, new Set(['habits']), TODAY, STAMP);
    return daysShown(file, TODAY + 8);
  };
  // Of the days from the 2nd on the 23rd is one; done a day late, the next is three days on.
  expect(days()).toEqual(['2026-11-26', '2026-11-29', '2026-12-02']);
  expect(days('2026-11-24')).toEqual(['2026-11-27', '2026-11-30']);
});

it('leaves out habits that name no days, archived ones, and terms that are over; and says which name none', () => {
  const all = {
    ...records({}),
    habits: [
      habit({ id: 'often', terms: [{ from: '2026-11-02', schedule: { kind: 'perWeek', times: 3 } }] }),
      habit({ id: 'gone', archived: true }),
      habit({ id: 'over', endsOn: '2026-11-10' }),
      habit({ id: 'there' }),
    ],
  };
  expect(shown(all, 'habits').map((each) => each.uid)).toEqual(['habit-there-2026-11-02@wimbel']);
  expect(withoutDays(all).map((each) => each.id)).toEqual(['often']);
});
