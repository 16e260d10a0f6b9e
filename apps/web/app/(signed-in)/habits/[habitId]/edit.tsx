import { useLocalSearchParams } from 'expo-router';
import { HabitFormScreen } from '../../../../src/features/habits/form/HabitFormScreen.tsx';

export default function EditHabit() {
  const { habitId } = useLocalSearchParams<{ habitId: string }>();
  return <HabitFormScreen habitId={habitId} />;
}
