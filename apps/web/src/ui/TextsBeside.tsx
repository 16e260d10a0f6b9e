import { partText, settleOther, wholeText } from '@wimbel/core';
import { View } from 'react-native';
import { themed } from '../theme/Theme.tsx';
import { SPACE } from '../theme/space.ts';
import { Button } from './Button.tsx';
import { Words } from './Words.tsx';

/** What was written on another device at the same time as a long text: offered to be put below it, or left out. */
export function TextsBeside({
  of,
  text,
  onChange,
}: {
  /** What the text is, for those who hear it: "Note". */
  of: string;
  text: string;
  onChange: (text: string) => void;
}) {
  const styles = useStyles();
  const parted = partText(text);
  return parted.others.map((other, at) => (
    <View
      key={other}
      role="group"
      aria-label={`${of}, written on another device at the same time`}
      style={styles.other}
    >
      <Words type="label" tone="quiet">
        Written on another device at the same time
      </Words>
      <Words>{other}</Words>
      <View style={styles.buttons}>
        <Button onPress={() => onChange(wholeText(settleOther(parted, at, true)))}>Put below the other</Button>
        <Button kind="bare" onPress={() => onChange(wholeText(settleOther(parted, at, false)))}>
          Leave it out
        </Button>
      </View>
    </View>
  ));
}

const useStyles = themed((colors) => ({
  other: {
    alignSelf: 'stretch',
    borderLeftWidth: 3,
    borderLeftColor: colors.brass,
    paddingLeft: SPACE.m,
    gap: SPACE.xs,
    marginTop: SPACE.xs,
  },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
}));
