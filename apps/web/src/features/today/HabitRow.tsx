import {
  type PlainDay,
  type Track,
  fillRatio,
  formatDay,
  outcomeOn,
  pegStateOf,
  pipsBetween,
  streakOf,
} from '@wimbel/core';
import { memo, useEffect, useState } from 'react';
import { Pressable, View } from 'react-native';
import { selectEntry, selectHidesStreaks, selectIsHidden, selectTrack } from '../../store/selectors.ts';
import { afterTap, amountWords, isPressing, dayStatusText } from '../../text/dayStatusText.ts';
import { useAppSelector } from '../../store/store.ts';
import { entryChange } from '../../store/makeChange.ts';
import { useRecording } from '../../sync/recording.ts';
import { amount, number } from '../../text/amounts.ts';
import { streakLength } from '../../text/format.ts';
import { useReorderTransition } from '../../ui/useReorderTransition.ts';
import { themed, useIsCompact, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Peg } from '../../ui/Peg.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';
import { MiniCord } from './MiniCord.tsx';
import { HabitIcon } from '../../ui/HabitIcon.tsx';
import { domRef } from '../../ui/domRef.ts';

type Props = { habitId: string; day: PlainDay; onOpen: (habitId: string) => void; place: number };

/** A habit on a day: a large peg, how it stands, its streak. A tap on the peg records; a tap on the words opens more. */
export const HabitRow = memo(function HabitRow({ place, ...props }: Props) {
  const styles = useStyles();
  const isCompact = useIsCompact();
  const glide = useReorderTransition(place);
  return (
    <View
      ref={domRef(glide)}
      dataSet={{ row: '' }}
      style={[styles.row, styles.skipped, isCompact && styles.low, place > 0 && styles.parted]}
    >
      <Row {...props} />
    </View>
  );
});

/** A row's content, on its own track, so that a tap renders this row only. */
const Row = memo(function Row({ habitId, ...props }: Omit<Props, 'place'>) {
  const track = useAppSelector((state) => selectTrack(state, habitId));
  return track === null ? null : <Habit track={track} {...props} />;
});

function Habit({ track, day, onOpen }: { track: Track; day: PlainDay; onOpen: (habitId: string) => void }) {
  const styles = useStyles();
  const isCompact = useIsCompact();
  const { colors } = useTheme();
  const { change } = useRecording();
  const { habit } = track;
  const entry = useAppSelector((state) => selectEntry(state, habit.id, formatDay(day)));
  const streak = streakOf(track);
  const outcome = outcomeOn(track, day);
  const parts = [amountWords(track, day, entry), dayStatusText(track, day)].filter(Boolean);
  const note =
    outcome === 'rest' ? 'rest day' : outcome === 'missed' && habit.measure.kind === 'check' ? 'missed' : null;
  const toast = useToast();
  const hidesStreaks = useAppSelector(selectHidesStreaks);
  const hasVariants = (habit.variants ?? []).length > 0;
  const tap = (): void => {
    // Which of its ways it was is asked; taking one away again too.
    if (hasVariants) {
      onOpen(habit.id);
      return;
    }
    const next = afterTap(track, day, entry);
    const undo = change(entryChange(next));
    if (habit.measure.kind === 'amount')
      toast({ text: `${habit.name}: ${amount(next.amount ?? 0, habit.measure.unit)}`, onUndo: undo });
    else if (entry?.mark === 'missed' || entry?.mark === 'rest')
      toast({ text: `${habit.name}: done instead of ${entry.mark}`, onUndo: undo });
  };
  const step = hasVariants
    ? 'which was it'
    : habit.measure.kind === 'amount'
      ? `add ${amount(habit.measure.step, habit.measure.unit)}`
      : 'done';
  return (
    <>
      <Peg
        state={pegStateOf(track, day)}
        sizePx={isCompact ? 28 : 36}
        color={colors.working}
        ratio={fillRatio(track, day, entry?.amount ?? null)}
        label={`${habit.name}: ${step}`}
        isChecked={outcome === 'done' ? true : outcome === 'part' ? 'mixed' : false}
        onPress={tap}
        onLongPress={() => onOpen(habit.id)}
      />
      <Pressable
        role="button"
        aria-label={`${habit.name}, more`}
        onPress={() => onOpen(habit.id)}
        style={[styles.more, isCompact && styles.moreLow]}
      >
        <View style={styles.line}>
          <View style={styles.nameLine}>
            {habit.icon ? <HabitIcon name={habit.icon} /> : null}
            <Words type={isCompact ? 'strong' : 'name'} numberOfLines={isCompact ? 1 : 2} style={styles.name}>
              {habit.name}
            </Words>
          </View>
          <JustEarned track={track} day={day} />
          {isCompact ? null : <MiniCord track={track} day={day} color={colors.working} />}
        </View>
        <View style={styles.line}>
          <Words
            type={isPressing(track, day) ? 'label' : 'quiet'}
            tone={isPressing(track, day) ? 'ink' : 'quiet'}
            numberOfLines={isCompact ? 1 : 2}
            style={styles.standing}
          >
            {[note, ...parts].filter(Boolean).join(' · ')}
          </Words>
          {streak.current > 0 && !hidesStreaks ? (
            <Words
              type="label"
              tone="brassText"
              label={`Streak: ${streakLength(streak.current, streak.unit)} in a row`}
            >
              {streakLength(streak.current, streak.unit)}
            </Words>
          ) : null}
        </View>
      </Pressable>
    </>
  );
}

/** How long the pips of a check-off are shown. */
const SHOWN_MS = 1800;

/** What the day's check-off earned, for a moment after it. */
function JustEarned({ track, day }: { track: Track; day: PlainDay }) {
  const isHidden = useAppSelector((state) => selectIsHidden(state, 'pips'));
  const earned = pipsBetween(track, { first: day, last: Math.min(day, track.today) });
  const [seen, setSeen] = useState({ earned, day });
  const [shown, setShown] = useState<number | null>(null);
  if (seen.earned !== earned || seen.day !== day) {
    setSeen({ earned, day });
    setShown(seen.day === day && earned > seen.earned ? earned - seen.earned : null);
  }
  useEffect(() => {
    if (shown === null) return;
    const timer = setTimeout(() => setShown(null), SHOWN_MS);
    return () => clearTimeout(timer);
  }, [shown]);
  if (shown === null || isHidden) return null;
  return (
    <Words type="strong" tone="brassText">
      {`+${number(shown)}`}
    </Words>
  );
}

const useStyles = themed((colors) => ({
  row: { flexDirection: 'row', alignItems: 'center', paddingLeft: SPACE.s, minHeight: 66 },
  // What is out of sight is not laid out: of fifty rows a phone shows ten.
  skipped: { contentVisibility: 'auto', containIntrinsicHeight: 'auto 66px' },
  low: { minHeight: 46 },
  moreLow: { paddingVertical: 3, gap: 0 },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  more: {
    flex: 1,
    justifyContent: 'center',
    gap: 2,
    paddingVertical: SPACE.m,
    paddingLeft: SPACE.s,
    paddingRight: SPACE.m,
    minWidth: 0,
  },
  line: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minWidth: 0 },
  nameLine: { flex: 1, flexDirection: 'row', alignItems: 'center', gap: 6, minWidth: 0 },
  standing: { flex: 1 },
  name: { flexShrink: 1 },
}));
