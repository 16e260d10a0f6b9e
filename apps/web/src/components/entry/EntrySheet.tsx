import {
  type Entry,
  type Mark,
  type PlainDay,
  type Track,
  eachDay,
  fillRatio,
  formatDay,
  outcomeOn,
  pegStateOf,
  weekSpan,
  entryOn,
  streakUnitOn,
  aliveRun,
  runsOf,
  monthOfDay,
  monthRewards,
} from '@wimbel/core';
import Undo2 from 'lucide-react-native/icons/undo-2';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import {
  OUTCOME_WORDS,
  counted,
  dateNumber,
  dayInWords,
  monthName,
  weekdayLetter,
  streakLength,
} from '../../text/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Peg, PegPicture } from '../../ui/Peg.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';
import { AmountField } from './AmountField.tsx';
import { NoteField } from './NoteField.tsx';
import { PartsField } from './PartsField.tsx';
import { useRecording } from '../../sync/recording.ts';
import { entryChange } from '../../store/makeChange.ts';
import { selectEntry, selectTrack, selectEntries, selectHidesStreaks } from '../../store/selectors.ts';
import { afterTap, withMark, dayStatusOn } from '../../text/dayStatusText.ts';
import { useAppSelector } from '../../store/store.ts';
import { Figure } from '../figure/Figure.tsx';
import { habitEditPath, habitPath } from '../../platform/paths.ts';

type Props = {
  habitId: string;
  day: PlainDay;
  onClose: () => void;
  /** Opens an address: the habit's page, or its form. */
  onGo: (path: string) => void;
  /** Begin in the note. */
  isNoteFirst?: boolean;
};

const DAY_WORDS = {
  outside: 'Outside the days of this habit. A record here starts it earlier.',
  blank: 'Nothing recorded yet.',
  paused: 'In a pause: nothing is due.',
  part: 'Part of it is done.',
  done: 'Done.',
  rest: 'A rest day: excused.',
  missed: 'Missed.',
} as const;

/** Everything about a day of a habit, and the days of its week to put right at once. Saved as it is changed. */
export function EntrySheet({ habitId, day: opened, onClose, onGo, isNoteFirst = false }: Props) {
  const styles = useStyles();
  const { colors } = useTheme();
  const [day, setDay] = useState(opened);
  const [undos, setUndos] = useState<(() => void)[]>([]);
  const track = useAppSelector((state) => selectTrack(state, habitId));
  const entry = useAppSelector((state) => selectEntry(state, habitId, formatDay(day)));
  const { change } = useRecording();
  const toast = useToast();
  if (track === null) return null;
  const { habit } = track;
  const base: Entry = entry ?? { habitId, day: formatDay(day) };
  const save = (next: Entry): void => {
    const undo = change(entryChange(next));
    setUndos((before) => [...before, undo]);
  };
  const isAmount = habit.measure.kind === 'amount';
  const hasVariants = (habit.variants ?? []).length > 0 || (base.parts ?? []).length > 0;
  const hasPartAmounts = (base.parts ?? []).some((part) => part.amount !== undefined);
  const clear = (): void => {
    toast({ text: `${habit.name}: the day is empty again`, onUndo: change(entryChange({ habitId, day: base.day })) });
    onClose();
  };
  const marks: { value: Mark | 'none'; label: string }[] = [
    { value: 'none', label: isAmount ? 'By amount' : 'Open' },
    ...(isAmount ? [] : [{ value: 'done' as const, label: habit.aim === 'quit' ? 'Held off' : 'Done' }]),
    { value: 'rest', label: 'Rest' },
    { value: 'missed', label: 'Missed' },
  ];
  const undoLast = (): void => {
    undos.at(-1)?.();
    setUndos(undos.slice(0, -1));
  };
  const goTo = (path: string): void => {
    onClose();
    onGo(path);
  };
  return (
    <Sheet title={habit.name} onClose={onClose}>
      <Words tone="quiet">
        {dayInWords(day)}. {DAY_WORDS[outcomeOn(track, day)]}
      </Words>
      <StandingLine track={track} day={day} />
      <RewardLine track={track} day={day} />
      <WeekOfDay track={track} day={day} onChoose={setDay} onSave={save} />
      {hasVariants ? <PartsField key={`parts ${day}`} habit={habit} entry={base} onChange={save} /> : null}
      {isAmount && !hasPartAmounts ? (
        <AmountField
          key={`amount ${day}`}
          track={track}
          day={day}
          amount={entry?.amount}
          onChange={(amount) => {
            const { amount: _, ...rest } = base;
            save(amount === undefined ? rest : { ...rest, amount });
          }}
        />
      ) : null}
      <Segments
        label="What the day was"
        value={base.mark ?? 'none'}
        choices={marks}
        onChange={(chosen) => save(withMark(base, chosen === 'none' ? null : chosen))}
        isWrapping
      />
      <NoteField
        key={`note ${day}`}
        note={entry?.note ?? ''}
        label={base.mark === 'missed' ? 'Reason' : 'Note'}
        autoFocus={isNoteFirst}
        onChange={(note) => {
          const { note: _, ...rest } = base;
          save(note === '' ? rest : { ...rest, note });
        }}
      />
      <View style={styles.buttons}>
        <Button kind="bare" onPress={() => goTo(habitPath(habitId))}>
          Habit page
        </Button>
        <Button kind="bare" onPress={() => goTo(habitEditPath(habitId))}>
          Edit habit
        </Button>
        {undos.length > 0 ? (
          <Button kind="bare" icon={<Undo2 size={16} color={colors.working} />} onPress={undoLast}>
            Undo
          </Button>
        ) : null}
      </View>
      <View style={styles.buttons}>
        {entry !== undefined ? <Button onPress={clear}>Empty this day</Button> : null}
        <View style={styles.push} />
        <Button kind="main" onPress={onClose}>
          Close
        </Button>
      </View>
    </Sheet>
  );
}

