import { YearScreen } from '../../../src/features/goals/YearScreen.tsx';

export default YearScreen;
