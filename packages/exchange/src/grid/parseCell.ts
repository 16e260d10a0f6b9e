/** What a cell of somebody's grid says about a day. */
export type CellValue =
  | { kind: 'done' | 'missed' | 'rest' | 'no' | 'share' }
  /** `unit` where the cell names one. */
  | { kind: 'amount'; amount: number; unit: string | null };

const DONE = new Set('x,v,y,yes,true,done,ok,ja,oui,si,sí,sim,tak'.split(','));
const NO = new Set('n,no,false,-,–,—,not,not done,nein,non,não,nie,0'.split(','));
const MISSED = new Set(['missed', 'miss', 'm', 'fail', 'failed']);
const REST = new Set(['rest', 'r', 'off', 'excused', 'skip', 'skipped', 'rest day', 'day off']);
const DONE_SIGNS = /^[✓✔☑✅●•■◼★▪*]\uFE0F?$/u;
const NO_SIGNS = /^(?:[✗✘❌✖☐⬜◻◽○🚫👎⛔]\uFE0F?)$/u;
const REST_SIGNS = /^(?:💤|😴|🛌|🏖\uFE0F?)$/u;
/** One picture of any kind, with what may belong to it. */
const PICTURE = /^\p{Extended_Pictographic}(?:\uFE0F|\p{Emoji_Modifier}|\u200D\p{Extended_Pictographic}\uFE0F?)*$/u;

const CLOCK = /^(\d{1,3}):([0-5]\d)(?::[0-5]\d)?$/;
const HOURS = /^(\d{1,3})\s*(?:h|hr|hrs|hours?|std)\.?\s*(?:(\d{1,2})\s*(?:m|min|mins|minutes?)?\.?)?$/;
const NUMBER = /^([€$£])?\s*(\d[\d.,'’\s\u00A0]*)\s*([\p{L}€$£%][\p{L}.]{0,15}|['′])?$/u;

/** Units as people write them, by the one that the app shows. */
const UNIT_SYNONYMS: Record<string, string> = {
  m: 'm',
  mins: 'min',
  minute: 'min',
  minutes: 'min',
  "'": 'min',
  '′': 'min',
  hr: 'h',
  hrs: 'h',
  hour: 'h',
  hours: 'h',
  page: 'pages',
  p: 'pages',
};

/** The unit that a word names, as the app shows it. */
export const unitOf = (word: string): string => {
  const bare = word.replace(/\.$/, '');
  return UNIT_SYNONYMS[bare.toLowerCase()] ?? bare;
};

/**
 * A number as people write it, with a comma or a dot for the fraction and either (or a space or an apostrophe) between
 * thousands. Null where it can't be one. "1,234" is a thousand, "1,5" is one and a half.
 */
export function numberIn(text: string): number | null {
  const bare = text.trim().replace(/[\s\u00A0'’]/g, '');
  const last = Math.max(bare.lastIndexOf(','), bare.lastIndexOf('.'));
  if (last < 0) return /^\d+$/.test(bare) ? Number(bare) : null;
  const sign = bare[last]!;
  const [whole, rest] = [bare.slice(0, last), bare.slice(last + 1)];
  const other = sign === ',' ? '.' : ',';
  if (!/^\d+$/.test(rest)) return null;
  const isGrouped = (part: string, by: string): boolean =>
    part.split(by).every((each, at) => (at === 0 ? /^\d{1,3}$/ : /^\d{3}$/).test(each));
  if (whole.includes(sign)) return isGrouped(bare, sign) ? Number(bare.split(sign).join('')) : null;
  if (whole.includes(other)) return isGrouped(whole, other) ? Number(`${whole.split(other).join('')}.${rest}`) : null;
  // A comma with three digits behind it stands between thousands; a dot does so nowhere by itself.
  if (sign === ',' && rest.length === 3 && /^[1-9]\d{0,2}$/.test(whole)) return Number(whole + rest);
  return /^\d+$/.test(whole) ? Number(`${whole}.${rest}`) : null;
}

function amountIn(text: string): CellValue | null {
  const clock = CLOCK.exec(text);
  if (clock) return { kind: 'amount', amount: Number(clock[1]) * 60 + Number(clock[2]), unit: 'min' };
  const hours = HOURS.exec(text.toLowerCase());
  if (hours?.[2] !== undefined)
    return { kind: 'amount', amount: Number(hours[1]) * 60 + Number(hours[2]), unit: 'min' };
  const found = NUMBER.exec(text);
  const amount = found ? numberIn(found[2]!) : null;
  if (!found || amount === null) return null;
  const unit = found[3] ?? found[1] ?? null;
  if (unit === '%') return { kind: 'share' };
  return { kind: 'amount', amount, unit: unit === null ? null : unitOf(unit) };
}

/**
 * What a cell says: a word or a sign for done, missed, rest or no; an amount with or without a unit ("25 min", "1:30",
 * "€10"); a share of a hundred. Null where it says nothing that is clear; undefined where it is blank.
 */
export function parseCell(text: string): CellValue | null | undefined {
  const bare = text.trim();
  if (bare === '') return undefined;
  const word = bare.toLowerCase();
  if (NO.has(word) || NO_SIGNS.test(bare)) return { kind: 'no' };
  if (DONE.has(word) || DONE_SIGNS.test(bare)) return { kind: 'done' };
  if (MISSED.has(word)) return { kind: 'missed' };
  if (REST.has(word) || REST_SIGNS.test(bare)) return { kind: 'rest' };
  const amount = amountIn(bare);
  if (amount !== null) return amount.kind === 'amount' && amount.amount === 0 ? { kind: 'no' } : amount;
  return PICTURE.test(bare) ? { kind: 'done' } : null;
}
