import { type Entry, type Habit, buildTrack, dayOf } from '@wimbel/core';
import { planOfDay } from './todaySections.ts';

const TODAY = dayOf('2026-11-24');
const track = (id: string, more: Partial<Habit> = {}, entries: Omit<Entry, 'habitId'>[] = []) =>
  buildTrack(
    {
      id,
      name: id,
      order: 0,
      aim: 'build',
      partOfDay: 'any',
      measure: { kind: 'check' },
      terms: [{ from: '2026-11-01', schedule: { kind: 'daily' } }],
      startsOn: '2026-11-01',
      ...more,
    },
    entries.map((entry) => ({ ...entry, habitId: id })),
    TODAY,
    'monday',
  );
const mondays = { terms: [{ from: '2026-11-01', schedule: { kind: 'weekdays' as const, days: ['monday' as const] } }] };

it('groups a day by its parts, those to do first, and settles done ones below', () => {
  const plan = planOfDay(
    [
      track('a', { partOfDay: 'evening' }),
      track('b', { partOfDay: 'morning' }, [{ day: '2026-11-24', mark: 'done' }]),
      track('c', { partOfDay: 'morning' }),
      track('d', mondays),
      track('e', { ...mondays, partOfDay: 'evening' }, [{ day: '2026-11-24', mark: 'done' }]),
    ],
    TODAY,
  );
  expect(
    plan.sections.map((section) => [section.key, section.toGo, section.rows.map((row) => row.track.habit.id)]),
  ).toEqual([
    ['morning', 1, ['c', 'b']],
    ['evening', 1, ['a', 'e']],
  ]);
  expect(plan.notAsked.map((each) => each.habit.id)).toEqual(['d']);
  expect(plan.toGo).toBe(2);
});

it('leaves out what is archived, ended or not begun, but never a record', () => {
  const plan = planOfDay(
    [
      track('archived', { archived: true }),
      track('ended', { endsOn: '2026-11-20' }),
      track('later', { startsOn: '2026-12-01', terms: [{ from: '2026-12-01', schedule: { kind: 'daily' } }] }),
      track('kept', { archived: true }, [{ day: '2026-11-24', mark: 'done' }]),
    ],
    TODAY,
  );
  expect(plan.sections.flatMap((section) => section.rows.map((row) => row.track.habit.id))).toEqual(['kept']);
  expect(plan.notAsked).toEqual([]);
});
