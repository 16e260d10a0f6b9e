import { GuidedGoalScreen } from '../../../../src/features/goals/GuidedGoalScreen.tsx';

export default GuidedGoalScreen;
