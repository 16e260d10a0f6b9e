import {
  type DaySpan,
  type Habit,
  type Miss,
  type MissedFor,
  type Track,
  NO_ENTRIES,
  formatDay,
  missesByReason,
  missesIn,
} from '@wimbel/core';
import { useRouter } from 'expo-router';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { ChangeTermsSheet } from '../habitForm/ChangeTermsSheet.tsx';
import { counted, shortDay } from '../../text/format.ts';
import { PATHS } from '../../platform/paths.ts';
import { useAppSelector } from '../../store/store.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Card } from '../../ui/Card.tsx';
import { CardHead } from '../../ui/CardHead.tsx';
import { Words } from '../../ui/Words.tsx';
import { askedWords } from '../../text/termsText.ts';

/** Reasons shown before "more". */
const FEW = 5;

/** Every miss of the span by its reason, and beside each the way to change what the habit asks. */
export function MissesCard({ span, tracks }: { span: DaySpan; tracks: readonly Track[] }) {
  const styles = useStyles();
  const entries = useAppSelector((state) => state.records.entries);
  const habits = useAppSelector((state) => state.records.habits);
  const [changed, setChanged] = useState<Habit | null>(null);
  const [isWhole, setIsWhole] = useState(false);
  const misses = useMemo(
    () => missesIn(tracks, (habitId) => entries[habitId] ?? NO_ENTRIES, span),
    [tracks, entries, span],
  );
  const groups = useMemo(() => missesByReason(misses), [misses]);
  if (groups.length === 0) return null;
  const most = Math.max(...groups.map((each) => each.misses.length));
  const shown = isWhole ? groups : groups.slice(0, FEW);
  return (
    <Card style={styles.card} label="What was missed, and why">
      <CardHead title="What was missed, and why" aside={counted(misses.length, 'missed day')} />
      {shown.map((group) => (
        <Reason
          key={group.reason ?? ''}
          group={group}
          ratio={group.misses.length / most}
          onChange={(habitId) => setChanged(habits[habitId] ?? null)}
        />
      ))}
      {groups.length > shown.length ? (
        <Button kind="bare" onPress={() => setIsWhole(true)} style={styles.more}>
          {`${counted(groups.length - shown.length, 'more reason')}`}
        </Button>
      ) : null}
      {changed === null ? null : <ChangeTermsSheet habit={changed} onClose={() => setChanged(null)} />}
    </Card>
  );
}

function Reason({
  group: { reason, misses },
  ratio,
  onChange,
}: {
  group: MissedFor;
  ratio: number;
  onChange: (habitId: string) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const [isOpen, setIsOpen] = useState(false);
  const words = reason ?? 'No reason given';
  const times = counted(misses.length, 'time');
  const Chevron = isOpen ? ChevronUp : ChevronDown;
  return (
    <View>
      <Pressable
        role="button"
        aria-expanded={isOpen}
        aria-label={`${words}, ${times}`}
        onPress={() => setIsOpen(!isOpen)}
        style={styles.reason}
      >
        <View style={styles.words}>
          <Words tone={reason === null ? 'quiet' : 'ink'} style={styles.grow}>
            {words}
          </Words>
          <Words type="quiet" tone="quiet">
            {times}
          </Words>
          <Chevron size={16} color={colors.quiet} />
        </View>
        <View style={styles.room}>
          <View style={[styles.bar, { width: `${ratio * 100}%` }]} />
        </View>
      </Pressable>
      {isOpen
        ? misses.map((miss) => <MissLine key={`${miss.habitId} ${miss.day}`} miss={miss} onChange={onChange} />)
        : null}
    </View>
  );
}

function MissLine({ miss, onChange }: { miss: Miss; onChange: (habitId: string) => void }) {
  const styles = useStyles();
  const router = useRouter();
  const habit = useAppSelector((state) => state.records.habits[miss.habitId]);
  if (habit === undefined) return null;
  const day = formatDay(miss.day);
  return (
    <View style={styles.miss}>
      <Pressable
        role="link"
        aria-label={`${habit.name}, ${shortDay(miss.day)}: see it in the log`}
        onPress={() => router.push(`${PATHS.log}?span=week&day=${day}&at=${day}`)}
        style={styles.grow}
      >
        <Words type="quiet">
          {shortDay(miss.day)}, {habit.name}
        </Words>
        <Words type="small" tone="quiet">
          {askedWords(habit)}
        </Words>
      </Pressable>
      <Button kind="bare" label={`Change ${habit.name}`} onPress={() => onChange(miss.habitId)}>
        Change
      </Button>
    </View>
  );
}

const useStyles = themed((colors) => ({
  card: { gap: SPACE.s },
  reason: { minHeight: 44, gap: 4, justifyContent: 'center' },
  words: { flexDirection: 'row', gap: SPACE.s, alignItems: 'center' },
  grow: { flex: 1, minWidth: 0 },
  room: { height: 5, borderRadius: 3, backgroundColor: colors.hole },
  bar: { height: 5, borderRadius: 3, backgroundColor: colors.madder },
  miss: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    paddingLeft: SPACE.m,
    minHeight: 48,
    borderLeftWidth: 2,
    borderLeftColor: colors.line,
  },
  more: { alignSelf: 'flex-start', marginLeft: -SPACE.s },
}));
