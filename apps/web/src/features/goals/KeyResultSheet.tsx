import { type CheckIn, type KeyResult, type KeyResultFigures, dayOf, formatDay } from '@wimbel/core';
import Pencil from 'lucide-react-native/icons/pencil';
import X from 'lucide-react-native/icons/x';
import { useState } from 'react';
import { View } from 'react-native';
import { useRecording } from '../../records/RecordsProvider.tsx';
import { changeTo, newId, removalOf } from '../../records/makeChange.ts';
import { selectToday } from '../../records/selectors.ts';
import { useAppSelector } from '../../records/store.ts';
import { parseTyped } from '../../shared/amounts.ts';
import { dateNear, percent } from '../../shared/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';
import { paceSentence, standingOf, valueWords } from './goalWords.ts';

type Props = { keyResult: KeyResult; figures: KeyResultFigures; onClose: () => void; onEdit: () => void };

const FED_BY_ITSELF: Partial<Record<KeyResult['measure']['kind'], string>> = {
  habitDays: 'This one feeds itself: each day the habit is done counts.',
  habitAmount: 'This one feeds itself from the amounts of its habit.',
  steps: 'This one follows its steps.',
};

/** Check in to a key result: a value, a day, a note; and its history. */
export function KeyResultSheet({ keyResult, figures, onClose, onEdit }: Props) {
  const { colors } = useTheme();
  const today = useAppSelector(selectToday);
  const fedBy = FED_BY_ITSELF[keyResult.measure.kind];
  return (
    <Sheet title={keyResult.title} onClose={onClose}>
      <Words tone="quiet">
        {standingOf(keyResult, figures)}, {percent(figures.progress)}. {paceSentence(keyResult, figures, today)}
      </Words>
      {fedBy === undefined ? (
        <CheckInForm keyResult={keyResult} current={figures.current} onDone={onClose} />
      ) : (
        <Words>{fedBy}</Words>
      )}
      {fedBy === undefined ? <History keyResult={keyResult} /> : null}
      <Button
        kind="bare"
        icon={<Pencil size={16} color={colors.working} />}
        onPress={onEdit}
        style={{ alignSelf: 'flex-start' }}
      >
        Edit key result
      </Button>
    </Sheet>
  );
}

function CheckInForm({ keyResult, current, onDone }: { keyResult: KeyResult; current: number; onDone: () => void }) {
  const { change } = useRecording();
  const toast = useToast();
  const today = useAppSelector(selectToday);
  const isYesNo = keyResult.measure.kind === 'yesNo';
  const [value, setValue] = useState(isYesNo ? (current >= 1 ? '1' : '0') : '');
  const [day, setDay] = useState(formatDay(today));
  const [note, setNote] = useState('');
  const [error, setError] = useState<string | undefined>(undefined);
  const unit =
    keyResult.measure.kind === 'number'
      ? keyResult.measure.unit
      : keyResult.measure.kind === 'money'
        ? keyResult.measure.currency
        : undefined;
  const save = (): void => {
    const typed = parseTyped(value);
    if (typed === null) {
      setError('Write a number, such as 12 or 7.5');
      return;
    }
    const checkIn: CheckIn = {
      id: newId(),
      keyResultId: keyResult.id,
      day,
      value: typed,
      ...(note.trim() === '' ? {} : { note: note.trim() }),
      madeAt: new Date().toISOString(),
    };
    change(changeTo('checkIns', checkIn));
    toast({
      text: `${keyResult.title}: ${valueWords(keyResult, typed)}`,
      onUndo: () => change(removalOf('checkIns', checkIn.id)),
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
        <Field
          label="New value"
          value={value}
          onChangeText={(text) => {
            setValue(text);
            setError(undefined);
          }}
          onSubmitEditing={save}
          inputMode="decimal"
          suffix={unit}
          error={error}
          placeholder={String(current)}
        />
      )}
      <Field label="Day" value={day} onChangeText={(text) => text !== '' && setDay(text)} isDate />
      <Field label="Note" value={note} onChangeText={setNote} multiline maxLength={5000} />
      <Button kind="main" onPress={save}>
        Check in
      </Button>
    </View>
  );
}

function History({ keyResult }: { keyResult: KeyResult }) {
  const styles = useStyles();
  const { change } = useRecording();
  const toast = useToast();
  const today = useAppSelector(selectToday);
  const checkIns = useAppSelector((state) => state.records.checkIns);
  const own = Object.values(checkIns)
    .filter((each) => each.keyResultId === keyResult.id)
    .sort((a, b) => (a.day === b.day ? (a.madeAt < b.madeAt ? 1 : -1) : a.day < b.day ? 1 : -1));
  if (own.length === 0) return null;
  const remove = (checkIn: CheckIn): void => {
    change(removalOf('checkIns', checkIn.id));
    toast({ text: 'Check-in removed', onUndo: () => change(changeTo('checkIns', checkIn)) });
  };
  return (
    <View style={styles.history}>
      <Words type="label" tone="quiet" heading={3}>
        So far
      </Words>
      {own.map((checkIn) => (
        <View key={checkIn.id} style={styles.row}>
          <View style={styles.words}>
            <Words>
              <Words type="strong">{valueWords(keyResult, checkIn.value)}</Words> on{' '}
              {dateNear(dayOf(checkIn.day), today)}
            </Words>
            {checkIn.note ? (
              <Words type="quiet" tone="quiet">
                {checkIn.note}
              </Words>
            ) : null}
          </View>
          <IconButton
            icon={X}
            sizePx={18}
            label={`Remove the check-in of ${dateNear(dayOf(checkIn.day), today)}`}
            onPress={() => remove(checkIn)}
          />
        </View>
      ))}
    </View>
  );
}

const useStyles = themed((colors) => ({
  history: { gap: 0 },
  row: { flexDirection: 'row', alignItems: 'center', borderTopWidth: 1, borderTopColor: colors.line, minHeight: 48 },
  words: { flex: 1, paddingVertical: SPACE.s },
}));
