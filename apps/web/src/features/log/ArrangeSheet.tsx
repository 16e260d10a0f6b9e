import { Button } from '../../ui/Button.tsx';
import { Labelled } from '../../ui/Field.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { HabitFilterChips } from '../../components/habitFilter/HabitFilterChips.tsx';
import type { HabitFilter } from '../../text/habitFilter.ts';
import type { Sort } from './logRows.ts';

export const GROUPS = ['together', 'area', 'part', 'often'] as const;
export type Group = (typeof GROUPS)[number];

type Props = {
  sort: Sort;
  group: Group;
  only: HabitFilter | null;
  onSort: (sort: Sort) => void;
  onGroup: (group: Group) => void;
  onOnly: (only: HabitFilter | null) => void;
  onPrint: () => void;
  onClose: () => void;
};

/** Which habits are shown, in which order, and in which groups. */
export function ArrangeSheet({ sort, group, only, onSort, onGroup, onOnly, onPrint, onClose }: Props) {
  return (
    <Sheet title="Which habits, in which order" onClose={onClose}>
      <Labelled label="Sort by">
        <Segments
          label="Sort by"
          value={sort}
          choices={[
            { value: 'order', label: 'My order' },
            { value: 'name', label: 'Name' },
            { value: 'share', label: 'Share' },
          ]}
          onChange={onSort}
          isWrapping
        />
      </Labelled>
      <Labelled label="Group by" hint="Each group says what its habits came to together.">
        <Segments
          label="Group by"
          value={group}
          choices={[
            { value: 'together', label: 'All together' },
            { value: 'area', label: 'By area' },
            { value: 'part', label: 'By part of the day' },
            { value: 'often', label: 'By how often' },
          ]}
          onChange={onGroup}
          isWrapping
        />
      </Labelled>
      <HabitFilterChips only={only} onChoose={onOnly} />
      <Button onPress={onPrint}>Print the log</Button>
    </Sheet>
  );
}
