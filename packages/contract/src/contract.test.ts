import { changesIssues } from './changes.ts';
import { SCHEMAS, checkRecord } from './collections.ts';
import { COLLECTIONS, type Collection, entryKey, entryOfKey, isKey, keyOf } from './keys.ts';
import { ERROR_STATUS } from './errors.ts';
import { withoutNulls } from './fields.ts';
import { isInstant } from './plain.ts';
import { LIMITS } from './limits.ts';
import { type Find, referencesOf, relationIssues } from './relations.ts';

const daily = { from: '2026-03-01', schedule: { kind: 'daily' } };
const habit = (more: object = {}) => ({
  id: 'h',
  name: 'Scales',
  order: 0,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'check' },
  terms: [daily],
  startsOn: '2026-03-01',
  ...more,
});
const amountHabit = (terms: object, more: object = {}) =>
  habit({ measure: { kind: 'amount', unit: 'm', step: 1 }, terms: [{ ...daily, ...terms }], ...more });
const goal = (more: object = {}) => ({
  id: 'g',
  title: 'Sail',
  startsOn: '2026-03-01',
  state: 'open',
  order: 0,
  ...more,
});
const keyResult = (measure: object, more: object = {}) => ({
  id: 'k',
  goalId: 'g',
  title: 'Planks',
  order: 0,
  measure,
  ...more,
});
const number = { kind: 'number', start: 0, target: 5 };

const pathsOf = (collection: Collection, value: unknown): string[] =>
  checkRecord(collection, value).issues.map((issue) => issue.path);

describe('records that hold', () => {
  it.each<[Collection, object]>([
    ['habits', habit()],
    ['habits', amountHabit({ atLeast: 0.5 })],
    ['habits', amountHabit({ atMost: 0 })],
    [
      'habits',
      habit({
        pauses: [
          { from: '2026-03-02', to: '2026-03-05' },
          { from: '2026-03-04', to: '2026-03-09' },
        ],
      }),
    ],
    ['habits', habit({ monthTargets: { '2026-03': { days: 0, amount: null } } })],
    ['entries', { habitId: 'h', day: '2030-01-01', note: 'later' }],
    [
      'entries',
      {
        habitId: 'h',
        day: '2026-03-01',
        amount: 0.3,
        parts: [{ variantId: 'a', amount: 0.1 }, { variantId: 'b', amount: 0.2 }, { variantId: 'c' }],
      },
    ],
    ['keyResults', keyResult(number, { checkpoints: { '2026-03': 2 } })],
    ['keyResults', keyResult({ kind: 'number', start: 80, target: 70 })],
    ['settings', { weekStart: 'sunday', passMark: 1, dayEndsAt: 6 }],
  ])('%s: %j', (collection, value) => expect(checkRecord(collection, value).issues).toEqual([]));

  it('take null for an optional field as left out', () => {
    expect(checkRecord('habits', habit({ areaId: null, endsOn: null, icon: null })).record).toEqual(habit());
    expect(withoutNulls({ a: null, b: [{ c: null, d: 1 }], e: undefined })).toEqual({ b: [{ d: 1 }] });
    expect(pathsOf('habits', habit({ name: null }))).toEqual(['name']);
  });
});

