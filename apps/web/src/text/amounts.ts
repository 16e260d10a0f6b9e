import { lazy, tidySum } from '@wimbel/core';

/** Numbers are written as this device's language does; words are English. */
const LOCALE = globalThis.navigator?.language || 'en-GB';

const numberFormat = (options: Intl.NumberFormatOptions): Intl.NumberFormat => {
  try {
    return new Intl.NumberFormat(LOCALE, options);
  } catch {
    return new Intl.NumberFormat('en-GB', options);
  }
};

const numbers = lazy(() => numberFormat({ maximumFractionDigits: 3 }));
export const number = (value: number): string => numbers().format(value);

/** "908 of 1,096": so many of so many. */
export const outOf = (count: number, whole: number): string => `${number(count)} of ${number(whole)}`;

const compacts = lazy(() => numberFormat({ notation: 'compact', maximumSignificantDigits: 3 }));
/** For where there is little room: "950", "9.6K". */
export const compact = (value: number): string => compacts().format(value);

const decimalMark = lazy(() => numberFormat({}).format(1.5).charAt(1));

const CODE_OF_SIGN: Record<string, string> = { '€': 'EUR', '£': 'GBP', $: 'USD', '¥': 'JPY' };
const codes = lazy(() => new Set(Intl.supportedValuesOf?.('currency') ?? Object.values(CODE_OF_SIGN)));

/** The currency that a unit names by its code or its sign; null for any other unit. */
const currencyOf = (unit: string): string | null => CODE_OF_SIGN[unit] ?? (codes().has(unit) ? unit : null);

const sums = new Map<string, Intl.NumberFormat>();

/** A sum of money by the currency's own rules; whole sums without their zeros. */
export function money(value: number, currency: string): string {
  const isWhole = Number.isInteger(value);
  const name = `${currency} ${isWhole}`;
  try {
    const format =
      sums.get(name) ??
      new Intl.NumberFormat(LOCALE, {
        style: 'currency',
        currency,
        currencyDisplay: 'narrowSymbol',
        ...(isWhole ? { maximumFractionDigits: 0 } : {}),
      });
    sums.set(name, format);
    return format.format(value);
  } catch {
    return `${number(value)} ${currency}`;
  }
}

/** From here on minutes are part in hours and metres in kilometres. */
const LONG_MINUTES = 100;
const LONG_METRES = 10_000;

/** "400 m", "12.4 km", "3:20 h" for long stretches of minutes, "€12.50" for money. */
export function amount(value: number, unit: string): string {
  const size = Math.abs(value);
  if (unit === 'min' && size >= LONG_MINUTES && Number.isInteger(value)) {
    return `${value < 0 ? '-' : ''}${Math.floor(size / 60)}:${String(size % 60).padStart(2, '0')} h`;
  }
  if (unit === 'm' && size >= LONG_METRES) return `${number(value / 1000)} km`;
  const currency = currencyOf(unit);
  if (currency !== null) return money(value, currency);
  return unit === '' ? number(value) : `${number(value)} ${unit}`;
}

/** "400 of 600 m"; where either is part in a unit of its own, both carry it: "95 min of 3:20 h". */
export function amountOf(value: number, target: number, unit: string): string {
  const [part, whole] = [amount(value, unit), amount(target, unit)];
  const isPlain = part === `${number(value)} ${unit}` && whole === `${number(target)} ${unit}`;
  return isPlain ? `${number(value)} of ${whole}` : `${part} of ${whole}`;
}

/** Three digits are as much as a projected amount can promise. */
export const readable = (value: number): number => Number(value.toPrecision(3));

/** "400 of about 2,800 m": against an amount that is worked out and not set. */
export const aboutOf = (value: number, target: number, unit: string): string =>
  amountOf(value, readable(target), unit).replace(' of ', ' of about ');

/** "+3", "−2", "0": a change with its sign. */
export const signed = (value: number, write: (size: number) => string = number): string =>
  value === 0 ? write(0) : `${value > 0 ? '+' : '\u2212'}${write(Math.abs(value))}`;

/** A number as it stands in a field, every digit of it, with the decimal mark of this device's language. */
export const editable = (value: number, mark = decimalMark()): string => String(value).replace('.', mark);

const GROUPED = /^-?\d{1,3}(,\d{3})+(\.\d+)?$/;

/**
 * A number as a person types it, with a comma or a point before the decimals. "1,200" is twelve hundred where this
 * device's language writes decimals with a point. Null for anything that is not a number.
 */
export function parseTyped(text: string, mark = decimalMark()): number | null {
  const bare = text.trim().replace(/\s/g, '');
  const cleaned = mark === '.' && GROUPED.test(bare) ? bare.replaceAll(',', '') : bare.replace(',', '.');
  return /^-?(\d+\.?\d*|\.\d+)$/.test(cleaned) ? Number(cleaned) : null;
}

const CLOCK = /^(\d+):([0-5]\d)$/;

/** An amount as a person types it, of a unit: "1:30" is an hour and a half where it is counted in hours or minutes. */
export function parseAmount(text: string, unit: string): number | null {
  const [, hours, minutes] = CLOCK.exec(text.trim()) ?? [];
  if (hours !== undefined && minutes !== undefined) {
    if (unit === 'min') return Number(hours) * 60 + Number(minutes);
    if (unit === 'h') return tidySum(Number(hours) + Number(minutes) / 60);
  }
  return parseTyped(text);
}

/** What is wrong with an amount as typed, in words; null where nothing is, and while it is empty. */
export function amountFault(text: string, unit = ''): string | null {
  if (text.trim() === '') return null;
  const typed = parseAmount(text, unit);
  if (typed === null) return 'Write a number, such as 12 or 7.5';
  return typed < 0 ? 'An amount is 0 or more' : null;
}
