import { useLocalSearchParams } from 'expo-router';
import { GoalFormScreen } from '../../../../src/features/goals/GoalFormScreen.tsx';

export default function EditGoal() {
  const { goalId } = useLocalSearchParams<{ goalId: string }>();
  return <GoalFormScreen goalId={goalId} />;
}
