import { scaleLinear } from 'd3-scale';

/** Colours that grow from one to another with a ratio 0–1; both as CSS colours, the answer too. */
export const toneScale = (from: string, to: string): ((ratio: number) => string) =>
  scaleLinear<string>().domain([0, 1]).range([from, to]).clamp(true);
