/** A name for a file: "wimbel-november-2026-every-day". */
export const fileName = (...words: string[]): string =>
  ['wimbel', ...words]
    .join('-')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '');
