import { GoalFormScreen } from '../../../../src/features/goals/GoalFormScreen.tsx';

export default function NewGoal() {
  return <GoalFormScreen />;
}