/** The reward promised for the month of a day, and what is left until it is earned. */
function RewardLine({ track, day }: { track: Track; day: PlainDay }) {
  const month = monthOfDay(day);
  const found = monthRewards(track).find((each) => each.month === month);
  if (found === undefined) return null;
  const { reward, state, left } = found;
  return (
    <Words type="quiet" tone="brassText">
      {state === 'earned'
        ? `Earned in ${monthName(month)}: ${reward}`
        : state === 'missed'
          ? `Not earned in ${monthName(month)}: ${reward}`
          : `Reward for ${monthName(month)}: ${reward}${left > 0 ? `, ${counted(left, 'day')} to go` : ''}`}
    </Words>
  );
}

/** How the habit stands on the day, and its streak: each can be asked what it is made of. */
function StandingLine({ track, day }: { track: Track; day: PlainDay }) {
  const styles = useStyles();
  const hidesStreaks = useAppSelector(selectHidesStreaks);
  const { words, asked } = dayStatusOn(track, day);
  const unit = streakUnitOn(track, track.today);
  const run = aliveRun(runsOf(track, unit));
  const streak = run === null ? '' : `${streakLength(run.length, unit)} in a row`;
  return (
    <View style={styles.standing}>
      {asked === null ? (
        <Words type="label">{words}</Words>
      ) : (
        <Figure asked={asked} label={words}>
          <Words type="label">{words}</Words>
        </Figure>
      )}
      {run === null || hidesStreaks ? null : (
        <Figure asked={{ figure: 'habitRun', habitId: track.habit.id, run }} label={streak}>
          <Words type="label" tone="brassText">
            {streak}
          </Words>
        </Figure>
      )}
    </View>
  );
}

/** The week that a day lies in, a peg each: a tap checks off (or chooses the day, for amounts). */
function WeekOfDay({
  track,
  day,
  onChoose,
  onSave,
}: {
  track: Track;
  day: PlainDay;
  onChoose: (day: PlainDay) => void;
  onSave: (entry: Entry) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { habit } = track;
  const entries = useAppSelector((state) => selectEntries(state, habit.id));
  const dye = useAppSelector((state) => state.records.areas[habit.areaId ?? '']?.color);
  const isTapped = habit.measure.kind === 'check' && (habit.variants ?? []).length === 0;
  return (
    <View role="group" aria-label="The days of this week" style={styles.week}>
      {eachDay(weekSpan(day, track.weekStart)).map((each) => {
        const entry = entryOn(entries, each) ?? undefined;
        const outcome = outcomeOn(track, each);
        const isHere = each === day;
        if (each > track.today) {
          return (
            <View key={each} aria-hidden style={[styles.day, styles.toCome]}>
              <PegPicture state="toCome" sizePx={26} color={colors.rim} />
              <Words type="small" tone="quiet">
                {weekdayLetter(each)} {dateNumber(each)}
              </Words>
            </View>
          );
        }
        return (
          <View key={each} style={[styles.day, isHere && styles.here]}>
            <Peg
              state={pegStateOf(track, each)}
              sizePx={26}
              color={dyeColor(colors, dye)}
              ratio={fillRatio(track, each, entry?.amount ?? null)}
              label={`${dayInWords(each)}: ${OUTCOME_WORDS[outcome]}`}
              isChecked={outcome === 'done' ? true : outcome === 'part' ? 'mixed' : false}
              onPress={() => {
                onChoose(each);
                if (isTapped) onSave(afterTap(track, each, entry));
              }}
            />
            <Pressable
              role="button"
              aria-label={`Show ${dayInWords(each)}`}
              aria-current={isHere ? 'date' : undefined}
              onPress={() => onChoose(each)}
              style={styles.letter}
            >
              <Words type={isHere ? 'smallStrong' : 'small'} tone={isHere ? 'ink' : 'quiet'}>
                {weekdayLetter(each)} {dateNumber(each)}
              </Words>
            </Pressable>
          </View>
        );
      })}
    </View>
  );
}

const useStyles = themed((colors) => ({
  buttons: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s },
  push: { flex: 1 },
  standing: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l, rowGap: SPACE.xs },
  week: { flexDirection: 'row', justifyContent: 'space-between' },
  day: {
    flex: 1,
    maxWidth: 56,
    alignItems: 'center',
    paddingBottom: 2,
    borderRadius: 14,
    borderWidth: 1.5,
    borderColor: 'transparent',
  },
  toCome: { paddingTop: 9, gap: 9 },
  here: { borderColor: colors.brass },
  letter: { minHeight: 24, minWidth: 40, alignItems: 'center', justifyContent: 'center' },
}));
