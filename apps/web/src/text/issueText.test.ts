import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { COLLECTIONS, SCHEMAS } from '@wimbel/contract';
import { emptyRecordsState } from '@wimbel/sync';
import { changeName, hasOwnWords, issueWords } from './issueText.ts';

const CONTRACT = join(__dirname, '../../../../packages/contract/src');
const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((each) =>
    each.isDirectory()
      ? sources(join(folder, each.name))
      : /(?<!\.test)\.ts$/.test(each.name)
        ? [readFileSync(join(folder, each.name), 'utf8')]
        : [],
  );

describe('a fault that a person is told', () => {
  it('says what is wrong and with what, without the words of the checks', () => {
    expect(issueWords({ path: 'habitId', message: 'names "h", which is not there' })).toBe(
      'The habit was deleted meanwhile',
    );
    expect(issueWords({ path: 'terms[0].atLeast', message: 'is not above 0' })).toBe(
      'The schedule is not in the range it can have',
    );
    expect(issueWords({ path: 'name', message: 'is longer than 20000 characters' })).toBe('The name is too long');
    expect(issueWords({ path: '', message: 'who knows' })).toBe('Something in it cannot be kept like this');
  });

  it('has a name for every field of every record', () => {
    const nameless = COLLECTIONS.flatMap((collection) =>
      Object.keys((SCHEMAS[collection]() as unknown as { fields: object }).fields).flatMap((field) =>
        hasOwnWords({ path: field, message: 'is missing' }) ? [] : [`${collection}.${field}`],
      ),
    );
    expect(nameless).toEqual([]);
  });

  it('has words for every fault that the checks of records can find', () => {
    const messages = sources(CONTRACT).flatMap((text) =>
      [...text.matchAll(/'((?:is|are|has|names|comes|needs|leads|ends|begins|does|counts|stands|lies)\b[^']*)'/g)].map(
        ([, words]) => words!,
      ),
    );
    expect(messages.length).toBeGreaterThan(60);
    // What no app of ours can send: its form is wrong, not what a person wrote.
    const ofForm =
      /is not (an object|a list|text|a known key|a collection|a revision|an id|known|a kind)|is neither true|cannot be read|not text/;
    expect(messages.filter((message) => !ofForm.test(message) && !hasOwnWords({ path: 'name', message }))).toEqual([]);
  });

  it('names what the change was of', () => {
    const records = { ...emptyRecordsState(), habits: { h: { name: 'Scales' } as never } };
    const base = { id: 'c', madeAt: '2026-11-24T08:00:00Z' };
    expect(changeName(records, { ...base, collection: 'entries', key: '2026-11-24 h', record: null })).toBe(
      'Scales, Tue 24 Nov',
    );
    expect(
      changeName(records, { ...base, collection: 'goals', key: 'g', record: { title: 'Across the bay' } as never }),
    ).toBe('Across the bay (goal)');
    expect(changeName(records, { ...base, collection: 'months', key: '2026-11', record: null })).toBe(
      'The words of a month',
    );
  });
});
