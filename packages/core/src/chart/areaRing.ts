import { arc, pie } from 'd3-shape';

/** A part of the ring: its angles in radians from the top, and how far it is filled. */
export type RingPart = {
  /** Its room in the ring, and what of it is filled from within; empty where it has no part. */
  room: string;
  filled: string;
  /** Where its figure stands, outside of the ring's middle line. */
  label: { x: number; y: number };
  /** Of a whole turn, 0–1. */
  turn: number;
};

/**
 * A ring whose parts are as wide as their counts and filled from within as far as their shares (ratio 0–1, more ends at
 * the rim, null fills nothing). A count of 0 has no room. Around the point 0, 0; lengths in pixels, clockwise from the top.
 */
export function areaRing(
  parts: readonly { count: number; share: number | null }[],
  { outerPx, innerPx }: { outerPx: number; innerPx: number },
): RingPart[] {
  const angles = pie<{ count: number }>()
    .sort(null)
    .value(({ count }) => count)([...parts]);
  // The gap is taken from within the parts: their angles stay exactly their counts.
  const gap = parts.filter(({ count }) => count > 0).length > 1 ? 0.03 : 0;
  const total = parts.reduce((sum, { count }) => sum + count, 0);
  return parts.map(({ count, share }, index) => {
    if (count === 0) return { room: '', filled: '', label: { x: 0, y: 0 }, turn: 0 };
    const { startAngle, endAngle } = angles[index]!;
    const draw = (rim: number) =>
      arc<null>()
        .innerRadius(innerPx)
        .outerRadius(rim)
        .cornerRadius(2)
        .startAngle(startAngle)
        .endAngle(endAngle)
        .padAngle(gap)(null) ?? '';
    const middle = (startAngle + endAngle) / 2;
    const radius = innerPx * 0.8;
    return {
      room: draw(outerPx),
      filled: share === null || share <= 0 ? '' : draw(innerPx + Math.min(1, share) * (outerPx - innerPx)),
      label: { x: radius * Math.sin(middle), y: -radius * Math.cos(middle) },
      turn: count / total,
    };
  });
}
