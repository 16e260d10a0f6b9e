const plain = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll(/[^\p{L}\p{N}]+/gu, '-')
    .replaceAll(/^-+|-+$/g, '');

/**
 * The name of a file that is taken out: whose it is, what it holds, which span (where it has one), and the day it was taken.
 * Any device takes it: "wimbel-ada-november-2026-every-day-2026-11-24.svg".
 */
export const exportFileName = (parts: readonly (string | null)[], day: string, ending: string): string =>
  `${['wimbel', ...parts.filter((each) => each !== null && each !== '').map((each) => plain(each!)), day].join('-')}.${ending}`;
