import { dayFromParts } from '@wimbel/core';
import { useSyncExternalStore } from 'react';
import { chooseClock, subscribeToClock, wrongClock } from '../../platform/clock.ts';
import { fullDate } from '../../text/format.ts';
import { Button } from '../../ui/Button.tsx';
import { SignBar } from '../../ui/SignBar.tsx';

const dateWords = (date: Date): string =>
  fullDate(dayFromParts(date.getFullYear(), date.getMonth() + 1, date.getDate()));

/** Said where the device's clock is wrong by hours or days: what is recorded would be filed under the wrong day. */
export function ClockSign() {
  const wrong = useSyncExternalStore(subscribeToClock, wrongClock);
  if (wrong === null) return null;
  const [device, server] = [dateWords(wrong.device), dateWords(wrong.server)];
  return (
    <SignBar role="alert" text={`By this device’s clock it is ${device}, by the server’s ${server}.`}>
      <Button kind="bare" onPress={() => chooseClock('server')}>
        {`Use ${server}`}
      </Button>
      <Button kind="bare" onPress={() => chooseClock('device')}>
        {`Keep ${device}`}
      </Button>
    </SignBar>
  );
}
