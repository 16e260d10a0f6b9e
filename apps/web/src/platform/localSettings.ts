import { useState } from 'react';

/** Reads a setting of this device from local storage; null where there is none or storage is forbidden. */
export function readLocalSetting(name: string): string | null {
  try {
    return globalThis.localStorage?.getItem(`wimbel.${name}`) ?? null;
  } catch {
    return null;
  }
}

/** Writes a setting of this device to local storage. */
export function writeLocalSetting(name: string, value: string): void {
  try {
    globalThis.localStorage?.setItem(`wimbel.${name}`, value);
  } catch {
    // Storage is full or forbidden: the setting lasts for this page only.
  }
}

/** A set of names in local storage, with a toggle. */
export function useLocalNameSet(name: string): [ReadonlySet<string>, (each: string) => void] {
  const [names, setNames] = useState<ReadonlySet<string>>(
    () => new Set((readLocalSetting(name) ?? '').split('\n').filter(Boolean)),
  );
  return [
    names,
    (each) => {
      const next = new Set(names);
      if (!next.delete(each)) next.add(each);
      writeLocalSetting(name, [...next].join('\n'));
      setNames(next);
    },
  ];
}

/** A choice in local storage; `first` is the default. */
export function useLocalChoice<V extends string>(
  name: string,
  choices: readonly V[],
  first: V,
): [V, (value: V) => void] {
  const [value, setValue] = useState<V>(() => choices.find((each) => each === readLocalSetting(name)) ?? first);
  return [
    value,
    (next) => {
      writeLocalSetting(name, next);
      setValue(next);
    },
  ];
}
