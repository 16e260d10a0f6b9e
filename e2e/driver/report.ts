import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { TODAY } from '../../tools/wimbel.ts';
import { ROOT, STATE } from '../../tools/system.mjs';

type Kept = { kept: number; asked: number; rate: number | null };
export type Figures = Kept & {
  actual: number;
  target: number;
  left: number;
  share: number | null;
  amount?: number;
  amountTarget?: number | null;
};
export type HabitReport = {
  streak: {
    unit: string;
    current: number;
    from: string | null;
    longest: number;
    longestFrom: string | null;
    longestTo: string | null;
  };
  kept: Record<'last7' | 'last30' | 'month' | 'year' | 'all', Kept>;
  weeks: Record<string, Figures>;
  months: Record<string, Figures & { ribbon: boolean }>;
  years: Record<string, Figures>;
  last30: { done: number; sum: number; change: { done: number; sum: number } };
  finishedOn: string | null;
};
type KeyResultReport = {
  current: number;
  progress: number;
  pace: string | null;
  forecast: string | null;
  neededPerWeek: number | null;
  checkpoints: { month: string; target: number; start: number; end: number; growth: number; reached: boolean }[];
};
type GoalReport = {
  progress: number | null;
  expected: number | null;
  pace: string | null;
  daysLeft: number | null;
  keyResults: Record<string, KeyResultReport>;
  steps: Record<string, string>;
};
type Report = {
  habits: Record<string, HabitReport>;
  days: Record<string, { done: number; due: number; score: number | null }>;
  months: Record<
    string,
    Omit<Figures, 'left'> & {
      fullDays: number;
      brightDays: number;
      ribbons: number;
      ranking: string[];
      areas: Record<string, Kept & { actual: number; target: number; share: number | null }>;
    }
  >;
  goals: Record<string, GoalReport>;
};

export const report = (): Report =>
  JSON.parse(
    execFileSync('npx', ['tsx', 'scripts/report.ts', join(STATE, 'e2e-sample.json'), '--today', TODAY], {
      cwd: ROOT,
      encoding: 'utf8',
      maxBuffer: 1 << 26,
    }),
  ) as Report;
export const sample = () =>
  JSON.parse(readFileSync(join(STATE, 'e2e-sample.json'), 'utf8')) as {
    habits: {
      id: string;
      name: string;
      areaId?: string;
      archived?: boolean;
      endsOn?: string;
      monthTargets?: Record<string, { days?: number; onward?: boolean }>;
      yearTargets?: Record<string, { days?: number }>;
    }[];
    areas: { id: string; name: string }[];
    goals: { id: string; title: string; state: string }[];
    keyResults: { id: string; goalId: string; title: string; checkpoints?: object }[];
    steps: { id: string; goalId: string; title: string }[];
  };

export const UNIT: Record<string, string> = { days: 'day', weeks: 'week', months: 'month' };
export const counted = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;
export const percent = (share: number | null): string =>
  share === null ? '–' : `${Math.floor(share * 100 + 0.5)}\u00a0%`;
/** "12 of 18 kept, 67 %": what was kept of what was asked, as a screen says it. */
export const keptOf = ({ kept, asked, rate }: Kept): string =>
  rate === null
    ? 'nothing due'
    : `${kept.toLocaleString('en-GB')} of ${asked.toLocaleString('en-GB')} kept, ${percent(rate)}`;
export const dated = (day: string): string =>
  new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'long',
    ...(day.startsWith(TODAY.slice(0, 4)) ? {} : { year: 'numeric' }),
    timeZone: 'UTC',
  }).format(new Date(day));

/** The amounts that a text tells, back in the unit of the record: "12.4 km" is 12400, "3:20 h" is 200, "€1,200" is 1200. */
export const amountsIn = (text: string): number[] =>
  [...text.matchAll(/(\d+):(\d\d) h|([\d,]+(?:\.\d+)?)(\s?km)?/g)].map(([, hours, minutes, digits, km]) =>
    hours === undefined ? Number(digits!.replaceAll(',', '')) * (km ? 1000 : 1) : Number(hours) * 60 + Number(minutes),
  );
