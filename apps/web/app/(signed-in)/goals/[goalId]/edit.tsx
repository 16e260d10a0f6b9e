import { useLocalSearchParams } from 'expo-router';
import { lazyScreen } from '../../../../src/routes/lazyScreen.tsx';

const GoalFormScreen = lazyScreen('GoalFormScreen');

export default function EditGoal() {
  const { goalId } = useLocalSearchParams<{ goalId: string }>();
  return <GoalFormScreen goalId={goalId} />;
}
