import { useLocalSearchParams } from 'expo-router';
import { GoalFormScreen } from '../../../../src/features/goals/form/GoalFormScreen.tsx';

export default function EditGoal() {
  const { goalId } = useLocalSearchParams<{ goalId: string }>();
  return <GoalFormScreen goalId={goalId} />;
}
