import { View } from 'react-native';
import { themed, useTheme } from '../theme/Theme.tsx';
import { CORNER, SPACE, TOUCH_PX } from '../theme/space.ts';
import { HABIT_ICONS } from './habitIcons.ts';
import { Choice } from './Choice.tsx';
import { isTabbed, radioKeys } from './radioKeys.ts';

/** A small grid of icons of which one, or none, is chosen. */
export function IconGrid({
  value,
  icons = HABIT_ICONS,
  onChange,
}: {
  value: string;
  icons?: typeof HABIT_ICONS;
  onChange: (name: string) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const names = Object.keys(icons);
  return (
    <View role="radiogroup" aria-label="Icon" style={styles.grid} onKeyDown={radioKeys}>
      {Object.entries(icons).map(([name, { icon: Shape, label }]) => {
        const isChosen = name === value;
        return (
          <Choice
            key={name}
            role="radio"
            isChosen={isChosen}
            label={label}
            isTabStop={isTabbed(names, value, name)}
            onPress={() => onChange(isChosen ? '' : name)}
            style={[styles.cell, isChosen && styles.chosen]}
          >
            <Shape size={20} color={isChosen ? colors.onWorking : colors.quiet} strokeWidth={1.9} />
          </Choice>
        );
      })}
    </View>
  );
}

const useStyles = themed((colors) => ({
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.xs },
  cell: {
    width: TOUCH_PX,
    height: TOUCH_PX,
    alignItems: 'center',
    justifyContent: 'center',
    borderRadius: CORNER.pill,
    backgroundColor: colors.raised,
    borderWidth: 1,
    borderColor: colors.line,
  },
  chosen: { backgroundColor: colors.working, borderColor: colors.working },
}));
