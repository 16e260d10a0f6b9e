import { type Habit, formatMonth, monthOfDay, monthSpan, parseMonth, yearOfDay } from '@wimbel/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useMemo, useState } from 'react';
import { TextInput, View } from 'react-native';
import { editable } from '../../../text/amounts.ts';
import { counted, monthAndYear, monthName } from '../../../text/format.ts';
import { changeTo } from '../../../store/makeChange.ts';
import { selectToday, selectTracks } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useRecording } from '../../../sync/recording.ts';
import { themed, useIsWide, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { CORNER, SPACE, TOUCH_PX } from '../../../theme/space.ts';
import { TYPE } from '../../../theme/type.ts';
import { Button } from '../../../ui/Button.tsx';
import { Card } from '../../../ui/Card.tsx';
import { EmptyState } from '../../../ui/EmptyState.tsx';
import { Page } from '../../../ui/Frame.tsx';
import { IconButton } from '../../../ui/IconButton.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import { typedAmount, typedDays } from '../form/habitFields.ts';
import { type TargetColumn, type TargetLine, asLastMonth, asPlanned, targetLines, withTarget } from './targetTable.ts';
import { PATHS } from '../../../platform/paths.ts';

/** The targets of all habits for a month and its year, typed through from field to field. */
export function TargetTableScreen() {
  const styles = useStyles();
  const router = useRouter();
  const toast = useToast();
  const { change } = useRecording();
  const isWide = useIsWide();
  const today = useAppSelector(selectToday);
  const tracks = useAppSelector(selectTracks);
  const params = useLocalSearchParams<{ month?: string }>();
  const month = parseMonth(params.month ?? '') ?? monthOfDay(today);
  const year = yearOfDay(monthSpan(month).first);
  const [scope, setScope] = useState<'onward' | 'once'>('onward');
  const isOnward = scope === 'onward';
  const lines = useMemo(() => targetLines(tracks, month, year), [tracks, month, year]);
  const goTo = (to: number): void => router.setParams({ month: formatMonth(to) });

  const keep = (habits: readonly Habit[], words: string): void => {
    if (habits.length === 0) return toast({ text: 'Every habit has a target already, or none to take over' });
    toast({
      text: `${counted(habits.length, 'habit')} ${words}`,
      onUndo: change(...habits.map((each) => changeTo('habits', each))),
    });
  };
  const columns: { column: TargetColumn; title: string }[] = [
    { column: 'days', title: 'Days' },
    { column: 'amount', title: 'Amount' },
    { column: 'year', title: isWide ? `Days in ${year}` : String(year) },
  ];

  return (
    <Page>
      <PageHead title="Targets" backTo={PATHS.habitsInOrder} />
      <View style={styles.month}>
        <IconButton icon={ChevronLeft} label="The month before" onPress={() => goTo(month - 1)} />
        <Words type="section" heading={2}>
          {monthAndYear(month)}
        </Words>
        <IconButton icon={ChevronRight} label="The month after" onPress={() => goTo(month + 1)} />
      </View>
      {lines.length === 0 ? (
        <EmptyState title="No habits in this month" text="A target is set for a habit that has begun by then." />
      ) : (
        <>
          <View style={styles.tools}>
            <Segments
              label="What is set holds"
              value={scope}
              choices={[
                { value: 'onward', label: 'From now on' },
                { value: 'once', label: 'This month only' },
              ]}
              onChange={setScope}
              isWrapping
            />
            <Button onPress={() => keep(asLastMonth(lines, month, isOnward), `as in ${monthName(month - 1)}`)}>
              As last month
            </Button>
            <Button onPress={() => keep(asPlanned(lines, month, isOnward), 'filled from how often they are planned')}>
              Fill from how often planned
            </Button>
          </View>
          <Words type="quiet" tone="quiet">
            An empty field goes by the plan, shown in grey. Enter goes on to the next habit.
          </Words>
          <Card isFlush style={styles.card}>
            <View role="table" aria-label={`Targets of ${monthAndYear(month)}`}>
              <View role="row" style={[styles.row, styles.head]}>
                <View role="columnheader" style={styles.name}>
                  <Words type="label" tone="quiet">
                    Habit
                  </Words>
                </View>
                {columns.map(({ column, title }) => (
                  <View key={column} role="columnheader" style={styles.cell}>
                    <Words type="label" tone="quiet" style={styles.title}>
                      {title}
                    </Words>
                  </View>
                ))}
              </View>
              {lines.map((line, row) => (
                <Line
                  key={`${line.track.habit.id} ${month}`}
                  line={line}
                  row={row}
                  onSet={(column, value) =>
                    change(changeTo('habits', withTarget(line.track.habit, column, value, { month, year, isOnward })))
                  }
                />
              ))}
            </View>
          </Card>
        </>
      )}
    </Page>
  );
}

const fieldId = (column: TargetColumn, row: number): string => `target-${column}-${row}`;

/** Moves on to the field of the same column, some rows on; past rows that have none. */
function goOn(column: TargetColumn, from: number, by: 1 | -1): void {
  for (let row = from + by; row >= 0 && row < 1000; row += by) {
    const field = document.getElementById(fieldId(column, row));
    if (field instanceof HTMLInputElement) {
      field.focus();
      field.select();
      return;
    }
    if (document.getElementById(`target-row-${row}`) === null) return;
  }
}

function Line({
  line,
  row,
  onSet,
}: {
  line: TargetLine;
  row: number;
  onSet: (column: TargetColumn, value: number | null) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const { habit } = line.track;
  const dye = useAppSelector((state) => state.records.areas[habit.areaId ?? '']?.color);
  const unit = habit.measure.kind === 'amount' ? habit.measure.unit : null;
  const field = (column: TargetColumn, label: string, plan: number | null) => (
    <View role="cell" style={styles.cell}>
      <TargetField
        label={`${label}, ${habit.name}`}
        column={column}
        row={row}
        value={line.set[column]}
        plan={plan}
        onSet={(value) => onSet(column, value)}
      />
    </View>
  );
  return (
    <View role="row" nativeID={`target-row-${row}`} style={[styles.row, styles.parted]}>
      <View role="rowheader" style={styles.name}>
        <View style={[styles.dot, { backgroundColor: dyeColor(colors, dye) }]} />
        <View style={styles.words}>
          <Words type="strong">{habit.name}</Words>
          {line.reward === null ? null : (
            <Words type="small" tone="brassText">
              {line.reward}
            </Words>
          )}
        </View>
      </View>
      {field('days', 'Days', line.planned)}
      {unit === null ? <View role="cell" style={styles.cell} /> : field('amount', `Amount in ${unit}`, null)}
      {field('year', 'Days in the year', line.yearPlanned)}
    </View>
  );
}

function TargetField({
  label,
  column,
  row,
  value,
  plan,
  onSet,
}: {
  label: string;
  column: TargetColumn;
  row: number;
  value: number | null;
  plan: number | null;
  onSet: (value: number | null) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const said = value === null ? '' : editable(value);
  const [text, setText] = useState<string | null>(null);
  const typed = column === 'amount' ? typedAmount(text ?? said) : typedDays(text ?? said, 0);
  const keep = (): void => {
    if (text === null || typed.fault !== undefined) return;
    setText(null);
    if ((typed.value ?? null) !== value) onSet(typed.value ?? null);
  };
  const onKeyDown = (event: React.KeyboardEvent): void => {
    if (event.key === 'Enter' || event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      keep();
      if (typed.fault === undefined) goOn(column, row, event.key === 'ArrowUp' ? -1 : 1);
    } else if (event.key === 'Escape') setText(null);
  };
  return (
    <View onKeyDownCapture={onKeyDown} dataSet={{ field: '' }}>
      <TextInput
        nativeID={fieldId(column, row)}
        aria-label={label}
        aria-invalid={typed.fault !== undefined}
        value={text ?? said}
        onChangeText={setText}
        onBlur={keep}
        inputMode={column === 'amount' ? 'decimal' : 'numeric'}
        placeholder={plan === null ? '–' : editable(plan)}
        placeholderTextColor={colors.quiet}
        selectTextOnFocus
        style={[
          TYPE.body,
          styles.input,
          { color: colors.ink, borderColor: typed.fault === undefined ? colors.rim : colors.madder },
        ]}
      />
      {typed.fault === undefined ? null : (
        <View role="alert">
          <Words type="small" tone="madder">
            {typed.fault}
          </Words>
        </View>
      )}
    </View>
  );
}

const useStyles = themed((colors) => ({
  month: { flexDirection: 'row', alignItems: 'center', marginLeft: -SPACE.m },
  tools: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s },
  card: { maxWidth: 820 },
  row: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    justifyContent: 'flex-end',
    minHeight: 56,
    paddingRight: SPACE.s,
    paddingVertical: SPACE.xs,
  },
  head: { minHeight: TOUCH_PX },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  name: { flexGrow: 1, flexBasis: 140, flexDirection: 'row', alignItems: 'center', gap: SPACE.s, paddingLeft: SPACE.l },
  words: { flex: 1, minWidth: 0 },
  dot: { width: 9, height: 9, borderRadius: 5 },
  cell: { width: 66, paddingHorizontal: SPACE.xs },
  title: { textAlign: 'right', paddingRight: SPACE.s },
  input: {
    minHeight: TOUCH_PX,
    width: '100%',
    paddingHorizontal: SPACE.s,
    textAlign: 'right',
    borderWidth: 1,
    borderRadius: CORNER.field,
    backgroundColor: colors.paper,
  },
}));
