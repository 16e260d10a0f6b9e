import { DARK, LIGHT, type Palette } from './colors.ts';

/** Contrast of two colours. Source: WCAG 2.2, relative luminance. */
function contrast(a: string, b: string): number {
  const luminance = (hex: string): number => {
    const [r, g, b_] = [1, 3, 5].map((at) => {
      const value = parseInt(hex.slice(at, at + 2), 16) / 255;
      return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
    }) as [number, number, number];
    return 0.2126 * r + 0.7152 * g + 0.0722 * b_;
  };
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (light + 0.05) / (dark + 0.05);
}

describe.each<[string, Palette]>([
  ['light', LIGHT],
  ['dark', DARK],
])('the %s palette', (_, colors) => {
  it('writes text at 4.5 to 1 or more', () => {
    for (const ground of [colors.paper, colors.raised]) {
      for (const ink of [colors.ink, colors.quiet, colors.working, colors.deep, colors.brassText, colors.madder]) {
        expect([ink, ground, contrast(ink, ground) >= 4.5]).toEqual([ink, ground, true]);
      }
    }
    expect(contrast(colors.onWorking, colors.working)).toBeGreaterThanOrEqual(4.5);
    expect(contrast(colors.deep, colors.wash)).toBeGreaterThanOrEqual(4.5);
  });

  it('draws rims, cords and pegs at 3 to 1 or more', () => {
    for (const mark of [colors.rim, colors.brass, ...Object.values(colors.dyes)]) {
      expect([mark, contrast(mark, colors.raised) >= 3]).toEqual([mark, true]);
    }
  });
});
