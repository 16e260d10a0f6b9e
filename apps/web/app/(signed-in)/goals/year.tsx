import { YearScreen } from '../../../src/features/goals/list/YearScreen.tsx';

export default YearScreen;
