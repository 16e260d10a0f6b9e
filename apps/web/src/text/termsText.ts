import { type Habit, type Measure, type Schedule, type Terms, WEEKDAYS } from '@wimbel/core';
import { amount, number } from './amounts.ts';
import { capital, counted } from './format.ts';

const short = (weekday: string): string => capital(weekday.slice(0, 3));

/** "every day", "Mon, Wed, Fri", "every 2 days", "3 days a week", "10 days a month" */
export function scheduleWords(schedule: Schedule): string {
  switch (schedule.kind) {
    case 'daily':
      return 'every day';
    case 'weekdays':
      return WEEKDAYS.filter((each) => schedule.days.includes(each))
        .map(short)
        .join(', ');
    case 'interval':
      return schedule.every === 2 ? 'every other day' : `every ${schedule.every} days`;
    case 'perWeek':
      return `${counted(schedule.times, 'day')} a week`;
    case 'perMonth':
      return `${counted(schedule.times, 'day')} a month`;
  }
}

/** What a habit asks by its latest terms, without what it earns: "every day, at least 20 min". */
export function askedWords({ terms, measure }: Pick<Habit, 'terms' | 'measure'>): string {
  const { pips: _, ...latest } = terms.at(-1)!;
  return termsWords(latest, measure);
}

/** "every day, at least 20 min, 2 pips" */
export function termsWords(
  terms: Pick<Terms, 'schedule' | 'atLeast' | 'atMost' | 'pips'>,
  measure: Measure,
  pipsName: { one: string; many: string } = { one: 'pip', many: 'pips' },
): string {
  const unit = measure.kind === 'amount' ? measure.unit : '';
  const limit =
    terms.atLeast !== undefined && terms.atLeast !== null
      ? `at least ${amount(terms.atLeast, unit)}`
      : terms.atMost !== undefined && terms.atMost !== null
        ? `at most ${amount(terms.atMost, unit)}`
        : '';
  const pips = terms.pips ? `${number(terms.pips)} ${terms.pips === 1 ? pipsName.one : pipsName.many}` : '';
  return [scheduleWords(terms.schedule), limit, pips].filter(Boolean).join(', ');
}
