import { lazyScreen } from '../../../../src/routes/lazyScreen.tsx';

const GoalFormScreen = lazyScreen('GoalFormScreen');

export default function NewGoal() {
  return <GoalFormScreen />;
}
