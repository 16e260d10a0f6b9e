import { curveNatural, lineRadial } from 'd3-shape';

const TURNS = 1.62;
const POINTS = 28;

/**
 * The curl in a peg's head, one turn of the tool: an SVG path around the origin for a peg of radius 1, from the middle
 * outwards to its open end below on the right.
 */
export const CURL_PATH: string = (() => {
  const end = Math.PI * 0.78;
  const points = Array.from({ length: POINTS + 1 }, (_, index): [number, number] => {
    const share = index / POINTS;
    return [end - (1 - share) * TURNS * 2 * Math.PI, 0.07 + 0.43 * share];
  });
  return (
    lineRadial()
      .curve(curveNatural)(points)
      ?.replace(/(\.\d{3})\d+/g, '$1') ?? ''
  );
})();
