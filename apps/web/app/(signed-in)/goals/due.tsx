import { DueScreen } from '../../../src/features/goals/DueScreen.tsx';

export default DueScreen;
