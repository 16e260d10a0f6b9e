import {
  type DaySpan,
  type Entry,
  type PlainDay,
  type Track,
  dayMarkOf,
  fillRatio,
  formatDay,
  outcomeOn,
  pegStateOf,
  scoreOn,
  entryOn,
  NO_ENTRIES,
  doneHabitsOn,
} from '@wimbel/core';
import NotebookPen from 'lucide-react-native/icons/notebook-pen';
import { type CSSProperties, type ReactElement, memo, useMemo, useRef, useState } from 'react';
import { Pressable, TextInput, View } from 'react-native';
import { useAmountDraft } from '../../components/entry/AmountField.tsx';
import { useNoteDraft } from '../../components/entry/useNoteDraft.ts';
import { VirtualList } from '../../components/page/VirtualList.tsx';
import { useRecording } from '../../sync/recording.ts';
import { entryChange } from '../../store/makeChange.ts';
import { selectDayMarks, selectEntry, selectSettings, selectToday, selectTotals } from '../../store/selectors.ts';
import { afterTap, askOn, dayStatusText } from '../../text/dayStatusText.ts';
import { type RootState, useAppSelector } from '../../store/store.ts';
import { OUTCOME_WORDS, counted, dayInWords, percent } from '../../text/format.ts';
import { themed, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { CORNER, SPACE, TOUCH_PX } from '../../theme/space.ts';
import { TYPE } from '../../theme/type.ts';
import { IconButton } from '../../ui/IconButton.tsx';
import { Peg } from '../../ui/Peg.tsx';
import { Words } from '../../ui/Words.tsx';
import { Figure } from '../../components/figure/Figure.tsx';

/** How many more days are listed whenever the end comes near. */
const MORE_DAYS = 14;
/** Height of a row on a wide screen. */
const ROW_PX = 52;
const SCROLL: CSSProperties = { flex: 1, minHeight: 0, overflowY: 'auto', overflowX: 'hidden' };

type Row = { kind: 'day'; day: PlainDay } | { kind: 'entry'; track: Track; day: PlainDay };

type Entries = RootState['records']['entries'];

/**
 * The habits of a day that were asked, those that could wait among them, or that have a record. What is late stands on today
 * alone: on each of the days that it was put off it would push everything else out of sight.
 */
const tracksOfDay = (tracks: readonly Track[], entries: Entries, day: PlainDay): Track[] =>
  tracks.filter((track) => {
    if (entryOn(entries[track.habit.id] ?? NO_ENTRIES, day) !== null) return true;
    const ask = askOn(track, day);
    return ask === 'waiting' ? day === track.today : ask !== 'none';
  });

/** The records of a span by day, newest first; amounts and notes are edited where they stand. */
export function LogList({
  tracks,
  span,
  head,
  onOpen,
  onDay,
}: {
  tracks: readonly Track[];
  span: DaySpan;
  head: ReactElement;
  onOpen: (habitId: string, day: PlainDay) => void;
  onDay: (day: PlainDay) => void;
}) {
  const styles = useStyles();
  const isWide = useIsWide();
  const today = useAppSelector(selectToday);
  const entries = useAppSelector((state) => state.records.entries);
  const scroll = useRef<HTMLDivElement>(null);
  const newest = Math.min(today, span.last);
  const [shown, setShown] = useState({ span, days: MORE_DAYS });
  const days = shown.span === span ? shown.days : MORE_DAYS;
  const rows = useMemo((): Row[] => {
    const list: Row[] = [];
    // Before anything began, a record starts what began later.
    const isBeforeAll = tracks.every(({ first }) => first > span.last);
    // Days on which nothing was due or recorded are passed over and do not count, else a long pause would end the list.
    let left = days;
    for (let day = newest; day >= span.first && left > 0; day--) {
      const asked = isBeforeAll ? tracks : tracksOfDay(tracks, entries, day);
      if (asked.length === 0) continue;
      left--;
      list.push({ kind: 'day', day });
      for (const track of asked) list.push({ kind: 'entry', track, day });
    }
    return list;
  }, [tracks, entries, span, newest, days]);
  return (
    <div ref={scroll} style={SCROLL}>
      <View style={[styles.list, isWide && styles.listWide]}>
        {head}
        {rows.length === 0 ? (
          <Words tone="quiet" style={styles.none}>
            {span.first > today ? 'These days are still to come.' : 'Nothing was due or recorded in these days.'}
          </Words>
        ) : (
          <VirtualList
            rows={rows}
            keyOf={(row) => (row.kind === 'day' ? `day ${row.day}` : `${row.day} ${row.track.habit.id}`)}
            roughPx={() => ROW_PX}
            scroll={scroll}
            onEndNear={() => setShown({ span, days: days + MORE_DAYS })}
          >
            {(row) =>
              row.kind === 'day' ? (
                <DayHead day={row.day} onDay={onDay} />
              ) : (
                <EntryRow track={row.track} day={row.day} onOpen={onOpen} />
              )
            }
          </VirtualList>
        )}
      </View>
    </div>
  );
}

function DayHead({ day, onDay }: { day: PlainDay; onDay: (day: PlainDay) => void }) {
  const styles = useStyles();
  const { passMark } = useAppSelector(selectSettings);
  const marks = useAppSelector(selectDayMarks);
  const totals = useAppSelector(selectTotals);
  const { done, due, score } = scoreOn(totals, day, passMark);
  const habits = doneHabitsOn(totals, day);
  const mark = dayMarkOf(marks, habits);
  return (
    <View style={styles.dayHead}>
      <Words type="card" heading={2} style={styles.dayName}>
        {dayInWords(day)}
      </Words>
      {score === null ? (
        <Words type="quiet" tone="quiet">
          {counted(habits, 'habit')}
        </Words>
      ) : (
        <Figure asked={{ figure: 'dayScore', day }} label={`${dayInWords(day)}: ${done} of ${due}, ${percent(score)}`}>
          <Words type="quiet" tone="quiet">
            {done} of {due}, {percent(score)}
          </Words>
        </Figure>
      )}
      {mark === null ? null : (
        <Words type="smallStrong" tone="brassText">
          {mark}
        </Words>
      )}
      <Pressable role="link" aria-label={`Open ${dayInWords(day)}`} onPress={() => onDay(day)} style={styles.open}>
        <Words type="label" tone="working">
          Open
        </Words>
      </Pressable>
    </View>
  );
}

const EntryRow = memo(function EntryRow({
  track,
  day,
  onOpen,
}: {
  track: Track;
  day: PlainDay;
  onOpen: (habitId: string, day: PlainDay) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const isWide = useIsWide();
  const { change } = useRecording();
  const { habit } = track;
  const entry = useAppSelector((state) => selectEntry(state, habit.id, formatDay(day)));
  const dye = useAppSelector((state) => state.records.areas[habit.areaId ?? '']?.color);
  const base: Entry = entry ?? { habitId: habit.id, day: formatDay(day) };
  const outcome = outcomeOn(track, day);
  const hasVariants = (habit.variants ?? []).length > 0;
  return (
    <View style={styles.row}>
      <Peg
        state={pegStateOf(track, day)}
        sizePx={24}
        color={dyeColor(colors, dye)}
        ratio={fillRatio(track, day, entry?.amount ?? null)}
        label={`${habit.name}, ${dayInWords(day)}: ${OUTCOME_WORDS[outcome]}`}
        isChecked={outcome === 'done' ? true : outcome === 'part' ? 'mixed' : false}
        onPress={() => (hasVariants ? onOpen(habit.id, day) : change(entryChange(afterTap(track, day, entry))))}
        onLongPress={() => onOpen(habit.id, day)}
      />
      <Pressable
        role="button"
        aria-label={`${habit.name}, more`}
        onPress={() => onOpen(habit.id, day)}
        style={styles.name}
      >
        <Words type="strong" numberOfLines={3}>
          {habit.name}
        </Words>
        {entry === undefined && ['canWait', 'waiting'].includes(askOn(track, day)) ? (
          <Words type="small" tone="quiet">
            {dayStatusText(track, day)}
          </Words>
        ) : null}
      </Pressable>
      {habit.measure.kind === 'amount' && !hasVariants ? (
        <AmountHere
          label={`Amount, ${habit.name}, ${dayInWords(day)}`}
          amount={entry?.amount}
          unit={habit.measure.unit}
          onChange={(amount) => {
            const { amount: _, ...rest } = base;
            change(entryChange(amount === undefined ? rest : { ...rest, amount }));
          }}
        />
      ) : isWide ? (
        <View style={styles.amount} />
      ) : null}
      <NoteHere
        kind={base.mark === 'missed' ? 'Reason' : 'Note'}
        of={`${habit.name}, ${dayInWords(day)}`}
        note={entry?.note ?? ''}
        onChange={(note) => {
          const { note: _, ...rest } = base;
          change(entryChange(note === '' ? rest : { ...rest, note }));
        }}
      />
    </View>
  );
});

function AmountHere({
  label,
  amount,
  unit,
  onChange,
}: {
  label: string;
  amount: number | undefined;
  unit: string;
  onChange: (amount: number | undefined) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const draft = useAmountDraft(amount, unit, onChange);
  return (
    <View style={styles.amount}>
      <TextInput
        aria-label={label}
        aria-invalid={draft.fault !== null}
        value={draft.text}
        onChangeText={draft.write}
        onBlur={draft.leave}
        inputMode="decimal"
        placeholder="–"
        placeholderTextColor={colors.quiet}
        selectTextOnFocus
        style={[TYPE.body, styles.input, styles.number, { color: draft.fault === null ? colors.ink : colors.madder }]}
      />
      <Words type="quiet" tone="quiet">
        {unit}
      </Words>
      {draft.fault === null ? null : (
        <View role="alert" style={styles.fault}>
          <Words type="small" tone="madder">
            {draft.fault}
          </Words>
        </View>
      )}
    </View>
  );
}

function NoteHere({
  kind,
  of,
  note,
  onChange,
}: {
  kind: 'Note' | 'Reason';
  of: string;
  note: string;
  onChange: (note: string) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const isWide = useIsWide();
  const draft = useNoteDraft(note, onChange);
  const [isOpened, setIsOpened] = useState(false);
  if (!isWide && !isOpened && draft.text === '')
    return <IconButton icon={NotebookPen} label={`Write, ${of}`} sizePx={19} onPress={() => setIsOpened(true)} />;
  return (
    <TextInput
      aria-label={`${kind}, ${of}`}
      value={draft.text}
      onChangeText={draft.write}
      onBlur={() => {
        draft.keep();
        setIsOpened(false);
      }}
      autoFocus={isOpened}
      placeholder={kind.toLowerCase()}
      placeholderTextColor={colors.quiet}
      maxLength={5000}
      style={[
        TYPE.body,
        styles.input,
        isWide ? styles.note : styles.noteBelow,
        isWide && note === '' && styles.unwritten,
        { color: colors.ink },
      ]}
    />
  );
}

const useStyles = themed((colors) => ({
  list: { padding: SPACE.l, paddingBottom: SPACE.xxl },
  listWide: { paddingHorizontal: SPACE.xxl, paddingTop: SPACE.xl, maxWidth: 1000, width: '100%' },
  none: { paddingVertical: SPACE.xl },
  dayHead: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s, paddingTop: SPACE.l },
  dayName: { flexGrow: 1 },
  open: { minHeight: TOUCH_PX, minWidth: TOUCH_PX, justifyContent: 'center', alignItems: 'center' },
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    flexWrap: 'wrap',
    gap: SPACE.xs,
    borderTopWidth: 1,
    borderTopColor: colors.line,
    minHeight: ROW_PX,
  },
  name: { flexGrow: 1, flexShrink: 1, flexBasis: 120, minWidth: 110, minHeight: TOUCH_PX, justifyContent: 'center' },
  amount: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.xs, width: 124 },
  fault: { width: '100%' },
  input: {
    minHeight: 40,
    minWidth: 0,
    paddingHorizontal: SPACE.s,
    borderRadius: CORNER.field,
    borderWidth: 1,
    borderColor: colors.line,
    backgroundColor: colors.raised,
  },
  number: { width: 68, textAlign: 'right' },
  unwritten: { borderColor: 'transparent', backgroundColor: 'transparent' },
  // Under the name, beside the peg.
  noteBelow: { flexGrow: 1, flexBasis: '80%', marginLeft: TOUCH_PX + SPACE.xs, marginBottom: SPACE.s },
  note: { flexGrow: 2, flexShrink: 1, flexBasis: 140, minWidth: 120 },
}));
