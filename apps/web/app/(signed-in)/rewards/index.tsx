import { RewardsScreen } from '../../../src/features/rewards/RewardsScreen.tsx';

export default RewardsScreen;
