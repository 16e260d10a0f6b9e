import { type DaySpan, formatMonth, monthOfDay, monthSpan, partsOfDay, yearSpan } from '@wimbel/core';
import { TABLES, type TableKind } from '@wimbel/exchange';
import { useState } from 'react';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { Chips } from '../../../ui/Chips.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';
import { SPANS, SPAN_WORDS, TABLE_WORDS, type ExportSpan } from './exportText.ts';
import { useExportName } from '../../../components/account/useExportName.ts';
import { useExport } from './useExport.ts';
import { TakingButtons } from './TakingButtons.tsx';

export function TableSheet({ onClose }: { onClose: () => void }) {
  const today = useAppSelector(selectToday);
  const nameOf = useExportName();
  const [table, setTable] = useState<TableKind>('days');
  const [span, setSpan] = useState<ExportSpan>('year');
  const { share, take, stop } = useExport(onClose);
  const { label, holds } = TABLE_WORDS[table];
  const { year } = partsOfDay(today);
  const spans: Record<ExportSpan, DaySpan | null> = {
    month: monthSpan(monthOfDay(today)),
    year: yearSpan(year),
    all: null,
  };
  const spanName = { month: formatMonth(monthOfDay(today)), year: String(year), all: null }[span];
  const isWhole = table === 'goals';
  return (
    <Sheet title="Take out a table" onClose={onClose}>
      <Chips
        label="Table"
        chips={TABLES.map((value) => ({ value, label: TABLE_WORDS[value].label }))}
        chosen={[table]}
        onPress={(value) => setTable(value as TableKind)}
      />
      {isWhole ? null : (
        <Segments
          label="Span"
          value={span}
          choices={SPANS.map((value) => ({ value, label: SPAN_WORDS[value] }))}
          onChange={setSpan}
        />
      )}
      <Words tone="quiet">{holds}</Words>
      <TakingButtons
        share={share}
        onStop={stop}
        onTake={() =>
          void take(
            { kind: 'table', table, span: isWhole ? null : spans[span], today },
            nameOf('csv', label, isWhole ? null : spanName),
            'text/csv',
            ['line', 'lines'],
          )
        }
      />
    </Sheet>
  );
}
