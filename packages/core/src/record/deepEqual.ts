type Fields = Readonly<Record<string, unknown>>;

const setKeys = (value: object): string[] => Object.keys(value).filter((name) => (value as Fields)[name] !== undefined);

/** Deep equality of JSON values, whatever the order of the fields; null and undefined are the same. */
export function isDeepEqual(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (a === null || b === null || typeof a !== 'object' || typeof b !== 'object') return (a ?? null) === (b ?? null);
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  if (Array.isArray(a)) {
    const other = b as unknown[];
    return a.length === other.length && a.every((each, at) => isDeepEqual(each, other[at]));
  }
  const names = setKeys(a);
  return (
    names.length === setKeys(b).length &&
    names.every((name) => (b as Fields)[name] !== undefined && isDeepEqual((a as Fields)[name], (b as Fields)[name]))
  );
}
