import { type StepNode } from '@wimbel/core';
import { View } from 'react-native';
import { themed } from '../../../theme/Theme.tsx';
import { SPACE } from '../../../theme/space.ts';
import { SortableList } from '../../../ui/SortableList.tsx';
import { Words } from '../../../ui/Words.tsx';

/** The steps of a level with handles, and those below each. */
export function StepsOrder({
  nodes,
  label,
  onOrder,
}: {
  nodes: readonly StepNode[];
  label: string;
  onOrder: (ids: string[]) => void;
}) {
  const styles = useStyles();
  const items = nodes.map((node) => ({ id: node.step.id, name: node.step.title, node }));
  return (
    <SortableList label={label} items={items} onOrder={onOrder}>
      {({ node }) => (
        <View style={styles.ordered}>
          <Words type="name" style={node.isDone ? styles.through : undefined}>
            {node.step.title}
          </Words>
          {node.below.length > 0 ? (
            <StepsOrder nodes={node.below} label={`Steps of ${node.step.title}`} onOrder={onOrder} />
          ) : null}
        </View>
      )}
    </SortableList>
  );
}

const useStyles = themed(() => ({
  through: { textDecorationLine: 'line-through' },
  ordered: { paddingVertical: SPACE.s, paddingRight: SPACE.s, gap: SPACE.s },
}));
