import { checkRecord } from '@wimbel/contract';
import { type Habit, type PlainDay, formatDay } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { newId } from '../../store/makeChange.ts';
import { parseTyped } from '../../text/amounts.ts';
import { issueWords } from '../../text/issueText.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { FieldRow } from '../../ui/FormPage.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';

type Draft = {
  name: string;
  kind: 'check' | 'amount';
  unit: string;
  atLeast: string;
  often: 'daily' | 'perWeek';
  times: string;
};

/** The habit that a few answers make, from today; or what is wrong with them, by field. */
export function habitOfAnswers(draft: Draft, today: PlainDay): { habit: Habit } | { faults: Record<string, string> } {
  const [atLeast, times] = [parseTyped(draft.atLeast), parseTyped(draft.times)];
  const isAmount = draft.kind === 'amount';
  const faults = {
    ...(draft.name.trim() === '' ? { name: 'Give the habit a name' } : {}),
    ...(isAmount && !(atLeast !== null && atLeast > 0) ? { atLeast: 'Say how much a day, more than 0' } : {}),
    ...(draft.often === 'perWeek' && !(times !== null && Number.isInteger(times) && times >= 1 && times <= 7)
      ? { times: 'A whole number from 1 to 7' }
      : {}),
  };
  if (Object.keys(faults).length > 0) return { faults };
  const from = formatDay(today);
  return {
    habit: {
      id: newId(),
      name: draft.name.trim(),
      order: 0,
      aim: 'build',
      partOfDay: 'any',
      measure: isAmount ? { kind: 'amount', unit: draft.unit.trim(), step: atLeast! } : { kind: 'check' },
      terms: [
        {
          from,
          schedule: draft.often === 'daily' ? { kind: 'daily' } : { kind: 'perWeek', times: times! },
          ...(isAmount ? { atLeast: atLeast! } : {}),
        },
      ],
      startsOn: from,
    },
  };
}

/** A habit in a few words; all else about it can be changed later. */
export function QuickHabitSheet({
  today,
  onMade,
  onClose,
}: {
  today: PlainDay;
  onMade: (habit: Habit) => void;
  onClose: () => void;
}) {
  const [draft, setDraft] = useState<Draft>({
    name: '',
    kind: 'check',
    unit: '',
    atLeast: '',
    often: 'daily',
    times: '3',
  });
  const [faults, setFaults] = useState<Record<string, string>>({});
  const set =
    <K extends keyof Draft>(key: K) =>
    (value: Draft[K]) => {
      setDraft((before) => ({ ...before, [key]: value }));
      setFaults({});
    };
  const save = (): void => {
    const made = habitOfAnswers(draft, today);
    if ('faults' in made) setFaults(made.faults);
    else {
      const { issues } = checkRecord('habits', made.habit);
      if (issues.length > 0) setFaults({ name: issues.map(issueWords).join('; ') });
      else onMade(made.habit);
    }
  };
  return (
    <Sheet title="A new habit" onClose={onClose}>
      <Field
        label="What you will do"
        value={draft.name}
        onChangeText={set('name')}
        error={faults.name}
        placeholder="Swim in open water"
        maxLength={120}
        autoFocus
      />
      <Segments
        label="How it is recorded"
        value={draft.kind}
        choices={[
          { value: 'check', label: 'Done or not' },
          { value: 'amount', label: 'An amount' },
        ]}
        onChange={set('kind')}
      />
      {draft.kind === 'amount' ? <AmountFields draft={draft} faults={faults} set={set} /> : null}
      <Segments
        label="How often"
        value={draft.often}
        choices={[
          { value: 'daily', label: 'Every day' },
          { value: 'perWeek', label: 'Times a week' },
        ]}
        onChange={set('often')}
      />
      {draft.often === 'perWeek' ? (
        <Field
          label="Days a week"
          value={draft.times}
          onChangeText={set('times')}
          inputMode="numeric"
          error={faults.times}
        />
      ) : null}
      <Words type="quiet" tone="quiet">
        Other schedules, a part of the day and the like can be chosen on the habit’s page later.
      </Words>
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <Button kind="main" onPress={save}>
          Make the habit
        </Button>
        <Button kind="bare" onPress={onClose}>
          Cancel
        </Button>
      </View>
    </Sheet>
  );
}

function AmountFields({
  draft,
  faults,
  set,
}: {
  draft: Draft;
  faults: Record<string, string>;
  set: (key: 'atLeast' | 'unit') => (value: string) => void;
}) {
  return (
    <FieldRow>
      <View style={{ flex: 1, minWidth: 110 }}>
        <Field
          label="At least, a day"
          value={draft.atLeast}
          onChangeText={set('atLeast')}
          inputMode="decimal"
          error={faults.atLeast}
        />
      </View>
      <View style={{ flex: 1, minWidth: 110 }}>
        <Field label="Unit" value={draft.unit} onChangeText={set('unit')} placeholder="min, m, pages" maxLength={40} />
      </View>
    </FieldRow>
  );
}
