import { BringInScreen } from '../../../src/features/settings/bringIn/BringInScreen.tsx';

export default BringInScreen;
