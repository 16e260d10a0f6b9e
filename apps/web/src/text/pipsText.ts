import type { Settings } from '@wimbel/core';
import { number } from './amounts.ts';

const USUAL = { one: 'pip', many: 'pips' };

/** What pips are called: the person's own name for them, else the usual one. */
export const pipsNameOf = ({ pipsName }: Pick<Settings, 'pipsName'>): { one: string; many: string } =>
  pipsName ?? USUAL;

/** "1 pip", "12.5 pips", by their own name. */
export const pipsWords = (settings: Pick<Settings, 'pipsName'>, pips: number): string => {
  const { one, many } = pipsNameOf(settings);
  return `${number(pips)} ${Math.abs(pips) === 1 ? one : many}`;
};

/** How far something is, by what a good day earns: "about 3 good days", "about 5 weeks"; empty where it is unknown. */
export function goodDaysWords(days: number | null): string {
  if (days === null) return '';
  if (days <= 1) return 'about a good day';
  if (days <= 14) return `about ${days} good days`;
  if (days <= 70) return `about ${Math.round(days / 7)} good weeks`;
  return `about ${Math.round(days / 30.4)} good months`;
}
