import {
  chooseClock,
  deviceNow,
  subscribeToClock,
  syncServerTime,
  nextInstant,
  wrongClock,
  wrongInstant,
} from './clock.ts';

const DEVICE = '2023-03-05T09:00:00.000Z';
const SERVER = '2026-11-24T09:00:00.000Z';

beforeEach(() => {
  localStorage.clear();
  jest.useFakeTimers({ now: new Date(DEVICE) });
});
afterEach(() => {
  syncServerTime(new Date().toISOString(), Date.now());
  jest.useRealTimers();
});

const day = (date: Date): string => date.toISOString().slice(0, 10);
const answered = (now: string): void => syncServerTime(now, Date.now());

it('a clock that is wrong by days is told once, and the person chooses which day it is', () => {
  const heard = jest.fn();
  const stop = subscribeToClock(heard);
  answered(SERVER);
  expect(heard).toHaveBeenCalled();
  expect([wrongClock()!.device, wrongClock()!.server].map(day)).toEqual(['2023-03-05', '2026-11-24']);
  // Until then days go by the device, as they did.
  expect(day(deviceNow())).toBe('2023-03-05');
  chooseClock('server');
  expect([day(deviceNow()), wrongClock()]).toEqual(['2026-11-24', null]);
  stop();
});

it('a choice holds for this wrong clock alone: put right, or wrong in another way, it is asked anew', () => {
  answered(SERVER);
  chooseClock('server');
  jest.setSystemTime(new Date(SERVER));
  answered(SERVER);
  expect([day(deviceNow()), wrongClock()]).toEqual(['2026-11-24', null]);
  jest.setSystemTime(new Date('2031-01-01T09:00:00Z'));
  answered(SERVER);
  expect([day(deviceNow()), day(wrongClock()!.server)]).toEqual(['2031-01-01', '2026-11-24']);
  chooseClock('device');
  expect([day(deviceNow()), wrongClock()]).toEqual(['2031-01-01', null]);
});

it('a change keeps both instants where the clock is wrong, and one where it is right', () => {
  answered(new Date().toISOString());
  expect(wrongInstant()).toBeUndefined();
  answered(SERVER);
  expect([nextInstant().slice(0, 10), wrongInstant()]).toEqual(['2026-11-24', DEVICE]);
});

it('some hours are a zone or a slow clock, and nothing is said', () => {
  answered('2023-03-05T20:00:00.000Z');
  expect(wrongClock()).toBeNull();
});
