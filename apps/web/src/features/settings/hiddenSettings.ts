import { type Hideable, type Settings } from '@wimbel/core';

/** The hidden parts of the app, with one added or removed. */
export const hiddenWith = ({ hidden = [] }: Settings, what: Hideable, isHidden: boolean): Hideable[] => [
  ...hidden.filter((each) => each !== what),
  ...(isHidden ? [what] : []),
];

export const SHOWN: { value: 'shown' | 'hidden'; label: string }[] = [
  { value: 'shown', label: 'Shown' },
  { value: 'hidden', label: 'Hidden' },
];
