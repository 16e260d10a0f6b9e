import { ScrollView, View } from 'react-native';
import { themed } from '../theme/Theme.tsx';
import { CORNER, SPACE, TOUCH_PX } from '../theme/space.ts';
import { Words } from './Words.tsx';
import { Choice } from './Choice.tsx';
import { isTabbed, radioKeys } from './radioKeys.ts';

type Chip = { value: string; label: string; dot?: string };

type Props = {
  label: string;
  chips: readonly Chip[];
  chosen: readonly string[];
  onPress: (value: string) => void;
  /** Whether several can be chosen at a time. */
  isMultiple?: boolean;
  /** Lets them run on sideways in one line, instead of wrapping. */
  isScrolling?: boolean;
};

/** Choices as chips that wrap: one of them, or several. */
export function Chips({ label, chips, chosen, onPress, isMultiple = false, isScrolling = false }: Props) {
  const styles = useStyles();
  const values = chips.map((each) => each.value);
  const row = (
    <View
      role={isMultiple ? 'group' : 'radiogroup'}
      aria-label={label}
      style={[styles.row, isScrolling && styles.line]}
      {...(isMultiple ? {} : { onKeyDown: radioKeys })}
    >
      {chips.map((chip) => {
        const isChosen = chosen.includes(chip.value);
        return (
          <Choice
            key={chip.value}
            role={isMultiple ? 'checkbox' : 'radio'}
            isChosen={isChosen}
            label={chip.label}
            isTabStop={isMultiple || isTabbed(values, chosen[0], chip.value)}
            onPress={() => onPress(chip.value)}
            style={[styles.chip, isChosen && styles.chosen]}
          >
            {chip.dot ? <View style={[styles.dot, { backgroundColor: chip.dot }]} /> : null}
            <Words type="strong" tone={isChosen ? 'onWorking' : 'quiet'} style={styles.words}>
              {chip.label}
            </Words>
          </Choice>
        );
      })}
    </View>
  );
  if (!isScrolling) return row;
  return (
    <ScrollView horizontal showsHorizontalScrollIndicator={false} style={styles.scroll}>
      {row}
    </ScrollView>
  );
}

const useStyles = themed((colors) => ({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  line: { flexWrap: 'nowrap' },
  scroll: { flexGrow: 0, marginHorizontal: -SPACE.l, paddingHorizontal: SPACE.l },
  chip: {
    minHeight: TOUCH_PX,
    minWidth: TOUCH_PX,
    maxWidth: '100%',
    flexDirection: 'row',
    gap: SPACE.s,
    alignItems: 'center',
    justifyContent: 'center',
    paddingHorizontal: SPACE.m,
    borderRadius: CORNER.pill,
    backgroundColor: colors.raised,
    borderWidth: 1,
    borderColor: colors.line,
  },
  words: { flexShrink: 1 },
  chosen: { backgroundColor: colors.working, borderColor: colors.working },
  dot: { width: 10, height: 10, borderRadius: 5, borderWidth: 1, borderColor: colors.raised },
}));
