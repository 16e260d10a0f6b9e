import {
  type CheckIn,
  type Goal,
  type KeyResult,
  dayOf,
  formatDay,
  parseDay,
  valueOn,
  valuesInOrder,
} from '@wimbel/core';
import Pencil from 'lucide-react-native/icons/pencil';
import X from 'lucide-react-native/icons/x';
import { useState } from 'react';
import { View } from 'react-native';
import { editable, parseTyped } from '../shared/amounts.ts';
import { dateNear, percent } from '../shared/format.ts';
import { themed, useTheme } from '../theme/Theme.tsx';
import { SPACE } from '../theme/space.ts';
import { Button } from '../ui/Button.tsx';
import { Chips } from '../ui/Chips.tsx';
import { Field } from '../ui/Field.tsx';
import { IconButton } from '../ui/IconButton.tsx';
import { Segments } from '../ui/Segments.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { useToast } from '../ui/Toast.tsx';
import { Words } from '../ui/Words.tsx';
import { useRecording } from '../sync/RecordsProvider.tsx';
import { type FiguredGoal, useFiguredGoal } from '../store/figuredGoals.ts';
import { holeColor, paceSentence, standingOf, valueWords } from '../words/goalWords.ts';
import { changeTo, newId, removalOf } from '../store/makeChange.ts';
import { selectToday } from '../store/selectors.ts';
import { useAppSelector } from '../store/store.ts';

const FED_BY_ITSELF: Partial<Record<KeyResult['measure']['kind'], string>> = {
  habitDays: 'This one feeds itself: each day the habit is done counts.',
  habitAmount: 'This one feeds itself from the amounts of its habit.',
  steps: 'This one follows its steps.',
};

export const isFedByCheckIns = ({ measure }: KeyResult): boolean => FED_BY_ITSELF[measure.kind] === undefined;

/** The key result most in need of a check-in: of those fed by them and not reached, the one furthest behind. */
export function neediest({ records, figures }: FiguredGoal): KeyResult | null {
  const lag = ({ id }: KeyResult): number => {
    const { progress, expected } = figures.keyResults[id]!;
    return progress >= 1 ? -2 : (expected ?? 0) - progress;
  };
  const fed = records.keyResults.filter(isFedByCheckIns);
  return fed.reduce<KeyResult | null>((most, each) => (most === null || lag(each) > lag(most) ? each : most), null);
}

type Props = {
  goal: Goal;
  /** Which key result; left out, the one most in need, and the others can be chosen. */
  keyResultId?: string;
  onClose: () => void;
  onEdit?: (keyResult: KeyResult) => void;
};

/** Check in to a goal: a new value or an increase, a day, a note; and what was checked in so far. */
export function CheckInSheet({ goal, keyResultId, onClose, onEdit }: Props) {
  const { colors } = useTheme();
  const today = useAppSelector(selectToday);
  const figured = useFiguredGoal(goal.id);
  const [chosen, setChosen] = useState(keyResultId ?? null);
  const [corrected, setCorrected] = useState<CheckIn | null>(null);
  if (figured === null) return null;
  const { keyResults } = figured.records;
  const fed = keyResults.filter(isFedByCheckIns);
  const keyResult = keyResults.find((each) => each.id === chosen) ?? neediest(figured);
  if (keyResult === null) return null;
  const figures = figured.figures.keyResults[keyResult.id]!;
  const fedBy = FED_BY_ITSELF[keyResult.measure.kind];
  const own = figured.records.checkIns.filter((each) => each.keyResultId === keyResult.id);
  return (
    <Sheet title={keyResultId === undefined ? goal.title : keyResult.title} onClose={onClose}>
      {keyResultId === undefined && fed.length > 1 ? (
        <Chips
          label="Key result"
          chips={fed.map((each) => ({
            value: each.id,
            label: each.title,
            dot: holeColor(colors, keyResults.indexOf(each)),
          }))}
          chosen={[keyResult.id]}
          onPress={(id) => {
            setChosen(id);
            setCorrected(null);
          }}
        />
      ) : keyResultId === undefined ? (
        <Words type="name">{keyResult.title}</Words>
      ) : null}
      <Words tone="quiet">
        {standingOf(keyResult, figures)}, {percent(figures.progress)}. {paceSentence(keyResult, figures, today)}
      </Words>
      {fedBy === undefined ? (
        <CheckInForm
          key={`${keyResult.id} ${corrected?.id ?? ''}`}
          keyResult={keyResult}
          own={own}
          corrected={corrected}
          onDone={() => (corrected === null ? onClose() : setCorrected(null))}
        />
      ) : (
        <Words>{fedBy}</Words>
      )}
      {fedBy === undefined ? <History keyResult={keyResult} own={own} onCorrect={setCorrected} /> : null}
      {onEdit ? (
        <Button
          kind="bare"
          icon={<Pencil size={16} color={colors.working} />}
          onPress={() => onEdit(keyResult)}
          style={{ alignSelf: 'flex-start' }}
        >
          Edit key result
        </Button>
      ) : null}
    </Sheet>
  );
}

type FormProps = { keyResult: KeyResult; own: readonly CheckIn[]; corrected: CheckIn | null; onDone: () => void };

