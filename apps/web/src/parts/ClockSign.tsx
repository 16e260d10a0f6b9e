import { dayFromParts } from '@wimbel/core';
import { useSyncExternalStore } from 'react';
import { View } from 'react-native';
import { chooseClock, hearOfClock, wrongClock } from '../shared/clock.ts';
import { fullDate } from '../shared/format.ts';
import { themed } from '../theme/Theme.tsx';
import { SPACE } from '../theme/space.ts';
import { Button } from '../ui/Button.tsx';
import { Words } from '../ui/Words.tsx';

const dateWords = (date: Date): string =>
  fullDate(dayFromParts(date.getFullYear(), date.getMonth() + 1, date.getDate()));

/** Said where the device's clock is wrong by hours or days: what is recorded would be filed under the wrong day. */
export function ClockSign() {
  const styles = useStyles();
  const wrong = useSyncExternalStore(hearOfClock, wrongClock);
  if (wrong === null) return null;
  const [device, server] = [dateWords(wrong.device), dateWords(wrong.server)];
  return (
    <View role="alert" style={styles.sign}>
      <Words type="quiet" style={styles.words}>
        {`By this device’s clock it is ${device}, by the server’s ${server}.`}
      </Words>
      <Button kind="bare" onPress={() => chooseClock('server')}>
        {`Use ${server}`}
      </Button>
      <Button kind="bare" onPress={() => chooseClock('device')}>
        {`Keep ${device}`}
      </Button>
    </View>
  );
}

const useStyles = themed((colors) => ({
  sign: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    paddingLeft: SPACE.l,
    backgroundColor: colors.tint,
  },
  words: { flexGrow: 1 },
}));
