import { nextInstant } from '../../platform/clock.ts';
import {
  type FiguredGoal,
  type CheckIn,
  type CheckpointRow,
  type KeyResult,
  type PlainDay,
  type PlainMonth,
  formatDay,
  formatMonth,
  monthOfDay,
  monthSpan,
  parseDay,
  tidySum,
  isSpanMeasure,
} from '@wimbel/core';
import { useState } from 'react';
import { TextInput, View } from 'react-native';
import { editable, number, parseTyped, signed } from '../../text/amounts.ts';
import { monthAbbreviation, monthAndYear, monthYear } from '../../text/format.ts';
import { changeTo, newId } from '../../store/makeChange.ts';
import { selectToday } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { CORNER, SPACE } from '../../theme/space.ts';
import { TYPE } from '../../theme/type.ts';
import { Chips } from '../../ui/Chips.tsx';
import { SectionCard } from '../../ui/SectionCard.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';
import { holeColor, valueWords } from '../../text/goalText.ts';

type Months = { first: PlainMonth; last: PlainMonth };

/** The checkpoints of a key result, or those of some months. */
const rowsOf = ({ figures }: FiguredGoal, keyResultId: string, months: Months | undefined): CheckpointRow[] =>
  figures.keyResults[keyResultId]!.checkpoints.filter(
    ({ month }) => months === undefined || (month >= months.first && month <= months.last),
  );

/** Month by month, what each key result with checkpoints was to be at and what came of it; put right where it stands. */
export function CheckpointsCard({
  figured,
  months,
  title,
}: {
  figured: FiguredGoal;
  /** Only these, both ends included; all of them without. */
  months?: Months;
  /** Its goal, where no heading names it. */
  title?: string;
}) {
  const { colors } = useTheme();
  const { keyResults } = figured.records;
  const own = keyResults.filter(({ id }) => rowsOf(figured, id, months).length > 0);
  const [chosen, setChosen] = useState('');
  const keyResult = own.find(({ id }) => id === chosen) ?? own[0];
  if (keyResult === undefined) return null;
  return (
    <SectionCard title={title === undefined ? 'Month by month' : `${title}, month by month`}>
      {own.length > 1 ? (
        <Chips
          label="Month by month of"
          isScrolling
          chips={own.map((each) => ({
            value: each.id,
            label: each.title,
            dot: holeColor(colors, keyResults.indexOf(each)),
          }))}
          chosen={[keyResult.id]}
          onPress={setChosen}
        />
      ) : (
        <Words type="label">{keyResult.title}</Words>
      )}
      <CheckpointTable
        key={keyResult.id}
        keyResult={keyResult}
        figured={figured}
        rows={rowsOf(figured, keyResult.id, months)}
      />
    </SectionCard>
  );
}

/** Whether a month's checkpoint was met, in words. */
function metWords(month: PlainMonth, reached: boolean, today: PlainDay): string {
  const now = monthOfDay(today);
  if (month > now) return 'to come';
  if (reached) return 'met';
  return month === now && monthSpan(month).last > today ? 'still open' : 'missed';
}

/** Whether the value at a month's end is typed; habits feed theirs. */
const isWritten = ({ measure }: KeyResult): boolean => isSpanMeasure(measure);

/** The check-in that a month ends with: its last, by day and instant; null without one. */
export function lastCheckInOf(checkIns: readonly CheckIn[], keyResultId: string, month: PlainMonth): CheckIn | null {
  const span = monthSpan(month);
  const own = checkIns.filter((each) => {
    const day = parseDay(each.day);
    return each.keyResultId === keyResultId && day !== null && day >= span.first && day <= span.last;
  });
  return own.reduce<CheckIn | null>(
    (last, each) =>
      last === null || each.day > last.day || (each.day === last.day && each.madeAt > last.madeAt) ? each : last,
    null,
  );
}

function useCorrections(keyResult: KeyResult, figured: FiguredGoal) {
  const { change } = useRecording();
  const toast = useToast();
  const today = useAppSelector(selectToday);
  const unit = figured.figures.keyResults[keyResult.id]!.unit;
  return {
    /** What a month is to come to; nothing takes the checkpoint away. */
    aim: (month: PlainMonth, value: number | null): void => {
      const { checkpoints = {}, ...rest } = keyResult;
      const { [formatMonth(month)]: _, ...others } = checkpoints;
      const next = value === null ? others : { ...others, [formatMonth(month)]: value };
      toast({
        text:
          value === null
            ? `No checkpoint for ${monthAndYear(month)}`
            : `${monthAndYear(month)}: ${valueWords(keyResult, value, unit)} aimed at`,
        onUndo: change(changeTo('keyResults', Object.keys(next).length === 0 ? rest : { ...rest, checkpoints: next })),
      });
    },
    /** What a month ended with: its last check-in put right, or one made on its last day. */
    end: (month: PlainMonth, value: number): void => {
      const last = lastCheckInOf(figured.records.checkIns, keyResult.id, month);
      const checkIn: CheckIn =
        last === null
          ? {
              id: newId(),
              keyResultId: keyResult.id,
              day: formatDay(Math.min(today, monthSpan(month).last)),
              value,
              madeAt: nextInstant(),
            }
          : { ...last, value };
      toast({
        text: `${keyResult.title}: ${valueWords(keyResult, value, unit)}`,
        onUndo: change(changeTo('checkIns', checkIn)),
      });
    },
  };
}

