import { MOST_AHEAD_MS } from '@wimbel/contract';
import { writeLocalSetting, readLocalSetting } from './localSettings.ts';

/** Smaller differences between device and server are network latency. */
const SAME_MS = 2000;

/** From this difference on the device's clock is wrong: no latency explains it, and changes would get other days. */
const WRONG_FROM_MS = 18 * 60 * 60 * 1000;

/** Local storage key of the chosen clock. */
const FOLLOWED = 'clock';

let offsetMs = 0;
let latestMs = 0;
const listeners = new Set<() => void>();

/** The device's own clock, in milliseconds. */
export const deviceClockMs = (): number => Date.now();

const isWrong = (): boolean => Math.abs(offsetMs) >= WRONG_FROM_MS;
const followed = (): string | null => readLocalSetting(FOLLOWED);
/** A choice applies only while the clock is off by the same number of days. */
const choiceFor = (clock: 'server' | 'device'): string => `${clock} ${Math.round(offsetMs / 86_400_000)}`;

/** The time that decides the person's day: the device's clock, or the server's where the device's is wrong and the person chose so. */
export const deviceNow = (): Date =>
  new Date(deviceClockMs() + (isWrong() && followed() === choiceFor('server') ? offsetMs : 0));

/** The server's time, estimated from its answers. */
const serverMs = (): number => deviceClockMs() + offsetMs;

/** A wrong device clock: the time by it and by the server. */
type WrongClock = { device: Date; server: Date };

let wrong: WrongClock | null = null;

/** The wrong clock until somebody chose which one to use; null otherwise. A stable reference until it changes. */
export const wrongClock = (): WrongClock | null => wrong;

function look(): void {
  const isOpen = isWrong() && followed() !== choiceFor('server') && followed() !== choiceFor('device');
  wrong = isOpen ? { device: new Date(deviceClockMs()), server: new Date(serverMs()) } : null;
  for (const listen of listeners) listen();
}

/** Subscribes to {@link wrongClock}; returns the unsubscriber. */
export function subscribeToClock(listen: () => void): () => void {
  listeners.add(listen);
  return () => void listeners.delete(listen);
}

/** Chooses the clock that decides the day. */
export function chooseClock(clock: 'server' | 'device'): void {
  writeLocalSetting(FOLLOWED, choiceFor(clock));
  look();
}

/** The device's own instant of a change where its clock is wrong (`deviceAt`); `madeAt` is the server's time. */
export const wrongInstant = (): string | undefined => (isWrong() ? new Date(deviceClockMs()).toISOString() : undefined);

/** Updates the clock offset from an answer; `sentMs` is when the request was sent, by the device's clock. */
export function syncServerTime(now: string, sentMs: number): void {
  const ownMs = (sentMs + deviceClockMs()) / 2;
  const measured = Math.round(Date.parse(now) - ownMs);
  if (Number.isNaN(measured)) return;
  const wasWrong = isWrong();
  offsetMs = Math.abs(measured) < SAME_MS ? 0 : measured;
  if (wasWrong || isWrong()) look();
}

/**
 * Registers the instant of a known change; {@link nextInstant} is later than all of them (a hybrid clock). An instant further
 * ahead than the server allows is ignored.
 */
export function noteInstant(instant: string): void {
  const ms = Date.parse(instant);
  if (ms <= serverMs() + MOST_AHEAD_MS) latestMs = Math.max(latestMs, ms);
}

/** The latest registered instant; null before the first. */
export const latestInstant = (): string | null => (latestMs === 0 ? null : new Date(latestMs).toISOString());

/** The instant of a new change: the server's time, or just after the latest registered instant. */
export function nextInstant(): string {
  const nowMs = serverMs();
  // Instants stamped before the offset was known are bounded too.
  latestMs = latestMs > nowMs + MOST_AHEAD_MS ? nowMs : Math.max(nowMs, latestMs + 1);
  return new Date(latestMs).toISOString();
}

/** Clears the registered instants when the account changes. */
export function forgetInstants(): void {
  latestMs = 0;
}
