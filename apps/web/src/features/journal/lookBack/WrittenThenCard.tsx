import {
  type DaySpan,
  type LookBackSpan,
  type PlainDay,
  dayOf,
  eachEntry,
  formatDay,
  holdsDay,
  writingOf,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { beginningOf, counted, shortDay } from '../../../text/format.ts';
import { PATHS, journalPath } from '../../../platform/paths.ts';
import { selectHabits, selectJournal, selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { Words } from '../../../ui/Words.tsx';

/** Page size of the list, in lines. */
const MORE = 31;

type Line = { key: string; day: PlainDay; title: string; text: string; path: string };

/** What was written in the span: pages of the journal and notes of habits, by day. */
function useLines(span: DaySpan): { lines: Line[]; pages: number; notes: number } {
  const journal = useAppSelector(selectJournal);
  const habits = useAppSelector(selectHabits);
  const entries = useAppSelector((state) => state.records.entries);
  return useMemo(() => {
    const pages = journal.flatMap((page): Line[] => {
      const day = dayOf(page.day);
      const text = writingOf(page).join('\n');
      if (!holdsDay(span, day) || text === '') return [];
      return [{ key: page.id, day, title: '', text, path: journalPath(page.day) }];
    });
    const notes = habits.flatMap((habit) =>
      [...eachEntry(entries[habit.id] ?? {})].flatMap((entry): Line[] => {
        const day = dayOf(entry.day);
        const isReason = entry.mark === 'missed';
        if (!holdsDay(span, day) || !entry.note || isReason) return [];
        const path = `${PATHS.log}?span=week&day=${entry.day}&at=${entry.day}`;
        return [{ key: `${habit.id} ${entry.day}`, day, title: habit.name, text: entry.note, path }];
      }),
    );
    const lines = [...pages, ...notes].sort((a, b) => a.day - b.day || (a.title < b.title ? -1 : 1));
    return { lines, pages: pages.length, notes: notes.length };
  }, [journal, habits, entries, span]);
}

/** What was written in the span, a tap away. */
export function WrittenThenCard({ span }: { kind: LookBackSpan; span: DaySpan }) {
  const styles = useStyles();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const { lines, pages, notes } = useLines(span);
  const [most, setMost] = useState(0);
  if (lines.length === 0) return null;
  const told = [pages > 0 ? counted(pages, 'page') : '', notes > 0 ? counted(notes, 'note') : ''].filter(Boolean);
  return (
    <Card style={styles.card} label="What you wrote">
      <CardHead title="What you wrote" aside={told.join(', ')} />
      {lines.slice(0, most).map(({ key, day, title, text, path }) => (
        <Pressable
          key={key}
          role="link"
          aria-label={[shortDay(day), title, text].filter(Boolean).join(', ')}
          onPress={() => router.push(path)}
          style={styles.line}
        >
          <Words type="label" tone="quiet">
            {[shortDay(day), title].filter(Boolean).join(', ')}
          </Words>
          <Words>{beginningOf(text, 320)}</Words>
        </Pressable>
      ))}
      <View style={styles.buttons}>
        {most < lines.length ? (
          <Button kind="bare" onPress={() => setMost(most + MORE)}>
            {most === 0 ? 'Read it here' : 'Read on'}
          </Button>
        ) : (
          <Button kind="bare" onPress={() => setMost(0)}>
            Fold it away
          </Button>
        )}
        <Button
          kind="bare"
          onPress={() =>
            router.push(`${PATHS.takeAlong}?from=${formatDay(span.first)}&to=${formatDay(Math.min(today, span.last))}`)
          }
        >
          On one page
        </Button>
      </View>
    </Card>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  line: { gap: 2, minHeight: 44, justifyContent: 'center' },
  buttons: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    columnGap: SPACE.m,
    marginLeft: -SPACE.s,
    marginVertical: -SPACE.s,
  },
}));
