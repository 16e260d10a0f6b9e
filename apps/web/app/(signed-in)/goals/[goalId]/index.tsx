import { useLocalSearchParams } from 'expo-router';
import { GoalScreen } from '../../../../src/features/goals/page/GoalScreen.tsx';

export default function OneGoal() {
  const { goalId, at } = useLocalSearchParams<{ goalId: string; at?: string }>();
  return <GoalScreen key={goalId} goalId={goalId} at={at} />;
}
