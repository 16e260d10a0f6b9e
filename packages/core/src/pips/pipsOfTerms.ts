import type { Terms } from '../record/records.ts';

const WEEKS_OF_MONTH = 365.25 / 84;

/** What a full month of terms earns on the mean, every day kept: of so many a month those, of others their weeks. */
export const pipsOfMonth = (terms: Pick<Terms, 'schedule' | 'pips'>): number =>
  terms.schedule.kind === 'perMonth' ? (terms.pips ?? 0) * terms.schedule.times : pipsOfWeek(terms) * WEEKS_OF_MONTH;

/** What a full week of terms earns on the mean, every day kept. */
export function pipsOfWeek({ schedule, pips }: Pick<Terms, 'schedule' | 'pips'>): number {
  const each = pips ?? 0;
  switch (schedule.kind) {
    case 'daily':
      return each * 7;
    case 'weekdays':
      return each * schedule.days.length;
    case 'interval':
      return (each * 7) / schedule.every;
    case 'perWeek':
      return each * schedule.times;
    case 'perMonth':
      return (each * schedule.times) / WEEKS_OF_MONTH;
  }
}