const HEAD = ['Month', 'Aimed at', 'Start', 'End', 'Gain', 'Reached'];

function CheckpointTable({
  keyResult,
  figured,
  rows,
}: {
  keyResult: KeyResult;
  figured: FiguredGoal;
  rows: readonly CheckpointRow[];
}) {
  const styles = useStyles();
  return (
    <View role="table" aria-label={`Checkpoints of ${keyResult.title}`}>
      <View role="row" style={styles.row}>
        {HEAD.map((name, index) => (
          <View
            key={name}
            role="columnheader"
            style={index === 0 ? styles.first : index === HEAD.length - 1 ? styles.met : styles.cell}
          >
            <Words type="small" tone="quiet" style={index === 0 ? undefined : styles.right}>
              {name}
            </Words>
          </View>
        ))}
      </View>
      {rows.map((row) => (
        <MonthRow key={row.month} row={row} keyResult={keyResult} figured={figured} />
      ))}
    </View>
  );
}

function MonthRow({ row, keyResult, figured }: { row: CheckpointRow; keyResult: KeyResult; figured: FiguredGoal }) {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const corrections = useCorrections(keyResult, figured);
  const { month, target, start, end, growth, reached } = row;
  const met = metWords(month, reached, today);
  const isToCome = met === 'to come';
  return (
    <View role="row" style={[styles.row, styles.parted]}>
      <View role="cell" style={styles.first}>
        <Words type="label" label={monthAndYear(month)}>
          {monthAbbreviation(month)} {monthYear(month)}
        </Words>
      </View>
      <View role="cell" style={styles.cell}>
        <NumberHere
          key={`aim ${target}`}
          label={`Aimed at, ${monthAndYear(month)}`}
          value={target}
          onKeep={(value) => corrections.aim(month, value)}
        />
      </View>
      <View role="cell" style={styles.cell}>
        <Words type="quiet" style={styles.right}>
          {isToCome ? '–' : number(start)}
        </Words>
      </View>
      <View role="cell" style={styles.cell}>
        {isToCome || !isWritten(keyResult) ? (
          <Words type="quiet" style={styles.right}>
            {isToCome ? '–' : number(end)}
          </Words>
        ) : (
          <NumberHere
            key={`end ${end}`}
            label={`At the end, ${monthAndYear(month)}`}
            value={end}
            onKeep={(value) => (value === null ? undefined : corrections.end(month, value))}
          />
        )}
      </View>
      <View role="cell" style={styles.cell}>
        <Words type="quiet" style={styles.right}>
          {isToCome ? '–' : signed(tidySum(growth))}
        </Words>
      </View>
      <View role="cell" style={styles.met}>
        <Words
          type="label"
          tone={met === 'met' ? 'working' : met === 'missed' ? 'madder' : 'quiet'}
          style={styles.right}
        >
          {met}
        </Words>
      </View>
    </View>
  );
}

/** A number that is put right where it stands: kept on leaving the field or with Enter, left with Escape. */
function NumberHere({
  label,
  value,
  onKeep,
}: {
  label: string;
  value: number;
  onKeep: (value: number | null) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const [text, setText] = useState(editable(value));
  const typed = text.trim() === '' ? null : parseTyped(text);
  const isWrong = text.trim() !== '' && typed === null;
  const keep = (): void => {
    if (isWrong || typed === value) setText(editable(value));
    else onKeep(typed);
  };
  return (
    <TextInput
      aria-label={label}
      aria-invalid={isWrong}
      value={text}
      onChangeText={setText}
      onBlur={keep}
      onKeyDown={(event: React.KeyboardEvent) => {
        if (event.key === 'Escape') setText(editable(value));
      }}
      inputMode="decimal"
      selectTextOnFocus
      style={[TYPE.quiet, styles.input, { color: isWrong ? colors.madder : colors.ink }]}
    />
  );
}

const useStyles = themed((colors) => ({
  row: { flexDirection: 'row', alignItems: 'center', minHeight: 38, gap: SPACE.xs },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  first: { flexGrow: 1.4, flexShrink: 1, flexBasis: 70, minWidth: 0 },
  cell: { flexGrow: 1, flexShrink: 1, flexBasis: 46, minWidth: 0 },
  met: { flexGrow: 1, flexShrink: 1, flexBasis: 58, minWidth: 0 },
  right: { textAlign: 'right' },
  input: {
    minHeight: 32,
    minWidth: 0,
    width: '100%',
    textAlign: 'right',
    paddingHorizontal: 4,
    borderRadius: CORNER.field,
    borderWidth: 1,
    borderColor: colors.line,
    backgroundColor: colors.paper,
  },
}));
