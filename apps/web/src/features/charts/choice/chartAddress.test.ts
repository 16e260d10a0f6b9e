import { dayOf } from '@wimbel/core';
import { type ChartParams, type ChartsAt, chartsAddress, chartsAt, logAddress } from './chartAddress.ts';

const TODAY = dayOf('2026-11-24');
const paramsOf = (address: string): ChartParams =>
  Object.fromEntries(new URLSearchParams(address.split('?')[1] ?? '')) as ChartParams;

describe('the address of charts', () => {
  it.each<[string, Partial<ChartsAt>]>([
    ['/charts', {}],
    ['/charts?span=month&day=2026-03-02', { kind: 'month', day: dayOf('2026-03-02') }],
    ['/charts?span=all&habit=h%261', { kind: 'all', what: { of: 'habit', id: 'h&1' } }],
    ['/charts?area=bay', { what: { of: 'area', id: 'bay' } }],
    ['/charts?span=quarter&goal=island', { kind: 'quarter', what: { of: 'goal', id: 'island' } }],
    [
      '/charts?from=2026-11-01&to=2026-11-10',
      { kind: 'days', between: { first: dayOf('2026-11-01'), last: dayOf('2026-11-10') } },
    ],
  ])('%s says what it was made from', (address, differs) => {
    const at: ChartsAt = { kind: 'year', day: TODAY, between: null, what: { of: 'all' }, ...differs };
    expect(chartsAddress(at, TODAY)).toBe(address);
    expect(chartsAt(paramsOf(address), TODAY)).toEqual(at);
  });

  it('that says something wrong is the year of today, of everything', () => {
    const usual = { kind: 'year', day: TODAY, between: null, what: { of: 'all' } };
    expect(chartsAt({ span: 'decade', day: 'soon' }, TODAY)).toEqual(usual);
    expect(chartsAt({ from: '2026-11-10', to: '2026-11-01' }, TODAY)).toEqual(usual);
    expect(chartsAt({ span: 'days' }, TODAY)).toEqual(usual);
  });

  it('of the sheet for paper is beside it', () => {
    const at: ChartsAt = { kind: 'month', day: TODAY, between: null, what: { of: 'habit', id: 'h' } };
    expect(chartsAddress(at, TODAY, '/charts/print')).toBe('/charts/print?span=month&habit=h');
  });
});

describe('the way to the log', () => {
  it('leads to the week of a day or a week, the month of a month, else the quarter or year', () => {
    const to = (first: string, last: string) => logAddress({ first: dayOf(first), last: dayOf(last) });
    expect(to('2026-03-04', '2026-03-04')).toBe('/log?span=week&day=2026-03-04&at=2026-03-04');
    expect(to('2026-03-02', '2026-03-08')).toBe('/log?span=week&day=2026-03-02');
    expect(to('2026-02-01', '2026-02-28')).toBe('/log?month=2026-02');
    expect(to('2026-01-01', '2026-03-31')).toBe('/log?span=quarter&day=2026-01-01');
    expect(to('2026-01-01', '2026-12-31')).toBe('/log?span=year&day=2026-01-01');
  });
});
