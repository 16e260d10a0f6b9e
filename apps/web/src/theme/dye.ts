import { DYES, type Dye } from '@wimbel/core';
import type { Palette } from './colors.ts';

/** The dye of an area, verdigris where it has none or one that is not known here. */
export const dyeOf = (color: string | undefined): Dye => DYES.find((dye) => dye === color) ?? 'verdigris';

export const dyeColor = (colors: Palette, color: string | undefined): string => colors.dyes[dyeOf(color)];
