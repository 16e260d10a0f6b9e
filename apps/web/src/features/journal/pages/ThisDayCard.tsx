import { type JournalPage, type PlainDay, formatDay, parseDay, writingOf, yearOfDay } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { Pressable } from 'react-native';
import { beginningOf, dayAndMonth, fullDate } from '../../../text/format.ts';
import { journalPath } from '../../../platform/paths.ts';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { SPACE } from '../../../theme/space.ts';
import { Card } from '../../../ui/Card.tsx';
import { Words } from '../../../ui/Words.tsx';

/** How many years back. */
const MOST_YEARS = 10;

/** What was written on today's date in the years before; nothing where there is none. */
export function ThisDayCard({ byDay }: { byDay: ReadonlyMap<PlainDay, readonly JournalPage[]> }) {
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const [year, date] = [yearOfDay(today), formatDay(today).slice(4)];
  const found = Array.from({ length: MOST_YEARS }, (_, back) => year - 1 - back).flatMap((each) => {
    // The last of a leap February is not in every year.
    const then = parseDay(`${each}${date}`);
    const text = then === null ? '' : (byDay.get(then) ?? []).flatMap(writingOf).join('\n');
    return then === null || text === '' ? [] : [{ then, text }];
  });
  if (found.length === 0) return null;
  return (
    <Card style={{ gap: SPACE.m }} label="In earlier years">
      <Words type="card" heading={2}>
        {`${dayAndMonth(today)}, earlier`}
      </Words>
      {found.map(({ then, text }) => (
        <Pressable
          key={then}
          role="link"
          aria-label={`${fullDate(then)}: ${text}`}
          onPress={() => router.push(journalPath(formatDay(then)))}
          style={{ gap: 2, minHeight: 44, justifyContent: 'center' }}
        >
          <Words type="label" tone="quiet">
            {fullDate(then)}
          </Words>
          <Words>{beginningOf(text, 300)}</Words>
        </Pressable>
      ))}
    </Card>
  );
}
