import { type Habit, type KeyResult, buildTrack, dayOf } from '@wimbel/core';
import {
  formatHabitFilter,
  habitFilterChoices,
  habitFilterName,
  parseHabitFilter,
  filterTracks,
} from './habitFilter.ts';

const TODAY = dayOf('2026-11-24');
const habit = (id: string, more: Partial<Habit>) =>
  buildTrack(
    {
      id,
      name: id,
      order: 0,
      aim: 'build',
      partOfDay: 'any',
      measure: { kind: 'check' },
      startsOn: '2026-11-01',
      terms: [{ from: '2026-11-01', schedule: { kind: 'daily' } }],
      ...more,
    },
    [],
    TODAY,
    'monday',
  );
const scales = habit('scales', { areaId: 'music', goalId: 'play' });
const bow = habit('bow', {
  areaId: 'music',
  terms: [{ from: '2026-11-01', schedule: { kind: 'perWeek', times: 3 } }],
});
const swim = habit('swim', {});
const all = [scales, bow, swim];
const counts: KeyResult = {
  id: 'counts',
  goalId: 'shine',
  title: 'Days swum',
  order: 0,
  measure: { kind: 'habitDays', habitId: 'swim', target: 40 },
};
const shown = (text: string) => filterTracks(parseHabitFilter(text)!, all, [counts]).map((track) => track.habit.id);

describe('showing only some habits', () => {
  it('goes by area, by goal or by how often they are due', () => {
    expect(shown('area.music')).toEqual(['scales', 'bow']);
    expect(shown('area.')).toEqual(['swim']);
    expect(shown('goal.play')).toEqual(['scales']);
    expect(shown('often.weeks')).toEqual(['bow']);
    expect(shown('goal.shine')).toEqual(['swim']);
  });

  it('is written in an address and read from it again', () => {
    for (const text of ['area.music', 'area.a.b', 'area.', 'goal.play', 'often.months']) {
      expect(formatHabitFilter(parseHabitFilter(text)!)).toBe(text);
    }
    expect([
      parseHabitFilter(''),
      parseHabitFilter('goal.'),
      parseHabitFilter('mood.5'),
      parseHabitFilter('often.never'),
    ]).toEqual([null, null, null, null]);
  });

  it('has a name, and none once its area or goal is gone', () => {
    const records = { areas: { music: { id: 'music', name: 'Music', order: 0 } }, goals: {} };
    expect(habitFilterName(parseHabitFilter('area.music')!, records)).toBe('Music');
    expect(habitFilterName(parseHabitFilter('area.')!, records)).toBe('No area');
    expect(habitFilterName(parseHabitFilter('goal.play')!, records)).toBeNull();
    expect(habitFilterName(parseHabitFilter('often.weeks')!, records)).toBe('Weekly');
  });

  it('offers what shows some habits but not all', () => {
    const music = { id: 'music', name: 'Music', order: 0 };
    const empty = { id: 'sea', name: 'Sea', order: 1 };
    const { area, goal, often } = habitFilterChoices(all, [music, empty], [{ id: 'play', title: 'Play' } as never], []);
    expect(area.map(({ name, count }) => [name, count])).toEqual([
      ['Music', 2],
      ['No area', 1],
    ]);
    expect(goal.map(({ name, count }) => [name, count])).toEqual([['Play', 1]]);
    expect(often.map(({ name, count }) => [name, count])).toEqual([
      ['Daily', 2],
      ['Weekly', 1],
    ]);
    expect(habitFilterChoices([swim], [music], [], []).often).toEqual([]);
  });
});
