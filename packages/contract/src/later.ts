/** When a change was made, and by which change. */
export type Made = { madeAt: string; id: string };

/** Microseconds since 1970, exact for the instants that the contract lets through. */
function microseconds(instant: string): number {
  const [seconds = '', fraction = ''] = instant.replace('Z', '').split('.');
  return Date.parse(`${seconds}Z`) * 1000 + Number(fraction.padEnd(6, '0').slice(0, 6));
}

/** Whether a change wins over another of the same record: the later instant, of the same instant the higher id. */
export function isLater(a: Made, b: Made): boolean {
  const byTime = microseconds(a.madeAt) - microseconds(b.madeAt);
  return byTime > 0 || (byTime === 0 && a.id > b.id);
}
