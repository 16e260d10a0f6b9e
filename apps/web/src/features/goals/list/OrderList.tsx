import { useRecording } from '../../../sync/recording.ts';
import { changeTo } from '../../../store/makeChange.ts';
import { reordered } from '../../../store/reorder.ts';
import { selectGoals } from '../../../store/selectors.ts';
import { useAppSelector } from '../../../store/store.ts';
import { Card } from '../../../ui/Card.tsx';
import { SortableList } from '../../../ui/SortableList.tsx';
import { Words } from '../../../ui/Words.tsx';

/** All goals with handles, to be put in the person's own order. */
export function OrderList() {
  const goals = useAppSelector(selectGoals);
  const { change } = useRecording();
  return (
    <Card isFlush>
      <SortableList
        label="Goals in your order"
        items={goals.map((goal) => ({ ...goal, name: goal.title }))}
        onOrder={(ids) => change(...reordered(goals, ids).map((goal) => changeTo('goals', goal)))}
      >
        {(goal) => <Words type="name">{goal.title}</Words>}
      </SortableList>
    </Card>
  );
}