function CheckInForm({ keyResult, own, corrected, onDone }: FormProps) {
  const { change } = useRecording();
  const toast = useToast();
  const today = useAppSelector(selectToday);
  const { measure } = keyResult;
  const isYesNo = measure.kind === 'yesNo';
  const from = 'start' in measure ? measure.start : 0;
  const valueBy = (text: string): number => valueOn(valuesInOrder(own, today), parseDay(text) ?? today, from);
  const [way, setWay] = useState<'value' | 'more'>('value');
  const [day, setDay] = useState(corrected?.day ?? formatDay(today));
  const [value, setValue] = useState(() => {
    if (corrected) return isYesNo ? String(corrected.value) : editable(corrected.value);
    // A tap on it is most often the answer that is not there yet.
    return isYesNo ? (valueBy(day) >= 1 ? '0' : '1') : '';
  });
  const [note, setNote] = useState(corrected?.note ?? '');
  const [error, setError] = useState<string | undefined>(undefined);
  const [dayError, setDayError] = useState<string | undefined>(undefined);
  const unit = measure.kind === 'number' ? measure.unit : measure.kind === 'money' ? measure.currency : undefined;
  const typed = parseTyped(value);
  const result = typed === null ? null : way === 'more' ? Number((valueBy(day) + typed).toPrecision(12)) : typed;
  const save = (): void => {
    if (result === null) {
      setError('Write a number, such as 12 or 7.5');
      return;
    }
    if (day > formatDay(today)) {
      setDayError('That day is still to come');
      return;
    }
    const checkIn: CheckIn = {
      id: corrected?.id ?? newId(),
      keyResultId: keyResult.id,
      day,
      value: result,
      ...(note.trim() === '' ? {} : { note: note.trim() }),
      madeAt: corrected?.madeAt ?? new Date().toISOString(),
    };
    toast({
      text: `${keyResult.title}: ${valueWords(keyResult, result)}`,
      onUndo: change(changeTo('checkIns', checkIn)),
    });
    onDone();
  };
  return (
    <View style={{ gap: SPACE.m }}>
      {isYesNo ? (
        <Segments
          label="Is it so"
          value={value}
          choices={[
            { value: '0', label: 'Not yet' },
            { value: '1', label: 'Yes' },
          ]}
          onChange={setValue}
        />
      ) : (
        <>
          {corrected ? null : (
            <Segments
              label="What is typed"
              value={way}
              choices={[
                { value: 'value', label: 'New value' },
                { value: 'more', label: 'Add to it' },
              ]}
              onChange={setWay}
            />
          )}
          <Field
            label={way === 'more' ? 'How much more' : 'New value'}
            value={value}
            onChangeText={(text) => {
              setValue(text);
              setError(undefined);
            }}
            onSubmitEditing={save}
            inputMode="decimal"
            suffix={unit}
            error={error}
            autoFocus
            placeholder={way === 'more' ? '' : String(valueBy(day))}
            hint={way === 'more' && result !== null ? `Makes ${valueWords(keyResult, result)}` : undefined}
          />
        </>
      )}
      <Field
        label="Day"
        value={day}
        onChangeText={(text) => {
          if (text !== '') setDay(text);
          setDayError(undefined);
        }}
        isDate
        error={dayError}
      />
      <Field label="Note" value={note} onChangeText={setNote} multiline maxLength={5000} />
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <Button kind="main" onPress={save} style={{ flex: 1 }}>
          {corrected ? 'Save' : 'Check in'}
        </Button>
        {corrected ? (
          <Button kind="bare" onPress={onDone}>
            Leave it
          </Button>
        ) : null}
      </View>
    </View>
  );
}

function History({
  keyResult,
  own,
  onCorrect,
}: {
  keyResult: KeyResult;
  own: readonly CheckIn[];
  onCorrect: (checkIn: CheckIn) => void;
}) {
  const styles = useStyles();
  const { change } = useRecording();
  const toast = useToast();
  const today = useAppSelector(selectToday);
  const latestFirst = [...own].sort((a, b) =>
    a.day === b.day ? (a.madeAt < b.madeAt ? 1 : -1) : a.day < b.day ? 1 : -1,
  );
  if (latestFirst.length === 0) return null;
  const remove = (checkIn: CheckIn): void =>
    toast({ text: 'Check-in removed', onUndo: change(removalOf('checkIns', checkIn.id)) });
  return (
    <View>
      <Words type="label" tone="quiet" heading={3}>
        So far
      </Words>
      {latestFirst.map((checkIn) => {
        const date = dateNear(dayOf(checkIn.day), today);
        return (
          <View key={checkIn.id} style={styles.row}>
            <View style={styles.words}>
              <Words>
                <Words type="strong">{valueWords(keyResult, checkIn.value)}</Words> on {date}
              </Words>
              {checkIn.note ? (
                <Words type="quiet" tone="quiet">
                  {checkIn.note}
                </Words>
              ) : null}
            </View>
            <IconButton
              icon={Pencil}
              sizePx={17}
              label={`Correct the check-in of ${date}`}
              onPress={() => onCorrect(checkIn)}
            />
            <IconButton icon={X} sizePx={18} label={`Remove the check-in of ${date}`} onPress={() => remove(checkIn)} />
          </View>
        );
      })}
    </View>
  );
}

const useStyles = themed((colors) => ({
  row: { flexDirection: 'row', alignItems: 'center', borderTopWidth: 1, borderTopColor: colors.line, minHeight: 48 },
  words: { flex: 1, paddingVertical: SPACE.s },
}));
