import { selectShowsSeasons } from '../../../store/seasonSelectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { Button } from '../../../ui/Button.tsx';
import { Labelled } from '../../../ui/Field.tsx';
import { Segments } from '../../../ui/Segments.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { GOALS_BY, GOALS_SORTS, type GoalsBy, type GoalsSort } from './goalLists.ts';
import { OrderList } from './OrderList.tsx';

const BY_WORDS: Record<GoalsBy, string> = {
  area: 'Area',
  season: 'Season',
  quarter: 'Quarter',
  year: 'Year',
  state: 'State',
};

const SORT_WORDS: Record<GoalsSort, string> = { due: 'Due day', share: 'Share', order: 'My order' };

/** In which groups and in which order goals are listed. */
export function GoalsListSheet({
  by,
  onBy,
  sort,
  onSort,
  onClose,
}: {
  by: (typeof GOALS_BY)[number];
  onBy: (by: (typeof GOALS_BY)[number]) => void;
  sort: (typeof GOALS_SORTS)[number];
  onSort: (sort: (typeof GOALS_SORTS)[number]) => void;
  onClose: () => void;
}) {
  const showsSeasons = useAppSelector(selectShowsSeasons);
  return (
    <Sheet title="How goals are listed" onClose={onClose}>
      <Labelled label="Group by">
        <Segments
          label="Group by"
          value={by}
          choices={GOALS_BY.filter((value) => value !== 'season' || showsSeasons).map((value) => ({
            value,
            label: BY_WORDS[value],
          }))}
          onChange={onBy}
          isWrapping
        />
      </Labelled>
      <Labelled label="Sort by">
        <Segments
          label="Sort by"
          value={sort}
          choices={GOALS_SORTS.map((value) => ({ value, label: SORT_WORDS[value] }))}
          onChange={onSort}
          isWrapping
        />
      </Labelled>
      {sort === 'order' ? <OrderList /> : null}
      <Button kind="main" onPress={onClose}>
        Done
      </Button>
    </Sheet>
  );
}
