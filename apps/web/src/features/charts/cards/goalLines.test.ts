import { formatDay } from '@wimbel/core';
import { selectFiguredList } from '../../../store/goalSelectors.ts';
import { TODAY, aCheckIn, aGoal, aKeyResult, aMilestone, storeWith } from '../../../testing/goalSamples.ts';
import { lineOfGoal, linesOfKeyResults, spanOfGoals } from './goalLines.ts';

const goals = selectFiguredList(
  storeWith({
    goals: [
      aGoal('near', { order: 1 }),
      aGoal('far', { order: 2, startsOn: '2026-06-01', dueOn: '2027-03-01' }),
      aGoal('open end', { order: 3, startsOn: '2026-10-01', dueOn: undefined }),
    ],
    keyResults: [aKeyResult('k', 'near')],
    checkIns: [aCheckIn('c', 'k', 4)],
    milestones: [
      aMilestone('met', 'near', { reachedOn: '2026-11-21', dueOn: '2026-11-19' }),
      aMilestone('due', 'near', { dueOn: '2026-11-29' }),
      aMilestone('some day', 'near'),
    ],
  }).getState(),
);

describe('goals on one axis of time', () => {
  it('share the days from the first start to the last due day', () => {
    const span = spanOfGoals(goals, TODAY);
    expect([formatDay(span.first), formatDay(span.last)]).toEqual(['2026-06-01', '2027-03-01']);
    expect(spanOfGoals([], TODAY)).toEqual({ first: TODAY, last: TODAY });
  });

  it('each have a line from their own start, and an expected one to their own due day', () => {
    const { input } = lineOfGoal(goals[0]!, spanOfGoals(goals, TODAY), TODAY, 'red');
    const at = (offset: number) => [input.progressAt(TODAY + offset), input.expectedAt(TODAY + offset)];
    expect(at(-11)).toEqual([null, null]);
    expect(at(-10)).toEqual([0, 0]);
    expect(at(0)).toEqual([0.4, 0.5]);
    expect(at(11)).toEqual([null, null]);
    expect(input.forecast).toBe(TODAY + 15);
  });

  it('mark milestones with a day: where the goal stood when reached, where it is expected to be when due', () => {
    const { input } = lineOfGoal(goals[0]!, spanOfGoals(goals, TODAY), TODAY, 'red');
    expect(input.checkpoints).toEqual([
      { day: TODAY + 5, ratio: 0.75, reached: false },
      { day: TODAY - 3, ratio: 0.4, reached: true },
    ]);
  });

  it('of one goal: its key results, each from its own start to its own due day', () => {
    const [figured] = selectFiguredList(
      storeWith({
        goals: [aGoal('near')],
        keyResults: [
          aKeyResult('early', 'near', { startsOn: '2026-11-04', dueOn: '2026-11-20' }),
          aKeyResult('late', 'near', { order: 2, dueOn: '2026-12-24' }),
        ],
        checkIns: [aCheckIn('c', 'late', 5)],
      }).getState(),
    );
    const { span, lines } = linesOfKeyResults(figured!, TODAY, (place) => `color ${place}`);
    expect([formatDay(span.first), formatDay(span.last)]).toEqual(['2026-11-04', '2026-12-24']);
    expect(lines.map(({ id, color }) => [id, color])).toEqual([
      ['early', 'color 0'],
      ['late', 'color 1'],
    ]);
    const [early, late] = lines.map(({ input }) => input);
    expect([early!.expectedAt(TODAY), early!.progressAt(TODAY)]).toEqual([null, 0]);
    expect([late!.progressAt(TODAY - 11), late!.progressAt(TODAY), late!.expectedAt(TODAY)]).toEqual([null, 0.5, 0.25]);
    expect(late!.forecast).toBe(TODAY + 10);
  });
});
