import { type Entry, type PlainDay, type Track, fillRatio, formatDay, outcomeOn, pegStateOf } from '@wimbel/core';
import NotebookPen from 'lucide-react-native/icons/notebook-pen';
import { memo, useState } from 'react';
import { Pressable, TextInput, View } from 'react-native';
import { useAmountDraft } from '../../components/entry/AmountField.tsx';
import { useNoteDraft } from '../../components/entry/useNoteDraft.ts';
import { useRecording } from '../../sync/recording.ts';
import { entryChange } from '../../store/makeChange.ts';
import { selectEntry } from '../../store/selectors.ts';
import { afterTap, askOn, dayStatusText } from '../../text/dayStatusText.ts';
import { useAppSelector } from '../../store/store.ts';
import { OUTCOME_WORDS, dayInWords } from '../../text/format.ts';
import { themed, useIsWide, useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { CORNER, SPACE, TOUCH_PX } from '../../theme/space.ts';
import { TYPE } from '../../theme/type.ts';
import { IconButton } from '../../ui/IconButton.tsx';
import { Peg } from '../../ui/Peg.tsx';
import { Words } from '../../ui/Words.tsx';

/** Height of a row, in pixels. */
export const ROW_PX = 52;

export const EntryRow = memo(function EntryRow({
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
