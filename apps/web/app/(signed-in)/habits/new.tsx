import { HabitFormScreen } from '../../../src/features/habits/form/HabitFormScreen.tsx';

export default function NewHabit() {
  return <HabitFormScreen />;
}
