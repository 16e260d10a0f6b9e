import { dayOf, monthOfDay } from '@wimbel/core';
import type { DateOrder, GridChoices } from '@wimbel/exchange';
import { useState } from 'react';
import { View } from 'react-native';
import { counted, monthAndYear } from '../../../text/format.ts';
import { SPACE } from '../../../theme/space.ts';
import { Field, Labelled } from '../../../ui/Field.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import type { Understood } from './reader.ts';

type Props = {
  understood: Understood;
  choices: GridChoices;
  onChoose: (more: Partial<GridChoices>) => void;
  isNoMissed: boolean;
  onNoMissed: (is: boolean) => void;
};

/** What the grids leave open: the order of day and month, years, months, and what a "no" means. */
export function QuestionsCard({ understood, choices, onChoose, isNoMissed, onNoMissed }: Props) {
  const { isOrderOpen, dateOrder, isYearGuessed, year, withoutMonth, noes, blocks } = understood;
  const months = withoutMonth.flatMap((head) => blocks.filter((each) => each.head === head).slice(0, 1));
  if (!isOrderOpen && !isYearGuessed && months.length === 0 && noes === 0) return null;
  return (
    <SectionCard title="Please check">
      {isOrderOpen ? (
        <Labelled label="Dates such as 3/4 are written" hint="Nothing in it tells which is meant.">
          <Segments<DateOrder>
            label="Order of day and month"
            value={dateOrder}
            choices={[
              { value: 'dayFirst', label: 'Day first' },
              { value: 'monthFirst', label: 'Month first' },
            ]}
            onChange={(order) => onChoose({ dateOrder: order })}
          />
        </Labelled>
      ) : null}
      {isYearGuessed ? <YearField year={choices.year ?? year} onYear={(each) => onChoose({ year: each })} /> : null}
      {months.map(({ head, first }, at) => (
        <MonthField
          key={head}
          label={months.length === 1 ? 'Month' : `Month of part ${at + 1}`}
          month={(first ?? '').slice(0, 7)}
          onMonth={(each) => onChoose({ months: { ...choices.months, [head]: each } })}
        />
      ))}
      {noes > 0 ? (
        <Labelled label={`${counted(noes, 'cell')} say no, or 0`}>
          <Segments
            label="What no means"
            value={isNoMissed ? 'missed' : 'blank'}
            choices={[
              { value: 'blank', label: 'Nothing recorded' },
              { value: 'missed', label: 'Missed' },
            ]}
            onChange={(value) => onNoMissed(value === 'missed')}
          />
        </Labelled>
      ) : null}
    </SectionCard>
  );
}

function YearField({ year, onYear }: { year: number; onYear: (year: number) => void }) {
  const [text, setText] = useState(String(year));
  const isYear = (value: string): boolean => /^(19|20|21)\d\d$/.test(value);
  return (
    <View style={{ maxWidth: 260, gap: SPACE.xs }}>
      <Field
        label="Year of its last month"
        inputMode="numeric"
        value={text}
        hint="No year is written in it."
        error={isYear(text) ? undefined : 'Four digits, such as 2025'}
        onChangeText={(value) => {
          setText(value);
          if (isYear(value)) onYear(Number(value));
        }}
      />
    </View>
  );
}

function MonthField({
  label,
  month,
  onMonth,
}: {
  label: string;
  month: string;
  onMonth: (month: { year: number; month: number }) => void;
}) {
  const name = month === '' ? '' : monthAndYear(monthOfDay(dayOf(`${month}-01`)));
  return (
    <View style={{ maxWidth: 260 }}>
      <Field
        label={label}
        isDate
        spoken={label}
        value={month === '' ? '' : `${month}-01`}
        hint={name === '' ? 'Any day of the month' : `Read as ${name}; choose any day of the month it is.`}
        onChangeText={(value) => {
          const [year, at] = value.split('-').map(Number);
          if (year! >= 1900 && at! > 0) onMonth({ year: year!, month: at! });
        }}
      />
    </View>
  );
}
