import { HabitListScreen } from '../../../src/features/habits/list/HabitListScreen.tsx';

export default function HabitsFromAList() {
  return <HabitListScreen />;
}
