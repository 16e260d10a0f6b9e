/** Makes something when it is first asked for: what the first screen does without need not hold it up. */
export function once<T>(make: () => T): () => T {
  let made: { value: T } | undefined;
  return () => (made ??= { value: make() }).value;
}
