import { type DaySpan, formatDay, formatMonth, monthOfDay, monthSpan, partsOfDay, yearSpan } from '@wimbel/core';
import { CALENDAR_KINDS, type CalendarKind, TABLES, type TableKind, withoutDays } from '@wimbel/exchange';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { useStore } from 'react-redux';
import { deviceNow } from '../../shared/clock.ts';
import { download } from '../../shared/download.ts';
import { counted, percent } from '../../shared/format.ts';
import { recordsOf } from '../../store/broughtIn.ts';
import { selectToday } from '../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../store/store.ts';
import { SPACE } from '../../theme/space.ts';
import { Button } from '../../ui/Button.tsx';
import { Chips } from '../../ui/Chips.tsx';
import { SectionCard } from '../../ui/SectionCard.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useToast } from '../../ui/Toast.tsx';
import { Words } from '../../ui/Words.tsx';
import { takeOut } from './takeOut/takeOut.ts';
import { CALENDAR_WORDS, SPANS, SPAN_WORDS, TABLE_WORDS, type TakenSpan, takenName } from './takeOut/takeOutWords.ts';
import type { Wish } from './takeOut/taker.ts';

const row = { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s } as const;

/** Hands a file of the record over, and tells how far it is; one at a time, and it can be given up. */
function useTaking(onDone: () => void) {
  const store = useStore<RootState>();
  const toast = useToast();
  const [share, setShare] = useState<number | null>(null);
  const stopping = useRef<AbortController | null>(null);
  useEffect(() => () => stopping.current?.abort(), []);
  const take = async (wish: Wish, name: string, type: string, what: [one: string, many: string]): Promise<void> => {
    const control = new AbortController();
    stopping.current = control;
    setShare(0);
    try {
      const { text, count } = await takeOut(store.getState().records, wish, {
        onShare: setShare,
        signal: control.signal,
      });
      download(name, new Blob([type === 'text/csv' ? `\uFEFF${text}` : text], { type }));
      toast({ text: `${counted(count, ...what)} in ${name}` });
      onDone();
    } catch {
      if (!control.signal.aborted) toast({ text: 'The file could not be made. Nothing was changed; try again.' });
    } finally {
      if (stopping.current === control) setShare(null);
    }
  };
  const stop = (): void => {
    stopping.current?.abort();
    setShare(null);
  };
  return { share, take, stop };
}

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

/** What was recorded, as tables for other programs and as days of a calendar. */
export function TakeOutCard() {
  const [open, setOpen] = useState<'tables' | 'calendar' | null>(null);
  const close = (): void => setOpen(null);
  return (
    <SectionCard title="For other programs">
      <Words tone="quiet">Parts of your record as tables (CSV), or as days in your calendar.</Words>
      <View style={row}>
        <Button onPress={() => setOpen('tables')}>As a table</Button>
        <Button onPress={() => setOpen('calendar')}>For a calendar</Button>
      </View>
      {open === 'tables' ? <TableSheet onClose={close} /> : null}
      {open === 'calendar' ? <CalendarSheet onClose={close} /> : null}
    </SectionCard>
  );
}

const useWhose = (): string => useAppSelector((state) => state.account.account?.email.split('@')[0] ?? '');

function TableSheet({ onClose }: { onClose: () => void }) {
  const today = useAppSelector(selectToday);
  const whose = useWhose();
  const [table, setTable] = useState<TableKind>('days');
  const [span, setSpan] = useState<TakenSpan>('year');
  const { share, take, stop } = useTaking(onClose);
  const { label, holds } = TABLE_WORDS[table];
  const { year } = partsOfDay(today);
  const spans: Record<TakenSpan, DaySpan | null> = {
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
            takenName([whose, label, isWhole ? null : spanName], formatDay(today), 'csv'),
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
  const whose = useWhose();
  const [shows, setShows] = useState<CalendarKind[]>(['due', 'milestones', 'seasons']);
  const { share, take, stop } = useTaking(onClose);
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
            takenName([whose, 'calendar'], formatDay(today), 'ics'),
            'text/calendar',
            ['entry', 'entries'],
          )
        }
      />
    </Sheet>
  );
}