describe('faults are found, each with its path', () => {
  it.each<[string, Collection, unknown, string[]]>([
    ['nothing at all', 'habits', null, ['']],
    ['not an object', 'habits', 'x', ['']],
    ['an unknown key', 'habits', habit({ colour: 'red' }), ['colour']],
    ['an unknown key further in', 'habits', habit({ measure: { kind: 'check', unit: 'm' } }), ['measure.unit']],
    [
      'an unknown kind',
      'habits',
      habit({ terms: [{ from: '2026-03-01', schedule: { kind: 'hourly' } }] }),
      ['terms[0].schedule.kind'],
    ],
    ['an empty name', 'habits', habit({ name: '  ' }), ['name']],
    ['no terms', 'habits', habit({ terms: [] }), ['terms']],
    ['a day that does not exist', 'habits', habit({ startsOn: '2026-02-29' }), ['startsOn']],
    ['the year 0', 'habits', habit({ startsOn: '0000-12-31', terms: [daily] }), ['startsOn']],
    ['an end before the start', 'habits', habit({ endsOn: '2026-02-28' }), ['endsOn']],
    [
      'a pause that ends before it begins',
      'habits',
      habit({ pauses: [{ from: '2026-03-05', to: '2026-03-04' }] }),
      ['pauses[0].to'],
    ],
    [
      'no weekday',
      'habits',
      habit({ terms: [{ from: '2026-03-01', schedule: { kind: 'weekdays', days: [] } }] }),
      ['terms[0].schedule.days'],
    ],
    [
      'a weekday twice',
      'habits',
      habit({ terms: [{ from: '2026-03-01', schedule: { kind: 'weekdays', days: ['monday', 'monday'] } }] }),
      ['terms[0].schedule.days'],
    ],
    [
      'eight a week',
      'habits',
      habit({ terms: [{ from: '2026-03-01', schedule: { kind: 'perWeek', times: 8 } }] }),
      ['terms[0].schedule.times'],
    ],
    [
      'half a time',
      'habits',
      habit({ terms: [{ from: '2026-03-01', schedule: { kind: 'perMonth', times: 2.5 } }] }),
      ['terms[0].schedule.times'],
    ],
    [
      'every single day as an interval',
      'habits',
      habit({ terms: [{ from: '2026-03-01', schedule: { kind: 'interval', every: 1 } }] }),
      ['terms[0].schedule.every'],
    ],
    ['an amount without threshold', 'habits', amountHabit({}), ['terms[0]']],
    ['an amount with both', 'habits', amountHabit({ atLeast: 1, atMost: 2 }), ['terms[0]']],
    ['at least nothing', 'habits', amountHabit({ atLeast: 0 }), ['terms[0].atLeast']],
    ['a check with a threshold', 'habits', habit({ terms: [{ ...daily, atLeast: 1 }] }), ['terms[0]']],
    ['terms of the same day', 'habits', habit({ terms: [daily, daily] }), ['terms[1].from']],
    ['terms out of order', 'habits', habit({ terms: [daily, { ...daily, from: '2026-02-01' }] }), ['terms[1].from']],
    [
      'target days that are not whole',
      'habits',
      habit({ monthTargets: { '2026-03': { days: 1.5 } } }),
      ['monthTargets.2026-03.days'],
    ],
    [
      'a month that does not exist',
      'habits',
      habit({ monthTargets: { '2026-13': { days: 1 } } }),
      ['monthTargets.2026-13'],
    ],
    ['a negative finish line', 'habits', habit({ finishLine: { days: -1 } }), ['finishLine.days']],
    ['a negative amount', 'entries', { habitId: 'h', day: '2026-03-01', amount: -1 }, ['amount']],
    ['an amount that is text', 'entries', { habitId: 'h', day: '2026-03-01', amount: '5' }, ['amount']],
    ['an amount beyond all numbers', 'entries', { habitId: 'h', day: '2026-03-01', amount: Infinity }, ['amount']],
    [
      'a sum that is not one',
      'entries',
      { habitId: 'h', day: '2026-03-01', amount: 4, parts: [{ variantId: 'a', amount: 3 }] },
      ['amount'],
    ],
    ['text that cannot be stored', 'entries', { habitId: 'h', day: '2026-03-01', note: 'a\u0000b' }, ['note']],
    ['half a character', 'entries', { habitId: 'h', day: '2026-03-01', note: '\ud83c' }, ['note']],
    ['start and target the same', 'keyResults', keyResult({ kind: 'number', start: 5, target: 5 }), ['measure.target']],
    ['no days of a habit', 'keyResults', keyResult({ kind: 'habitDays', habitId: 'h', target: 0 }), ['measure.target']],
    ['weight 0', 'keyResults', keyResult(number, { weight: 0 }), ['weight']],
    [
      'checkpoints of a yes or no',
      'keyResults',
      keyResult({ kind: 'yesNo' }, { checkpoints: { '2026-03': 1 } }),
      ['checkpoints'],
    ],
    ['due before the start', 'goals', goal({ dueOn: '2026-02-28' }), ['dueOn']],
    [
      'a step due before its start',
      'steps',
      { id: 's', goalId: 'g', title: 'S', order: 0, startsOn: '2026-03-02', dueOn: '2026-03-01' },
      ['dueOn'],
    ],
    ['a pass mark above 1', 'settings', { weekStart: 'monday', passMark: 1.1, dayEndsAt: 0 }, ['passMark']],
    [
      'day marks that do not ascend',
      'settings',
      {
        weekStart: 'monday',
        passMark: 1,
        dayEndsAt: 0,
        dayMarks: [
          { atLeast: 2, symbol: 'a' },
          { atLeast: 2, symbol: 'b' },
        ],
      },
      ['dayMarks'],
    ],
    [
      'an instant in another zone',
      'checkIns',
      { id: 'c', keyResultId: 'k', day: '2026-03-01', value: 1, madeAt: '2026-03-01T10:00:00+01:00' },
      ['madeAt'],
    ],
    ['several at once', 'habits', habit({ aim: 'maybe', order: 'first', startsOn: '1' }), ['aim', 'order', 'startsOn']],
  ])('%s', (_, collection, value, paths) => expect(pathsOf(collection, value).sort()).toEqual(paths.sort()));
});

