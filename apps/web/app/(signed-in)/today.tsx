import { TodayScreen } from '../../src/features/today/TodayScreen.tsx';

export default TodayScreen;
