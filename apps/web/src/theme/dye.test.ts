import { colord } from 'colord';
import fc from 'fast-check';
import { DARK, LIGHT } from './colors.ts';
import { dyeColor, dyeOf } from './dye.ts';

const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`);

describe('the colour of an area', () => {
  it('is a dye, a person’s own colour, or verdigris', () => {
    expect(dyeOf('woad')).toBe('woad');
    expect(dyeOf('#12ab9F')).toBe('#12ab9F');
    expect([dyeOf(undefined), dyeOf('red'), dyeOf('#12')]).toEqual(['verdigris', 'verdigris', 'verdigris']);
    expect(dyeColor(LIGHT, 'no such')).toBe(LIGHT.dyes.verdigris);
  });

  it('can be seen on paper and on cards in both themes, whatever was chosen', () => {
    fc.assert(
      fc.property(hex, fc.constantFrom(LIGHT, DARK), (color, palette) => {
        const own = colord(dyeColor(palette, color));
        expect(own.contrast(palette.paper)).toBeGreaterThanOrEqual(3);
        expect(own.contrast(palette.raised)).toBeGreaterThanOrEqual(3);
      }),
      { numRuns: 2000 },
    );
  });

  it('stays as it was chosen where it can be seen', () => {
    expect(dyeColor(LIGHT, '#7a1f5c')).toBe('#7a1f5c');
    expect(dyeColor(DARK, '#e8a0d0')).toBe('#e8a0d0');
  });
});
