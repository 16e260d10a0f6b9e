import { STEP_SORTS, type StepSort } from '@wimbel/core';
import { View } from 'react-native';
import { SPACE } from '../../../theme/space.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { Labelled } from '../../../ui/Field.tsx';
import { Segments } from '../../../ui/Segments.tsx';

export type Mode = 'list' | 'order' | 'several';

export const SORT_WORDS: Record<StepSort, string> = {
  order: 'My order',
  need: 'Urgent first',
  priority: 'Priority',
  due: 'Due day',
};

/** How steps are listed, and what else can be done to all of them. */
export function StepsListSheet({
  sort,
  onSort,
  onMode,
  onClose,
  hasSeveral,
}: {
  sort: StepSort;
  onSort: (sort: StepSort) => void;
  onMode: (mode: Mode) => void;
  onClose: () => void;
  hasSeveral: boolean;
}) {
  return (
    <Sheet title="How steps are listed" onClose={onClose}>
      <Labelled label="Sort by">
        <Segments
          label="Sort by"
          value={sort}
          choices={STEP_SORTS.map((value) => ({ value, label: SORT_WORDS[value] }))}
          onChange={onSort}
          isWrapping
        />
      </Labelled>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button onPress={() => onMode('order')}>Put in order by hand</Button>
        {hasSeveral ? <Button onPress={() => onMode('several')}>Choose several</Button> : null}
      </View>
      <Button kind="main" onPress={onClose}>
        Done
      </Button>
    </Sheet>
  );
}
