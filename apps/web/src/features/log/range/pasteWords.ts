import type { PlainDay } from '@wimbel/core';
import { counted, dateNear } from '../../../text/format.ts';

/** What a paste did: "75 days pasted, 3 cleared; 2 fields could not be read". */
export function pastedWords(counts: { pasted: number; cleared: number; unread: number; beyond: number }): string {
  const { pasted, cleared, unread, beyond } = counts;
  const did = [
    pasted > 0 ? `${counted(pasted, 'day')} pasted` : '',
    cleared > 0 ? (pasted > 0 ? `${cleared} cleared` : `${counted(cleared, 'day')} cleared`) : '',
  ].filter(Boolean);
  const left = [
    unread > 0 ? `${counted(unread, 'field')} could not be read` : '',
    beyond > 0 ? `${counted(beyond, 'field')} did not fit on the board or lie ahead` : '',
  ].filter(Boolean);
  return [did.length > 0 ? did.join(', ') : 'Nothing pasted', ...left].join('; ');
}

/** From which day habits count: "Scales counts from 1 August", "25 habits count from 1 August". */
export const countFromWords = (names: readonly string[], day: PlainDay, today: PlainDay): string =>
  names.length === 1
    ? `${names[0]} counts from ${dateNear(day, today)}`
    : `${counted(names.length, 'habit')} count from ${dateNear(day, today)}`;
