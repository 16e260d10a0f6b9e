import { MOST_AHEAD_MS } from '@wimbel/contract';
import { writeLocalSetting, readLocalSetting } from './localSettings.ts';

/** Below this the device's clock and the server's are one: an answer takes its time. */
const SAME_MS = 2000;

/** From so many hours on a clock is wrong: no zone and no summer time explains it, and days are filed under others. */
const WRONG_FROM_MS = 18 * 60 * 60 * 1000;

/** The name under which the device remembers which clock its days go by. */
const FOLLOWED = 'clock';

let offsetMs = 0;
let latestMs = 0;
const listeners = new Set<() => void>();

/** The instant by the device's own clock, in milliseconds. */
export const deviceClockMs = (): number => Date.now();

const isWrong = (): boolean => Math.abs(offsetMs) >= WRONG_FROM_MS;
const followed = (): string | null => readLocalSetting(FOLLOWED);
/** A choice holds for a clock that is off by so many days, and for no other. */
const choiceFor = (clock: 'server' | 'device'): string => `${clock} ${Math.round(offsetMs / 86_400_000)}`;

/**
 * The time as this device shows it: what day and hour it is for the person. Where the device's clock is wrong by hours and the
 * person chose so, it is the server's time.
 */
export const deviceNow = (): Date =>
  new Date(deviceClockMs() + (isWrong() && followed() === choiceFor('server') ? offsetMs : 0));

/** The time as the server has it, as far as its answers have told. */
const serverMs = (): number => deviceClockMs() + offsetMs;

/** A device clock that is wrong: the day and time by it and by the server. */
export type WrongClock = { device: Date; server: Date };

let wrong: WrongClock | null = null;

/** The device's clock where it is wrong and nobody chose yet which one days go by; the same object until it changes. */
export const wrongClock = (): WrongClock | null => wrong;

function look(): void {
  const isOpen = isWrong() && followed() !== choiceFor('server') && followed() !== choiceFor('device');
  wrong = isOpen ? { device: new Date(deviceClockMs()), server: new Date(serverMs()) } : null;
  for (const listen of listeners) listen();
}

/** Hears when the device's clock is found to be wrong or right, and when it is chosen; returns the way to stop. */
export function subscribeToClock(listen: () => void): () => void {
  listeners.add(listen);
  return () => void listeners.delete(listen);
}

/** Chooses which clock days go by from now on, for as long as the device's is off by so many days. */
export function chooseClock(clock: 'server' | 'device'): void {
  writeLocalSetting(FOLLOWED, choiceFor(clock));
  look();
}

/** The instant of a change by the device's own clock, where that is wrong; what it is filed under is the server's time. */
export const wrongInstant = (): string | undefined => (isWrong() ? new Date(deviceClockMs()).toISOString() : undefined);

/** Learns from an answer how far this device's clock is off; `sentMs` is when the device asked, by its own clock. */
export function syncServerTime(now: string, sentMs: number): void {
  const ownMs = (sentMs + deviceClockMs()) / 2;
  const measured = Math.round(Date.parse(now) - ownMs);
  if (Number.isNaN(measured)) return;
  const wasWrong = isWrong();
  offsetMs = Math.abs(measured) < SAME_MS ? 0 : measured;
  if (wasWrong || isWrong()) look();
}

/**
 * Takes note of the instant of a change seen, so that what is made from here on is later. One that lies further ahead
 * than the server allows is of a clock gone wrong, and is not followed.
 */
export function noteInstant(instant: string): void {
  const ms = Date.parse(instant);
  if (ms <= serverMs() + MOST_AHEAD_MS) latestMs = Math.max(latestMs, ms);
}

/** The latest instant that was seen or made; null before any was. */
export const latestInstant = (): string | null => (latestMs === 0 ? null : new Date(latestMs).toISOString());

/** The instant of a change made now: the server's time, and always later than any instant seen. */
export function nextInstant(): string {
  const nowMs = serverMs();
  // What this device stamped before it learned that its clock runs far ahead is not followed either.
  latestMs = latestMs > nowMs + MOST_AHEAD_MS ? nowMs : Math.max(nowMs, latestMs + 1);
  return new Date(latestMs).toISOString();
}

/** Forgets what instants were seen: another account's are nothing to the next. */
export function forgetInstants(): void {
  latestMs = 0;
}
