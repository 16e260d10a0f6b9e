import { type Step, type StepNode } from '@wimbel/core';
import { View } from 'react-native';
import { selectToday } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { useGoalParts } from '../../../components/goals/useGoalParts.ts';
import { StepRow } from './StepRow.tsx';

/** Steps with those below them; at the top they can be chosen. */
export function Branch({
  nodes,
  keyResultTitles,
  chosen,
  depth = 0,
  onChoose,
  onOpen,
}: {
  nodes: readonly StepNode[];
  keyResultTitles: ReadonlyMap<string, string>;
  /** Which are chosen; null while none can be. */
  chosen: ReadonlySet<string> | null;
  depth?: number;
  onChoose: (step: Step) => void;
  onOpen: (stepId: string) => void;
}) {
  const { markStep } = useGoalParts();
  const today = useAppSelector(selectToday);
  return nodes.map((node) => (
    <View key={node.step.id}>
      <StepRow
        node={node}
        depth={depth}
        today={today}
        keyResult={keyResultTitles.get(node.step.keyResultId ?? '') ?? null}
        isChosen={chosen !== null && depth === 0 ? chosen.has(node.step.id) : null}
        onChoose={onChoose}
        onOpen={onOpen}
        onMark={markStep}
      />
      <Branch
        nodes={node.below}
        keyResultTitles={keyResultTitles}
        chosen={chosen}
        depth={depth + 1}
        onChoose={onChoose}
        onOpen={onOpen}
      />
    </View>
  ));
}
