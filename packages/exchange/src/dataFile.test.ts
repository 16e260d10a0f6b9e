import fc from 'fast-check';
import { dataFileOf, readDataFile, readDataFileText, relationsIn, writeDataFile } from './dataFile.ts';

const base = { format: 'wimbel', version: 1 };
const habit = {
  id: 'h',
  name: 'Scales',
  order: 0,
  aim: 'build',
  partOfDay: 'any',
  measure: { kind: 'check' },
  terms: [{ from: '2026-03-01', schedule: { kind: 'daily' } }],
  startsOn: '2026-03-01',
};
const pathsOf = (file: unknown) => readDataFile(file).issues.map((issue) => issue.path);

describe('reading a data file', () => {
  it('fills in settings and collections that are left out', () => {
    const { records } = readDataFile(base);
    expect(records?.settings).toEqual({ weekStart: 'monday', passMark: 0.85, dayEndsAt: 0 });
    expect(records?.habits).toEqual([]);
    expect(readDataFile({ ...base, settings: { weekStart: 'sunday', passMark: null } }).records?.settings).toEqual({
      weekStart: 'sunday',
      passMark: 0.85,
      dayEndsAt: 0,
    });
    expect(readDataFile({ ...base, habits: null, exportedAt: null }).issues).toEqual([]);
  });

  it.each<[string, unknown, string[]]>([
    ['a list', [], ['']],
    ['another format', { ...base, format: 'other' }, ['format']],
    ['a newer version, whole', { ...base, version: 2, habits: 'whatever' }, ['version']],
    ['no version', { format: 'wimbel' }, ['version']],
    ['a version in text', { ...base, version: '1' }, ['version']],
    ['an unknown key', { ...base, tasks: [] }, ['tasks']],
    ['a collection that is no list', { ...base, habits: {} }, ['habits']],
    ['settings that are no object', { ...base, settings: [] }, ['settings']],
    ['an unknown setting', { ...base, settings: { theme: 'dark' } }, ['settings.theme']],
    ['a bad export instant', { ...base, exportedAt: 'yesterday' }, ['exportedAt']],
    [
      'a fault inside',
      {
        ...base,
        habits: [
          habit,
          { ...habit, id: 'i', terms: [{ from: '2026-03-01', schedule: { kind: 'perWeek', times: 9 } }] },
        ],
      },
      ['habits[1].terms[0].schedule.times'],
    ],
    ['the same id twice', { ...base, habits: [habit, habit] }, ['habits[1]']],
    [
      'two entries of a day',
      {
        ...base,
        habits: [habit],
        entries: [
          { habitId: 'h', day: '2026-03-01' },
          { habitId: 'h', day: '2026-03-01', mark: 'done' },
        ],
      },
      ['entries[1]'],
    ],
    ['an entry of no habit', { ...base, entries: [{ habitId: 'h', day: '2026-03-01' }] }, ['entries[0].habitId']],
  ])('%s is refused with the path to it', (_, file, paths) => {
    expect(pathsOf(file)).toEqual(paths);
    expect(readDataFile(file).records).toBeNull();
  });

  it('takes what is no fault', () => {
    const entries = [
      { habitId: 'h', day: '2031-01-01', mark: 'done' },
      { habitId: 'h', day: '1999-01-01', note: 'early' },
    ];
    expect(
      pathsOf({
        ...base,
        habits: [habit],
        entries,
        claims: [{ id: 'c', rewardId: 'r', day: '2026-03-01', cost: 99 }],
        rewards: [{ id: 'r', title: 'R', cost: 1, order: 0 }],
      }),
    ).toEqual([]);
  });

  it('says so where the text is not JSON, and takes a byte order mark', () => {
    expect(readDataFileText('{').issues).toEqual([{ path: '', message: 'is not JSON' }]);
    expect(readDataFileText(`\uFEFF${JSON.stringify(base)}`).issues).toEqual([]);
  });

  it('never throws, whatever it is given', () => {
    fc.assert(
      fc.property(
        fc.record({
          habits: fc.anything(),
          entries: fc.array(fc.anything()),
          settings: fc.anything(),
          goals: fc.anything(),
        }),
        (file) => {
          const { records, issues } = readDataFile({ ...base, ...file });
          expect(records === null).toBe(issues.length > 0);
        },
      ),
    );
  });
});

describe('writing a data file', () => {
  it('is read back without loss, and written again to the letter', () => {
    const { records } = readDataFile({
      ...base,
      habits: [habit],
      entries: [{ habitId: 'h', day: '2026-03-01', mark: 'done', note: 'ä "b"\n' }],
      quotes: [{ id: 'q', text: 'Small turns' }],
    });
    const text = writeDataFile(dataFileOf(records!, '2026-03-02T10:00:00Z'));
    const again = readDataFileText(text);
    expect(again.records).toEqual(records);
    expect(writeDataFile(dataFileOf(again.records!, '2026-03-02T10:00:00Z'))).toBe(text);
    expect(relationsIn(records!)).toEqual([]);
  });
});
