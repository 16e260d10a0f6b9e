import { AccountScreen } from '../../../src/features/settings/AccountScreen.tsx';

export default AccountScreen;
