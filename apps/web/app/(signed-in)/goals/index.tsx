import { GoalsScreen } from '../../../src/features/goals/GoalsScreen.tsx';

export default GoalsScreen;
