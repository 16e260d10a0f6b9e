import { type PlainDay, formatDay, logSpanOf, seasonWeekOn } from '@wimbel/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, Text, View } from 'react-native';
import { counted, dateNear, dayInWords, yearOf } from '../../../text/format.ts';
import {
  goalPath,
  habitPath,
  journalPath,
  lookBackPath,
  PATHS,
  seasonPath,
  seasonWeekPath,
} from '../../../platform/paths.ts';
import { selectToday } from '../../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../../store/store.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Words } from '../../../ui/Words.tsx';
import { seasonPartWords } from '../../../text/seasonText.ts';
import { spanTitle } from '../../../text/spanText.ts';
import type { Found, Search } from '../search/searcher.ts';
import { useSearch } from '../search/useSearch.ts';

const MORE = 50;

/** What was found, newest first, the words that were looked for marked; each leads to its place. */
export function FoundList({ search }: { search: Search }) {
  const styles = useStyles();
  const [most, setMost] = useState(MORE);
  const { all, isFailed } = useSearch(search, most);
  if (isFailed)
    return <Words tone="quiet">This browser could not search. The pages are all there: scroll, or jump.</Words>;
  if (all === null) return <Words tone="quiet">Looking…</Words>;
  return (
    <View style={styles.found}>
      <View role="status" aria-live="polite">
        <Words type="label" tone="quiet">
          {all.count === 0 ? 'Nothing you wrote holds all of this.' : `Found ${counted(all.count, 'time')}`}
        </Words>
      </View>
      {all.found.map((found) => (
        <FoundLine key={found.id} found={found} />
      ))}
      {all.count > all.found.length ? (
        <Button
          onPress={() => setMost(most + MORE)}
        >{`Show ${Math.min(MORE, all.count - all.found.length)} more`}</Button>
      ) : null}
    </View>
  );
}

/** A search result: its kind and link. */
function resultPlace(
  state: RootState,
  { kind, day, aboutId, span }: Found,
  today: PlainDay,
): { title: string; path: string } {
  const { habits, keyResults, seasons, settings } = state.records;
  const date = formatDay(day);
  const habit = habits[aboutId ?? '']?.name ?? '';
  const when = yearOf(day) === yearOf(today) ? dayInWords(day) : dateNear(day, today);
  switch (kind) {
    case 'page':
      return { title: when, path: journalPath(date) };
    case 'note':
      return { title: `${habit}, ${when}`, path: `${PATHS.log}?span=week&day=${date}&at=${date}` };
    case 'reason':
      return { title: `${habit} missed, ${when}`, path: `${PATHS.log}?span=week&day=${date}&at=${date}` };
    case 'habitNote':
      return { title: `Note on ${habit}`, path: habitPath(aboutId ?? '') };
    case 'checkIn': {
      const keyResult = keyResults[aboutId ?? ''];
      return { title: `Check-in: ${keyResult?.title ?? ''}, ${when}`, path: goalPath(keyResult?.goalId ?? '') };
    }
    case 'season':
      return { title: `Season: ${seasons[aboutId ?? '']?.title ?? ''}`, path: seasonPath(aboutId ?? '') };
    case 'review': {
      const season = seasons[aboutId ?? ''];
      if (season !== undefined) {
        const week = span === 'week' ? seasonWeekOn(season, day) : null;
        return {
          title: `Look back on ${seasonPartWords(week)} of ${season.title}`,
          path: seasonWeekPath(season.id, week),
        };
      }
      const days = logSpanOf(span!, day, settings.weekStart);
      return { title: `Look back on ${spanTitle(span!, days, today)}`, path: lookBackPath(span!, date) };
    }
  }
}

function FoundLine({ found }: { found: Found }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const router = useRouter();
  const today = useAppSelector(selectToday);
  const title = useAppSelector((state) => resultPlace(state, found, today).title);
  const path = useAppSelector((state) => resultPlace(state, found, today).path);
  const text = found.pieces.map((piece) => piece.text).join('');
  return (
    <Pressable
      role="link"
      aria-label={`${title}: ${text}`}
      onPress={() => router.push(path)}
      style={({ hovered }: { pressed: boolean; hovered?: boolean }) => [styles.line, hovered && styles.hovered]}
    >
      <Words type="label" tone="quiet">
        {title}
      </Words>
      {text === '' ? (
        <Words tone="quiet">{found.feelings.length > 0 ? found.feelings.join(', ') : 'No words that day'}</Words>
      ) : (
        <Words>
          {found.pieces.map((piece, at) =>
            piece.isMarked ? (
              <Text key={at} style={{ backgroundColor: colors.wash, fontWeight: '600' }}>
                {piece.text}
              </Text>
            ) : (
              piece.text
            ),
          )}
        </Words>
      )}
    </Pressable>
  );
}

const useStyles = themed((colors) => ({
  found: { gap: SPACE.s },
  line: {
    gap: 2,
    padding: SPACE.m,
    borderRadius: 12,
    borderWidth: 1,
    borderColor: colors.line,
    backgroundColor: colors.raised,
  },
  hovered: { borderColor: colors.rim },
}));
