import { GuidedGoalScreen } from '../../../../src/features/goals/guided/GuidedGoalScreen.tsx';

export default GuidedGoalScreen;
