import { HabitFormScreen } from '../../../src/features/habits/HabitFormScreen.tsx';

export default function NewHabit() {
  return <HabitFormScreen />;
}
