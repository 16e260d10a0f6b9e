import { HabitListScreen } from '../../../src/features/habits/HabitListScreen.tsx';

export default function HabitsFromAList() {
  return <HabitListScreen />;
}
