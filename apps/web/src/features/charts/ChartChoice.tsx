import type { Area, Habit } from '@wimbel/core';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import { useState } from 'react';
import { Pressable } from 'react-native';
import { selectAreas, selectHabits } from '../../records/selectors.ts';
import { useAppSelector } from '../../records/store.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { dyeColor } from '../../theme/dye.ts';
import { CORNER, SPACE, TOUCH_PX } from '../../theme/space.ts';
import { Chips } from '../../ui/Chips.tsx';
import { Labelled } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';

/** Whose record the charts are of: an area's, a habit's, or (with neither) everything. */
export type ChartsOf = { area: Area | null; habit: Habit | null };

/** Chooses what the charts are of; gives the address's words for it. */
export function ChartChoice({
  of: { area, habit },
  onChange,
}: {
  of: ChartsOf;
  onChange: (of: { areaId?: string; habitId?: string }) => void;
}) {
  const styles = useStyles();
  const { colors } = useTheme();
  const habits = useAppSelector(selectHabits);
  const areas = useAppSelector(selectAreas);
  const [isOpen, setIsOpen] = useState(false);
  const name = habit?.name ?? area?.name ?? 'All habits';
  const choose = (of: { areaId?: string; habitId?: string }): void => {
    onChange(of);
    setIsOpen(false);
  };
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
            chosen={habit || area ? [] : ['']}
            onPress={() => choose({})}
          />
          {areas.length > 0 ? (
            <Labelled label="An area">
              <Chips
                label="An area"
                chips={areas.map((each) => ({ value: each.id, label: each.name, dot: dyeColor(colors, each.color) }))}
                chosen={area ? [area.id] : []}
                onPress={(areaId) => choose({ areaId })}
              />
            </Labelled>
          ) : null}
          <Labelled label="A habit">
            <Chips
              label="A habit"
              chips={habits.map((each) => ({ value: each.id, label: each.name }))}
              chosen={habit ? [habit.id] : []}
              onPress={(habitId) => choose({ habitId })}
            />
          </Labelled>
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
    paddingHorizontal: SPACE.l,
    borderRadius: CORNER.pill,
    borderWidth: 1,
    borderColor: colors.line,
    backgroundColor: colors.raised,
  },
  name: { flexShrink: 1 },
}));
