import { type Page, expect } from '@playwright/test';

/** A figure on a screen, with what its sheet says that it is made of. */
export type ToldFigure = {
  kind: string;
  /** As it is read on the screen. */
  label: string;
  parts: { name: string; value: string; href: boolean }[];
  adjustments: { text: string; value: string }[];
  total: string;
  sentence: string;
};

/** Asks every figure of the screen that is there, one after the other, and puts each sheet away again. */
export async function askAll(page: Page, within = 'body'): Promise<ToldFigure[]> {
  // What is still being laid out has no figures yet, or not all of them.
  await expect(page.locator('[aria-busy="true"]')).toHaveCount(0);
  return await page.evaluate(async (room) => {
    const sheets = (): NodeListOf<Element> => document.querySelectorAll('[data-sheet]');
    const until = async (holds: () => boolean, of: string): Promise<void> => {
      for (let turn = 0; turn < 2000 && !holds(); turn++) await new Promise((next) => setTimeout(next, 0));
      if (!holds()) throw new Error(`The sheet of “${of}” did not come or go`);
    };
    const wordsIn = (node: Element): string[] =>
      [...node.querySelectorAll('[dir="auto"]')].map((each) => each.textContent).filter(Boolean);
    const told: ToldFigure[] = [];
    const asked = new Set<string>();
    // A pegboard draws what is seen, so that figures come and go while it is looked at.
    const next = (): HTMLElement | undefined =>
      [...document.querySelectorAll<HTMLElement>(`${room} [data-figure]`)].find(
        (each) => !asked.has(`${each.dataset['figure']} ${each.ariaLabel}`),
      );
    for (let figure = next(); figure !== undefined; figure = next()) {
      const { ariaLabel, dataset } = figure;
      const label = ariaLabel!.replace('. What it is made of', '');
      const kind = dataset['figure']!;
      asked.add(`${kind} ${ariaLabel}`);
      const before = sheets().length;
      figure.click();
      await until(() => sheets().length > before, label);
      const sheet = [...sheets()].at(-1)!;
      told.push({
        kind,
        label,
        parts: [...sheet.querySelectorAll('[data-part]')].map((part) => {
          const [name = '', value = ''] = wordsIn(part);
          return { name, value, href: part.querySelector('[role="link"], a') !== null };
        }),
        adjustments: [...sheet.querySelectorAll('[data-adjustment]')].map((each) => {
          const [text = '', value = ''] = wordsIn(each);
          return { text, value };
        }),
        total: wordsIn(sheet.querySelector('[data-total]')!).at(-1)!,
        sentence: wordsIn(sheet).join(' '),
      });
      sheet.querySelector<HTMLElement>('[aria-label="Close"]')!.click();
      await until(() => sheets().length === before, label);
    }
    return told;
  }, within);
}

/** A number as it is written, in the smallest unit of its kind, and half of its last place. */
function read(text: string): { value: number; give: number } {
  if (text === 'yes' || text === 'not yet') return { value: text === 'yes' ? 1 : 0, give: 0 };
  const [, sign, digits, decimals = ''] = /([-\u2212+])?[^\d]*([\d,]+)(\.\d+)?/.exec(text)!;
  const hours = /(\d+):(\d\d)\s?h/.exec(text);
  const size = hours ? Number(hours[1]) * 60 + Number(hours[2]) : Number(`${digits!.replaceAll(',', '')}${decimals}`);
  const isKm = /\d\s?km/.test(text);
  const unit = isKm ? 1000 : 1;
  // A percentage has a decimal that may be nought, kilometres three.
  const places = text.includes('%') ? 1 : isKm ? 3 : Math.max(0, decimals.length - 1);
  const give = places === 0 ? 0 : (10 ** -places * unit) / 2;
  return { value: (/[-\u2212]/.test(sign ?? '') ? -1 : 1) * size * unit, give };
}

/** The numbers of a part or a total that add up: "7 of 9" is two, "40 %, brings 12.5 %" the second. */
function numbersOf(text: string): ReturnType<typeof read>[] {
  const brings = text.split(', brings ');
  if (brings.length === 2) return [read(brings[1]!)];
  const of = text.replace(/ \(.*\)$/, '').split(' of ');
  return of.length === 2 ? [read(of[0]!), read(of[1]!.split(', ')[0]!)] : [read(text)];
}

const RATIOS = ['habitMean', 'keyResultNeeded'];

/** What is wrong with a figure's sheet: parts that do not come to the total, or a total that is not what the screen says. */
export function faultOf({ kind, label, parts, adjustments, total }: ToldFigure): string | null {
  const told = `${kind} “${label}”: ${JSON.stringify(parts.map(({ value }) => value))} ${JSON.stringify(adjustments)} = ${total}`;
  const sum = numbersOf(total);
  const values = parts.map(({ value }) => numbersOf(value));
  if (parts.some(({ name }) => name === '')) return `A part without a name: ${told}`;
  if (RATIOS.includes(kind)) {
    const [above, below] = values.map(([one]) => one!.value);
    // What is needed a week is rounded up to what gets there.
    const rounding = adjustments
      .filter(({ text }) => text.startsWith('Rounded up'))
      .map(({ value }) => read(value).value);
    const ratio = above! / below! + sumOf(rounding);
    return Math.abs(ratio - sum[0]!.value) <= 0.01 * Math.abs(ratio) + 0.5 ? null : told;
  }
  if (kind === 'habitMood') {
    const days = values.map(([one]) => one!.value);
    const mean = parts.reduce((all, { name }, at) => all + read(name).value * days[at]!, 0) / sumOf(days);
    return Math.abs(mean - sum[0]!.value) <= 0.051 ? null : told;
  }
  for (const [column, { value, give }] of sum.entries()) {
    // A bare number of days stands in the first column, but for what a week or month asks.
    const own = values.map((each, at) => {
      const isQuota = each.length === 1 && parts[at]!.name.startsWith('What ');
      return (isQuota ? [{ value: 0, give: 0 }, ...each] : each)[column] ?? { value: 0, give: 0 };
    });
    // Only what was more than asked is taken from the first of two columns.
    const extra = adjustments
      .filter(({ text }) => sum.length === 1 || (column === 0) === text.startsWith('More than'))
      .map(({ value: by }) => read(by));
    const all = [...own, ...extra];
    const slack = give + sumOf(all.map((each) => each.give)) + 1e-6;
    if (!(Math.abs(sumOf(all.map((each) => each.value)) - value) <= slack)) return told;
  }
  return null;
}

const sumOf = (values: readonly number[]): number => values.reduce((all, each) => all + each, 0);
