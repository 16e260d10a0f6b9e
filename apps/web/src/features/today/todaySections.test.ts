import { type Entry, type Habit, type Track, buildTrack, dayOf, flexibleToGoOn, scoreOn, totalsOf } from '@wimbel/core';
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

const perWeek = (times: number): Partial<Habit> => ({
  terms: [{ from: '2026-11-01', schedule: { kind: 'perWeek', times } }],
});
/** The plan of today, with what flexible habits still ask of it as the day's score has it. */
const planToday = (tracks: Track[]) =>
  planOfDay(tracks, TODAY, { wanted: flexibleToGoOn(totalsOf(tracks, TODAY), TODAY) });

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
    ['evening', 1, ['a']],
  ]);
  // What was done without being asked stands with those that can wait.
  expect(plan.canWait.tracks.map((each) => each.habit.id)).toEqual(['e']);
  expect(plan.notAsked.map((each) => each.habit.id)).toEqual(['d']);
  expect(plan.toGo).toBe(2);
});

it('leaves out what is archived, ended or not begun, but never a record', () => {
  const plan = planOfDay(
    [
      track('archived', { archived: true, endsOn: '2026-11-23' }),
      track('ended', { endsOn: '2026-11-20' }),
      track('later', { startsOn: '2026-12-01', terms: [{ from: '2026-12-01', schedule: { kind: 'daily' } }] }),
      track('kept', { archived: true }, [{ day: '2026-11-24', mark: 'done' }]),
    ],
    TODAY,
  );
  expect(plan.sections.flatMap((section) => section.rows.map((row) => row.track.habit.id))).toEqual(['kept']);
  expect(plan.notAsked).toEqual([]);
  expect(plan.canWait.tracks).toEqual([]);
});

it('asks of habits that can wait only what an even spread asks, any of them', () => {
  const days = ['a', 'b', 'c', 'd'].map((id) => track(id, perWeek(4)));
  // On Tuesday six days are left for four each: 4 × 4/6 = 2.67, two of them.
  const plan = planToday(days);
  expect([plan.toGo, plan.sections, plan.canWait.wanted, plan.canWait.tracks.length]).toEqual([2, [], 2, 4]);
  const one = planToday([track('a', perWeek(4), [{ day: '2026-11-24', mark: 'done' }]), ...days.slice(1)]);
  expect([one.toGo, one.canWait.wanted]).toEqual([1, 1]);
  expect(one.canWait.tracks.map((each) => each.habit.id)).toEqual(['b', 'c', 'd', 'a']);
});

it('puts what cannot wait among what is asked, and its score, what is left and missed are one number', () => {
  const tracks = [
    track('pressing', perWeek(7)),
    track('waits', perWeek(3)),
    track('met', perWeek(1), [{ day: '2026-11-23', mark: 'done' }]),
    track('daily'),
    track('gone', {}, [{ day: '2026-11-24', mark: 'missed' }]),
    track('kept', {}, [{ day: '2026-11-24', mark: 'done' }]),
  ];
  const plan = planToday(tracks);
  expect(plan.sections.flatMap(({ rows }) => rows.map((row) => [row.track.habit.id, row.isToGo]))).toEqual([
    ['pressing', true],
    ['daily', true],
    ['gone', false],
    ['kept', false],
  ]);
  expect([plan.canWait.tracks.map((each) => each.habit.id), plan.canWait.wanted]).toEqual([['waits'], 0]);
  expect(plan.notAsked.map((each) => each.habit.id)).toEqual(['met']);
  const { done, due } = scoreOn(totalsOf(tracks, TODAY), TODAY, 0.85);
  expect([done, due, plan.toGo, plan.missed]).toEqual([1, 4, 2, 1]);
  expect(plan.next?.habit.id).toBe('pressing');
});

it('leaves one of every few days that is late among its part of the day, where a tap does not move it', () => {
  const every = { terms: [{ from: '2026-11-01', schedule: { kind: 'interval' as const, every: 3 } }] };
  const of = (...days: string[]) => {
    const plan = planToday([
      track(
        'late',
        every,
        days.map((day) => ({ day, mark: 'done' as const })),
      ),
      track('daily'),
    ]);
    return [plan.sections.map(({ rows }) => rows.map((row) => [row.track.habit.id, row.isToGo])), plan.toGo];
  };
  // Asked on the 22nd and not done: it waits, but the day asks one alone.
  expect(of('2026-11-19')).toEqual([
    [
      [
        ['late', false],
        ['daily', true],
      ],
    ],
    1,
  ]);
  expect(of('2026-11-19', '2026-11-24')).toEqual([
    [
      [
        ['daily', true],
        ['late', false],
      ],
    ],
    1,
  ]);
});
