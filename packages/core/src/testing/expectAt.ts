/** Expects the value at a dotted path, numbers equal within 1e-9, objects and lists whole. */
export function expectAt(root: unknown, path: string, expected: unknown): void {
  let value = root;
  for (const key of path.split('.')) value = (value as Record<string, unknown> | undefined)?.[key];
  expect({ path, value: rounded(value) }).toEqual({ path, value: rounded(expected) });
}

/** Numbers to nine decimals, so that whole structures compare within 1e-9. */
function rounded(value: unknown): unknown {
  if (typeof value === 'number') return Math.round(value * 1e8) / 1e8;
  if (Array.isArray(value)) return value.map(rounded);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, rounded(each)]));
}
