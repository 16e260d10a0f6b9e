import { CALENDAR_KINDS, type CalendarKind, withoutDays } from '@wimbel/exchange';
import { useState } from 'react';
import { useStore } from 'react-redux';
import { deviceNow } from '../../../platform/clock.ts';
import { isSample } from '../../../store/accountSlice.ts';
import { recordsOf } from '../../../store/importPlan.ts';
import { selectToday } from '../../../store/selectors.ts';
import { type RootState, useAppSelector } from '../../../store/store.ts';
import { Chips } from '../../../ui/Chips.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';
import { CalendarAddress } from '../account/CalendarAddress.tsx';
import { CALENDAR_WORDS } from './exportText.ts';
import { useExportName } from '../../../components/account/useExportName.ts';
import { useExport } from './useExport.ts';
import { TakingButtons } from './TakingButtons.tsx';

export function CalendarSheet({ onClose }: { onClose: () => void }) {
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
