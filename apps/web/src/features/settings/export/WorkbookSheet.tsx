import { formatMonth, monthFromParts, monthOfDay, partsOfDay } from '@wimbel/core';
import { type MonthsSpan } from '@wimbel/exchange';
import { useState } from 'react';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { Segments } from '../../../ui/Segments.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';
import { SPANS, SPAN_WORDS, type ExportSpan } from './exportText.ts';
import { useExportName } from '../../../components/account/useExportName.ts';
import { useExport } from './useExport.ts';
import { TakingButtons } from './TakingButtons.tsx';

export function WorkbookSheet({ onClose }: { onClose: () => void }) {
  const today = useAppSelector(selectToday);
  const nameOf = useExportName();
  const [span, setSpan] = useState<ExportSpan>('year');
  const { share, take, stop } = useExport(onClose);
  const month = monthOfDay(today);
  const { year } = partsOfDay(today);
  const spans: Record<ExportSpan, MonthsSpan> = {
    month: { first: month, last: month },
    year: { first: monthFromParts(year, 1), last: month },
    all: null,
  };
  const spanName = { month: formatMonth(month), year: String(year), all: null }[span];
  return (
    <Sheet title="Take out a workbook" onClose={onClose}>
      <Segments
        label="Span"
        value={span}
        choices={SPANS.map((value) => ({ value, label: SPAN_WORDS[value] }))}
        onChange={setSpan}
      />
      <Words tone="quiet">
        A sheet for each month and year, goals, check-ins, journal and rewards. Change a day in it, and its figures
        follow.
      </Words>
      <TakingButtons
        share={share}
        onStop={stop}
        onTake={() =>
          void take(
            { kind: 'workbook', span: spans[span], today },
            nameOf('xlsx', 'workbook', spanName),
            'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
            ['day', 'days'],
          )
        }
      />
    </Sheet>
  );
}
