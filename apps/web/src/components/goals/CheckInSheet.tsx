import { nextInstant } from '../../platform/clock.ts';
import {
  type CheckIn,
  type Goal,
  type KeyResult,
  dayOf,
  formatDay,
  parseDay,
  valueOn,
  valuesInOrder,
  type KeyResultFigures,
  type PlainDay,
  weeklyNeed,
  tidySum,
  unitOfMeasure,
  checkInsOf,
} from '@wimbel/core';
import Pencil from 'lucide-react-native/icons/pencil';
import X from 'lucide-react-native/icons/x';
import { useState } from 'react';
import { View } from 'react-native';
import { editable, parseTyped } from '../../text/amounts.ts';
import { dateNear, percent, counted } from '../../text/format.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Chips } from '../../ui/Chips.tsx';
import { Field, Labelled } from '../../ui/Field.tsx';
import { IconButton } from '../../ui/IconButton.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';
import { useRecording } from '../../sync/recording.ts';
import { useFiguredGoal } from '../../store/goalSelectors.ts';
import { holeColor, paceSentence, standingOf, valueWords, leftWords, needWords } from '../../text/goalText.ts';
import { changeTo, newId, removalOf } from '../../store/makeChange.ts';
import { selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { readLocalSetting, writeLocalSetting } from '../../platform/localSettings.ts';
import { Facts } from '../figure/Facts.tsx';
import type { Fact } from '../../text/habitFacts.ts';
import { FED_BY_ITSELF, isFedByCheckIns, neediest } from '../../text/neediest.ts';

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
      <Words tone="quiet">{paceSentence(keyResult, figures, today)}</Words>
      <Facts facts={factsOf(keyResult, figures, today)} />
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

/** Where a key result stands, each figure to be asked what it is made of. */
function factsOf(keyResult: KeyResult, figures: KeyResultFigures, today: PlainDay): Fact[] {
  const { progress, expected, forecast, neededPerWeek, pace, unit, from, target, isWhole } = figures;
  const of = { goalId: keyResult.goalId, keyResultId: keyResult.id };
  const isYesNo = checkInsOf(keyResult.measure.kind) === 'zeroOrOne';
  const left = leftWords(keyResult, figures);
  return [
    [
      'Where it stands',
      `${standingOf(keyResult, figures)}, ${percent(progress)}`,
      isYesNo ? null : { figure: 'keyResult', ...of },
    ],
    ...(left === '' ? [] : [['Still to go', left, null] satisfies Fact]),
    ...(expected === null
      ? []
      : [
          ['Expected by today', percent(expected), { figure: 'keyResultExpected', ...of }] satisfies Fact,
          ['Ahead or behind', pointsApart(progress - expected), { figure: 'keyResultPace', ...of }] satisfies Fact,
        ]),
    ...(neededPerWeek === null || isYesNo || pace === 'overdue'
      ? []
      : [
          [
            'From here',
            needWords(keyResult, weeklyNeed(neededPerWeek, target - from, isWhole), unit),
            { figure: 'keyResultNeeded', ...of },
          ] satisfies Fact,
        ]),
    ...(forecast === null
      ? []
      : [['At this rate', dateNear(forecast, today), { figure: 'keyResultForecast', ...of }] satisfies Fact]),
  ];
}

/** "5 points behind", "2 points ahead", "even": how far progress is from what was expected. */
const pointsApart = (apart: number): string => {
  const points = Math.round(Math.abs(apart) * 100);
  return points === 0 ? 'even' : `${counted(points, 'point')} ${apart > 0 ? 'ahead' : 'behind'}`;
};

type FormProps = { keyResult: KeyResult; own: readonly CheckIn[]; corrected: CheckIn | null; onDone: () => void };

/** Which way of checking in was chosen last for a key result. */
const wayName = ({ id }: KeyResult): string => `checkInBy.${id}`;

/** The check-ins that came after one, by day and instant. */
export const laterThan = (own: readonly CheckIn[], { id, day, madeAt }: CheckIn): CheckIn[] =>
  own.filter((each) => each.id !== id && (each.day > day || (each.day === day && each.madeAt > madeAt)));

/** Whether a value lies behind where a key result began, seen from its target. */
const isBehindStart = (measure: KeyResult['measure'], value: number): boolean =>
  'start' in measure && (measure.target > measure.start ? value < measure.start : value > measure.start);

/** A check-in as it is typed, and what keeps it, with those after it where they follow. */
function useCheckInDraft({ keyResult, own, corrected, onDone }: FormProps) {
  const { change } = useRecording();
  const toast = useToast();
  const today = useAppSelector(selectToday);
  const { measure } = keyResult;
  const isYesNo = checkInsOf(measure.kind) === 'zeroOrOne';
  const from = 'start' in measure ? measure.start : 0;
  const valueBy = (text: string): number => valueOn(valuesInOrder(own, today), parseDay(text) ?? today, from);
  const [way, setWay] = useState<'value' | 'more'>(() =>
    corrected === null && readLocalSetting(wayName(keyResult)) === 'more' ? 'more' : 'value',
  );
  // What was added up from an earlier check-in moves when that one is put right.
  const later = corrected === null || isYesNo ? [] : laterThan(own, corrected);
  const [along, setAlong] = useState<'move' | 'stay'>(
    readLocalSetting(wayName(keyResult)) === 'more' ? 'move' : 'stay',
  );
  const [day, setDay] = useState(corrected?.day ?? formatDay(today));
  const [value, setValue] = useState(() => {
    if (corrected) return isYesNo ? String(corrected.value) : editable(corrected.value);
    // A tap on it is most often the answer that is not there yet.
    return isYesNo ? (valueBy(day) >= 1 ? '0' : '1') : '';
  });
  const [note, setNote] = useState(corrected?.note ?? '');
  const [error, setError] = useState<string | undefined>(undefined);
  // A value behind the start that was asked about.
  const [meant, setMeant] = useState<number | null>(null);
  const [dayError, setDayError] = useState<string | undefined>(undefined);
  const unit = unitOfMeasure(measure);
  const typed = parseTyped(value);
  const result = typed === null ? null : way === 'more' ? tidySum(valueBy(day) + typed) : typed;
  const save = (): void => {
    if (result === null) {
      setError('Write a number, such as 12 or 7.5');
      return;
    }
    if (day > formatDay(today)) {
      setDayError('That day is still to come');
      return;
    }
    if (isBehindStart(measure, result) && meant !== result) {
      setMeant(result);
      setError(`It began at ${valueWords(keyResult, from)}. Save once more if this is meant`);
      return;
    }
    const checkIn: CheckIn = {
      id: corrected?.id ?? newId(),
      keyResultId: keyResult.id,
      day,
      value: result,
      ...(note.trim() === '' ? {} : { note: note.trim() }),
      madeAt: corrected?.madeAt ?? nextInstant(),
    };
    const by = corrected === null || along === 'stay' ? 0 : tidySum(result - corrected.value);
    const moved = by === 0 ? [] : later.map((each) => ({ ...each, value: tidySum(each.value + by) }));
    const more = moved.length === 0 ? '' : `, and ${counted(moved.length, 'later one')} with it`;
    if (corrected === null) writeLocalSetting(wayName(keyResult), way);
    toast({
      text: `${keyResult.title}: ${valueWords(keyResult, result)}${more}`,
      onUndo: change(...[checkIn, ...moved].map((each) => changeTo('checkIns', each))),
    });
    onDone();
  };
  return {
    isYesNo,
    unit,
    valueBy,
    result,
    way,
    setWay,
    later,
    along,
    setAlong,
    day,
    setDay: (text: string): void => {
      if (text !== '') setDay(text);
      setDayError(undefined);
    },
    dayError,
    value,
    setValue: (text: string): void => {
      setValue(text);
      setError(undefined);
    },
    error,
    note,
    setNote,
    save,
  };
}

function CheckInForm(props: FormProps) {
  const { keyResult, corrected, onDone } = props;
  const { isYesNo, unit, valueBy, result, way, setWay, later, along, setAlong, day, setDay, dayError, ...typed } =
    useCheckInDraft(props);
  const { value, setValue, error, note, setNote, save } = typed;
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
            onChangeText={setValue}
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
      <Field label="Day" value={day} onChangeText={setDay} isDate error={dayError} />
      {later.length === 0 ? null : (
        <Labelled
          label={`The ${counted(later.length, 'check-in')} after it`}
          hint={
            along === 'move'
              ? 'They grow or shrink by the same, as what was added to this one.'
              : 'They stay as they were written.'
          }
        >
          <Segments
            label="The check-ins after it"
            value={along}
            choices={[
              { value: 'move', label: 'Change with it' },
              { value: 'stay', label: 'Stay' },
            ]}
            onChange={setAlong}
          />
        </Labelled>
      )}
      <Field label="Note" value={note} onChangeText={setNote} multiline maxLength={5000} />
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <Button kind="main" onPress={save} style={{ flex: 1 }}>
          {corrected ? 'Save' : 'Check in'}
        </Button>
        {corrected ? (
          <Button kind="bare" onPress={onDone}>
            Cancel
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
