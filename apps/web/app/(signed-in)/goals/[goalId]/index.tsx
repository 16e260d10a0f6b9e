import { useLocalSearchParams } from 'expo-router';
import { lazyScreen } from '../../../../src/routes/lazyScreen.tsx';

const GoalScreen = lazyScreen('GoalScreen');

export default function OneGoal() {
  const { goalId, at } = useLocalSearchParams<{ goalId: string; at?: string }>();
  return <GoalScreen key={goalId} goalId={goalId} at={at} />;
}
