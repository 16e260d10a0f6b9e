import { QuotaExceeded } from '../../../sync/bulkImport.ts';
import { type Habit, dayOf } from '@wimbel/core';
import { GRID_LIMITS, type GridFault, type NameChoice, type ReadName } from '@wimbel/exchange';
import { number } from '../../../text/amounts.ts';
import { counted, fullDate } from '../../../text/format.ts';
import { WorkerLoadError } from '../../../platform/workerClient.ts';
import type { Coming, Understood } from './reader.ts';

const MEGA = 1024 * 1024;

/** Why a file can't be read, and what to do. */
export const FAULT_WORDS: Record<GridFault, string> = {
  empty: 'There is nothing in it.',
  tooLarge: `It is larger than ${GRID_LIMITS.bytes / MEGA} MB. Save one year of it as a file of its own and bring that in.`,
  swells: `Unpacked it would be more than ${GRID_LIMITS.unpackedBytes / MEGA} MB. Save one year of it as a file of its own.`,
  notText:
    'It is neither a workbook (XLSX) nor text (CSV). Open it in the program it comes from and save it as one of these.',
  notWorkbook:
    'It ends like a workbook, but is damaged or something else. Open it in the program it comes from and save it anew.',
  locked: 'It is locked with a password, or of an old kind (XLS). Save it without a password as XLSX or CSV.',
};

/** Why what reads beside the screen ended, and what to do. */
export function readingFault(error: unknown): string {
  if (error instanceof WorkerLoadError)
    return 'The part of Wimbel that reads it could not be fetched. Try again once you are online.';
  // Larger than a list, a text or the stack can be; a worker hands errors on by their name.
  if ((error as Partial<Error> | null)?.name === 'RangeError')
    return 'It is more than this device can take. Save one year of it as a file of its own.';
  return 'Something went wrong while reading it. Nothing was changed; try again.';
}

/** What was found, in a sentence; null where nothing was. */
export function foundWords({ names, first, last }: Understood): string | null {
  const days = names.reduce((sum, each) => sum + each.days, 0);
  if (first === null || last === null) return null;
  const span =
    first === last ? `on ${fullDate(dayOf(first))}` : `from ${fullDate(dayOf(first))} to ${fullDate(dayOf(last))}`;
  return `${counted(days, 'day')} of ${counted(names.filter((each) => each.days > 0).length, 'habit')}, ${span}.`;
}

/** How a name is recorded, as it seems. */
export const kindWords = ({ kind, unit, least }: Pick<ReadName, 'kind' | 'unit' | 'least'>): string =>
  kind === 'check'
    ? 'checked off'
    : least === null
      ? 'an amount'
      : `done from ${number(least)}${unit === '' ? '' : ` ${unit}`}`;

/** Where the days of a name go, and from which day it counts, where that is new. */
export function choiceWords(choice: NameChoice, habits: ReadonlyMap<string, Habit>, start: string | null): string {
  if (choice.to === 'nowhere') return 'Left out';
  const from = start === null ? '' : `, from ${fullDate(dayOf(start))}`;
  if (choice.to === 'habit') return `To ${habits.get(choice.id)?.name ?? 'a habit that is gone'}${from}`;
  return `New habit, ${kindWords(choice)}${from}`;
}

/** How many cells are left out of what is brought in. */
const leftCount = ({ left }: Coming): number => left.unclear + left.nowhere + left.future;

/** Summary of an import, before and after it. */
export function comingWords(coming: Coming, habitCount: number): string {
  const left = leftCount(coming);
  const starts = new Set(coming.starts.filter((start) => start !== null));
  const [start] = starts;
  const from = starts.size !== 1 ? '' : `, counted from ${fullDate(dayOf(start!))}`;
  const days = `${counted(coming.days, 'day')} of ${counted(habitCount, 'habit')}${from}`;
  return left === 0 ? days : `${days}, ${counted(left, 'cell')} left out`;
}

/** What is left out and why, and what is replaced, line by line. */
export function leftWords({ left, replaced }: Coming): string[] {
  const out = [
    left.unclear > 0 ? `${counted(left.unclear, 'cell')} without a clear meaning` : null,
    left.nowhere > 0 ? `${counted(left.nowhere, 'day')} of names that go nowhere` : null,
    left.future > 0 ? `${counted(left.future, 'day')} after today` : null,
  ].filter((each) => each !== null);
  return [
    ...(out.length > 0 ? [`Left out: ${out.join(', ')}.`] : []),
    ...(replaced > 0 ? [`${counted(replaced, 'day')} take the place of what you recorded.`] : []),
  ];
}

/** Why an import was not kept, in words. */
export function importFault(error: unknown, isStopped: boolean): string {
  if (error instanceof QuotaExceeded) return `There is not enough room in your account for it. ${NOTHING_KEPT}`;
  return `${isStopped ? 'Stopped.' : 'That could not be brought in.'} ${NOTHING_KEPT}`;
}

const NOTHING_KEPT = 'Nothing was kept of it.';
