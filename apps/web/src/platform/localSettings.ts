import { useState } from 'react';

/** What this device remembers under a name; null where it remembers nothing, or may not. */
export function readLocalSetting(name: string): string | null {
  try {
    return globalThis.localStorage?.getItem(`wimbel.${name}`) ?? null;
  } catch {
    return null;
  }
}

export function writeLocalSetting(name: string, value: string): void {
  try {
    globalThis.localStorage?.setItem(`wimbel.${name}`, value);
  } catch {
    // A full or forbidden storage only means that the choice is made anew next time.
  }
}

/** Names that are switched on, remembered on this device: whether one is, and a switch for it. */
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

/** One of a few choices, remembered on this device. */
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
