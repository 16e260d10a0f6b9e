import { type PlainDay, monthSpan, monthsOfYear, yearOfDay } from '@wimbel/core';
import { useState } from 'react';
import { View } from 'react-native';
import { parseDay } from '@wimbel/core';
import { monthAbbreviation } from '../../../text/format.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { Field } from '../../../ui/Field.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';
import type { PageRow } from './pageRows.ts';

/** The months that have a page, by year, and a day typed or chosen. */
export function JumpSheet({
  rows,
  today,
  onClose,
  onDay,
}: {
  rows: readonly PageRow[];
  today: PlainDay;
  onClose: () => void;
  onDay: (day: PlainDay) => void;
}) {
  const [text, setText] = useState('');
  const day = parseDay(text);
  return (
    <Sheet title="Jump to" onClose={onClose}>
      <MonthChips rows={rows} today={today} onDay={onDay} />
      <Field label="Or a day" value={text} onChangeText={setText} isDate />
      <Button
        kind="main"
        isDisabled={day === null}
        onPress={() => {
          if (day !== null) onDay(Math.min(today, day));
        }}
      >
        Go there
      </Button>
    </Sheet>
  );
}

/** The months that have a page, by year. */
export function MonthChips({
  rows,
  today,
  onDay,
}: {
  rows: readonly PageRow[];
  today: PlainDay;
  onDay: (day: PlainDay) => void;
}) {
  const written = new Set(rows.flatMap((row) => (row.kind === 'month' && row.count > 0 ? [row.month] : [])));
  const years = [...new Set([...written].map((month) => yearOfDay(monthSpan(month).first)))];
  return years.map((year) => (
    <View key={year} style={{ gap: SPACE.s }}>
      <Words type="label" tone="quiet">
        {String(year)}
      </Words>
      <Chips
        label={`Months of ${year}`}
        chips={monthsOfYear(year)
          .filter((month) => written.has(month))
          .map((month) => ({ value: String(month), label: monthAbbreviation(month) }))}
        chosen={[]}
        onPress={(month) => onDay(Math.min(today, monthSpan(Number(month)).last))}
      />
    </View>
  ));
}
