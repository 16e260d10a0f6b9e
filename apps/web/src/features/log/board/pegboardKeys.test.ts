import { dayOf } from '@wimbel/core';
import { KEYS, deedOf } from './pegboardKeys.ts';

const TODAY = dayOf('2026-11-24');
const SPAN = { first: dayOf('2026-11-01'), last: dayOf('2026-11-30') };
const at = (day: string, row = 2, span = SPAN) => ({ row, day: dayOf(day), rows: 30, span, today: TODAY });
const move = (day: string, row = 2) => ({ kind: 'move', row, day: dayOf(day) });

it.each([
  ['ArrowLeft', at('2026-11-10'), move('2026-11-09')],
  ['ArrowRight', at('2026-11-24'), move('2026-11-24')],
  ['ArrowUp', at('2026-11-10', 0), move('2026-11-10', 0)],
  ['ArrowDown', at('2026-11-10', 29), move('2026-11-10', 29)],
  ['Home', at('2026-11-10'), move('2026-11-01')],
  ['End', at('2026-11-10'), move('2026-11-24')],
  ['PageDown', at('2026-11-10'), move('2026-11-10', 12)],
  ['PageUp', at('2026-11-10', 25), move('2026-11-10', 15)],
  ['t', at('2026-11-10'), move('2026-11-24')],
  ['t', at('2026-10-10', 2, { first: dayOf('2026-10-01'), last: dayOf('2026-10-31') }), { kind: 'today' }],
  ['ArrowLeft', at('2026-11-01'), { kind: 'span', by: -1 }],
  [
    'ArrowRight',
    at('2026-10-31', 2, { first: dayOf('2026-10-01'), last: dayOf('2026-10-31') }),
    { kind: 'span', by: 1 },
  ],
  [' ', at('2026-11-10'), { kind: 'check' }],
  ['7', at('2026-11-10'), { kind: 'digit', text: '7' }],
  ['R', at('2026-11-10'), { kind: 'mark', mark: 'rest' }],
  ['m', at('2026-11-10'), { kind: 'mark', mark: 'missed' }],
  ['Delete', at('2026-11-10'), { kind: 'empty' }],
  ['q', at('2026-11-10'), null],
])('%s: %j', (key, where, deed) => expect(deedOf(key, where)).toEqual(deed));

it('the help names no key twice', () => {
  expect(new Set(KEYS.map(([keys]) => keys)).size).toBe(KEYS.length);
});
