import { type GridChoices, type Layout, lineKey } from '@wimbel/exchange';
import ArrowRightLeft from 'lucide-react-native/icons/arrow-right-left';
import CalendarDays from 'lucide-react-native/icons/calendar-days';
import Check from 'lucide-react-native/icons/check';
import RotateCcw from 'lucide-react-native/icons/rotate-ccw';
import X from 'lucide-react-native/icons/x';
import { ActionList, type Action } from '../../../ui/ActionList.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import type { LineRole } from './reader.ts';

/** A row or column of a grid, and what it was read as. */
export type Line = { grid: number; axis: 'row' | 'column'; at: number; role: LineRole };

type Props = {
  line: Line;
  layout: Layout | null;
  /** Whether it, or its grid, was corrected before. */
  isChosen: boolean;
  choices: GridChoices;
  onChoose: (more: Partial<GridChoices>) => void;
  onClose: () => void;
};

/** How a row or column is read, to be changed. */
export function LineSheet({ line: { grid, axis, at, role }, layout, isChosen, choices, onChoose, onClose }: Props) {
  const key = lineKey(grid, axis, at);
  const say = (how: 'take' | 'leaveOut'): void => onChoose({ lines: { ...choices.lines, [key]: how } });
  const holdsNames = (layout === 'across' && axis === 'column') || (layout === 'down' && axis === 'row');
  const actions: (Action | false)[] = [
    role.role === 'out' && {
      label: 'Take it as a habit',
      hint: 'It looks like a total, or like words.',
      icon: Check,
      onPress: () => say('take'),
    },
    (role.role === 'name' || role.role === 'day') && {
      label: 'Leave it out',
      hint: 'Nothing in it is brought in.',
      icon: X,
      onPress: () => say('leaveOut'),
    },
    role.role !== 'days' && {
      label: 'It holds the days',
      hint: axis === 'row' ? 'Days go across, and habits down.' : 'Days go down, and habits across.',
      icon: CalendarDays,
      onPress: () =>
        onChoose({ heads: { ...choices.heads, [grid]: { layout: axis === 'row' ? 'across' : 'down', at } } }),
    },
    holdsNames &&
      role.role !== 'names' && {
        label: 'It holds the names',
        hint: 'The name of each habit stands in it.',
        icon: ArrowRightLeft,
        onPress: () => onChoose({ nameLines: { ...choices.nameLines, [grid]: at } }),
      },
    isChosen && {
      label: 'Read it as at first',
      hint: 'What you changed here is forgotten.',
      icon: RotateCcw,
      onPress: () => {
        const { [key]: _, ...lines } = choices.lines ?? {};
        const { [grid]: __, ...heads } = choices.heads ?? {};
        const { [grid]: ___, ...nameLines } = choices.nameLines ?? {};
        onChoose({ lines, heads, nameLines });
      },
    },
  ];
  return (
    <Sheet title={`${axis === 'row' ? 'Row' : 'Column'} ${at + 1}`} onClose={onClose}>
      <ActionList
        actions={actions
          .filter((each) => each !== false)
          .map((each) => ({
            ...each,
            onPress: () => {
              each.onPress();
              onClose();
            },
          }))}
      />
    </Sheet>
  );
}
