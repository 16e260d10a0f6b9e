import { checkRecord } from '@wimbel/contract';
import {
  type Habit,
  PARTS_OF_DAY,
  type PartOfDay,
  archivedHabit,
  formatDay,
  parseDay,
  withPipsFrom,
} from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import { parseTyped } from '../../../text/amounts.ts';
import { capital, counted, PART_WORDS } from '../../../text/format.ts';
import { changeTo, removalOf } from '../../../store/makeChange.ts';
import {
  selectAreas,
  selectEntry,
  selectIsHidden,
  selectSettings,
  selectToday,
  trackOf,
} from '../../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { Field } from '../../../ui/Field.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import { issueWords } from '../../../text/issueText.ts';

type Step = 'area' | 'part' | 'pips' | 'pause' | 'delete';

/** Actions on several habits; each is one undo step. */
export function SeveralHabits({ habits, onDone }: { habits: readonly Habit[]; onDone: () => void }) {
  const styles = useStyles();
  const store = useStore<RootState>();
  const { change } = useRecording();
  const toast = useToast();
  const today = useAppSelector(selectToday);
  const { pipsName = { one: 'pip', many: 'pips' } } = useAppSelector(selectSettings);
  const hidesPips = useAppSelector((state) => selectIsHidden(state, 'pips'));
  const [step, setStep] = useState<Step | null>(null);
  const isNone = habits.length === 0;

  /** Keeps the habits as they are to be; gives what is wrong where one of them cannot be like that. */
  const put = (next: readonly Habit[], words: string): string | null => {
    for (const habit of next) {
      const [issue] = checkRecord('habits', habit).issues;
      if (issue !== undefined) return `${habit.name}: ${issueWords(issue)}. Nothing was changed.`;
    }
    const onUndo = change(...next.map((habit) => changeTo('habits', habit)));
    toast({ text: `${counted(next.length, 'habit')} ${words}`, onUndo });
    setStep(null);
    onDone();
    return null;
  };
  const archive = (): void => {
    const hasRecord = ({ id }: Habit): boolean => selectEntry(store.getState(), id, formatDay(today)) !== undefined;
    put(
      habits.map((habit) => archivedHabit(habit, today, hasRecord(habit))),
      'archived. Their record stays.',
    );
  };
  const remove = (): void => {
    const onUndo = change(...habits.map(({ id }) => removalOf('habits', id)));
    toast({ text: `${counted(habits.length, 'habit')} deleted`, onUndo });
    setStep(null);
    onDone();
  };
  const key = (label: string, to: Step) => (
    <Button onPress={() => setStep(to)} isDisabled={isNone}>
      {label}
    </Button>
  );
  return (
    <View style={styles.bar} role="toolbar" aria-label="For the habits chosen">
      <View role="status" style={styles.words}>
        <Words type="strong">{isNone ? 'Choose habits below' : `${habits.length} chosen`}</Words>
      </View>
      {key('Area', 'area')}
      {key('Part of the day', 'part')}
      {hidesPips ? null : key(capital(pipsName.many), 'pips')}
      {key('Away', 'pause')}
      <Button onPress={archive} isDisabled={isNone}>
        Archive
      </Button>
      {key('Delete', 'delete')}
      <Button kind="bare" onPress={onDone}>
        Done choosing
      </Button>
      {step === null ? null : (
        <StepSheet
          step={step}
          habits={habits}
          onClose={() => setStep(null)}
          onPut={put}
          onArchive={archive}
          onRemove={remove}
        />
      )}
    </View>
  );
}

