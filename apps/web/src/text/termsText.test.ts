import type { Measure } from '@wimbel/core';
import { scheduleWords, termsWords } from './termsText.ts';

const check: Measure = { kind: 'check' };
const inUnit = (unit: string): Measure => ({ kind: 'amount', unit, step: 1 });

it('schedules are told in everyday words, weekdays in the order of the week', () => {
  expect([
    scheduleWords({ kind: 'daily' }),
    scheduleWords({ kind: 'weekdays', days: ['sunday', 'monday', 'friday'] }),
    scheduleWords({ kind: 'interval', every: 2 }),
    scheduleWords({ kind: 'interval', every: 3 }),
    scheduleWords({ kind: 'perWeek', times: 1 }),
    scheduleWords({ kind: 'perMonth', times: 10 }),
  ]).toEqual(['every day', 'Mon, Fri, Sun', 'every other day', 'every 3 days', '1 day a week', '10 days a month']);
});

it('terms carry their limit in its unit, nothing at most too, and their pips by their own name', () => {
  const schedule = { kind: 'daily' } as const;
  expect(termsWords({ schedule }, check)).toBe('every day');
  expect(termsWords({ schedule, pips: 1 }, check)).toBe('every day, 1 pip');
  expect(termsWords({ schedule, pips: 2.5 }, check, { one: 'shell', many: 'shells' })).toBe('every day, 2.5 shells');
  expect(termsWords({ schedule, atLeast: 20, pips: 0 }, inUnit('min'))).toBe('every day, at least 20 min');
  expect(termsWords({ schedule, atLeast: 150 }, inUnit('min'))).toBe('every day, at least 2:30 h');
  expect(termsWords({ schedule, atMost: 0 }, inUnit('cups'))).toBe('every day, at most 0 cups');
  expect(termsWords({ schedule, atLeast: 12.5 }, inUnit('EUR'))).toMatch(/^every day, at least €12\.50$/);
});
