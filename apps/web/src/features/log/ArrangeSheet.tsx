import { Labelled } from '../../ui/Field.tsx';
import { Segments } from '../../ui/Segments.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import type { Sort } from './logRows.ts';

export const GROUPS = ['together', 'area', 'part', 'often'] as const;
export type Group = (typeof GROUPS)[number];

type Props = {
  sort: Sort;
  group: Group;
  onSort: (sort: Sort) => void;
  onGroup: (group: Group) => void;
  onClose: () => void;
};

/** In which order the habits stand, and whether under their areas. */
export function ArrangeSheet({ sort, group, onSort, onGroup, onClose }: Props) {
  return (
    <Sheet title="Order of the habits" onClose={onClose}>
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
    </Sheet>
  );
}
