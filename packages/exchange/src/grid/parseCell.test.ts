import { numberIn, parseCell } from './parseCell.ts';

it.each([
  ...['x', 'X', 'v', '✓', '✔️', 'yes', 'Done', 'TRUE', '✅', '🎻', '👍🏽', '●', 'ok'].map((text) => [
    text,
    { kind: 'done' },
  ]),
  ...['no', '0', '0 min', '-', '❌', '✗', 'FALSE', '☐'].map((text): [string, unknown] => [text, { kind: 'no' }]),
  ['missed', { kind: 'missed' }],
  ['Rest', { kind: 'rest' }],
  ['57%', { kind: 'share' }],
  ['1', { kind: 'amount', amount: 1, unit: null }],
  ['25 min', { kind: 'amount', amount: 25, unit: 'min' }],
  ['25 Mins.', { kind: 'amount', amount: 25, unit: 'min' }],
  ['1:30', { kind: 'amount', amount: 90, unit: 'min' }],
  ['1h 5', { kind: 'amount', amount: 65, unit: 'min' }],
  ['1.5h', { kind: 'amount', amount: 1.5, unit: 'h' }],
  ['€10', { kind: 'amount', amount: 10, unit: '€' }],
  ['10,50 €', { kind: 'amount', amount: 10.5, unit: '€' }],
  ['5 km', { kind: 'amount', amount: 5, unit: 'km' }],
  ['  ', undefined],
  ['?', null],
  ['rained all day', null],
  ['=1+1', null],
  ['-5', null],
] as [string, unknown][])('%s', (text, said) => {
  expect(parseCell(text)).toEqual(said);
});

it.each([
  ['1,5', 1.5],
  ['0,125', 0.125],
  ['1,234', 1234],
  ['1.234,5', 1234.5],
  ['1,234.5', 1234.5],
  ['1 234 567', 1234567],
  ['12.3.4', null],
  ['1.', null],
])('%s as a number', (text, number) => {
  expect(numberIn(text)).toBe(number);
});
