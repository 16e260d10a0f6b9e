import { useLocalSearchParams } from 'expo-router';
import { lazyScreen } from '../../../../src/routes/lazyScreen.tsx';

const HabitScreen = lazyScreen('HabitScreen');

export default function HabitById() {
  const { habitId } = useLocalSearchParams<{ habitId: string }>();
  return <HabitScreen habitId={habitId} />;
}
