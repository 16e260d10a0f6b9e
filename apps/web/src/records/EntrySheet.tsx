import { type Entry, type Mark, type PlainDay, formatDay, outcomeOn, termsOn } from '@wimbel/core';
import Minus from 'lucide-react-native/icons/minus';
import Pencil from 'lucide-react-native/icons/pencil';
import Plus from 'lucide-react-native/icons/plus';
import { useState } from 'react';
import { View } from 'react-native';
import { amountOf, dayInWords, number, parseTyped } from '../shared/format.ts';
import { useTheme } from '../theme/Theme.tsx';
import { SPACE } from '../theme/space.ts';
import { Button } from '../ui/Button.tsx';
import { Field } from '../ui/Field.tsx';
import { IconButton } from '../ui/IconButton.tsx';
import { Segments } from '../ui/Segments.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { useToast } from '../ui/Toast.tsx';
import { Words } from '../ui/Words.tsx';
import { useRecording } from './RecordsProvider.tsx';
import { entryChange } from './makeChange.ts';
import { selectEntry, selectTrack } from './selectors.ts';
import { useAppSelector } from './store.ts';

type Props = { habitId: string; day: PlainDay; onClose: () => void; onEditHabit: () => void };

const OUTCOME_WORDS = {
  outside: 'Outside the days of this habit. A record here starts it earlier.',
  blank: 'Nothing recorded yet.',
  paused: 'In a pause: nothing is asked.',
  part: 'Part of it is done.',
  done: 'Done.',
  rest: 'A rest day: excused.',
  missed: 'Missed.',
} as const;

/** Everything about one day of a habit: done or amount, rest, missed with its reason, a note. Saved as it is changed. */
export function EntrySheet({ habitId, day, onClose, onEditHabit }: Props) {
  const track = useAppSelector((state) => selectTrack(state, habitId));
  const entry = useAppSelector((state) => selectEntry(state, habitId, formatDay(day)));
  const { change } = useRecording();
  const toast = useToast();
  const { colors } = useTheme();
  if (track === null) return null;
  const { habit } = track;
  const base: Entry = entry ?? { habitId, day: formatDay(day) };
  const save = (next: Entry): void => change(entryChange(next));
  const isAmount = habit.measure.kind === 'amount';

  const mark = (chosen: Mark | 'none'): void => {
    const { mark: _, ...rest } = base;
    save(chosen === 'none' ? rest : { ...rest, mark: chosen });
  };
  const clear = (): void => {
    save({ habitId, day: formatDay(day) });
    toast({ text: `${habit.name}: the day is empty again`, onUndo: () => save(base) });
    onClose();
  };
  const marks: { value: Mark | 'none'; label: string }[] = [
    { value: 'none', label: isAmount ? 'By amount' : 'Open' },
    ...(isAmount ? [] : [{ value: 'done' as const, label: habit.aim === 'quit' ? 'Held' : 'Done' }]),
    { value: 'rest', label: 'Rest' },
    { value: 'missed', label: 'Missed' },
  ];
  return (
    <Sheet title={habit.name} onClose={onClose}>
      <Words tone="quiet">
        {dayInWords(day)}. {OUTCOME_WORDS[outcomeOn(track, day)]}
      </Words>
      {habit.measure.kind === 'amount' ? (
        <AmountEditor
          key={`${habitId} ${day}`}
          amount={entry?.amount}
          unit={habit.measure.unit}
          step={habit.measure.step}
          atLeast={termsOn(track.terms, day).atLeast}
          atMost={termsOn(track.terms, day).atMost}
          onChange={(amount) => {
            const { amount: _, ...rest } = base;
            save(amount === undefined ? rest : { ...rest, amount });
          }}
        />
      ) : null}
      <Segments label="What the day was" value={base.mark ?? 'none'} choices={marks} onChange={mark} isWrapping />
      <NoteEditor
        key={`note ${habitId} ${day}`}
        note={entry?.note ?? ''}
        label={base.mark === 'missed' ? 'Reason' : 'Note'}
        onChange={(note) => {
          const { note: _, ...rest } = base;
          save(note === '' ? rest : { ...rest, note });
        }}
      />
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button kind="bare" icon={<Pencil size={16} color={colors.working} />} onPress={onEditHabit}>
          Edit habit
        </Button>
        {entry !== undefined ? (
          <Button kind="plain" onPress={clear}>
            Empty this day
          </Button>
        ) : null}
        <Button kind="main" onPress={onClose}>
          Close
        </Button>
      </View>
    </Sheet>
  );
}

type AmountProps = {
  amount: number | undefined;
  unit: string;
  step: number;
  atLeast: number | null;
  atMost: number | null;
  onChange: (amount: number | undefined) => void;
};

function AmountEditor({ amount, unit, step, atLeast, atMost, onChange }: AmountProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const text = draft ?? (amount === undefined ? '' : number(amount).replaceAll(',', ''));
  const typed = parseTyped(text);
  const error =
    draft === null || draft.trim() === ''
      ? undefined
      : typed === null
        ? 'Write a number, such as 12 or 7.5'
        : typed < 0
          ? 'An amount is 0 or more'
          : undefined;
  const set = (next: string): void => {
    setDraft(next);
    if (next.trim() === '') onChange(undefined);
    const value = parseTyped(next);
    if (value !== null && value >= 0) onChange(value);
  };
  const add = (by: number): void => {
    setDraft(null);
    onChange(Math.max(0, Number(((amount ?? 0) + by).toPrecision(12))));
  };
  const limit =
    atLeast !== null ? amountOf(amount ?? 0, atLeast, unit) : `${amountOf(amount ?? 0, atMost ?? 0, unit)} at most`;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'flex-start', gap: SPACE.s }}>
      <View style={{ flex: 1 }}>
        <Field
          label={`Amount (${limit})`}
          value={text}
          onChangeText={set}
          onBlur={() => error === undefined && setDraft(null)}
          inputMode="decimal"
          suffix={unit}
          error={error}
          selectTextOnFocus
        />
      </View>
      <View style={{ flexDirection: 'row', paddingTop: 22 }}>
        <IconButton icon={Minus} label={`Take away ${step} ${unit}`} onPress={() => add(-step)} />
        <IconButton icon={Plus} label={`Add ${step} ${unit}`} onPress={() => add(step)} />
      </View>
    </View>
  );
}

function NoteEditor({ note, label, onChange }: { note: string; label: string; onChange: (note: string) => void }) {
  const [draft, setDraft] = useState(note);
  const keep = (): void => {
    if (draft.trim() !== note) onChange(draft.trim());
  };
  return <Field label={label} value={draft} onChangeText={setDraft} onBlur={keep} multiline maxLength={5000} />;
}
