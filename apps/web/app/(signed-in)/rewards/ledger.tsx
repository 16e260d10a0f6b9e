import { LedgerScreen } from '../../../src/features/rewards/LedgerScreen.tsx';

export default LedgerScreen;
