import { PipsTableScreen } from '../../../src/features/rewards/PipsTableScreen.tsx';

export default PipsTableScreen;
