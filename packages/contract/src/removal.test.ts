import type { Collection, RecordOf } from './keys.ts';
import { isNamed, plannedRemoval } from './removal.ts';

type Stock = [Collection, Record<string, unknown>][];

const STOCK: Stock = [
  ['areas', { id: 'music' }],
  ['goals', { id: 'sail', areaId: 'music' }],
  ['goals', { id: 'play', areaId: 'music' }],
  ['habits', { id: 'scales', areaId: 'music', goalId: 'sail' }],
  ['entries', { habitId: 'scales', day: '2026-11-23' }],
  ['entries', { habitId: 'scales', day: '2026-11-24' }],
  ['habitNotes', { id: 'note', habitId: 'scales' }],
  ['reminders', { id: 'reminder', habitId: 'scales' }],
  ['keyResults', { id: 'days', goalId: 'play', measure: { kind: 'habitDays', habitId: 'scales' } }],
  ['keyResults', { id: 'planks', goalId: 'sail', measure: { kind: 'steps' } }],
  ['checkIns', { id: 'check', keyResultId: 'planks' }],
  ['steps', { id: 'oil', goalId: 'sail', keyResultId: 'planks' }],
  ['steps', { id: 'buy', goalId: 'sail', parentId: 'oil' }],
  ['steps', { id: 'tune', goalId: 'play', keyResultId: 'days' }],
  ['milestones', { id: 'first', goalId: 'sail' }],
  ['milestones', { id: 'second', goalId: 'sail', after: ['first'] }],
  ['seasons', { id: 'winter', goalIds: ['sail', 'play'] }],
  ['reviews', { id: 'review', seasonId: 'winter' }],
  ['prompts', { id: 'prompt' }],
  ['journal', { id: 'page', answers: [{ promptId: 'prompt' }] }],
  ['rewards', { id: 'strings' }],
  ['claims', { id: 'claim', rewardId: 'strings' }],
];

const plan = (collection: Collection, key: string) => {
  const { goes, letsGo, keptBy } = plannedRemoval(collection, key, ({ by, key: named }) =>
    STOCK.filter(([of, record]) => of === by.in && isNamed(by, record as never, named)).map(
      ([, record]) => record as unknown as RecordOf<Collection>,
    ),
  );
  return {
    goes: goes.map((each) => `${each.collection} ${each.key}`),
    letsGo: Object.fromEntries(letsGo.map((each) => [`${each.collection} ${each.key}`, each.record])),
    keptBy,
  };
};

it('a habit goes with its days, notes, reminders and the key results that count it', () => {
  expect(plan('habits', 'scales')).toEqual({
    goes: [
      'keyResults days',
      'reminders reminder',
      'habitNotes note',
      'entries 2026-11-24 scales',
      'entries 2026-11-23 scales',
      'habits scales',
    ],
    letsGo: { 'steps tune': { id: 'tune', goalId: 'play' } },
    keptBy: null,
  });
});

it('a goal goes with all that is its own, once each, and its habits and seasons stay without it', () => {
  const { goes, letsGo } = plan('goals', 'sail');
  expect([...goes].sort()).toEqual(
    [
      ...['checkIns check', 'goals sail', 'keyResults planks', 'milestones first', 'milestones second'],
      ...['steps buy', 'steps oil'],
    ].sort(),
  );
  expect(goes.at(-1)).toBe('goals sail');
  expect(letsGo).toEqual({
    'habits scales': { id: 'scales', areaId: 'music' },
    'seasons winter': { id: 'winter', goalIds: ['play'] },
  });
});

it('an area lets everything stay, a step takes its sub-steps along, a milestone is no longer waited for', () => {
  expect(plan('areas', 'music')).toMatchObject({
    goes: ['areas music'],
    letsGo: { 'habits scales': { id: 'scales', goalId: 'sail' }, 'goals sail': { id: 'sail' }, 'goals play': {} },
  });
  expect(plan('steps', 'oil').goes).toEqual(['steps buy', 'steps oil']);
  expect(plan('milestones', 'first').letsGo).toEqual({
    'milestones second': { id: 'second', goalId: 'sail', after: [] },
  });
  expect(plan('seasons', 'winter').letsGo).toEqual({ 'reviews review': { id: 'review' } });
});

it('a prompt that was answered and a reward that was claimed are kept by what names them', () => {
  expect(plan('prompts', 'prompt')).toEqual({ goes: [], letsGo: {}, keptBy: { collection: 'journal', key: 'page' } });
  expect(plan('rewards', 'strings').keptBy).toEqual({ collection: 'claims', key: 'claim' });
  expect(plan('rewards', 'none').goes).toEqual(['rewards none']);
});
