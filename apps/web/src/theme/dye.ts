import { DYES, type Dye } from '@wimbel/core';
import { colord, extend } from 'colord';
import a11y from 'colord/plugins/a11y';
import type { Palette } from './colors.ts';

extend([a11y]);

/** What a colour of an area must differ from what is under it by, as WCAG 2.2 asks of marks. */
const LEAST_CONTRAST = 3;
const STEP = 0.02;

const isDye = (color: string | undefined): color is Dye => DYES.some((dye) => dye === color);

/** Whether a colour is one of a person's own, as #RRGGBB. */
export const isOwnColor = (color: string | undefined): color is string => /^#[0-9a-f]{6}$/i.test(color ?? '');

/** The dye of an area, or its own colour; verdigris where it has none or one that is not known here. */
export const dyeOf = (color: string | undefined): string => (isDye(color) || isOwnColor(color) ? color : 'verdigris');

const shown = new Map<string, string>();

/** A person's own colour as it shows: darker on a light theme, lighter on a dark one, until it can be seen. */
function visible(color: string, { paper, raised }: Palette): string {
  const name = `${color} ${paper} ${raised}`;
  const known = shown.get(name);
  if (known !== undefined) return known;
  const step = colord(paper).isDark() ? STEP : -STEP;
  let own = colord(color);
  const isSeen = (): boolean => [paper, raised].every((under) => own.contrast(under) >= LEAST_CONTRAST);
  for (let tries = 0; tries < 1 / STEP && !isSeen(); tries++) own = colord(own.lighten(step).toHex());
  shown.set(name, own.toHex());
  return own.toHex();
}

/** The colour of an area on a palette, always 3 : 1 against what is under it. */
export const dyeColor = (colors: Palette, color: string | undefined): string =>
  isDye(color) ? colors.dyes[color] : isOwnColor(color) ? visible(color, colors) : colors.dyes.verdigris;
