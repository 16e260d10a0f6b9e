import { linkTarget } from '@wimbel/contract';
import { type HabitNote, type PlainDay, type Track, dayOf, missReasons, eachEntry } from '@wimbel/core';
import ExternalLink from 'lucide-react-native/icons/external-link';
import { useMemo, useState } from 'react';
import { Linking, Pressable, View } from 'react-native';
import { useAppSelector } from '../../../store/store.ts';
import { counted, dateNear } from '../../../text/format.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { SPACE, TOUCH_PX } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { CardHead } from '../../../ui/CardHead.tsx';
import { Words } from '../../../ui/Words.tsx';
import { NoteSheet } from './NoteSheet.tsx';
import { type Written, writtenOf } from './writtenNotes.ts';
import { selectEntries } from '../../../store/selectors.ts';

/** What stood in the way, gathered; nothing while no reason was given. */
export function ReasonsCard({ track }: { track: Track }) {
  const styles = useStyles();
  const entries = useAppSelector((state) => selectEntries(state, track.habit.id));
  const reasons = useMemo(() => missReasons([...eachEntry(entries)], track.today), [entries, track.today]);
  if (reasons.length === 0) return null;
  return (
    <Card label="What got in the way" style={styles.card}>
      <CardHead title="What got in the way" />
      {reasons.map((reason) => (
        <View key={reason.text} style={styles.line}>
          <Words style={styles.grow}>{reason.text}</Words>
          <Words type="quiet" tone="quiet">
            {reason.count > 1 ? `${counted(reason.count, 'time')}, last ` : ''}
            {dateNear(reason.last, track.today)}
          </Words>
        </View>
      ))}
    </Card>
  );
}

const FIRST = 8;

/** Everything written about the habit, the newest first: its own notes and those beside its days. */
export function NotesCard({ track, onOpen }: { track: Track; onOpen: (day: PlainDay) => void }) {
  const styles = useStyles();
  const { habit, today } = track;
  const entries = useAppSelector((state) => selectEntries(state, habit.id));
  const notes = useAppSelector((state) => state.records.habitNotes);
  const [opened, setOpened] = useState<HabitNote | 'new' | null>(null);
  const [showsAll, setShowsAll] = useState(false);
  const written = useMemo(
    () =>
      writtenOf(
        Object.values(notes).filter((note) => note.habitId === habit.id),
        [...eachEntry(entries)],
      ),
    [notes, entries, habit.id],
  );
  return (
    <Card label="Notes" style={styles.card}>
      <CardHead
        title="Notes"
        aside={
          <Button kind="bare" label="Add a note" onPress={() => setOpened('new')}>
            Add
          </Button>
        }
      />
      {written.length === 0 ? (
        <Words type="quiet" tone="quiet">
          Notes beside its days gather here, and those you add, with links.
        </Words>
      ) : null}
      {written.slice(0, showsAll ? undefined : FIRST).map((each) => (
        <WrittenNote
          key={each.key}
          written={each}
          today={today}
          onPress={() => (each.note ? setOpened(each.note) : onOpen(dayOf(each.day!)))}
        />
      ))}
      {written.length > FIRST ? (
        <View style={{ flexDirection: 'row' }}>
          <Button kind="bare" onPress={() => setShowsAll(!showsAll)}>
            {showsAll ? 'The newest only' : `All ${written.length} notes`}
          </Button>
        </View>
      ) : null}
      {opened === null ? null : (
        <NoteSheet habit={habit} note={opened === 'new' ? null : opened} onClose={() => setOpened(null)} />
      )}
    </Card>
  );
}

function WrittenNote({ written, today, onPress }: { written: Written; today: PlainDay; onPress: () => void }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { text, day, link } = written;
  const target = link === null ? null : linkTarget(link);
  return (
    <View>
      <Pressable role="button" aria-label={`Note: ${text}`} onPress={onPress} style={styles.note}>
        <Words>{text}</Words>
        <Words type="quiet" tone="quiet">
          {day === null ? 'without a day' : dateNear(dayOf(day), today)}
        </Words>
      </Pressable>
      {link === null || target === null ? null : (
        <Pressable
          role="link"
          aria-label={`Open ${link}`}
          onPress={() => void Linking.openURL(target)}
          style={styles.link}
        >
          <ExternalLink size={14} color={colors.working} />
          <Words type="label" tone="working" numberOfLines={1} style={styles.grow}>
            {link.replace(/^https?:\/\/(www\.)?/, '')}
          </Words>
        </Pressable>
      )}
    </View>
  );
}

const useStyles = themed(() => ({
  card: { gap: SPACE.m },
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', gap: SPACE.s },
  grow: { flex: 1, minWidth: 100 },
  note: { minHeight: TOUCH_PX, justifyContent: 'center' },
  link: { flexDirection: 'row', alignItems: 'center', gap: SPACE.xs, minHeight: TOUCH_PX },
}));
