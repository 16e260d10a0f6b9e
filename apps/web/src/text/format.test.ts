import { dayOf, monthOf } from '@wimbel/core';
import { amount, amountFault, amountOf, compact, editable, money, number, parseTyped, signed } from './amounts.ts';
import {
  beginningOf,
  counted,
  dateNear,
  dayInWords,
  fullDate,
  monthAbbreviation,
  monthName,
  percent,
  streakLength,
  weekdayLetter,
  weekdayName,
} from './format.ts';

const DAY = dayOf('2026-11-24');
const bare = (text: string): string => text.replace(/\s/g, ' ');

describe('days in words', () => {
  it('are those of the calendar, in whatever zone the device is', () => {
    expect([weekdayName(DAY), weekdayLetter(DAY), bare(dayInWords(DAY)), fullDate(DAY)]).toEqual([
      'Tuesday',
      'T',
      'Tuesday 24 November',
      '24 November 2026',
    ]);
    expect([dateNear(DAY, DAY), dateNear(DAY - 365, DAY)]).toEqual(['24 November', '24 November 2025']);
    expect([monthName(monthOf('2026-09')), monthAbbreviation(monthOf('2026-09'))]).toEqual(['September', 'Sep']);
  });
});

describe('numbers', () => {
  it('carry their unit', () => {
    expect([
      amount(400, 'm'),
      amount(95, 'min'),
      amount(200, 'min'),
      amount(12.5, '€'),
      amount(3, ''),
      amount(12_450, 'm'),
    ]).toEqual(['400 m', '95 min', '3:20 h', '€12.50', '3', '12.45 km']);
    expect([amountOf(400, 600, 'm'), amountOf(10, 24, '€'), amountOf(95, 200, 'min')]).toEqual([
      '400 of 600 m',
      '€10 of €24',
      '95 min of 3:20 h',
    ]);
    expect([signed(3), signed(-2), signed(0)]).toEqual(['+3', '\u22122', '0']);
    expect([editable(1200.5, ','), editable(0.125, '.')]).toEqual(['1200,5', '0.125']);
    expect(['', '3', 'x', '-1'].map(amountFault)).toEqual([
      null,
      null,
      'Write a number, such as 12 or 7.5',
      'An amount is 0 or more',
    ]);
    expect([money(747, 'EUR'), money(7.5, 'GBP'), money(5, 'not one')]).toEqual(['€747', '£7.50', '5 not one']);
    expect([counted(1, 'day'), counted(23, 'day'), counted(1200, 'day'), streakLength(2, 'weeks')]).toEqual([
      '1 day',
      '23 days',
      '1,200 days',
      '2 weeks',
    ]);
    expect(number(0.1 + 0.2)).toBe('0.3');
  });

  it('as a share are whole percent, never 100 before it is whole', () => {
    expect([0, 0.996, 1, 1.75].map((ratio) => bare(percent(ratio)))).toEqual(['0 %', '99 %', '100 %', '175 %']);
    expect(percent(null)).toBe('–');
  });

  it.each<[string, string, number | null]>([
    ['12', '.', 12],
    [' 7.5 ', '.', 7.5],
    ['7,5', '.', 7.5],
    ['1,200', '.', 1200],
    ['1,200', ',', 1.2],
    ['1 200', ',', 1200],
    ['-3', '.', -3],
    ['.5', '.', 0.5],
    ['', '.', null],
    ['twelve', '.', null],
    ['1.2.3', '.', null],
    ['1e3', '.', null],
  ])('"%s" typed where decimals are written with "%s" is %s', (text, mark, value) =>
    expect(parseTyped(text, mark)).toBe(value),
  );
});

it('numbers in little room are short, and keep three digits', () => {
  expect([0, 7, 950, 9_600, 17_000, 1_234_567].map((value) => compact(value).toLowerCase())).toEqual([
    '0',
    '7',
    '950',
    '9.6k',
    '17k',
    '1.23m',
  ]);
});

it('the beginning of a text is one line, cut between words', () => {
  expect(beginningOf(' Rain\n\nand  wind ', 20)).toBe('Rain and wind');
  expect(beginningOf('Rain and wind', 9)).toBe('Rain and …');
  expect(beginningOf('Rainandwindandsea', 5)).toBe('Raina …');
});
