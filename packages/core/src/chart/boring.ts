import { scaleBand } from 'd3-scale';

/** A key result as a hole: how far it is and how far it was to be, as ratios. */
export type BoringInput = { id: string; /** 0–1 */ progress: number; expected: number | null };

/** A hole bored from above, in pixels. */
export type BoringHole = {
  id: string;
  /** Middle, left edge and width of the hole. */
  x: number;
  left: number;
  width: number;
  /** How deep it is bored, from the top of the plank; the tip is part of it. */
  depth: number;
  path: string;
  /** Where it was expected to be by today; null without a due day. */
  tick: { y: number; left: number; right: number } | null;
  isThrough: boolean;
};

/** A plank with its holes, in pixels. */
export type Boring = { holes: BoringHole[]; widthPx: number; heightPx: number };

/**
 * The picture of a goal: a plank seen from the side, each key result a hole bored from above as deep as its progress.
 * A reached one goes through. All lengths in pixels, from the plank's top left corner.
 */
export function boring(
  inputs: readonly BoringInput[],
  size: { widthPx: number; heightPx: number; widestPx: number },
): Boring {
  const bands = scaleBand(
    inputs.map((each) => each.id),
    [0, size.widthPx],
  )
    .paddingInner(0.62)
    .paddingOuter(0.5);
  const width = Math.min(bands.bandwidth(), size.widestPx);
  const holes = inputs.map(({ id, progress, expected }): BoringHole => {
    const x = (bands(id) ?? 0) + bands.bandwidth() / 2;
    const isThrough = progress >= 1;
    const depth = Math.max(0, Math.min(1, progress)) * size.heightPx;
    const tip = isThrough ? 0 : Math.min(width * 0.32, depth);
    const left = x - width / 2;
    const path = depth === 0 ? '' : `M${left} 0H${left + width}V${depth - tip}L${x} ${depth}L${left} ${depth - tip}Z`;
    const reach = Math.max(4, width * 0.22);
    const tick =
      expected === null
        ? null
        : { y: expected * size.heightPx, left: left + width + 3, right: left + width + 3 + reach };
    return { id, x, left, width, depth, path, tick, isThrough };
  });
  return { holes, widthPx: size.widthPx, heightPx: size.heightPx };
}
