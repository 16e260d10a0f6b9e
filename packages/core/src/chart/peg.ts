/**
 * The filled part of a hole of radius `r` around (x, y), filled from below up to `ratio` of its height, as an SVG path.
 * Empty for nothing, the whole circle from 1 on.
 */
export function fillPath(x: number, y: number, r: number, ratio: number): string {
  if (!(ratio > 0)) return '';
  if (ratio >= 1) return `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
  const level = y + r - 2 * r * ratio;
  const half = Math.sqrt(Math.max(0, r * r - (level - y) ** 2));
  return `M${short(x - half)} ${short(level)}A${r} ${r} 0 ${ratio > 0.5 ? 1 : 0} 0 ${short(x + half)} ${short(level)}Z`;
}

/**
 * A circle of radius `r` around (x, y) with a gap above on the right, a fifth of it, as an SVG path: the rim of a hole that
 * was missed.
 */
export function gappedRimPath(x: number, y: number, r: number): string {
  const at = (turn: number): string =>
    `${short(x + r * Math.cos(2 * Math.PI * turn))} ${short(y + r * Math.sin(2 * Math.PI * turn))}`;
  // Turns go clockwise from the right; the gap lies around the seventh eighth.
  return `M${at(0.975)}A${r} ${r} 0 1 1 ${at(0.775)}`;
}

const short = (value: number): number => Math.round(value * 100) / 100;
