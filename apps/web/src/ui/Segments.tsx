import { ScrollView, View } from 'react-native';
import { themed } from '../theme/Theme.tsx';
import { CORNER, SPACE } from '../theme/space.ts';
import { Words } from './Words.tsx';
import { Choice } from './Choice.tsx';
import { isTabbed, radioKeys } from './radioKeys.ts';

type Props<V extends string> = {
  label: string;
  value: V;
  choices: readonly { value: V; label: string }[];
  onChange: (value: V) => void;
  /** Lets the choices wrap onto more lines instead of scrolling sideways. */
  isWrapping?: boolean;
};

/** One of a few, all in view. */
export function Segments<V extends string>({ label, value, choices, onChange, isWrapping = false }: Props<V>) {
  const styles = useStyles();
  const values = choices.map((each) => each.value);
  const row = (
    <View
      role="radiogroup"
      aria-label={label}
      style={[styles.row, isWrapping && styles.wrapping]}
      onKeyDown={radioKeys}
    >
      {choices.map((choice) => {
        const isChosen = choice.value === value;
        return (
          <Choice
            key={choice.value}
            role="radio"
            isChosen={isChosen}
            label={choice.label}
            isTabStop={isTabbed(values, value, choice.value)}
            onPress={() => onChange(choice.value)}
            style={[styles.choice, isChosen && styles.chosen]}
          >
            <Words type="strong" tone={isChosen ? 'onWorking' : 'quiet'}>
              {choice.label}
            </Words>
          </Choice>
        );
      })}
    </View>
  );
  if (isWrapping) return row;
  return (
    <ScrollView horizontal showsHorizontalScrollIndicator={false} style={styles.scroll}>
      {row}
    </ScrollView>
  );
}

const useStyles = themed((colors) => ({
  scroll: { flexGrow: 0 },
  row: {
    flexDirection: 'row',
    alignSelf: 'flex-start',
    backgroundColor: colors.raised,
    borderRadius: 22,
    borderWidth: 1,
    borderColor: colors.line,
    padding: 3,
  },
  wrapping: { flexWrap: 'wrap' },
  choice: {
    minHeight: 38,
    minWidth: 44,
    paddingHorizontal: SPACE.l,
    borderRadius: CORNER.pill,
    justifyContent: 'center',
    alignItems: 'center',
  },
  chosen: { backgroundColor: colors.working },
}));
