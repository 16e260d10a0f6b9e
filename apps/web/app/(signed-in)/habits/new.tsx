import { lazyScreen } from '../../../src/routes/lazyScreen.tsx';

const HabitFormScreen = lazyScreen('HabitFormScreen');

export default function NewHabit() {
  return <HabitFormScreen />;
}
