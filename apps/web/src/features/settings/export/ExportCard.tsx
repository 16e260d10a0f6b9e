import { type DaySpan, formatMonth, monthFromParts, monthOfDay, monthSpan, partsOfDay, yearSpan } from '@wimbel/core';
import {
  CALENDAR_KINDS,
  type CalendarKind,
  type MonthsSpan,
  TABLES,
  type TableKind,
  withoutDays,
} from '@wimbel/exchange';
import { useState } from 'react';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import { deviceNow } from '../../../platform/clock.ts';
import { percent } from '../../../text/format.ts';
import { isSample } from '../../../store/accountSlice.ts';
import { recordsOf } from '../../../store/importPlan.ts';
import { selectToday } from '../../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../../store/store.ts';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Chips } from '../../../ui/Chips.tsx';
import { SectionCard } from '../../../ui/SectionCard.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';
import { CalendarAddress } from '../account/CalendarAddress.tsx';
import { CALENDAR_WORDS, SPANS, SPAN_WORDS, TABLE_WORDS, type ExportSpan } from './exportText.ts';
import { useExportName } from '../../../components/account/useExportName.ts';
import { useExport } from './useExport.ts';

const row = { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s } as const;

function TakingButtons({
  share,
  onTake,
  onStop,
  isOff = false,
}: {
  share: number | null;
  onTake: () => void;
  onStop: () => void;
  isOff?: boolean;
}) {
  return (
    <View style={row}>
      <Button kind="main" onPress={onTake} isBusy={share !== null} isDisabled={isOff}>
        {share === null ? 'Download' : `Gathering, ${percent(share)}`}
      </Button>
      {share === null ? null : (
        <Button kind="bare" onPress={onStop}>
          Stop
        </Button>
      )}
    </View>
  );
}

/** Exports: tables, a workbook with formulas, text, a calendar. */
export function TakeOutCard() {
  const [open, setOpen] = useState<'workbook' | 'tables' | 'story' | 'calendar' | null>(null);
  const close = (): void => setOpen(null);
  return (
    <SectionCard title="For other programs">
      <Words tone="quiet">
        Your record as a workbook that goes on figuring (XLSX), parts of it as tables (CSV), goals and reviews as text
        (Markdown), or as days in your calendar.
      </Words>
      <View style={row}>
        <Button onPress={() => setOpen('workbook')}>As a workbook</Button>
        <Button onPress={() => setOpen('tables')}>As a table</Button>
        <Button onPress={() => setOpen('story')}>As text</Button>
        <Button onPress={() => setOpen('calendar')}>For a calendar</Button>
      </View>
      {open === 'workbook' ? <WorkbookSheet onClose={close} /> : null}
      {open === 'story' ? <StorySheet onClose={close} /> : null}
      {open === 'tables' ? <TableSheet onClose={close} /> : null}
      {open === 'calendar' ? <CalendarSheet onClose={close} /> : null}
    </SectionCard>
  );
}

function WorkbookSheet({ onClose }: { onClose: () => void }) {
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

function StorySheet({ onClose }: { onClose: () => void }) {
  const today = useAppSelector(selectToday);
  const nameOf = useExportName();
  const { share, take, stop } = useExport(onClose);
  return (
    <Sheet title="Take out text" onClose={onClose}>
      <Words tone="quiet">
        All goals with their key results, steps and story, and what you wrote when looking back. The journal has a way
        of its own: Journal, All pages, To take along.
      </Words>
      <TakingButtons
        share={share}
        onStop={stop}
        onTake={() =>
          void take({ kind: 'story', today }, nameOf('md', 'goals and reviews'), 'text/markdown', [
            'goal or review',
            'goals and reviews',
          ])
        }
      />
    </Sheet>
  );
}

function TableSheet({ onClose }: { onClose: () => void }) {
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

function CalendarSheet({ onClose }: { onClose: () => void }) {
  const today = useAppSelector(selectToday);
  const store = useStore<RootState>();
  const nameOf = useExportName();
  const account = useAppSelector((state) => state.account.account);
  const [shows, setShows] = useState<CalendarKind[]>(['due', 'milestones', 'seasons']);
  const { share, take, stop } = useExport(onClose);
  const [free] = useState(() => withoutDays({ ...recordsOf({ ...store.getState().records, entries: {} }) }));
  return (
    <Sheet title="Take out a calendar" onClose={onClose}>
      <Chips
        label="What it shows"
        isMultiple
        chips={CALENDAR_KINDS.map((value) => ({ value, label: CALENDAR_WORDS[value] }))}
        chosen={shows}
        onPress={(value) => setShows((now) => CALENDAR_KINDS.filter((each) => now.includes(each) !== (each === value)))}
      />
      <Words tone="quiet">
        A file for the calendar you use, with entries of whole days. Open it again later and it brings the same entries
        up to date.
      </Words>
      {shows.includes('habits') && free.length > 0 ? (
        <Words type="quiet" tone="quiet">
          {`Left out, as no days are set for ${free.length === 1 ? 'it' : 'them'}: ${free.map((each) => each.name).join(', ')}.`}
        </Words>
      ) : null}
      <TakingButtons
        share={share}
        onStop={stop}
        isOff={shows.length === 0}
        onTake={() =>
          void take(
            { kind: 'calendar', shows, today, stamp: deviceNow().toISOString() },
            nameOf('ics', 'calendar'),
            'text/calendar',
            ['entry', 'entries'],
          )
        }
      />
      {account === null || isSample(account) ? null : <CalendarAddress accountId={account.id} shows={shows} />}
    </Sheet>
  );
}
