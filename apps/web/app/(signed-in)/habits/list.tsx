import { lazyScreen } from '../../../src/routes/lazyScreen.tsx';

const HabitListScreen = lazyScreen('HabitListScreen');

export default function HabitsFromAList() {
  return <HabitListScreen />;
}
