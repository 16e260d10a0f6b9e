import type { CalendarKind } from '@wimbel/exchange';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { ApiError } from '@wimbel/sync';
import { calendarAddress, chooseCalendar, endCalendar } from '../../../platform/calendarApi.ts';
import { fullDate } from '../../../text/format.ts';
import { dayOf } from '@wimbel/core';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Field } from '../../../ui/Field.tsx';
import { useToast } from '../../../ui/Toast.tsx';
import { Words } from '../../../ui/Words.tsx';
import { CALENDAR_WORDS } from '../export/exportText.ts';
import { unreachableText } from '../../../text/offlineText.ts';

type Held = { shows: string[]; madeAt: string } | null;

const row = { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s } as const;

const faultOf = (error: unknown): string =>
  error instanceof ApiError && error.fault.code === 'tooMany'
    ? 'That was often. Try again in a minute.'
    : unreachableText('Nothing was changed');

/** An address that a calendar program looks up by itself: made, renewed and ended here. */
export function CalendarAddress({ accountId, shows }: { accountId: string; shows: readonly CalendarKind[] }) {
  const toast = useToast();
  const [held, setHeld] = useState<Held | 'unknown' | 'away'>('unknown');
  const [address, setAddress] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  useEffect(() => {
    let isHere = true;
    calendarAddress(accountId).then(
      (found) => isHere && setHeld(found),
      () => isHere && setHeld('away'),
    );
    return () => void (isHere = false);
  }, [accountId]);
  const choose = async (isNew: boolean): Promise<void> => {
    setBusy(true);
    try {
      const made = await chooseCalendar(accountId, shows, isNew);
      if (made !== null) setAddress(made);
      setHeld(await calendarAddress(accountId));
      if (made === null) toast({ text: 'The address shows this from now on' });
    } catch (error) {
      toast({ text: faultOf(error) });
    } finally {
      setBusy(false);
    }
  };
  const end = async (): Promise<void> => {
    setBusy(true);
    try {
      await endCalendar(accountId);
      setHeld(null);
      setAddress(null);
      toast({ text: 'The address finds nothing any more' });
    } catch (error) {
      toast({ text: faultOf(error) });
    } finally {
      setBusy(false);
    }
  };
  const isOff = shows.length === 0;
  return (
    <View style={{ gap: SPACE.s }}>
      <Words type="name" heading={3}>
        Or an address
      </Words>
      <Words tone="quiet">
        Your calendar looks it up by itself and stays up to date. Whoever knows the address sees what is chosen above,
        and nothing else.
      </Words>
      {held === 'unknown' ? null : held === 'away' ? (
        <Words tone="quiet">{unreachableText('Nothing was changed')}</Words>
      ) : held === null ? (
        <View style={row}>
          <Button onPress={() => void choose(true)} isBusy={isBusy} isDisabled={isOff}>
            Make an address
          </Button>
        </View>
      ) : (
        <>
          {address === null ? null : <MadeAddress address={address} />}
          <Words type="quiet" tone="quiet">
            {`There is one since ${fullDate(dayOf(held.madeAt.slice(0, 10)))}, and it shows: ${held.shows
              .map((each) => CALENDAR_WORDS[each as CalendarKind].toLowerCase())
              .join(', ')}.`}
          </Words>
          <View style={row}>
            <Button onPress={() => void choose(false)} isBusy={isBusy} isDisabled={isOff}>
              Show what is chosen above
            </Button>
            <Button onPress={() => void choose(true)} isBusy={isBusy} isDisabled={isOff}>
              Make a new one
            </Button>
            <Button kind="bare" onPress={() => void end()} isBusy={isBusy}>
              End it
            </Button>
          </View>
        </>
      )}
    </View>
  );
}

/** The address, shown once, to be copied. */
function MadeAddress({ address }: { address: string }) {
  const toast = useToast();
  const copy = (): void => {
    void navigator.clipboard
      ?.writeText(address)
      .then(() => toast({ text: 'Copied' }))
      .catch(() => toast({ text: 'It could not be copied. Pick the address and copy it by hand.' }));
  };
  return (
    <>
      <Field label="The address" value={address} readOnly hint="It is shown this once. Give it to your calendar." />
      <View style={row}>
        <Button kind="main" onPress={copy}>
          Copy the address
        </Button>
      </View>
    </>
  );
}
