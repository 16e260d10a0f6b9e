import { MOST_AHEAD_MS } from '@wimbel/contract';

/** Below this the device's clock and the server's are one: an answer takes its time. */
const SAME_MS = 2000;

let offsetMs = 0;
let latestMs = 0;

/** The time as this device shows it: what day and hour it is for the person. */
export const deviceNow = (): Date => new Date();

/** The time as the server has it, as far as its answers have told. */
const serverMs = (): number => deviceNow().getTime() + offsetMs;

/** Learns from an answer how far this device's clock is off; `sentMs` is when the device asked, by its own clock. */
export function learnServerTime(now: string, sentMs: number): void {
  const ownMs = (sentMs + deviceNow().getTime()) / 2;
  const measured = Math.round(Date.parse(now) - ownMs);
  if (!Number.isNaN(measured)) offsetMs = Math.abs(measured) < SAME_MS ? 0 : measured;
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
