import type { Dye } from '@wimbel/core';

/** Light: oat paper and walnut ink; dark: the same workshop by lamplight. */
export type Palette = {
  paper: string;
  raised: string;
  line: string;
  ink: string;
  quiet: string;
  /** The one working colour, and its deeper shade. */
  working: string;
  deep: string;
  /** Text colour on the working colour. */
  onWorking: string;
  /** A wash of the working colour, for what is chosen. */
  wash: string;
  hole: string;
  rim: string;
  /** Rim of a hole still to come. */
  faint: string;
  /** Weekend columns. */
  tint: string;
  brass: string;
  brassText: string;
  madder: string;
  wood: { top: string; bottom: string; grain: string; edge: string };
  dyes: Record<Dye, string>;
};

export const LIGHT: Palette = {
  paper: '#F6F0E4',
  raised: '#FFFBF3',
  line: '#DDD2BE',
  ink: '#2A211A',
  quiet: '#6B5E50',
  working: '#27736B',
  deep: '#1C5A55',
  onWorking: '#FFFBF3',
  wash: '#D5E5DF',
  hole: '#E9DFCB',
  rim: '#94815F',
  faint: '#D9CDB6',
  tint: '#F5EEE2',
  brass: '#A8741A',
  brassText: '#8C5F10',
  madder: '#A33A36',
  wood: { top: '#E2C79B', bottom: '#D3B27D', grain: '#C39C63', edge: '#B08A50' },
  dyes: {
    verdigris: '#27736B',
    woad: '#3D5F94',
    clay: '#A65B3C',
    plum: '#7C4A78',
    moss: '#68782F',
    slate: '#596773',
    weld: '#93771C',
    madder: '#A33A36',
  },
};

export const DARK: Palette = {
  paper: '#1D1713',
  raised: '#28201A',
  line: '#3E332A',
  ink: '#F3E9DA',
  quiet: '#B5A592',
  working: '#5FB3A8',
  deep: '#8FD0C4',
  onWorking: '#1D1713',
  wash: '#27403B',
  hole: '#332920',
  rim: '#8A7764',
  faint: '#4A3D32',
  tint: '#2E251E',
  brass: '#D9A648',
  brassText: '#D9A648',
  madder: '#E07A70',
  wood: { top: '#6E5536', bottom: '#5B4529', grain: '#7D6342', edge: '#8A6E48' },
  dyes: {
    verdigris: '#5FB3A8',
    woad: '#86A8DB',
    clay: '#DB9372',
    plum: '#C08FBB',
    moss: '#A9BB66',
    slate: '#9DAEBC',
    weld: '#CDB04E',
    madder: '#E07A70',
  },
};