/** Confirmation before an action on all habits. */
function StepSheet({
  step,
  habits,
  onClose,
  onPut,
  onArchive,
  onRemove,
}: {
  step: Step;
  habits: readonly Habit[];
  onClose: () => void;
  onPut: (next: readonly Habit[], words: string) => string | null;
  onArchive: () => void;
  onRemove: () => void;
}) {
  const styles = useStyles();
  const store = useStore<RootState>();
  const today = useAppSelector(selectToday);
  const { pipsName = { one: 'pip', many: 'pips' } } = useAppSelector(selectSettings);
  switch (step) {
    case 'area':
      return (
        <AreaSheet
          onClose={onClose}
          onArea={(areaId) =>
            onPut(
              habits.map(({ areaId: _, ...habit }) => (areaId === '' ? habit : { ...habit, areaId })),
              'moved',
            )
          }
        />
      );
    case 'part':
      return (
        <Sheet title="Part of the day" onClose={onClose}>
          <Chips
            label="Part of the day"
            chips={PARTS_OF_DAY.map((part) => ({ value: part, label: PART_WORDS[part] }))}
            chosen={[]}
            onPress={(part) =>
              onPut(
                habits.map((habit) => ({ ...habit, partOfDay: part as PartOfDay })),
                'moved',
              )
            }
          />
        </Sheet>
      );
    case 'pips':
      return (
        <PipsSheet
          name={pipsName.many}
          onClose={onClose}
          onPips={(pips) =>
            onPut(
              habits.map((habit) => withPipsFrom(habit, trackOf(store.getState(), habit).first, today, pips)),
              pips === 0 ? 'earn nothing from today' : 'earn that from today',
            )
          }
        />
      );
    case 'pause':
      return (
        <AwaySheet
          today={formatDay(today)}
          onClose={onClose}
          onAway={(pause) =>
            onPut(
              habits.map((habit) => ({
                ...habit,
                pauses: [...(habit.pauses ?? []), pause].sort((a, b) => (a.from < b.from ? -1 : 1)),
              })),
              'paused for these days',
            )
          }
        />
      );
    case 'delete':
      return (
        <Sheet title={`Delete ${counted(habits.length, 'habit')}?`} onClose={onClose}>
          <Words>
            Everything recorded under them goes too, with the key results that count them. Past figures change.
          </Words>
          <Words tone="quiet">Archiving them instead hides them from your days and keeps every figure.</Words>
          <View style={styles.buttons}>
            <Button onPress={onRemove}>Delete habits and history</Button>
            <Button kind="main" onPress={onArchive}>
              Archive instead
            </Button>
            <Button kind="bare" onPress={onClose}>
              Cancel
            </Button>
          </View>
        </Sheet>
      );
  }
}

function AreaSheet({ onArea, onClose }: { onArea: (areaId: string) => void; onClose: () => void }) {
  const { colors } = useTheme();
  const areas = useAppSelector(selectAreas);
  return (
    <Sheet title="Area" onClose={onClose}>
      <Chips
        label="Area"
        chips={[
          { value: '', label: 'None' },
          ...areas.map((area) => ({ value: area.id, label: area.name, dot: dyeColor(colors, area.color) })),
        ]}
        chosen={[]}
        onPress={onArea}
      />
    </Sheet>
  );
}

function PipsSheet({
  name,
  onPips,
  onClose,
}: {
  name: string;
  onPips: (pips: number) => string | null;
  onClose: () => void;
}) {
  const [text, setText] = useState('');
  const [fault, setFault] = useState<string>();
  const save = (): void => {
    const pips = parseTyped(text);
    setFault(pips === null || pips < 0 ? 'Write a number, such as 2' : (onPips(pips) ?? undefined));
  };
  return (
    <Sheet title={`${capital(name)} a done day earns`} onClose={onClose}>
      <Field
        label="How many"
        value={text}
        onChangeText={setText}
        onSubmitEditing={save}
        inputMode="decimal"
        autoFocus
        error={fault}
        hint="From today on. 0 for none."
      />
      <Button kind="main" onPress={save}>
        Set
      </Button>
    </Sheet>
  );
}

function AwaySheet({
  today,
  onAway,
  onClose,
}: {
  today: string;
  onAway: (pause: { from: string; to: string; why?: string }) => string | null;
  onClose: () => void;
}) {
  const styles = useStyles();
  const [from, setFrom] = useState(today);
  const [to, setTo] = useState('');
  const [why, setWhy] = useState('');
  const [fault, setFault] = useState<string>();
  const save = (): void => {
    if (parseDay(from) === null || parseDay(to) === null) setFault('Choose the first and the last day');
    else if (to < from) setFault('The last day is before the first');
    else setFault(onAway({ from, to, ...(why.trim() === '' ? {} : { why: why.trim() }) }) ?? undefined);
  };
  return (
    <Sheet title="Away" onClose={onClose}>
      <Words tone="quiet">Nothing is due in these days, and streaks go on after them.</Words>
      <Field label="Away from" value={from} onChangeText={setFrom} isDate />
      <Field label="To" value={to} onChangeText={setTo} isDate error={fault} />
      <Field label="Why" value={why} onChangeText={setWhy} maxLength={200} hint="Optional." onSubmitEditing={save} />
      <View style={styles.buttons}>
        <Button kind="main" onPress={save}>
          Set
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
      </View>
    </Sheet>
  );
}

const useStyles = themed(() => ({
  bar: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s },
  words: { minWidth: 110 },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
}));
