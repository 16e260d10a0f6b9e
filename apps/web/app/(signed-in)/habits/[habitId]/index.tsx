import { useLocalSearchParams } from 'expo-router';
import { HabitScreen } from '../../../../src/features/habits/page/HabitScreen.tsx';

export default function HabitById() {
  const { habitId } = useLocalSearchParams<{ habitId: string }>();
  return <HabitScreen habitId={habitId} />;
}
