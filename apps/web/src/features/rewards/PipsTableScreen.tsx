import { checkRecord } from '@wimbel/contract';
import {
  type Track,
  formatDay,
  heldTerms,
  parseDay,
  monthOfDay,
  pipsOfFullMonth,
  pipsOfFullWeek,
  termsOn,
  tidySum,
  withPipsFrom,
} from '@wimbel/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { editable, number, parseTyped } from '../../text/amounts.ts';
import { PATHS } from '../../platform/paths.ts';
import { changeTo } from '../../store/makeChange.ts';
import { selectSettings, selectToday, selectTracks } from '../../store/selectors.ts';
import { useAppSelector } from '../../store/store.ts';
import { useRecording } from '../../sync/recording.ts';
import { themed } from '../../theme/Theme.tsx';
import { SPACE } from '../../theme/space.ts';
import { Card } from '../../ui/Card.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Field } from '../../ui/Field.tsx';
import { Page } from '../../ui/Frame.tsx';
import { PageHead } from '../../ui/PageHead.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';
import { capital, monthName } from '../../text/format.ts';
import { pipsNameOf, pipsWords } from '../../text/pipsText.ts';
import { scheduleWords } from '../../text/termsText.ts';
import { pipsHints } from './hints.ts';

/** What a done day of every habit earns, side by side, with what a full week and month bring. */
export function PipsTableScreen() {
  const styles = useStyles();
  const today = useAppSelector(selectToday);
  const settings = useAppSelector(selectSettings);
  const all = useAppSelector(selectTracks);
  const tracks = useMemo(
    () => all.filter(({ habit, last }) => !habit.archived && (last === null || last >= today)),
    [all, today],
  );
  const [from, setFrom] = useState(formatDay(today));
  const day = parseDay(from);
  const fault =
    day === null ? 'Choose a day' : day < today ? 'Choose today or a later day: past days keep what they earned' : null;
  const holds = fault === null && day !== null ? day : today;
  const terms = tracks.map((track) => termsOn(heldTerms(track.habit.terms), holds));
  const { many } = pipsNameOf(settings);
  const week = tidySum(terms.reduce((sum, each) => sum + pipsOfFullWeek(each, holds), 0));
  const month = tidySum(terms.reduce((sum, each) => sum + pipsOfFullMonth(each, monthOfDay(holds)), 0));
  return (
    <Page>
      <PageHead title={`What earns ${many}`} backTo={PATHS.rewards} />
      {tracks.length === 0 ? (
        <EmptyState title="No habits yet" text="A habit’s done days earn what you say here." />
      ) : (
        <>
          <Words type="quiet" tone="quiet" style={styles.told}>
            By effort: what takes more brings more. Enter goes on to the next habit. Past days keep what they earned.
          </Words>
          <View style={styles.from}>
            <Field
              label="From which day"
              value={from}
              onChangeText={setFrom}
              isDate
              {...(fault === null ? {} : { error: fault })}
            />
          </View>
          <Card isFlush style={styles.table}>
            <View role="table" aria-label={`What earns ${many}`}>
              <View role="row" style={styles.row}>
                {['Habit', capital(many), 'Full week', `All of ${monthName(monthOfDay(holds))}`].map(
                  (title, column) => (
                    <View key={title} role="columnheader" style={column === 0 ? styles.name : styles.cell}>
                      <Words type="label" tone="quiet" style={column === 0 ? null : styles.number}>
                        {title}
                      </Words>
                    </View>
                  ),
                )}
              </View>
              {tracks.map((track, row) => (
                <PipsRow key={track.habit.id} track={track} row={row} from={holds} />
              ))}
              <View role="row" style={[styles.row, styles.parted]}>
                <View role="cell" style={styles.name}>
                  <Words type="strong">Together</Words>
                </View>
                <View role="cell" style={styles.cell} />
                <View role="cell" style={styles.cell}>
                  <Words type="strong" style={styles.number}>
                    {number(week)}
                  </Words>
                </View>
                <View role="cell" style={styles.cell}>
                  <Words type="strong" style={styles.number}>
                    {number(month)}
                  </Words>
                </View>
              </View>
            </View>
          </Card>
          {pipsHints(tracks).map((hint) => (
            <Words key={hint} type="quiet" tone="brassText">
              {hint}
            </Words>
          ))}
        </>
      )}
    </Page>
  );
}

const fieldId = (row: number): string => `pips-${row}`;

/** Goes to a habit's field with what stands in it selected, so that typing replaces it; at once, so that no key comes before. */
function goTo(row: number): void {
  const field = document.getElementById(fieldId(row));
  if (!(field instanceof HTMLInputElement)) return;
  field.focus();
  field.select();
}

function PipsRow({ track: { habit, first }, row, from }: { track: Track; row: number; from: number }) {
  const styles = useStyles();
  const { change } = useRecording();
  const toast = useToast();
  const settings = useAppSelector(selectSettings);
  const terms = termsOn(heldTerms(habit.terms), from);
  const [typed, setTyped] = useState<string | null>(null);
  const value = parseTyped(typed ?? '0');
  const isWrong = typed !== null && typed.trim() !== '' && (value === null || value < 0);
  const keep = (): void => {
    if (typed === null || isWrong) return;
    setTyped(null);
    const pips = value ?? 0;
    if (pips === terms.pips) return;
    const next = withPipsFrom(habit, first, from, pips);
    if (checkRecord('habits', next).issues.length > 0) return;
    toast({ text: `${habit.name}: ${pipsWords(settings, pips)} a done day`, onUndo: change(changeTo('habits', next)) });
  };
  const shown = isWrong || value === null || typed === null ? terms : { ...terms, pips: value };
  return (
    <View role="row" style={[styles.row, styles.parted]}>
      <View role="rowheader" style={styles.name}>
        <Words>{habit.name}</Words>
        <Words type="quiet" tone="quiet">
          {scheduleWords(terms.schedule)}
        </Words>
      </View>
      <View role="cell" style={styles.cell}>
        <Field
          label={`${habit.name}: a done day earns`}
          isLabelHidden
          nativeID={fieldId(row)}
          value={typed ?? (terms.pips === 0 ? '' : editable(terms.pips))}
          placeholder="0"
          inputMode="decimal"
          maxLength={8}
          blurOnSubmit={false}
          onChangeText={setTyped}
          onBlur={keep}
          onSubmitEditing={() => {
            keep();
            goTo(row + 1);
          }}
          {...(isWrong ? { error: 'A number of 0 or more' } : {})}
        />
      </View>
      <View role="cell" style={styles.cell}>
        <Words style={styles.number}>{number(pipsOfFullWeek(shown, from))}</Words>
      </View>
      <View role="cell" style={styles.cell}>
        <Words style={styles.number}>{number(pipsOfFullMonth(shown, monthOfDay(from)))}</Words>
      </View>
    </View>
  );
}

const useStyles = themed((colors) => ({
  told: { maxWidth: 640 },
  from: { maxWidth: 260, width: '100%' },
  table: { maxWidth: 760 },
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    paddingHorizontal: SPACE.m,
    minHeight: 48,
    paddingVertical: SPACE.xs,
  },
  parted: { borderTopWidth: 1, borderTopColor: colors.line },
  name: { flex: 1, minWidth: 0 },
  cell: { width: 66 },
  number: { textAlign: 'right' },
}));
