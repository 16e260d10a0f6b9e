/** How often something is measured: at most twice in a short run (`BENCH_SHORT`), which only shows that a bench works. */
export const rounds = (usual: number): number => (process.env.BENCH_SHORT ? Math.min(usual, 2) : usual);

/** Milliseconds of one run of some work. */
function timeMs(work: () => unknown): number {
  const startedMs = performance.now();
  work();
  return performance.now() - startedMs;
}

export async function timeMsAsync(work: () => Promise<unknown>): Promise<number> {
  const startedMs = performance.now();
  await work();
  return performance.now() - startedMs;
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? NaN;
}

/** Runs several works in turns, so that each meets the same machine, and gives the median of each. */
export function sideBySide<K extends string>(works: Record<K, () => unknown>, rounds: number): Record<K, number> {
  const names = Object.keys(works) as K[];
  const times = Object.fromEntries(names.map((name) => [name, [] as number[]])) as Record<K, number[]>;
  for (let round = 0; round < rounds; round++) for (const name of names) times[name].push(timeMs(works[name]));
  return Object.fromEntries(names.map((name) => [name, median(times[name])])) as Record<K, number>;
}

export const say = (text: string): void => void process.stdout.write(`${text}\n`);

export const line = (name: string, ms: number): void => say(`  ${name.padEnd(58)} ${ms.toFixed(3).padStart(10)} ms`);

export const ratio = (name: string, value: number): void =>
  say(`  ${name.padEnd(58)} ${value.toFixed(3).padStart(10)} ×`);
