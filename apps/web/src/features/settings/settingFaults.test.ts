import { currencyFault, dayMarksFault, passMarkFault, ratioOfPercent } from './settingFaults.ts';

it.each<[string, number | null]>([
  ['85', 0.85],
  ['66,7', 0.667],
  ['0', 0],
  ['100 %', 1],
  ['101', null],
  ['-1', null],
  ['most', null],
  ['', null],
])('a pass mark of "%s" is %s', (text, ratio) => {
  expect(ratioOfPercent(text)).toBe(ratio);
  expect(passMarkFault(text) === null).toBe(ratio !== null);
});

it('a currency has three letters, or is left out', () => {
  expect(['', 'EUR', ' gbp '].map(currencyFault)).toEqual([null, null, null]);
  expect(['EURO', '€', '12'].map((text) => currencyFault(text) !== null)).toEqual([true, true, true]);
});

it('a scale of day marks ascends from 1, whole, with a sign each', () => {
  const marks = (...steps: [string, string][]) => steps.map(([atLeast, symbol]) => ({ atLeast, symbol }));
  expect([[], marks(['1', '~'], ['3', '≈'])].map(dayMarksFault)).toEqual([null, null]);
  for (const wrong of [
    marks(['0', '~']),
    marks(['1', '~'], ['1', '≈']),
    marks(['1.5', '~']),
    marks(['one', '~']),
    marks(['1', ' ']),
  ]) {
    expect(dayMarksFault(wrong)).not.toBeNull();
  }
});
