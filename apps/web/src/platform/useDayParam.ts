import { type PlainDay, formatDay, parseDay } from '@wimbel/core';
import { saveFocus, useRestoredFocus } from '../ui/useRestoredFocus.ts';
import { useLocalSearchParams, useRouter } from 'expo-router';

/** The `day` parameter of the route, or today, and a setter that navigates. */
export function useDayParam(path: string, today: PlainDay): [PlainDay, (day: PlainDay) => void] {
  const params = useLocalSearchParams<{ day?: string }>();
  const router = useRouter();
  const named = parseDay(params.day ?? '');
  const day = named === null || named > today ? today : named;
  useRestoredFocus();
  const go = (to: PlainDay): void => {
    saveFocus();
    router.push(to === today ? path : `${path}?day=${formatDay(to)}`);
  };
  return [day, go];
}
