import { GoalsScreen } from '../../../src/features/goals/list/GoalsScreen.tsx';

export default GoalsScreen;
