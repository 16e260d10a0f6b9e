import { useLocalSearchParams } from 'expo-router';
import { lazyScreen } from '../../../../src/routes/lazyScreen.tsx';

const HabitFormScreen = lazyScreen('HabitFormScreen');

export default function EditHabit() {
  const { habitId } = useLocalSearchParams<{ habitId: string }>();
  return <HabitFormScreen habitId={habitId} />;
}
