/** Makes something when it is first asked for, and once: what takes long to make holds nobody up who does without it. */
export function lazy<T>(make: () => T): () => T {
  let made: { value: T } | undefined;
  return () => (made ??= { value: make() }).value;
}
