/** The server's one clock. */
export type Clock = { now: () => Date };

/** A clock that runs from `start` on, or the real one without it. */
export function createClock(start: string | null): Clock {
  const offsetMs = start === null ? 0 : Date.parse(start) - Date.now();
  return { now: () => new Date(Date.now() + offsetMs) };
}