describe('faults between records', () => {
  const records: Record<string, Record<string, object>> = {
    habits: {
      check: habit({ id: 'check' }),
      amount: amountHabit({ atLeast: 1 }, { id: 'amount', variants: [{ id: 'v', name: 'V' }] }),
    },
    goals: { g: goal({ dueOn: '2026-03-31' }), other: goal({ id: 'other' }) },
    keyResults: {
      n: keyResult(number, { id: 'n' }),
      y: keyResult({ kind: 'yesNo' }, { id: 'y' }),
      s: keyResult({ kind: 'steps' }, { id: 's' }),
      far: keyResult(number, { id: 'far', goalId: 'other' }),
    },
    steps: {
      a: { id: 'a', goalId: 'g', parentId: 'b' },
      b: { id: 'b', goalId: 'g' },
      far: { id: 'far', goalId: 'other' },
    },
    milestones: {
      m: { id: 'm', goalId: 'g', after: ['n'] },
      n: { id: 'n', goalId: 'g' },
      far: { id: 'far', goalId: 'other' },
    },
  };
  const find: Find = (collection, key) => records[collection]?.[key] as never;
  const checkIn = (keyResultId: string, value = 1) => ({
    id: 'c',
    keyResultId,
    day: '2026-03-01',
    value,
    madeAt: '2026-03-01T10:00:00Z',
  });
  const step = (more: object) => ({ id: 'x', goalId: 'g', title: 'X', order: 0, ...more });

  it.each<[string, Collection, object, string[]]>([
    ['a habit that is not there', 'entries', { habitId: 'gone', day: '2026-03-01' }, ['habitId']],
    ['an amount on a check', 'entries', { habitId: 'check', day: '2026-03-01', amount: 1 }, ['amount']],
    ['done on an amount', 'entries', { habitId: 'amount', day: '2026-03-01', mark: 'done' }, ['mark']],
    [
      'a variant that is not there',
      'entries',
      { habitId: 'amount', day: '2026-03-01', amount: 1, parts: [{ variantId: 'w', amount: 1 }] },
      ['parts[0].variantId'],
    ],
    ['a check-in to steps', 'checkIns', checkIn('s'), ['keyResultId']],
    ['half a yes', 'checkIns', checkIn('y', 0.5), ['value']],
    [
      'amounts of a check habit',
      'keyResults',
      keyResult({ kind: 'habitAmount', habitId: 'check', target: 1 }),
      ['measure.habitId'],
    ],
    ['a start after the goal is due', 'keyResults', keyResult(number, { startsOn: '2026-04-01' }), ['dueOn']],
    ['a parent of another goal', 'steps', step({ parentId: 'far' }), ['parentId']],
    ['a key result of another goal', 'steps', step({ keyResultId: 'far' }), ['keyResultId']],
    ['a circle of steps', 'steps', step({ id: 'b', parentId: 'a' }), ['parentId']],
    ['a circle of milestones', 'milestones', { id: 'n', goalId: 'g', title: 'N', order: 0, after: ['m'] }, ['after']],
    [
      'a milestone of another goal',
      'milestones',
      { id: 'o', goalId: 'g', title: 'O', order: 0, after: ['far'] },
      ['after[0]'],
    ],
    [
      'goals of a season that are not there',
      'seasons',
      { id: 's', title: 'S', startsOn: '2026-03-01', weeks: 2, goalIds: ['g', 'gone'] },
      ['goalIds[1]'],
    ],
    [
      'what holds',
      'entries',
      { habitId: 'amount', day: '2026-03-01', amount: 1, parts: [{ variantId: 'v', amount: 1 }] },
      [],
    ],
    ['a yes', 'checkIns', checkIn('y'), []],
  ])('%s', (_, collection, record, paths) =>
    expect(relationIssues(collection, record as never, find).map((issue) => issue.path)).toEqual(paths),
  );

  it('names every record that a record depends on', () => {
    expect(referencesOf('journal', { id: 'j', day: '2026-03-01', part: 'day', answers: [{ promptId: 'p' }] })).toEqual([
      { path: 'answers[0].promptId', collection: 'prompts', key: 'p' },
    ]);
    expect(referencesOf('settings', { weekStart: 'monday', passMark: 1, dayEndsAt: 0 })).toEqual([]);
  });
});

