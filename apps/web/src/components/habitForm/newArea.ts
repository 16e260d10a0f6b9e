import { type Area, DYES } from '@wimbel/core';
import { newId } from '../../store/makeChange.ts';

/** The area that stands for "a new one" in a choice of areas. */
export const NEW_AREA = '+';

/** An area of a name, after those there are, in the next of the colours. */
export const newArea = (name: string, areas: readonly Area[]): Area => ({
  id: newId(),
  name: name.trim(),
  color: DYES[areas.length % DYES.length]!,
  order: (areas.at(-1)?.order ?? -1) + 1,
});
