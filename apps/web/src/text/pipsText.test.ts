import { goodDaysWords, pipsWords } from './pipsText.ts';

it('pips are told by their own name, one of them too', () => {
  expect([pipsWords({}, 1), pipsWords({}, 12.5), pipsWords({}, -1)]).toEqual([
    '1 pip',
    '12.5 pips',
    '\u22121 pip'.replace('\u2212', '-'),
  ]);
  expect(pipsWords({ pipsName: { one: 'shell', many: 'shells' } }, 0)).toBe('0 shells');
});

it('what is far is told in good days, weeks or months', () => {
  expect([0, 1, 2, 14, 21, 71, 300, null].map(goodDaysWords)).toEqual([
    'about a good day',
    'about a good day',
    'about 2 good days',
    'about 14 good days',
    'about 3 good weeks',
    'about 2 good months',
    'about 10 good months',
    '',
  ]);
});
