import { dayOf } from '../calendar/plainDay.ts';
import type { JournalPage, Prompt } from '../record/records.ts';
import { aHabit } from '../testing/samples.ts';
import {
  checkedByWriting,
  feelingsByUse,
  hasWriting,
  isEmptyPage,
  pagesOfDay,
  promptsOf,
  withAnswer,
  withFeelingRenamed,
} from './page.ts';

const DAY = '2026-11-24';
const page = (more: Partial<JournalPage> = {}): JournalPage => ({ id: 'p', day: DAY, part: 'day', ...more });
const prompt = (id: string, more: Partial<Prompt> = {}): Prompt => ({
  id,
  text: `What of ${id}?`,
  part: 'morning',
  kind: 'text',
  active: true,
  order: 0,
  ...more,
});

describe('a page of the journal', () => {
  it('has writing in its text or an answer; a mood or a feeling is none', () => {
    expect(hasWriting(page({ mood: 4, feelings: ['calm'], text: ' \n' }))).toBe(false);
    expect(hasWriting(page({ text: 'Wind' }))).toBe(true);
    expect(hasWriting(page({ answers: [{ promptId: 'a', items: [{ text: '', done: true }] }] }))).toBe(false);
    expect(hasWriting(page({ answers: [{ promptId: 'a', items: [{ text: 'Ring' }] }] }))).toBe(true);
    expect(isEmptyPage(page())).toBe(true);
    expect(isEmptyPage(page({ mood: 1 }))).toBe(false);
  });

  it('is one of a day’s, morning first; two of the same part both stay', () => {
    const pages = [
      page({ id: 'c', part: 'evening' }),
      page({ id: 'b' }),
      page({ id: 'a' }),
      page({ id: 'm', part: 'morning' }),
      page({ id: 'x', day: '2026-11-23' }),
    ];
    expect(pagesOfDay(pages, dayOf(DAY)).map(({ id }) => id)).toEqual(['m', 'a', 'b', 'c']);
  });

  it('keeps the wording that was answered, and loses an answer that is emptied', () => {
    const asked = prompt('a');
    const answered = withAnswer(page(), asked, { text: 'The hull' });
    expect(answered.answers).toEqual([{ promptId: 'a', promptText: 'What of a?', text: 'The hull' }]);
    const again = withAnswer(answered, { ...asked, text: 'Reworded?' }, { text: 'The hull, twice' });
    expect(again.answers).toEqual([{ promptId: 'a', promptText: 'What of a?', text: 'The hull, twice' }]);
    const both = withAnswer(again, prompt('b'), { items: [{ text: 'Ring' }] });
    expect(withAnswer(both, asked, { text: '!' }).answers!.map(({ promptId }) => promptId)).toEqual(['a', 'b']);
    expect(withAnswer(again, asked, { text: ' ' })).not.toHaveProperty('answers');
  });

  it('asks the prompts in use, and retired ones as they were answered', () => {
    const prompts = [
      prompt('late', { part: 'evening' }),
      prompt('second', { order: 2 }),
      prompt('gone', { active: false, order: 1 }),
      prompt('first', { order: 0 }),
    ];
    const texts = (answers: JournalPage['answers'] = []) =>
      promptsOf(prompts, 'morning', answers).map(({ text }) => text);
    expect(texts()).toEqual(['What of first?', 'What of second?']);
    expect(texts([{ promptId: 'gone', promptText: 'As it was', text: 'yes' }])).toEqual([
      'What of first?',
      'As it was',
      'What of second?',
    ]);
  });
});

describe('feelings', () => {
  const pages = [
    page({ id: '1', feelings: ['calm', 'tired'] }),
    page({ id: '2', feelings: ['calm'] }),
    page({ id: '3', day: '2026-11-23', feelings: ['calm', 'weary'] }),
    page({ id: '4', day: '2026-11-22', feelings: ['weary'] }),
  ];

  it('stand by the days they were written on', () => {
    expect(feelingsByUse(pages)).toEqual(['calm', 'weary', 'tired']);
  });

  it('are renamed on every page, and join where both stood', () => {
    const changed = withFeelingRenamed(pages, 'weary', 'calm');
    expect(changed.map(({ id, feelings }) => [id, feelings])).toEqual([
      ['3', ['calm']],
      ['4', ['calm']],
    ]);
    expect(withFeelingRenamed(pages, 'proud', 'glad')).toEqual([]);
  });
});

it('writing checks off the habits that are done by it, but none of which something is recorded', () => {
  const habits = [
    aHabit({ id: 'pages', doneBy: 'journal', startsOn: '2026-11-01' }),
    aHabit({ id: 'rested', doneBy: 'journal', startsOn: '2026-11-01' }),
    aHabit({ id: 'later', doneBy: 'journal', startsOn: '2026-12-01' }),
    aHabit({ id: 'over', doneBy: 'journal', startsOn: '2026-11-01', endsOn: '2026-11-20' }),
    aHabit({ id: 'review', doneBy: 'review', startsOn: '2026-11-01' }),
    aHabit({ id: 'other', startsOn: '2026-11-01' }),
  ];
  const entryOf = (habitId: string) =>
    habitId === 'rested' ? { habitId, day: DAY, mark: 'rest' as const } : undefined;
  expect(checkedByWriting(habits, dayOf(DAY), 'journal', entryOf).map(({ id }) => id)).toEqual(['pages']);
});
