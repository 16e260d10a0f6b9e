import { GoalFormScreen } from '../../../../src/features/goals/form/GoalFormScreen.tsx';

export default function NewGoal() {
  return <GoalFormScreen />;
}
