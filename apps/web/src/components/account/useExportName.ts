import { formatDay } from '@wimbel/core';
import { exportFileName } from '../../text/fileName.ts';
import { isSample } from '../../store/accountSlice.ts';
import { selectToday } from '../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../store/store.ts';

/** Owner's name in file names. */
const whoseOf = ({ account: { account } }: RootState): string =>
  account === null ? '' : isSample(account) ? 'sample' : account.email.split('@')[0]!;

/** Names a file that is taken out by whose it is, what it holds and the day. */
export function useExportName(): (ending: string, ...parts: (string | null)[]) => string {
  const whose = useAppSelector(whoseOf);
  const day = formatDay(useAppSelector(selectToday));
  return (ending, ...parts) => exportFileName([whose, ...parts], day, ending);
}