describe('keys', () => {
  it('of entries name the day and the habit, whatever the habit is called', () => {
    expect(entryOfKey(entryKey('a b/c', '2026-03-01'))).toEqual({ habitId: 'a b/c', day: '2026-03-01' });
    expect(keyOf('entries', { habitId: 'h', day: '2026-03-01' })).toBe('2026-03-01 h');
    expect(keyOf('months', { month: '2026-03', aims: [] })).toBe('2026-03');
    expect(keyOf('settings', { weekStart: 'monday', passMark: 1, dayEndsAt: 0 })).toBe('settings');
  });

  it('come in an order in which a record only names records before it', () => {
    const place = (collection: Collection) => COLLECTIONS.indexOf(collection);
    expect(place('areas')).toBeLessThan(place('goals'));
    expect(place('goals')).toBeLessThan(place('habits'));
    expect(place('habits')).toBeLessThan(place('entries'));
    expect(place('keyResults')).toBeLessThan(place('checkIns'));
    expect(place('prompts')).toBeLessThan(place('journal'));
    expect(Object.keys(SCHEMAS)).toEqual(COLLECTIONS);
  });
});

describe('a request of changes', () => {
  const change = {
    id: 'c',
    madeAt: '2026-03-01T10:00:00.000Z',
    collection: 'habits',
    key: 'h',
    record: { anything: true },
  };

  it('is checked in its envelope only; records are checked one by one', () => {
    expect(changesIssues({ changes: [change, { ...change, record: null }] })).toEqual([]);
    expect(changesIssues({ changes: [{ ...change, more: 1 }] }).map((issue) => issue.path)).toEqual([
      'changes[0].more',
    ]);
    expect(changesIssues({ changes: [{ ...change, collection: 'users' }] }).map((issue) => issue.path)).toEqual([
      'changes[0].collection',
    ]);
    expect(changesIssues({ changes: Array.from({ length: LIMITS.changes + 1 }, () => change) })).toHaveLength(1);
    expect(changesIssues(null)).toHaveLength(1);
  });

  it('knows instants from what only looks like one', () => {
    expect(
      [
        '2026-03-01T10:00:00Z',
        '2026-03-01T10:00:00.123456Z',
        '2026-02-30T10:00:00Z',
        '2026-03-01T24:00:00Z',
        '2026-03-01T10:00:00',
      ].map(isInstant),
    ).toEqual([true, true, false, false, false]);
    expect(Object.values(ERROR_STATUS).every((status) => status >= 400)).toBe(true);
  });
});

it.each(['__proto__', 'constructor', 'toString', 'hasOwnProperty', 'prototype'])(
  'takes no id that every object has: %s',
  (id) => {
    const area = checkRecord('areas', { id, name: 'Music', color: 'rose', icon: 'music', order: 0 });
    expect(area.issues).toContainEqual({ path: 'id', message: 'is a name that nothing can have as its id' });
    expect([isKey('areas', id), isKey('entries', `2026-11-24 ${id}`)]).toEqual([false, false]);
    const entry = checkRecord('entries', { habitId: id, day: '2026-11-24', mark: 'done' });
    expect(entry.issues).toEqual([{ path: 'habitId', message: 'is a name that nothing can have as its id' }]);
  },
);
