import { checkRecord } from '@wimbel/contract';
import { HABIT_IDEAS } from '../../../components/habitForm/habitIdeas.ts';
import { habitFromLine, lineWords, understoodLines } from './habitList.ts';

const AREAS = [{ id: 'music', name: 'Music', order: 0 }];

describe('a list of habits', () => {
  it('is understood line by line, in words, before anything is kept', () => {
    const lines = understoodLines('Cello 20 min, 3 a week, evenings, music\n\n  \nno coffee after two', AREAS, []);
    expect(lines.map(({ habit }) => `${habit.name}: ${lineWords(habit, AREAS)}`)).toEqual([
      'Cello: 3 days a week, at least 20 min, evening, Music',
      'No coffee after two: to quit, every day',
    ]);
    expect(lines.map(({ fault, hint }) => fault ?? hint)).toEqual([null, null]);
  });

  it('hints at doubles and faults names that are too long', () => {
    const lines = understoodLines(`scales\nScales, daily\n${'a'.repeat(121)}`, AREAS, ['Scales']);
    expect(lines.map(({ hint }) => hint)).toEqual([
      'You have a habit of this name already',
      'You have a habit of this name already',
      null,
    ]);
    expect(lines[2]!.fault).toBe('Keep the name under 120 characters');
  });

  it('makes habits that hold, from every small start too', () => {
    const text = [...HABIT_IDEAS.flatMap(({ lines }) => lines), 'Tea, at most 2 cups', 'Row 2.5 km, Sat Sun'].join(
      '\n',
    );
    const habits = understoodLines(text, [], []).map(({ habit }, order) =>
      habitFromLine(habit, { id: `h${order}`, order, startsOn: '2026-11-24' }),
    );
    expect(habits.length).toBeGreaterThan(12);
    for (const habit of habits) expect([habit.name, checkRecord('habits', habit).issues]).toEqual([habit.name, []]);
    expect(habits.at(-2)).toMatchObject({
      measure: { kind: 'amount', unit: 'cups', step: 1 },
      terms: [{ from: '2026-11-24', schedule: { kind: 'daily' }, atMost: 2 }],
    });
  });
});
