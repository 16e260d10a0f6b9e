import { DueScreen } from '../../../src/features/goals/list/DueScreen.tsx';

export default DueScreen;
