import { checkRecord } from './collections.ts';
import { isLink, linkTarget } from './links.ts';

it.each([
  ['https://example.org/a?b=c#d', 'https://example.org/a?b=c#d'],
  ['HTTP://example.org', 'HTTP://example.org'],
  ['mailto:ida@example.org', 'mailto:ida@example.org'],
  ['example.org/tide', 'https://example.org/tide'],
  ['  example.org ', 'https://example.org'],
])('opens %j as %j', (text, target) => {
  expect(isLink(text)).toBe(true);
  expect(linkTarget(text)).toBe(target);
});

it.each([
  'javascript:alert(1)',
  'JavaScript:1',
  ' \u0001javascript:alert(1)',
  'java\tscript:alert(1)',
  'java\nscript:alert(1)',
  'data:text/html,x',
  'vbscript:x',
  'file:///etc/hosts',
  'ftp://example.org',
  'blob:x',
])('refuses %j, to keep and to open', (text) => {
  expect(isLink(text)).toBe(false);
  expect(linkTarget(text)).toBeNull();
});

it('opens nothing for nothing', () => {
  expect([linkTarget(''), linkTarget(' \t')]).toEqual([null, null]);
});

it('is asked of every record with a link', () => {
  const note = { id: 'n1', habitId: 'h1', text: 'Rosin' };
  const season = { id: 's1', title: 'Autumn', startsOn: '2026-09-07', weeks: 12, goalIds: [] };
  const issue = { message: 'is not a link that starts with http, https or mailto' };
  const [notes, seasons] = ['https://example.org', 'javascript:alert(1)'].map((link) => [
    checkRecord('habitNotes', { ...note, link }).issues,
    checkRecord('seasons', { ...season, notes: [{ text: 'Tides', link }] }).issues,
  ]);
  expect(notes).toEqual([[], []]);
  expect(seasons).toEqual([[{ path: 'link', ...issue }], [{ path: 'notes[0].link', ...issue }]]);
});
