import ChevronDown from 'lucide-react-native/icons/chevron-down';
import { useState } from 'react';
import { Pressable } from 'react-native';
import { selectAreas, selectGoals, selectHabits } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { themed, useTheme } from '../../../theme/Theme.tsx';
import { dyeColor } from '../../../theme/dye.ts';
import { CORNER, SPACE, TOUCH_PX } from '../../../theme/space.ts';
import { Chips } from '../../../ui/Chips.tsx';
import { Labelled } from '../../../ui/Field.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Words } from '../../../ui/Words.tsx';
import type { ChartsOf } from './chartAddress.ts';

/** Chooses what the charts are of: everything, an area, a habit or a goal. */
export function ChartChoice({
  what,
  name,
  onChange,
}: {
  what: ChartsOf;
  name: string;
  onChange: (what: ChartsOf) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const habits = useAppSelector(selectHabits);
  const areas = useAppSelector(selectAreas);
  const goals = useAppSelector(selectGoals);
  const [isOpen, setIsOpen] = useState(false);
  const choose = (of: ChartsOf): void => {
    onChange(of);
    setIsOpen(false);
  };
  const chosen = (of: 'area' | 'habit' | 'goal'): string[] => (what.of === of ? [what.id] : []);
  return (
    <>
      <Pressable
        role="button"
        aria-label={`Charts of: ${name}`}
        aria-haspopup="dialog"
        onPress={() => setIsOpen(true)}
        style={styles.button}
      >
        <Words type="strong" numberOfLines={2} style={styles.name}>
          {name}
        </Words>
        <ChevronDown size={18} color={colors.quiet} />
      </Pressable>
      {isOpen ? (
        <Sheet title="Charts of" onClose={() => setIsOpen(false)}>
          <Chips
            label="Everything"
            chips={[{ value: '', label: 'All habits' }]}
            chosen={what.of === 'all' ? [''] : []}
            onPress={() => choose({ of: 'all' })}
          />
          {areas.length > 0 ? (
            <Labelled label="An area">
              <Chips
                label="An area"
                chips={areas.map((each) => ({ value: each.id, label: each.name, dot: dyeColor(colors, each.color) }))}
                chosen={chosen('area')}
                onPress={(id) => choose({ of: 'area', id })}
              />
            </Labelled>
          ) : null}
          <Labelled label="A habit">
            <Chips
              label="A habit"
              chips={habits.map((each) => ({ value: each.id, label: each.name }))}
              chosen={chosen('habit')}
              onPress={(id) => choose({ of: 'habit', id })}
            />
          </Labelled>
          {goals.length > 0 ? (
            <Labelled label="A goal">
              <Chips
                label="A goal"
                chips={goals.map((each) => ({ value: each.id, label: each.title }))}
                chosen={chosen('goal')}
                onPress={(id) => choose({ of: 'goal', id })}
              />
            </Labelled>
          ) : null}
        </Sheet>
      ) : null}
    </>
  );
}

const useStyles = themed((colors) => ({
  button: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    minHeight: TOUCH_PX,
    maxWidth: 210,
    flexShrink: 1,
    minWidth: 0,
    paddingHorizontal: SPACE.l,
    borderRadius: CORNER.pill,
    borderWidth: 1,
    borderColor: colors.line,
    backgroundColor: colors.raised,
  },
  name: { flexShrink: 1 },
}));
