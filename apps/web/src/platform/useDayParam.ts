import { type PlainDay, formatDay, parseDay } from '@wimbel/core';
import { saveFocus, useRestoredFocus } from '../ui/useRestoredFocus.ts';
import { useLocalSearchParams, useRouter } from 'expo-router';

/** The day that the address names, or today; and a way to another day, which is an address of its own. */
export function useDayParam(path: string, today: PlainDay): [PlainDay, (day: PlainDay) => void] {
  const params = useLocalSearchParams<{ day?: string }>();
  const router = useRouter();
  const named = parseDay(params.day ?? '');
  const day = named === null || named > today ? today : named;
  useRestoredFocus();
  const go = (to: PlainDay): void => {
    saveFocus();
    router.push((to === today ? path : `${path}?day=${formatDay(to)}`) as never);
  };
  return [day, go];
}
