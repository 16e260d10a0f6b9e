import type { Habit } from '@wimbel/core';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import { useState } from 'react';
import { Pressable } from 'react-native';
import { selectHabits } from '../../records/selectors.ts';
import { useAppSelector } from '../../records/store.ts';
import { themed, useTheme } from '../../theme/Theme.tsx';
import { CORNER, SPACE, TOUCH_PX } from '../../theme/space.ts';
import { Chips } from '../../ui/Chips.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Words } from '../../ui/Words.tsx';

/** Which habit the charts are of: all together, or one. */
export function HabitChoice({ habit, onChange }: { habit: Habit | null; onChange: (habitId: string | null) => void }) {
  const styles = useStyles();
  const { colors } = useTheme();
  const habits = useAppSelector(selectHabits);
  const [isOpen, setIsOpen] = useState(false);
  const name = habit?.name ?? 'All habits';
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
            label="Charts of"
            chips={[
              { value: '', label: 'All habits' },
              ...habits.map((each) => ({ value: each.id, label: each.name })),
            ]}
            chosen={[habit?.id ?? '']}
            onPress={(value) => {
              onChange(value === '' ? null : value);
              setIsOpen(false);
            }}
          />
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
