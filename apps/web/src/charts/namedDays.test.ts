import { dayOf } from '@wimbel/core';
import { namedDays } from './namedDays.ts';

it('names each of a few days, every seventh of a month, and fewer of a quarter with their month', () => {
  const named = (first: string, last: string) =>
    namedDays({ first: dayOf(first), last: dayOf(last) }).map(({ text }) => text);
  expect(named('2026-11-23', '2026-11-29')).toEqual(['23', '24', '25', '26', '27', '28', '29']);
  expect(named('2026-11-01', '2026-11-30')).toEqual(['1', '8', '15', '22', '29']);
  expect(named('2026-10-01', '2026-12-31')).toEqual(['1 Oct', '22 Oct', '12 Nov', '3 Dec', '24 Dec']);
  expect(named('2026-11-24', '2026-11-24')).toEqual(['24']);
});
